<script setup lang="ts">
import { plannedSteps, tasksOf, type Task } from '../../../core/live';
import { waitingOf } from '../../../core/strip';
import { byDay } from '../../composables/byDay';
import { useCooks } from '../../composables/useCooks';
import { useCourses } from '../../composables/useCourses';
import { KEPT_WHERE } from '../../composables/useWords';
import { duration, useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useStripLook } from '../../stores/strip';

/** The evening as a list in the order of time: what hands do, what begins to wait, when plates are down. */
const chosen = defineModel<string | null>('chosen', { required: true });
const store = useDinner();
const cooks = useCooks();
const look = useStripLook();
const times = useTimes();
const courses = useCourses();

interface Line {
  readonly key: string;
  readonly at: number;
  readonly task: Task | null;
  readonly step: string | null;
  readonly course: string | null;
  readonly text: string;
}

/** Another dinner may not have the cook that was chosen for one before. */
const whose = computed(() => (store.dinner!.cooks.some((c) => c.id === look.whose) ? look.whose : ''));

const days = computed(() => {
  const { dinner, plan } = store.evening!;
  const tasks = tasksOf(dinner, plan)
    .filter((task) => whose.value === '' || task.cook === whose.value)
    .map((task): Line => ({
      key: task.id,
      at: task.from,
      task,
      step: task.step,
      course: task.course,
      text: task.text,
    }));
  const alone = plannedSteps(dinner, plan)
    .filter(({ row }) => row.hands.length === 0 && row.end > row.start)
    .map(({ row, step, course }): Line => ({
      key: row.step,
      at: row.start,
      task: null,
      step: row.step,
      course,
      text: `${step.does} By itself until ${times.clockSince(row.end, row.start)}`,
    }));
  const waits = waitingOf(dinner, plan)
    .filter((w) => w.to - w.from >= 3)
    .map((w): Line => ({
      key: `${w.step} waits`,
      at: w.from,
      task: null,
      step: w.step,
      course: w.course,
      text: `${w.dish} waits ${w.how ? KEPT_WHERE[w.how as keyof typeof KEPT_WHERE] : ''} until ${times.clockSince(w.to, w.from)}${w.spoiltAt === null ? '' : `, may wait until ${times.clockSince(w.spoiltAt, w.from)}`}`,
    }));
  const plates = plan.courses.map((course): Line => ({
    key: `${course.id} down`,
    at: course.serve,
    task: null,
    step: null,
    course: course.id,
    text: `${courses.name(course.id)} is on the table until ${times.clock(course.serve + dinner.courses.find((c) => c.id === course.id)!.eating)}`,
  }));
  const lines = [...tasks, ...alone, ...waits, ...plates].sort((a, b) => a.at - b.at);
  return byDay(lines.map((line) => ({ day: times.day(line.at), line })));
});
</script>

<template>
  <section class="list" aria-label="The evening as a list">
    <el-select
      v-if="cooks.hasSeveral.value"
      :model-value="whose"
      aria-label="Whose lines"
      @change="(cook: string) => look.set({ whose: cook })"
    >
      <el-option value="" label="Everyone" />
      <el-option v-for="c in store.dinner!.cooks" :key="c.id" :value="c.id" :label="c.name" />
    </el-select>
    <template v-for="{ day, lines } in days" :key="day">
      <h2>{{ day }}</h2>
      <ol>
        <li
          v-for="line in lines"
          :key="line.key"
          :class="{
            plates: line.task === null && line.step === null,
            waits: line.task === null && line.step !== null,
          }"
          :style="{ '--colour': courses.colour(line.course) }"
        >
          <component
            :is="line.step ? 'button' : 'span'"
            class="line"
            :class="{ chosen: line.step !== null && line.step === chosen }"
            @click="line.step && (chosen = line.step === chosen ? null : line.step)"
          >
            <time>{{ times.clock(line.at) }}</time>
            <span class="course-sign" aria-hidden="true">{{ courses.number(line.course) }}</span>
            <span class="text">{{ line.text }}</span>
            <span v-if="line.task" class="soft">
              <template v-if="cooks.hasSeveral.value">{{ cooks.name(line.task.cook) }}, </template>
              {{ duration(line.task.to - line.task.from) }}
            </span>
          </component>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.list {
  max-width: 56rem;
}

.el-select {
  width: 14rem;
}

h2 {
  margin: 0.75rem 0 0.25rem;
  font-size: 1.1rem;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 0.6rem;
  width: 100%;
  min-height: 44px;
  padding: 0.5rem 0.5rem 0.25rem;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
}

button.line {
  cursor: pointer;
}

.line:hover,
.chosen {
  background: color-mix(in srgb, var(--colour) 14%, var(--card));
}

time {
  font-weight: 600;
}

.text {
  flex: 1;
}

.plates .line {
  border-top: 3px solid var(--colour);
  color: var(--colour);
  font-weight: 700;
}

.waits .line {
  color: var(--soft);
  font-size: 0.95rem;
}
</style>
