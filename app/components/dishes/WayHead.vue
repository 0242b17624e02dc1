<script setup lang="ts">
/** A way's name, what it costs the dish, and its end. */
const props = defineProps<{
  way: { readonly label: string; readonly points?: number | undefined };
  name: string;
  removal: string;
}>();
const emit = defineEmits<{ change: [change: { label?: string; points?: number }]; remove: [] }>();
</script>

<template>
  <div class="row">
    <NameInput
      class="label"
      :model-value="props.way.label"
      maxlength="80"
      :aria-label="props.name"
      @update:model-value="(label) => emit('change', { label })"
    />
    <FieldNumber
      label="costs the dish, points"
      :max="100"
      :model-value="props.way.points ?? 0"
      @update:model-value="(n) => emit('change', { points: n ?? 0 })"
    />
    <el-button :aria-label="props.removal" @click="emit('remove')">×</el-button>
  </div>
</template>

<style scoped>
.label {
  flex: 1;
  min-width: 10rem;
}
</style>
