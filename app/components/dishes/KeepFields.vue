<script setup lang="ts">
import type { WayOrStep } from '../../composables/useStepFields';
import { KEPT_WHERE } from '../../composables/useWords';

/** How long what a step made keeps, and where; of a step, or of a way, which says nothing about the plate. */
const props = defineProps<{
  step: WayOrStep;
  isWay?: boolean;
  set: (change: Partial<WayOrStep>) => void;
}>();

const WHERE = [
  { value: '', label: 'anywhere' },
  ...Object.entries(KEPT_WHERE).map(([value, label]) => ({ value, label })),
];
type KeepsFile = NonNullable<WayOrStep['keeps']>;
const setKeeps = (change: Partial<KeepsFile>) =>
  props.set({ keeps: { ...(props.step.keeps ?? {}), ...change } as KeepsFile });
</script>

<template>
  <fieldset class="fieldset">
    <legend>How long it keeps</legend>
    <el-select
      :model-value="step.keeps?.how ?? ''"
      aria-label="Where it keeps"
      @change="(v: string) => setKeeps({ how: (v || undefined) as KeepsFile['how'] })"
    >
      <el-option v-for="w in WHERE" :key="w.value" :value="w.value" :label="w.label" />
    </el-select>
    <FieldNumber
      label="loses nothing for, min"
      :model-value="step.keeps?.best ?? 0"
      @update:model-value="(n) => setKeeps({ best: n ?? 0 })"
    />
    <FieldNumber
      label="spoilt after"
      none="no limit"
      :usual="60"
      :model-value="step.keeps?.most"
      @update:model-value="(n) => setKeeps({ most: n ?? null })"
    />
    <FieldNumber
      label="gets better for"
      none="no better by waiting"
      :min="1"
      :usual="60"
      :model-value="step.keeps?.gains?.until"
      @update:model-value="
        (n) => setKeeps({ gains: n ? { until: n, points: step.keeps?.gains?.points ?? 5 } : undefined })
      "
    />
    <FieldNumber
      v-if="step.keeps?.gains"
      label="worth, points"
      :max="100"
      :model-value="step.keeps.gains.points"
      @update:model-value="(n) => setKeeps({ gains: { ...step.keeps!.gains!, points: n ?? 0 } })"
    />
    <template v-if="!isWay">
      <el-checkbox
        :model-value="step.plated !== undefined"
        @change="(v) => set({ plated: v ? {} : undefined })"
      >
        goes on the plate itself, whatever comes after it
      </el-checkbox>
      <LimitChoice
        v-if="step.plated"
        :model-value="step.plated.most"
        name="How long before plating"
        minutes="before plating at most, min"
        @update:model-value="(most) => set({ plated: most === undefined ? {} : { most } })"
      />
    </template>
  </fieldset>
</template>
