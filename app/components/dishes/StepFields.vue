<script setup lang="ts">
import type { DishFile, NamedStep, StepFile } from '../../composables/useStepFields';

/** All that the dinner file can say about a step, beside what it does, its attention and its minutes. */
const props = defineProps<{
  step: StepFile;
  others: readonly NamedStep[];
  /** Ways of the whole dish, in which the step may take part or not. */
  dishWays: NonNullable<DishFile['ways']>;
  /** Cooks of the evening; none for a dish of the card file. */
  cooks: readonly { id: string; name: string }[];
  set: (change: Partial<StepFile>) => void;
}>();

const caution = ref('');
function addCaution(): void {
  const text = caution.value.trim();
  caution.value = '';
  if (text) props.set({ cautions: [...new Set([...(props.step.cautions ?? []), text])] });
}
const ANYONE = '';
const takesPart = computed(() => props.step.in ?? props.dishWays.map((w) => w.id));
/** In all ways is the usual, and is not written down. */
const setIn = (ids: readonly string[]) =>
  props.set({ in: ids.length === props.dishWays.length ? undefined : [...ids] });
</script>

<template>
  <div class="fields">
    <fieldset class="fieldset">
      <legend>Time and hands</legend>
      <TimeFields :step="step" :set="set" />
      <el-select
        v-if="cooks.length > 1 || step.who"
        :model-value="step.who ?? ANYONE"
        aria-label="Who does it"
        @change="(v: string) => set({ who: v || undefined })"
      >
        <el-option :value="ANYONE" label="whoever has time" />
        <el-option v-for="c in cooks" :key="c.id" :value="c.id" :label="c.name" />
      </el-select>
    </fieldset>
    <fieldset v-if="dishWays.length" class="fieldset">
      <legend>Done when the dish is made</legend>
      <el-checkbox-group
        :model-value="takesPart"
        aria-label="Takes part when the dish is made"
        @change="(v) => setIn(v as string[])"
      >
        <el-checkbox v-for="way in dishWays" :key="way.id" :value="way.id">{{ way.label }}</el-checkbox>
      </el-checkbox-group>
    </fieldset>
    <LinkFields :step="step" :others="others" :set="set" />
    <UseFields :step="step" :set="set" />
    <KeepFields :step="step" :set="set" />
    <StepWays :step="step" :set="set" />
    <fieldset class="fieldset">
      <legend>Signs, cautions, notes</legend>
      <el-input
        :model-value="step.cue ?? ''"
        placeholder="How one sees, feels or smells that it is done"
        aria-label="Done when"
        @input="(v: string) => set({ cue: v || undefined })"
      />
      <FieldNumber
        label="In the middle, °C"
        none="not measured"
        :usual="63"
        :max="200"
        :model-value="step.probe"
        @update:model-value="(n) => set({ probe: n ?? undefined })"
      />
      <div v-for="(told, k) in step.cautions ?? []" :key="told" class="row">
        <span>{{ told }}</span>
        <el-button
          :aria-label="`Hide: ${told}`"
          @click="set({ cautions: (step.cautions ?? []).filter((_, x) => x !== k) })"
        >
          Hide
        </el-button>
      </div>
      <form class="row" @submit.prevent="addCaution">
        <el-input
          v-model="caution"
          maxlength="300"
          placeholder="A caution of your own"
          aria-label="A caution of your own"
        />
        <el-button native-type="submit">Add the caution</el-button>
      </form>
      <el-input
        :model-value="step.note ?? ''"
        placeholder="A note for next time"
        aria-label="Note"
        @input="(v: string) => set({ note: v || undefined })"
      />
    </fieldset>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 0.6rem;
}
</style>
