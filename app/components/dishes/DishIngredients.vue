<script setup lang="ts">
import { withFields } from '../../../core/compose';
import type { DishFile } from '../../composables/useStepFields';

type IngredientFile = NonNullable<DishFile['ingredients']>[number];
const props = defineProps<{ dish: DishFile; set: (change: Partial<DishFile>) => void }>();

const ingredients = computed(() => props.dish.ingredients ?? []);
const setIngredients = (list: IngredientFile[]) => props.set({ ingredients: list });
const setIngredient = (at: number, part: Partial<IngredientFile>) =>
  setIngredients(ingredients.value.map((i, k) => (k === at ? withFields(i, part) : i)));

const lowOf = (i: IngredientFile) => (Array.isArray(i.amount) ? i.amount[0] : i.amount);
const highOf = (i: IngredientFile) => (Array.isArray(i.amount) ? i.amount[1] : undefined);
/** The two ends of a range stay in order. */
function setLow(at: number, i: IngredientFile, n: number | null | undefined): void {
  const high = highOf(i);
  if (n === null || n === undefined) setIngredient(at, { amount: undefined });
  else setIngredient(at, { amount: high === undefined ? n : [n, Math.max(n, high)] });
}
function setHigh(at: number, i: IngredientFile, n: number | null | undefined): void {
  const low = lowOf(i) ?? 0;
  setIngredient(at, { amount: n === null || n === undefined ? low : [Math.min(low, n), n] });
}
</script>

<template>
  <h3>Ingredients, for {{ dish.serves }}</h3>
  <ul class="ingredients" aria-label="Ingredients">
    <li v-for="(i, k) in ingredients" :key="k" class="row">
      <FieldNumber
        label="Amount"
        none="to taste"
        :step="0.5"
        :usual="1"
        :model-value="lowOf(i)"
        @update:model-value="(n) => setLow(k, i, n)"
      />
      <FieldNumber
        v-if="lowOf(i) !== undefined"
        label="to"
        none="just that"
        :step="0.5"
        :usual="lowOf(i)"
        :model-value="highOf(i)"
        @update:model-value="(n) => setHigh(k, i, n)"
      />
      <el-input
        class="unit"
        :model-value="i.unit ?? ''"
        placeholder="unit"
        :aria-label="`Unit of ingredient ${k + 1}`"
        @input="(v: string) => setIngredient(k, { unit: v })"
      />
      <NameInput
        class="grow"
        :model-value="i.item"
        :aria-label="`Ingredient ${k + 1}`"
        @update:model-value="(item) => setIngredient(k, { item })"
      />
      <el-input
        class="to"
        :model-value="i.to ?? ''"
        placeholder="how cut"
        :aria-label="`What is done with ingredient ${k + 1}`"
        @input="(v: string) => setIngredient(k, { to: v })"
      />
      <el-input
        class="to"
        :model-value="i.group ?? ''"
        placeholder="shelf"
        :aria-label="`Shelf of ingredient ${k + 1}`"
        @input="(v: string) => setIngredient(k, { group: v })"
      />
      <el-checkbox
        :model-value="i.whole ?? false"
        @change="(v) => setIngredient(k, { whole: v === true ? true : undefined })"
      >
        whole
      </el-checkbox>
      <el-button
        :aria-label="`Take out ingredient ${k + 1}`"
        @click="setIngredients(ingredients.filter((_, x) => x !== k))"
        >×</el-button
      >
    </li>
  </ul>
  <div>
    <el-button @click="setIngredients([...ingredients, { item: 'something', amount: 1 }])"
      >One more ingredient</el-button
    >
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
  min-width: 8rem;
}

.unit {
  width: 4.5rem;
}

.to {
  width: 6rem;
}

.ingredients {
  display: grid;
  gap: 0.5rem;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
