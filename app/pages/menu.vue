<script setup lang="ts">
import { figuresOf, handsOfDish, type EveningFigures } from '../../core/reasons';
import { useComparison } from '../composables/useOwnWorker';
import { costBesideHands } from '../composables/useCosts';
import { duration } from '../composables/useTimes';
import { useDinner } from '../stores/dinner';

const store = useDinner();
const comparison = useComparison();
const dinner = computed(() => store.dinner!);
/** A dinner without dishes wants some first. */
const firstSide = () => (dinner.value.dishes.length === 0 ? 'dishes' : 'table');
const side = ref<'table' | 'dishes'>(firstSide());
watch(
  () => store.id,
  () => (side.value = firstSide()),
);
const SIDES = [
  { value: 'table', label: 'Who and when' },
  { value: 'dishes', label: 'Dishes' },
];

/** The evening without each dish; null where none was found. */
const without = ref(new Map<string, EveningFigures | null>());
watch(
  () => [store.plan, store.isPlanning] as const,
  ([plan, isPlanning]) => {
    comparison.end();
    without.value = new Map();
    if (!plan?.feasible || isPlanning) return;
    void comparison.begin((remote, heard) =>
      remote.withoutEach(
        store.file,
        plan,
        heard((id: string, figures: EveningFigures | null) => {
          without.value = new Map(without.value).set(id, figures);
        }),
      ),
    );
  },
  { immediate: true },
);
const costs = computed(() => {
  if (!store.evening) return new Map<string, string>();
  const base = figuresOf(store.evening.dinner, store.evening.plan);
  return new Map(
    [...without.value].flatMap(([id, figures]): [string, string][] =>
      figures ? [[id, costBesideHands(base, figures)]] : [],
    ),
  );
});

const components = computed(() => {
  const listed = new Set(dinner.value.courses.flatMap((c) => c.dishes));
  return dinner.value.dishes
    .filter((d) => !listed.has(d.id))
    .map((d) => ({
      ...d,
      hands: store.evening ? handsOfDish(store.evening.plan, d.id) : 0,
    }));
});
</script>

<template>
  <div>
    <PlanStatus />
    <div class="menu">
      <div class="side">
        <el-segmented v-model="side" :options="SIDES" aria-label="Left side" />
        <template v-if="side === 'table'">
          <TableSettings />
          <GuestList />
        </template>
        <CardChooser v-else />
      </div>
      <div class="middle">
        <CourseList :costs="costs" />
        <section v-if="components.length" aria-labelledby="components-title">
          <h2 id="components-title">For several dishes</h2>
          <ul>
            <li v-for="dish in components" :key="dish.id">
              <NuxtLink :to="`/dishes?change=${dish.id}`">{{ dish.name }}</NuxtLink><span class="soft"
                >, {{ duration(dish.hands) }} of hands</span
              >
            </li>
          </ul>
        </section>
        <StyleChoice />
        <OvenSharing />
      </div>
      <div class="verdict">
        <VerdictPanel />
        <ImpossibleDinner v-if="store.plan && !store.plan.feasible" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.menu {
  display: grid;
  grid-template-columns: minmax(0, 21rem) minmax(0, 1fr) minmax(0, 20rem);
  gap: 1.25rem;
  align-items: start;
  padding: 0.25rem 1.25rem 2rem;
}

.side,
.middle {
  display: grid;
  gap: 1rem;
}

.verdict {
  position: sticky;
  top: 84px;
  display: grid;
  gap: 1rem;
  max-height: calc(100vh - 96px);
  overflow-y: auto;
}

@media (max-width: 1100px) {
  .menu {
    grid-template-columns: minmax(0, 19rem) minmax(0, 1fr);
  }

  .verdict {
    position: static;
    grid-column: 1 / -1;
    grid-row: 1;
    max-height: none;
  }
}

@media (max-width: 800px) {
  .menu {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 0.75rem;
  }
}
</style>
