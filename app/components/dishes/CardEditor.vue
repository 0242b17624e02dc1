<script setup lang="ts">
import { PLACES, readCard, type CardFile, type Place } from '../../../core/compose';
import { describeProblem } from '../../../core/dinner';
import { PLACE_NAMES } from '../../composables/useCardList';
import type { DishFile } from '../../composables/useStepFields';
import { useCards } from '../../stores/cards';

/** Changes a dish of the card file; it is kept there whenever it is right. */
const props = defineProps<{ id: string; card: CardFile }>();
const emit = defineEmits<{ close: [] }>();
const cards = useCards();

const before = props.card;
const card = computed(() => cards.draftOf(props.id) ?? props.card);
const problems = computed(() => {
  const result = readCard(card.value);
  return result.ok ? [] : result.problems.map(describeProblem);
});
const dishes = computed(() => [card.value.dish, ...(card.value.with ?? [])]);
const change = (next: CardFile) => cards.edit(props.id, next);
const setDishes = ([dish, ...others]: DishFile[]) =>
  change({ ...card.value, dish: dish!, ...(others.length > 0 && { with: others }) });

const tags = computed(() => (card.value.tags ?? []).join(', '));
const setTags = (text: string) =>
  change({ ...card.value, tags: [...new Set(text.split(',').flatMap((t) => t.trim() || []))] });

onMounted(() => cards.beginEditing(props.id));
onBeforeUnmount(() => cards.endEditing());
</script>

<template>
  <DishEditor
    :dishes="dishes"
    :elsewhere="[]"
    :cooks="[]"
    :problems="problems"
    @change="setDishes"
    @close="emit('close')"
  >
    <template #acts>
      <el-button :disabled="card === before" @click="change(before)">As it was</el-button>
    </template>
    <template #fields>
      <el-select
        :model-value="card.goes ?? 'else'"
        class="goes"
        aria-label="Goes with"
        @change="(goes: Place) => change({ ...card, goes })"
      >
        <el-option v-for="p in PLACES" :key="p" :value="p" :label="PLACE_NAMES[p]" />
      </el-select>
      <label for="dish-tags">Tags</label>
      <el-input
        id="dish-tags"
        class="tags"
        :model-value="tags"
        placeholder="meatless, autumn"
        @change="setTags"
      />
    </template>
  </DishEditor>
</template>

<style scoped>
.goes {
  width: 9rem;
}

.tags {
  flex: 1;
  min-width: 12rem;
}
</style>
