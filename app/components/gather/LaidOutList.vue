<script setup lang="ts">
import { laidOut } from '../../../core/gather';
import { useCourses } from '../../composables/useCourses';
import { useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useGather } from '../../stores/gather';
import { usePreferences } from '../../stores/preferences';

/** Bowls in the order of use, with tonight's amounts. */
const store = useDinner();
const gather = useGather();
const preferences = usePreferences();
const times = useTimes();
const courses = useCourses();
const bowls = computed(() => laidOut(store.evening!.dinner, store.evening!.plan, preferences.system));
const days = computed(() =>
  [...new Set(bowls.value.map((b) => times.day(b.at)))].map((day) => ({
    day,
    list: bowls.value.filter((b) => times.day(b.at) === day),
  })),
);
const nameOf = (step: string) => `bowl ${step}`;
</script>

<template>
  <section aria-labelledby="laid-title" class="laid">
    <h2 id="laid-title">Laid out</h2>
    <p class="soft">Measured before it is needed, in the order of need.</p>
    <section v-for="{ day, list } in days" :key="day" :aria-label="day">
      <h3>{{ day }}</h3>
      <ol>
        <li
          v-for="bowl in list"
          :key="bowl.step"
          class="card"
          :class="{ done: gather.gathered.done[nameOf(bowl.step)] }"
          :style="{ '--colour': courses.colour(bowl.course) }"
        >
          <el-checkbox
            :model-value="gather.gathered.done[nameOf(bowl.step)] ?? false"
            @change="(v) => gather.flag('done', nameOf(bowl.step), v === true)"
          >
            {{ times.clock(bowl.at) }}, {{ bowl.dish }}
          </el-checkbox>
          <p class="soft">{{ bowl.does }}</p>
          <ul>
            <li v-for="thing in bowl.things" :key="thing.item">
              <strong>{{ thing.amount }}</strong> {{ thing.item
              }}<template v-if="thing.to">, {{ thing.to }}</template>
            </li>
          </ul>
        </li>
      </ol>
    </section>
  </section>
</template>

<style scoped>
.laid {
  display: grid;
  gap: 0.75rem;
}

ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(18rem, 100%), 1fr));
  gap: 0.75rem;
  margin: 0.5rem 0 0;
  padding: 0;
  list-style: none;
}

.card {
  border-left: 6px solid var(--colour);
}

.done {
  opacity: 0.65;
}

ul {
  margin: 0.3rem 0 0;
  padding-left: 1.2rem;
}
</style>
