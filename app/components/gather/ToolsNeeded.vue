<script setup lang="ts">
import { tablePlace, toolNeeds } from '../../../core/gather';
import { duration, useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';

/** Everything to cook with, how many at once, and what to take care of. */
const store = useDinner();
const times = useTimes();
const needs = computed(() => toolNeeds(store.evening!.dinner, store.evening!.plan));
const courses = computed(() => tablePlace(store.dinner!).courses);
/** Named where it is not the day of the dinner. */
const dayOf = (minute: number) => (times.day(minute) === times.day(0) ? '' : `${times.day(minute)}, `);
const WARM_AHEAD = 15;
const COLD_AHEAD = 60;
/** Plates and glasses that wait warm or cold, and from when. */
const vessels = computed(() =>
  courses.value.flatMap((c) => {
    const serve = store.evening!.plan.courses.find((p) => p.id === c.course)?.serve;
    if (serve === undefined || c.plates === 'as they are') return [];
    const ahead = c.plates === 'warm' ? WARM_AHEAD : COLD_AHEAD;
    const what = { plate: 'plates', bowl: 'bowls', glass: 'glasses' }[c.vessel];
    const how = c.plates === 'warm' ? 'Warm' : 'Chill';
    return [
      {
        id: c.course,
        text: `${how} ${store.dinner!.guests} ${what} for ${c.name}`,
        at: serve - ahead,
        ahead,
      },
    ];
  }),
);
</script>

<template>
  <section aria-labelledby="tools-title" class="tools">
    <h2 id="tools-title">Tools</h2>
    <ul class="card" aria-label="Tools needed">
      <li v-for="need in needs" :key="need.tool">
        <p>
          <strong>{{ need.atOnce }} {{ need.tool }}</strong>
          <span v-if="need.has === null" class="warn"> not on your kitchen's list; one is assumed</span>
          <span v-else-if="need.has < need.atOnce" class="warn"> you have {{ need.has }}</span>
          <span v-if="need.isOvenproof">. It has to be ovenproof, its handle too: it comes out hot</span>.
        </p>
        <p v-if="need.shared.length" class="soft">
          One after the other for {{ need.shared.join(' and ') }}: washed in between.
        </p>
        <p v-for="does in need.notWashed" :key="does" class="warn">Do not wash it after: {{ does }}</p>
        <ol>
          <li v-for="use in need.uses" :key="use.step" class="soft">
            {{ dayOf(use.from) }}{{ times.clock(use.from) }} to {{ times.clock(use.to) }}, {{ use.dish }}:
            {{ use.does }}
          </li>
        </ol>
      </li>
    </ul>
    <p v-if="needs.length === 0" class="soft">No step names a tool.</p>
    <h3>Plates, bowls, glasses</h3>
    <ul class="card plain" aria-label="Plates and glasses">
      <li v-for="v in vessels" :key="v.id">
        {{ v.text }}, from {{ times.clock(v.at) }}, {{ duration(v.ahead) }} before.
      </li>
      <li v-if="vessels.length === 0">None has to be warmed or chilled.</li>
    </ul>
  </section>
</template>

<style scoped>
.tools {
  display: grid;
  gap: 0.75rem;
}

.card {
  display: grid;
  gap: 0.75rem;
  margin: 0;
  list-style: none;
}

ol {
  margin: 0;
}

.warn {
  color: var(--warn);
}
</style>
