<script setup lang="ts">
import { tasksOf, type Evening, type Task } from '../../../core/live';
import { differencesOf, figuresOf, type Difference, type EveningFigures } from '../../../core/reasons';
import { useCourses } from '../../composables/useCourses';
import { duration, useTimes } from '../../composables/useTimes';
import { useVariant } from '../../stores/variant';

/** Two evenings beside each other, course against course, with what differs marked. */
const props = defineProps<{ mine: Evening; other: Evening }>();
const variant = useVariant();
const courses = useCourses();
const times = useTimes();

const figures = computed(() => [props.mine, props.other].map((e) => figuresOf(e.dinner, e.plan)));
const clock = (evening: Evening, minute: number) => times.clockAt(evening.zero + minute * 60_000);
const ROWS: readonly {
  name: string;
  of: (f: EveningFigures, e: Evening) => string;
  less: (f: EveningFigures) => number;
}[] = [
  { name: 'Cost in all', of: (f) => f.cost.toFixed(1), less: (f) => f.cost },
  { name: 'The day begins', of: (f, e) => clock(e, f.firstOnDay), less: (f) => -f.firstOnDay },
  { name: 'Away from the table', of: (f) => duration(f.awayMinutes), less: (f) => f.awayMinutes },
  { name: 'Hands in all', of: (f) => duration(f.handsMinutes), less: (f) => f.handsMinutes },
  { name: 'Hands before the day', of: (f) => duration(f.aheadMinutes), less: () => 0 },
];
const rows = computed(() =>
  ROWS.map(({ name, of, less }) => {
    const [a, b] = figures.value as [EveningFigures, EveningFigures];
    const difference = less(b) - less(a);
    return {
      name,
      mine: of(a, props.mine),
      other: of(b, props.other),
      better: Math.abs(difference) < 0.05 ? '' : difference < 0 ? 'other' : 'mine',
    };
  }),
);

interface Line {
  readonly task: Task;
  readonly time: string;
  readonly day: string;
  readonly mark: string;
}
/** What is marked on a line: how it differs from the other evening. */
function markOf(difference: Difference | undefined, task: Task, other: Evening): string {
  if (task.kind === 'check' || !difference) return '';
  switch (difference.kind) {
    case 'moved':
      return `${difference.by > 0 ? '▼' : '▲'} ${duration(Math.abs(difference.by))} ${difference.by > 0 ? 'later' : 'earlier'}`;
    case 'way':
      return '◆ another way';
    case 'cook':
      return `◆ ${other.dinner.cooks.find((c) => c.id === task.cook)?.name ?? 'another cook'}`;
    case 'only':
      return '✚ only here';
  }
}
function linesOf(evening: Evening, other: Evening): Line[] {
  const differences = differencesOf(evening.plan, other.plan);
  return tasksOf(evening.dinner, evening.plan).map((task) => ({
    task,
    time: clock(evening, task.from),
    day: times.dayAt(evening.zero + task.from * 60_000),
    mark: task.step ? markOf(differences.get(task.step), task, evening) : '',
  }));
}

/** Sections between the courses that both evenings have, so that these stand side by side. */
const sections = computed(() => {
  const shared = props.mine.plan.courses
    .map((c) => c.id)
    .filter((id) => props.other.plan.courses.some((c) => c.id === id));
  const serves = (e: Evening) => shared.map((id) => e.plan.courses.find((c) => c.id === id)!.serve);
  const sides = [
    { evening: props.mine, lines: linesOf(props.mine, props.other), serves: serves(props.mine) },
    { evening: props.other, lines: linesOf(props.other, props.mine), serves: serves(props.other) },
  ];
  return [...shared, null].map((course, k) => ({
    course,
    sides: sides.map(({ evening, lines, serves: at }) => ({
      time: course === null ? '' : clock(evening, at[k]!),
      lines: lines.filter(
        ({ task }) => (k === 0 || task.from >= at[k - 1]!) && (course === null || task.from < at[k]!),
      ),
    })),
  }));
});
const dayBreak = (lines: readonly Line[], k: number) =>
  k === 0 || lines[k - 1]!.day !== lines[k]!.day ? lines[k]!.day : '';
