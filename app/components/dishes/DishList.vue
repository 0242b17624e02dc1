<script setup lang="ts">
import {
  ALL,
  PLACE_CHOICES,
  useCardFacts,
  useCardFilter,
  type CardOrder,
} from '../../composables/useCardList';
import { duration } from '../../composables/useTimes';
import { useCards } from '../../stores/cards';
import { useDinner } from '../../stores/dinner';

/** The dishes of the open dinner, and those of the card file. */
type Chosen = { readonly of: 'tonight' | 'cards'; readonly id: string };
const props = defineProps<{ chosen: Chosen }>();
const emit = defineEmits<{ choose: [chosen: Chosen]; write: []; take: [file: File] }>();
const cards = useCards();
const store = useDinner();

const filter = useCardFilter(() => cards.cards);
const { facts, sorted } = useCardFacts(
  () => cards.cards,
  () => store.dinner!.guests,
);
const order = ref<CardOrder>('name');
const ORDERS: { value: CardOrder; label: string }[] = [
  { value: 'name', label: 'By name' },
  { value: 'hands', label: 'Least of hands first' },
  { value: 'total', label: 'Quickest first' },
  { value: 'ahead', label: 'Most made ahead first' },
];
const list = computed(() => sorted(filter.shown.value, order.value));
const isCurrent = (of: Chosen['of'], id: string) =>
  props.chosen.of === of && props.chosen.id === id ? 'true' : undefined;

const input = useTemplateRef<HTMLInputElement>('input');
function picked(event: Event): void {
  const target = event.target as HTMLInputElement;
  const file = target.files?.[0];
  target.value = '';
  if (file) emit('take', file);
}
</script>

<template>
  <section class="dish-list" aria-labelledby="cards-title">
    <template v-if="store.dinner!.dishes.length">
      <h2 id="tonight-title">For this dinner</h2>
      <ul class="tonight" aria-label="Dishes of this dinner">
        <li v-for="dish in store.dinner!.dishes" :key="dish.id">
          <button
            :aria-current="isCurrent('tonight', dish.id)"
            @click="emit('choose', { of: 'tonight', id: dish.id })"
          >
            {{ dish.name }}
          </button>
        </li>
      </ul>
    </template>
    <h2 id="cards-title">The card file</h2>
    <el-input
      v-model="filter.text.value"
      placeholder="Name or ingredient"
      aria-label="Search the dishes"
      clearable
    />
    <div class="filters">
      <el-select v-model="filter.place.value" aria-label="Kind of dish">
        <el-option v-for="p in PLACE_CHOICES" :key="p.value" :value="p.value" :label="p.label" />
      </el-select>
      <el-select v-model="filter.tag.value" aria-label="Tag">
        <el-option :value="ALL" label="All tags" />
        <el-option v-for="t in filter.tags.value" :key="t" :value="t" :label="t" />
      </el-select>
      <el-select v-model="order" aria-label="Order" class="wide">
        <el-option v-for="o in ORDERS" :key="o.value" :value="o.value" :label="o.label" />
      </el-select>
    </div>
    <div class="row">
      <el-button type="primary" @click="emit('write')">Write a new dish</el-button>
      <el-button @click="navigateTo('/read')">Read a recipe in</el-button>
      <el-button @click="input?.click()">Take a dish file in ...</el-button>
      <input
        ref="input"
        type="file"
        accept=".json,application/json"
        hidden
        data-testid="dish-file"
        @change="picked"
      />
    </div>
    <ul aria-label="Dishes">
      <li v-for="entry in list" :key="entry.id">
        <button
          :aria-current="isCurrent('cards', entry.id)"
          @click="emit('choose', { of: 'cards', id: entry.id })"
        >
          <strong>{{ entry.card.dish.name }}</strong>
          <span v-if="facts.get(entry.id)" class="soft">
            {{ duration(facts.get(entry.id)!.hands) }} of hands, {{ duration(facts.get(entry.id)!.total) }} in
            all
          </span>
        </button>
      </li>
    </ul>
    <p v-if="list.length === 0" class="soft">No dish of the card file is like that.</p>
  </section>
</template>

<style scoped>
.dish-list {
  display: grid;
  gap: 0.6rem;
}

.filters {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}

.wide {
  grid-column: 1 / -1;
}

ul {
  max-height: 32rem;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

.tonight {
  max-height: 14rem;
}

li > button {
  display: grid;
  align-content: center;
  width: 100%;
  min-height: 44px;
  padding: 0.4rem 0.6rem;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  cursor: pointer;
}

li > button[aria-current] {
  background: var(--card);
  box-shadow: inset 4px 0 0 var(--accent);
}
</style>
