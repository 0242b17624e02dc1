<script setup lang="ts">
import { componentsOf, withDishes } from '../../../core/compose';
import { describeProblem, readDinner, type DinnerFile } from '../../../core/dinner';
import type { DishFile } from '../../composables/useStepFields';
import { useDinner } from '../../stores/dinner';
import { useDrafts } from '../../stores/drafts';

/** Changes a dish of the open dinner, for that evening; the evening is planned anew whenever it is right. */
const props = defineProps<{ id: string }>();
const emit = defineEmits<{ close: [] }>();
const store = useDinner();
const drafts = useDrafts();

const key = computed(() => `${store.id}/${props.id}`);
const file = computed(() => store.file as DinnerFile);
const draft = computed(() => drafts.of(key.value) as DishFile[] | undefined);
const dishes = computed(
  () =>
    draft.value ?? [file.value.dishes.find((d) => d.id === props.id)!, ...componentsOf(file.value, props.id)],
);
const problems = computed(() => {
  const result = draft.value && readDinner(withDishes(file.value, draft.value));
  return !result || result.ok ? [] : result.problems.map(describeProblem);
});
// Undo, or another window, has the last word over what is not right yet.
watch(file, () => drafts.set(key.value, null));
const elsewhere = computed(() => {
  const here = new Set(dishes.value.map((d) => d.id));
  return file.value.dishes
    .filter((d) => !here.has(d.id))
    .flatMap((d) => d.steps.map((s) => ({ name: `${d.id}/${s.id}`, does: `${d.name}: ${s.does}` })));
});

async function change(next: DishFile[]): Promise<void> {
  const isRight = await store.compose((whole) => withDishes(whole, next));
  await drafts.set(key.value, isRight ? null : next);
}
</script>

<template>
  <DishEditor
    :dishes="dishes"
    :elsewhere="elsewhere"
    :cooks="store.dinner!.cooks"
    :problems="problems"
    @change="change"
    @close="emit('close')"
  >
    <template #acts>
      <el-button :disabled="!draft" @click="drafts.set(key, null)">As it was</el-button>
    </template>
  </DishEditor>
</template>
