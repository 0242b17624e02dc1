<script setup lang="ts">
import { tinFactor, tinIn, type Tin } from '../../../core/amounts';
import type { Dish } from '../../../core/dinner';

/** For how much a dish is reckoned: by who eats, by the tin, or by what there is of one thing. */
const props = defineProps<{ dish: Dish; guests: number }>();
const portions = defineModel<number>({ required: true });

type By = 'people' | 'tin' | 'have';
const by = ref<By>('people');
const CHOICES: { value: By; label: string }[] = [
  { value: 'people', label: 'By who eats' },
  { value: 'tin', label: 'By the tin' },
  { value: 'have', label: 'By what there is' },
];
const people = ref(props.guests);

/** The tin that the recipe names, else a usual one. */
const told = computed(() =>
  props.dish.steps
    .flatMap((step) => [
      step.does,
      ...(step.uses ?? []).flatMap((u) => ('tool' in u ? [u.tool as string] : [])),
    ])
    .map(tinIn)
    .find((tin) => tin !== null),
);
const SHAPES: { value: Tin['shape']; label: string }[] = [
  { value: 'round', label: 'round' },
  { value: 'square', label: 'square' },
  { value: 'oblong', label: 'oblong' },
];
interface Sizes {
  shape: Tin['shape'];
  long: number;
  wide: number;
}
function sizesOf(tin: Tin): Sizes {
  if (tin.shape === 'round') return { shape: 'round', long: tin.across, wide: tin.across };
  if (tin.shape === 'square') return { shape: 'square', long: tin.side, wide: tin.side };
  return { ...tin };
}
function tinOf({ shape, long, wide }: Sizes): Tin {
  if (shape === 'round') return { shape, across: long };
  return shape === 'square' ? { shape, side: long } : { shape, long, wide };
}
const USUAL: Tin = { shape: 'round', across: 20 };
const written = ref(sizesOf(told.value ?? USUAL));
const mine = ref(sizesOf(told.value ?? USUAL));
const tins = [
  { name: 'the recipe', sizes: written },
  { name: 'you have', sizes: mine },
];

const measured = computed(() => props.dish.ingredients.filter((i) => i.amount !== undefined));
const amountOf = (i: Dish['ingredients'][number]) => (Array.isArray(i.amount) ? i.amount[1] : i.amount)!;
const thing = ref(0);
const have = ref(measured.value[0] ? amountOf(measured.value[0]) : 1);
watch(thing, (k) => (have.value = amountOf(measured.value[k]!)));

const factor = computed(() => {
  if (by.value === 'tin') return tinFactor(tinOf(written.value), tinOf(mine.value));
  const one = measured.value[thing.value];
  if (by.value === 'have' && one) return have.value / amountOf(one);
  return people.value / props.dish.serves;
});
watch(
  [factor, () => props.dish.serves],
  ([f, serves]) => (portions.value = Math.max(0.1, Math.round(100 * f * serves) / 100)),
  { immediate: true },
);
watch(
  () => props.guests,
  (n) => (people.value = n),
);
const times = computed(() => Number(factor.value.toFixed(2)));
</script>

<template>
  <div class="scale">
    <el-segmented v-model="by" :options="CHOICES" aria-label="How much" />
    <div v-if="by === 'people'" class="row">
      <label for="card-guests">For</label>
      <el-input-number id="card-guests" v-model="people" :min="1" :max="100" />
      <span v-if="people !== dish.serves" class="soft">written for {{ dish.serves }}</span>
    </div>
    <template v-else-if="by === 'tin'">
      <div v-for="tin in tins" :key="tin.name" class="row" role="group" :aria-label="`Tin: ${tin.name}`">
        <span>{{ tin.name === 'the recipe' ? 'The recipe is for a' : 'and you have a' }}</span>
        <el-select v-model="tin.sizes.value.shape" :aria-label="`Shape, ${tin.name}`" class="shape">
          <el-option v-for="s in SHAPES" :key="s.value" :value="s.value" :label="s.label" />
        </el-select>
        <FieldNumber
          v-model="tin.sizes.value.long"
          :label="tin.sizes.value.shape === 'round' ? 'tin, cm across' : 'tin, cm long'"
          :min="1"
          :max="80"
          :step="0.5"
        />
        <FieldNumber
          v-if="tin.sizes.value.shape === 'oblong'"
          v-model="tin.sizes.value.wide"
          label="cm wide"
          :min="1"
          :max="80"
          :step="0.5"
        />
      </div>
    </template>
    <div v-else-if="measured.length" class="row">
      <span>There are</span>
      <el-input-number v-model="have" :min="0.1" :max="100000" :step="0.5" aria-label="How much there is" />
      <span>{{ measured[thing]?.unit }} of</span>
      <el-select v-model="thing" aria-label="Of what there is so much">
        <el-option v-for="(i, k) in measured" :key="k" :value="k" :label="i.item" />
      </el-select>
    </div>
    <p v-else class="soft">No ingredient of this dish has an amount.</p>
    <p v-if="by !== 'people'" role="status">
      {{ times }} times the recipe, {{ portions }} portions: all amounts grow alike.
    </p>
  </div>
</template>

<style scoped>
.scale {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}

.row :deep(.el-select) {
  width: 12rem;
}

.row :deep(.shape) {
  width: 8rem;
}
</style>
