<script setup lang="ts">
import { platingMinutes } from '../../core/dinner';
import type { Style } from '../../core/dinner';
import { duration, useTimes } from '../composables/useTimes';
import { useCourses } from '../composables/useCourses';
import { useDinner } from '../stores/dinner';

const store = useDinner();
const times = useTimes();
const courses = useCourses();
const dinner = computed(() => store.dinner!);

const STYLES: { value: Style; name: string; why: string }[] = [
  {
    value: 'ahead',
    name: 'Ahead',
    why: 'All that keeps is made before; the evening is for warming and for guests.',
  },
  { value: 'even', name: 'Even', why: 'A middle way.' },
  { value: 'fresh', name: 'Fresh', why: 'Everything as late as it can be done well.' },
];

const set = (path: string, value: unknown) => store.change([{ path, value }]);

async function setSitDown(value: string | null): Promise<void> {
  if (!value) return;
  const days = Math.round(
    (Date.parse(value.slice(0, 10)) - Date.parse(dinner.value.sitDown.slice(0, 10))) / 86_400_000,
  );
  if (days !== 0) await store.moveDays(days);
  if (value !== dinner.value.sitDown) await set('sitDown', value);
}

const handsOf = (dishId: string) =>
  (store.evening?.plan.steps ?? [])
    .filter((s) => s.step.startsWith(`${dishId}/`))
    .reduce((sum, s) => sum + s.hands.reduce((n, h) => n + h.to - h.from, 0), 0);
const wayOf = (dishId: string) => {
  const way = store.evening?.plan.dishes.find((d) => d.dish === dishId)?.way;
  return dinner.value.dishes.find((d) => d.id === dishId)?.ways.find((w) => w.id === way)?.label;
};
const serveOf = (id: string) => store.evening?.plan.courses.find((c) => c.id === id);
const waitText = (id: string) => {
  const wait = serveOf(id)?.wait ?? null;
  return wait === null ? '' : `, ${wait} min after the course before`;
};
const components = computed(() => {
  const listed = new Set(dinner.value.courses.flatMap((c) => c.dishes));
  return dinner.value.dishes.filter((d) => !listed.has(d.id));
});
</script>

<template>
  <div>
    <PlanStatus />
    <div class="menu">
      <section class="card settings" aria-labelledby="who-title">
        <h2 id="who-title">Who and when</h2>
        <label for="guests">At table</label>
        <el-input-number
          id="guests"
          :model-value="dinner.guests"
          :min="1"
          :max="24"
          @change="(n) => n && set('guests', n)"
        />
        <label for="sit-down">Sitting down</label>
        <el-date-picker
          id="sit-down"
          :model-value="dinner.sitDown"
          type="datetime"
          format="D MMM YYYY, HH:mm"
          value-format="YYYY-MM-DDTHH:mm"
          :clearable="false"
          @update:model-value="setSitDown"
        />
        <span id="style-label">Style</span>
        <div>
          <el-radio-group
            :model-value="dinner.style"
            aria-labelledby="style-label"
            @change="(s) => set('style', s)"
          >
            <el-radio-button
              v-for="style in STYLES"
              :key="style.value"
              :value="style.value"
              :label="style.name"
            />
          </el-radio-group>
          <p class="soft">{{ STYLES.find((s) => s.value === dinner.style)?.why }}</p>
        </div>
        <span id="caution-label">Caution</span>
        <div class="slider">
          <el-slider
            :model-value="dinner.caution"
            :min="0"
            :max="1"
            :step="0.05"
            aria-labelledby="caution-label"
            :format-tooltip="(v: number) => `${Math.round(v * 100)} %`"
            @change="(v) => set('caution', v)"
          />
          <p class="soft">
            {{ Math.round(dinner.caution * 100) }} % of the way from the usual time to the long one is allowed
            for.
          </p>
        </div>
      </section>
      <section aria-labelledby="courses-title">
        <h2 id="courses-title">Courses</h2>
        <ol class="courses">
          <li
            v-for="(course, c) in dinner.courses"
            :key="course.id"
            class="card"
            :style="{ '--colour': courses.colour(course.id) }"
          >
            <h3>{{ course.name }}</h3>
            <p v-if="serveOf(course.id)" class="soft">
              On the table at {{ times.clock(serveOf(course.id)!.serve) }}, {{ course.eating }} min to eat,
              {{ platingMinutes(dinner, c) }} min to plate{{ waitText(course.id) }}
            </p>
            <ul>
              <li v-for="id in course.dishes" :key="id">
                <strong>{{ dinner.dishes.find((d) => d.id === id)?.name }}</strong>
                <span class="soft"
                  >, {{ duration(handsOf(id)) }} of hands{{ wayOf(id) ? `. ${wayOf(id)}` : '' }}</span
                >
              </li>
            </ul>
          </li>
        </ol>
        <template v-if="components.length">
          <h3>For several dishes</h3>
          <ul>
            <li v-for="dish in components" :key="dish.id">
              {{ dish.name }}<span class="soft">, {{ duration(handsOf(dish.id)) }} of hands</span>
            </li>
          </ul>
        </template>
      </section>
    </div>
    <ImpossibleDinner v-if="store.plan && !store.plan.feasible" />
  </div>
</template>

<style scoped>
.menu {
  display: grid;
  grid-template-columns: minmax(0, 26rem) minmax(0, 1fr);
  gap: 1.5rem;
  padding: 0.5rem 1.25rem 2rem;
}

.settings {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 1rem 1.25rem;
  align-content: start;
  align-items: start;
}

.settings > h2 {
  grid-column: 1 / -1;
}

.settings label,
.settings > span {
  padding-top: 0.6rem;
  font-weight: 600;
}

.slider {
  padding-inline: 0.5rem;
}

.courses {
  display: grid;
  gap: 0.75rem;
  margin: 0.75rem 0;
  padding: 0;
  list-style: none;
}

.courses > li {
  border-left: 6px solid var(--colour);
}

.courses h3 {
  color: var(--colour);
}

@media (max-width: 900px) {
  .menu {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
