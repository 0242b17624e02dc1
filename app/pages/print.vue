<script setup lang="ts">
import { tasksOf, type Task } from '../../core/live';
import { useTimes } from '../composables/useTimes';
import { useCourses } from '../composables/useCourses';
import { useDinner } from '../stores/dinner';

const store = useDinner();
const times = useTimes();
const courses = useCourses();
const paper = ref<'A4' | 'letter'>('A4');

type Line = { at: number; task: Task | null; text: string; sign: string };

/** The run sheet day by day, with the courses among the lines. */
const days = computed(() => {
  const evening = store.evening;
  if (!evening) return [];
  const lines: Line[] = [
    ...tasksOf(evening.dinner, evening.plan).map((task) => ({
      at: task.from,
      task,
      text: task.step === null ? task.text : `${task.dish}: ${task.text}`,
      sign: courses.number(task.course),
    })),
    ...evening.plan.courses.map((c) => ({
      at: c.serve,
      task: null,
      text: `${courses.name(c.id)} is on the table`,
      sign: '',
    })),
  ].sort((a, b) => a.at - b.at);
  const groups = new Map<string, Line[]>();
  for (const line of lines) {
    const day = times.day(line.at);
    groups.set(day, [...(groups.get(day) ?? []), line]);
  }
  return [...groups].map(([day, list]) => ({ day, list }));
});
const hasSeveralCooks = computed(() => (store.dinner?.cooks.length ?? 0) > 1);
const cookName = (id: string) => store.dinner?.cooks.find((c) => c.id === id)?.name ?? id;
const print = () => window.print();

useHead({ style: [{ innerHTML: () => `@page { size: ${paper.value}; margin: 12mm; }` }] });
</script>

<template>
  <div class="sheet">
    <div class="controls no-print">
      <el-radio-group v-model="paper" aria-label="Paper">
        <el-radio-button value="A4" label="A4" />
        <el-radio-button value="letter" label="US Letter" />
      </el-radio-group>
      <el-button type="primary" @click="print">Print</el-button>
    </div>
    <template v-if="store.evening">
      <h2>{{ store.dinner?.title }}</h2>
      <p>
        {{ times.day(0) }}, {{ store.dinner?.guests }} at table.
        <span v-for="course in store.evening.plan.courses" :key="course.id">
          {{ courses.name(course.id) }} {{ times.clock(course.serve) }}.
        </span>
      </p>
      <section v-for="{ day, list } in days" :key="day">
        <h3>{{ day }}</h3>
        <table>
          <thead class="visually-hidden">
            <tr>
              <th scope="col">Time</th>
              <th v-if="hasSeveralCooks" scope="col">Cook</th>
              <th scope="col">What</th>
              <th scope="col">Minutes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(line, k) in list" :key="k" :class="line.task ? line.task.kind : 'served'">
              <td class="time">{{ times.clock(line.at) }}</td>
              <td v-if="hasSeveralCooks">{{ line.task ? cookName(line.task.cook) : '' }}</td>
              <td>
                <span v-if="line.sign" class="sign">{{ line.sign }}</span> {{ line.text }}
              </td>
              <td class="minutes">{{ line.task ? `${line.task.to - line.task.from} min` : '' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <p class="soft">Temperatures and keeping times: follow your local food-safety authority.</p>
    </template>
    <ImpossibleDinner v-else-if="store.plan && !store.plan.feasible" />
    <PlanStatus v-else />
  </div>
</template>

<style scoped>
.sheet {
  max-width: 56rem;
  margin: 0 auto;
  padding: 1rem 1.25rem 3rem;
}

.controls {
  display: flex;
  gap: 1rem;
  margin-bottom: 1rem;
}

h2 {
  font-size: 1.8rem;
}

h3 {
  margin: 0.75rem 0 0.25rem;
  font-size: 1.2rem;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 1.1rem;
}

td {
  padding: 0.15rem 0.5rem;
  border-bottom: 1px solid var(--line);
  vertical-align: baseline;
}

.time {
  width: 4rem;
  font-weight: 700;
}

.minutes {
  width: 4.5rem;
  text-align: right;
  white-space: nowrap;
}

.served td {
  border-block: 3px solid currentcolor;
  font-weight: 700;
}

.check td {
  font-size: 0.95rem;
}

.sign {
  display: inline-block;
  width: 1.3rem;
  border: 1.5px solid currentcolor;
  border-radius: 50%;
  font-size: 0.8rem;
  text-align: center;
}

@media print {
  .sheet {
    max-width: none;
    padding: 0;
    color: #000;
  }

  table {
    font-size: 11.5pt;
  }

  tr {
    break-inside: avoid;
  }
}
</style>
