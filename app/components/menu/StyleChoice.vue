<script setup lang="ts">
import type { Style } from '../../../core/dinner';
import { handsSpans, verdictOf } from '../../../core/reasons';
import { duration, useTimes } from '../../composables/useTimes';
import { useComparison } from '../../composables/useOwnWorker';
import { useCourses } from '../../composables/useCourses';
import { useDinner } from '../../stores/dinner';
import type { StyleEvening } from '../../workers/compare.worker';

const store = useDinner();
const times = useTimes();
const courses = useCourses();
const comparison = useComparison();
const evenings = ref(new Map<Style | 'dish', StyleEvening | null>());

const STYLES: { value: Style; name: string; why: string }[] = [
  {
    value: 'ahead',
    name: 'Ahead',
    why: 'All that keeps is made before; the evening is for warming and for guests.',
  },
  { value: 'even', name: 'Even', why: 'A middle way.' },
  { value: 'fresh', name: 'Fresh', why: 'Everything as late as it can be done well.' },
];

watch(
  () => [store.plan, store.isPlanning] as const,
  ([plan, isPlanning]) => {
    comparison.end();
    evenings.value = new Map();
    if (!plan?.feasible || isPlanning) return;
    void comparison.begin((remote, heard) =>
      remote.styles(
        store.file,
        heard((key: Style | 'dish', evening: StyleEvening | null) => {
          evenings.value = new Map(evenings.value).set(key, evening);
        }),
      ),
    );
  },
  { immediate: true },
);

/** The evening that is planned stands for its own style. */
function eveningOf(style: Style): StyleEvening | null | undefined {
  const { evening } = store;
  if (!evening || evening.dinner.style !== style) return evenings.value.get(style);
  return { figures: verdictOf(evening.dinner, evening.plan).figures, plan: evening.plan };
}
const FROM = -480;
const marksOf = (style: Style) => {
  const plan = eveningOf(style)?.plan;
  if (!plan) return [];
  const to = Math.max(...plan.courses.map((c) => c.serve)) + 30;
  const percent = (minute: number) => (100 * (Math.max(FROM, minute) - FROM)) / (to - FROM);
  return [
    ...handsSpans(plan)
      .filter((s) => s.to > FROM)
      .map((s) => ({ left: percent(s.from), width: percent(s.to) - percent(s.from), colour: 'var(--soft)' })),
    ...plan.courses.map((c) => ({ left: percent(c.serve), width: 0.6, colour: courses.colour(c.id) })),
  ];
};
const aheadWords = (minutes: number) =>
  minutes > 0 ? `${duration(minutes)} of hands before the day.` : 'Nothing before the day.';
const dish = computed(() => evenings.value.get('dish'));
const set = (style: Style) => store.change([{ path: 'style', value: style }]);
</script>

<template>
  <section aria-labelledby="styles-title" class="styles">
    <h2 id="styles-title">Three ways to cook it</h2>
    <div class="three" role="radiogroup" aria-labelledby="styles-title">
      <button
        v-for="style in STYLES"
        :key="style.value"
        class="card style"
        role="radio"
        :aria-checked="store.dinner!.style === style.value"
        @click="set(style.value)"
      >
        <strong>{{ style.name }}</strong>
        <span class="line" aria-hidden="true">
          <span
            v-for="(mark, k) in marksOf(style.value)"
            :key="k"
            :style="{ left: `${mark.left}%`, width: `max(2px, ${mark.width}%)`, background: mark.colour }"
          />
        </span>
        <span class="soft">{{ style.why }}</span>
        <span v-if="eveningOf(style.value)">
          {{ aheadWords(eveningOf(style.value)!.figures.aheadMinutes) }} On the day from
          {{ times.clock(eveningOf(style.value)!.figures.firstOnDay) }},
          {{ duration(eveningOf(style.value)!.figures.awayMinutes) }} away from the table.
        </span>
        <span v-else-if="eveningOf(style.value) === null">No such evening was found.</span>
        <span v-else class="soft">Trying it ...</span>
      </button>
    </div>
    <p v-if="dish">
      Dish by dish, each in one go: from {{ times.clock(dish.figures.firstOnDay) }},
      {{ duration(dish.figures.awayMinutes) }} away from the table.
    </p>
    <p v-else-if="dish === null" class="soft">
      Dish by dish, each in one go, this dinner was not found possible.
    </p>
  </section>
</template>

<style scoped>
.styles {
  display: grid;
  gap: 0.75rem;
}

.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9.5rem, 1fr));
  gap: 0.75rem;
}

.style {
  display: grid;
  gap: 0.4rem;
  align-content: start;
  min-height: 44px;
  text-align: left;
  cursor: pointer;
}

.style[aria-checked='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 2px var(--accent);
}

.line {
  position: relative;
  display: block;
  height: 16px;
  border-radius: 4px;
  background: color-mix(in srgb, var(--line) 45%, transparent);
  overflow: hidden;
}

.line > span {
  position: absolute;
  inset-block: 2px;
}
</style>
