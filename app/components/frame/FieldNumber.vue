<script setup lang="ts">
/** A number with its name; where it may be absent, a box beside it says so. */
const props = withDefaults(
  defineProps<{
    label: string;
    min?: number;
    max?: number;
    step?: number;
    /** What its absence is called, like "no limit"; not given where it has to be there. */
    none?: string;
    /** What it is when it is there again. */
    usual?: number;
  }>(),
  { min: 0, max: 100_000, step: 1, usual: 0 },
);
const model = defineModel<number | null | undefined>({ required: true });
const id = useId();
const isThere = computed(() => model.value !== null && model.value !== undefined);
</script>

<template>
  <div class="field">
    <label :for="id">{{ props.label }}</label>
    <el-input-number
      v-if="isThere"
      :id="id"
      :model-value="model!"
      :min="props.min"
      :max="props.max"
      :step="props.step"
      :controls="false"
      @change="(n: number | undefined | null) => (model = n ?? props.min)"
    />
    <el-checkbox
      v-if="props.none"
      :id="isThere ? undefined : id"
      :model-value="!isThere"
      :aria-label="`${props.label}: ${props.none}`"
      @change="(off) => (model = off ? null : props.usual)"
    >
      {{ props.none }}
    </el-checkbox>
  </div>
</template>

<style scoped>
.field {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.5rem;
  align-items: center;
}

.field :deep(.el-input-number) {
  width: 5rem;
}
</style>
