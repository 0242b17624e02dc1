<script setup lang="ts">
import { toInstant, toWall } from '../../../core/clock';
import type { PlannedStep } from '../../../core/live';
import { useDinner } from '../../stores/dinner';

/** What the cook decides about a step instead of the plan: when, how, by whom. */
const props = defineProps<{ planned: PlannedStep }>();
const store = useDinner();
const name = computed(() => props.planned.row.step);
const dinner = computed(() => store.dinner!);

const pin = computed(() => dinner.value.pins.find((p) => p.step === name.value));
const startsAt = computed(
  () =>
    pin.value?.start ??
    toWall(
      toInstant(dinner.value.sitDown, dinner.value.timeZone) + props.planned.row.start,
      dinner.value.timeZone,
    ),
);
const others = computed(() => dinner.value.pins.filter((p) => p.step !== name.value));
const setPin = (start: string | null) =>
  store.bend([
    { path: 'pins', value: start ? [...others.value, { step: name.value, start }] : others.value },
  ]);

const ANY = 'any';
const BASE = 'base';
const choice = computed(() => {
  if (!Object.hasOwn(dinner.value.choices, name.value)) return ANY;
  return dinner.value.choices[name.value] ?? BASE;
});
function setChoice(value: string): void {
  const { [name.value]: _old, ...kept } = dinner.value.choices;
  const choices = value === ANY ? kept : { ...kept, [name.value]: value === BASE ? null : value };
  void store.bend([{ path: 'choices', value: choices }]);
}

function setWho(who: string): void {
  const { dishIndex, stepIndex } = props.planned.placed;
  void store.bend([{ path: `dishes[${dishIndex}].steps[${stepIndex}].who`, value: who || undefined }]);
}
</script>

<template>
  <section class="bend" aria-labelledby="bend-title">
    <h3 id="bend-title">Decide it yourself</h3>
    <div class="line">
      <el-date-picker
        :model-value="startsAt"
        type="datetime"
        format="ddd D MMM HH:mm"
        value-format="YYYY-MM-DDTHH:mm"
        :clearable="false"
        aria-label="Begins at"
        @update:model-value="(v: string | null) => v && setPin(v)"
      />
      <el-button v-if="pin" @click="setPin(null)">Unpin</el-button>
      <el-button v-else @click="setPin(startsAt)">Pin it here</el-button>
    </div>
    <p v-if="pin" class="soft">Pinned: it begins then and nowhere else.</p>
    <el-select
      v-if="planned.step.ways.length"
      :model-value="choice"
      aria-label="How it is done"
      @change="setChoice"
    >
      <el-option :value="ANY" label="As suits the evening" />
      <el-option :value="BASE" label="The usual way" />
      <el-option v-for="w in planned.step.ways" :key="w.id" :value="w.id" :label="w.label" />
    </el-select>
    <el-select
      v-if="dinner.cooks.length > 1"
      :model-value="planned.step.who ?? ''"
      aria-label="Who does it"
      @change="setWho"
    >
      <el-option value="" label="Whoever has time" />
      <el-option v-for="c in dinner.cooks" :key="c.id" :value="c.id" :label="c.name" />
    </el-select>
    <NuxtLink :to="`/dishes?change=${planned.placed.dish.id}`">Change the dish</NuxtLink>
  </section>
</template>

<style scoped>
.bend {
  display: grid;
  gap: 0.5rem;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.line :deep(.el-date-editor) {
  flex: 1;
  min-width: 11rem;
}

a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
</style>
