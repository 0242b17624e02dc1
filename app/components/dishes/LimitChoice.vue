<script setup lang="ts">
/** How long something may wait: as what was made keeps, so long and no longer, or without a limit. */
const model = defineModel<number | null | undefined>({ required: true });
const props = defineProps<{
  /** What the choice is called, and the minutes where there are some. */
  name: string;
  minutes: string;
}>();
const CHOICES = [
  { value: 'keeps', label: 'as long as it keeps' },
  { value: 'most', label: 'at most so long' },
  { value: 'free', label: 'however long' },
];
const USUAL = 10;
const kind = computed(() => {
  if (model.value === undefined) return 'keeps';
  return model.value === null ? 'free' : 'most';
});
const choose = (value: string) =>
  (model.value = value === 'keeps' ? undefined : value === 'free' ? null : USUAL);
</script>

<template>
  <el-select :model-value="kind" :aria-label="props.name" @change="choose">
    <el-option v-for="c in CHOICES" :key="c.value" :value="c.value" :label="c.label" />
  </el-select>
  <FieldNumber
    v-if="typeof model === 'number'"
    :label="props.minutes"
    :model-value="model"
    @update:model-value="(n) => (model = n ?? 0)"
  />
</template>
