<script setup lang="ts">
import type { WayOrStep } from '../../composables/useStepFields';

/** Attention and the three durations, of a step or of another way to do it. */
const props = defineProps<{
  step: WayOrStep;
  name: string;
  set: (change: Partial<WayOrStep>) => void;
}>();

const minutes = computed(() => {
  const m = props.step.minutes!;
  return typeof m === 'number' ? { short: m, usual: m, long: m } : m;
});
/** The three stay in order: what is set pushes the others. */
function setMinutes(field: 'short' | 'usual' | 'long', value: number): void {
  const m = { ...minutes.value, [field]: value };
  if (field === 'short') [m.usual, m.long] = [Math.max(m.usual, value), Math.max(m.long, value)];
  if (field === 'usual') [m.short, m.long] = [Math.min(m.short, value), Math.max(m.long, value)];
  if (field === 'long') [m.short, m.usual] = [Math.min(m.short, value), Math.min(m.usual, value)];
  props.set({ minutes: m.short === m.long ? m.usual : { ...m } });
}

function setAttention(attention: NonNullable<WayOrStep['attention']>): void {
  props.set({
    attention,
    ...(attention === 'hands' && { touch: undefined, check: undefined }),
    ...(attention !== 'hands' && { pausable: undefined, hands: undefined, within: undefined, if: undefined }),
    ...(attention === 'alone' && { check: undefined }),
    ...(attention === 'minded' && { check: props.step.check ?? { every: 10 } }),
  });
}

const KINDS = [
  { value: 'hands', label: 'Hands' },
  { value: 'minded', label: 'Minded' },
  { value: 'alone', label: 'Alone' },
];
const PARTS = [
  { field: 'short', label: 'min, short' },
  { field: 'usual', label: 'usual' },
  { field: 'long', label: 'long' },
] as const;
</script>

<template>
  <el-select
    :model-value="step.attention"
    class="kind"
    :aria-label="`${name}: attention`"
    @change="setAttention"
  >
    <el-option v-for="k in KINDS" :key="k.value" :value="k.value" :label="k.label" />
  </el-select>
  <FieldNumber
    v-for="part in PARTS"
    :key="part.field"
    :label="part.label"
    :model-value="minutes[part.field]"
    @update:model-value="(n) => setMinutes(part.field, n ?? 0)"
  />
</template>

<style scoped>
.kind {
  width: 8rem;
}
</style>