</script>

<template>
  <section class="evenings" aria-label="Both evenings">
    <div class="choice">
      <div>
        <h3>Yours</h3>
        <el-button @click="variant.drop()">Keep yours</el-button>
      </div>
      <div>
        <h3>The other: {{ variant.variant?.names.join(' ') }}</h3>
        <el-button type="primary" @click="variant.take()">Take the other</el-button>
        <el-button @click="variant.keepBoth()">Keep both</el-button>
      </div>
    </div>
    <table class="card">
      <thead class="visually-hidden">
        <tr>
          <th scope="col">What</th>
          <th scope="col">Yours</th>
          <th scope="col">The other</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td :class="{ better: row.better === 'mine' }">
            {{ row.mine }} <span v-if="row.better === 'mine'">better</span>
          </td>
          <td :class="{ better: row.better === 'other' }">
            {{ row.other }} <span v-if="row.better === 'other'">better</span>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-for="section in sections" :key="section.course ?? 'end'">
      <div class="pair">
        <ol v-for="(side, s) in section.sides" :key="s" :aria-label="s === 0 ? 'Yours' : 'The other'">
          <template v-for="(line, k) in side.lines" :key="line.task.id">
            <li v-if="dayBreak(side.lines, k)" class="day">{{ dayBreak(side.lines, k) }}</li>
            <li :class="{ marked: line.mark, small: line.task.kind === 'check' }">
              <time>{{ line.time }}</time>
              <span
                class="course-sign"
                aria-hidden="true"
                :style="{ '--colour': courses.colour(line.task.course) }"
                >{{ courses.number(line.task.course) }}</span
              >
              <span class="text">{{ line.task.text }}</span>
              <span v-if="line.mark" class="mark">{{ line.mark }}</span>
            </li>
          </template>
        </ol>
      </div>
      <div
        v-if="section.course !== null"
        class="pair course"
        :style="{ '--colour': courses.colour(section.course) }"
      >
        <strong v-for="(side, s) in section.sides" :key="s"
          >{{ courses.name(section.course) }} {{ side.time }}</strong
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.evenings {
  display: grid;
  gap: 0.25rem;
}

.choice,
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 2rem;
}

.choice h3 {
  margin-bottom: 0.4rem;
  font-size: 1.05rem;
}

table {
  margin: 0.75rem 0;
  border-collapse: collapse;
}

th,
td {
  width: 33%;
  padding: 0.2rem 0.75rem;
  font-weight: 400;
  text-align: left;
}

.better {
  font-weight: 700;
}

.better span {
  color: var(--accent);
  font-size: 0.85rem;
}

ol {
  margin: 0;
  padding: 0.25rem 0;
  list-style: none;
}

li {
  display: flex;
  align-items: baseline;
  gap: 0.5rem;
  min-height: 28px;
  padding: 0.1rem 0.4rem;
}

.day {
  color: var(--soft);
  font-weight: 600;
}

.small {
  color: var(--soft);
  font-size: 0.9rem;
}

.marked {
  background: var(--seat);
}

time {
  font-weight: 600;
}

.text {
  flex: 1;
}

.mark {
  color: var(--accent);
  font-size: 0.88rem;
  font-weight: 600;
  white-space: nowrap;
}

.course {
  padding: 0.3rem 0.4rem;
  border-top: 3px solid var(--colour);
  color: var(--colour);
}

@media (max-width: 700px) {
  .choice,
  .pair {
    gap: 0 0.5rem;
  }

  li {
    flex-wrap: wrap;
    font-size: 0.9rem;
  }

  .text {
    flex-basis: 60%;
  }

  .mark {
    white-space: normal;
  }
}
</style>
