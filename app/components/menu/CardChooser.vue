<script setup lang="ts">
import { VueDraggable } from 'vue-draggable-plus';
import { withCard } from '../../../core/compose';
import type { DinnerFile } from '../../../core/dinner';
import { figuresOf, type EveningFigures } from '../../../core/reasons';
import { ALL, PLACE_CHOICES, useCardFilter } from '../../composables/useCardList';
import { costInWords } from '../../composables/useCosts';
import { useComparison } from '../../composables/useOwnWorker';
import { useCards } from '../../stores/cards';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const cards = useCards();
const comparison = useComparison();

const { text, place, tag, tags, shown } = useCardFilter(() => cards.cards);
const chosen = ref('');
const course = computed(
  () => store.dinner!.courses.find((c) => c.id === chosen.value)?.id ?? store.dinner!.courses[0]!.id,
);

/** A copy of what is shown, for dragging: entries are cloned into a course. */
const entries = ref<string[]>([]);
watch(shown, (list) => (entries.value = list.map((c) => c.id)), { immediate: true });

/** What each card would make of the evening on the chosen course; null where it would not fit. */
const costs = ref(new Map<string, EveningFigures | null>());
const base = computed(() => store.evening && figuresOf(store.evening.dinner, store.evening.plan));
const costOf = (id: string) => {
  const figures = costs.value.get(id);
  if (figures === undefined) return '';
  if (figures === null || !base.value) return 'No evening was found with it.';
  return `It would cost: ${costInWords(figures, base.value)}.`;
};

watch(
  () => [store.plan, store.isPlanning, course.value, shown.value] as const,
  ([plan, isPlanning], before) => {
    if (before && (plan !== before[0] || course.value !== before[2])) costs.value = new Map();
    comparison.end();
    if (!plan?.feasible || isPlanning) return;
    const wanted = shown.value.filter((c) => !costs.value.has(c.id)).map(({ id, card }) => ({ id, card }));
    if (wanted.length === 0) return;
    void comparison.begin((remote, heard) =>
      remote.withEach(
        store.file,
        plan,
        course.value,
        JSON.parse(JSON.stringify(wanted)),
        heard((id: string, figures: EveningFigures | null) => {
          costs.value = new Map(costs.value).set(id, figures);
        }),
      ),
    );
  },
  { immediate: true },
);

function add(id: string): void {
  const card = cards.cards.find((c) => c.id === id)!;
  void store.compose((file: DinnerFile) => withCard(file, card.card, course.value));
}
const nameOf = (id: string) => cards.cards.find((c) => c.id === id)?.card.dish.name ?? '';
const tagsOf = (id: string) => (cards.cards.find((c) => c.id === id)?.card.tags ?? []).join(', ');
</script>

<template>
  <section class="card chooser" aria-labelledby="chooser-title">
    <h2 id="chooser-title">Dishes to choose from</h2>
    <el-input v-model="text" placeholder="Name or ingredient" aria-label="Search the dishes" clearable />
    <div class="filters">
      <el-select v-model="place" aria-label="Kind of dish">
        <el-option v-for="p in PLACE_CHOICES" :key="p.value" :value="p.value" :label="p.label" />
      </el-select>
      <el-select v-model="tag" aria-label="Tag">
        <el-option :value="ALL" label="All tags" />
        <el-option v-for="t in tags" :key="t" :value="t" :label="t" />
      </el-select>
    </div>
    <div class="course">
      <label for="onto">Onto</label>
      <el-select
        id="onto"
        :model-value="course"
        aria-label="Onto which course"
        @change="(id: string) => (chosen = id)"
      >
        <el-option v-for="c in store.dinner!.courses" :key="c.id" :value="c.id" :label="c.name" />
      </el-select>
    </div>
    <p v-if="comparison.isComparing.value" class="soft" role="status">Trying each in this evening ...</p>
    <VueDraggable
      v-model="entries"
      tag="ul"
      :group="{ name: 'dishes', pull: 'clone', put: false }"
      :sort="false"
      :clone="(id: string) => `card:${id}`"
      handle=".grip"
    >
      <li v-for="id in entries" :key="id">
        <span class="grip" aria-hidden="true" title="Drag">⠿</span>
        <div class="what">
          <strong>{{ nameOf(id) }}</strong>
          <span v-if="tagsOf(id)" class="soft">{{ tagsOf(id) }}</span>
          <span class="cost">{{ costOf(id) }}</span>
        </div>
        <el-button size="small" :aria-label="`Add ${nameOf(id)}`" @click="add(id)">Add</el-button>
      </li>
    </VueDraggable>
    <p v-if="entries.length === 0" class="soft">No dish of the card file is like that.</p>
  </section>
</template>

<style scoped>
.chooser {
  display: grid;
  gap: 0.6rem;
  align-content: start;
}

.filters {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}

.course {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}

.course label {
  font-weight: 600;
}

ul {
  display: grid;
  max-height: 34rem;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 32px minmax(0, 1fr) auto;
  gap: 0.25rem 0.5rem;
  align-items: start;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--line);
}

.grip {
  display: grid;
  place-items: center;
  min-height: 44px;
  color: var(--soft);
  cursor: grab;
}

.what {
  display: grid;
}
</style>
