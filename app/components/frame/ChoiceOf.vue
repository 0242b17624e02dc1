<script setup lang="ts" generic="Value extends string | number">
/** One of a few, all in sight, under its name. */
const model = defineModel<Value>({ required: true });
const props = defineProps<{
  label: string;
  choices: readonly { readonly value: Value; readonly label: string }[];
}>();
const id = useId();
</script>

<template>
  <span :id="id">{{ props.label }}</span>
  <el-radio-group v-model="model" :aria-labelledby="id">
    <el-radio-button v-for="c in props.choices" :key="c.value" :value="c.value" :label="c.label" />
  </el-radio-group>
</template>
