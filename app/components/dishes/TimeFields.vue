<script setup lang="ts">
import type { WayOrStep } from '../../composables/useStepFields';

/** How the time grows, what hands it takes at its ends and in its middle; of a step or of a way. */
const props = defineProps<{ step: WayOrStep; set: (change: Partial<WayOrStep>) => void }>();

const SCALES = [
  { value: 'fixed', label: 'However many eat' },
  { value: 'portions', label: 'Grows with the portions' },
  { value: 'share', label: 'Grows by a share' },
  { value: 'batch', label: 'Goes in batches' },
];
const scaleKind = computed(() => {
  const { scale = 'fixed' } = props.step;
  if (typeof scale === 'number') return 'share';
  return typeof scale === 'string' ? scale : 'batch';
});
function setScale(kind: string): void {
  if (kind === 'share') props.set({ scale: 0.5 });
  else if (kind === 'batch') props.set({ scale: { batch: 4 } });
  else props.set({ scale: kind === 'fixed' ? undefined : 'portions' });
}
</script>

<template>
  <el-select :model-value="scaleKind" aria-label="How the time grows" @change="setScale">
    <el-option v-for="s in SCALES" :key="s.value" :value="s.value" :label="s.label" />
  </el-select>
  <FieldNumber
    v-if="typeof step.scale === 'number'"
    label="share"
    :max="1"
    :step="0.1"
    :model-value="step.scale"
    @update:model-value="(n) => set({ scale: n ?? 0 })"
  />
  <FieldNumber
    v-if="scaleKind === 'batch'"
    label="portions a batch"
    :min="1"
    :model-value="(step.scale as { batch: number }).batch"
    @update:model-value="(n) => set({ scale: { batch: n ?? 1 } })"
  />
  <template v-if="step.attention === 'hands'">
    <FieldNumber
      label="Cooks"
      :min="1"
      :max="6"
      :model-value="step.hands ?? 1"
      @update:model-value="(n) => set({ hands: n ?? 1 })"
    />
    <el-checkbox
      :model-value="step.pausable ?? false"
      @change="(v) => set({ pausable: v === true || undefined })"
    >
      may be done in pieces
    </el-checkbox>
  </template>
  <template v-else>
    <FieldNumber
      label="Minutes to put in"
      :model-value="step.touch?.in ?? 0"
      @update:model-value="(n) => set({ touch: { ...step.touch, in: n ?? 0 } })"
    />
    <FieldNumber
      label="to take out"
      :model-value="step.touch?.out ?? 0"
      @update:model-value="(n) => set({ touch: { ...step.touch, out: n ?? 0 } })"
    />
  </template>
  <template v-if="step.attention === 'minded' && step.check">
    <FieldNumber
      label="Looked at every"
      :min="1"
      :model-value="step.check.every"
      @update:model-value="(n) => set({ check: { ...step.check!, every: n ?? 1 } })"
    />
    <FieldNumber
      label="for"
      :model-value="step.check.takes ?? 1"
      @update:model-value="(n) => set({ check: { ...step.check!, takes: n ?? 1 } })"
    />
    <FieldNumber
      label="give or take"
      :model-value="step.check.slack ?? 2"
      @update:model-value="(n) => set({ check: { ...step.check!, slack: n ?? 2 } })"
    />
  </template>
  <el-checkbox
    v-if="step.attention !== 'hands' || step.stay"
    :model-value="step.stay ?? false"
    @change="(v) => set({ stay: v === true || undefined })"
  >
    someone has to be in the kitchen
  </el-checkbox>
</template>
