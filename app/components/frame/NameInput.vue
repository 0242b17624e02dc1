<script setup lang="ts">
/** A line of text that counts when it is left or confirmed, and only where it is not empty. */
const model = defineModel<string>({ required: true });
const draft = ref(model.value);
watch(model, (value) => (draft.value = value));

function confirm(): void {
  const text = draft.value.trim();
  if (text) model.value = text;
  draft.value = text || model.value;
}
</script>

<template>
  <el-input v-model="draft" @change="confirm" />
</template>
