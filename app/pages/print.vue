<script setup lang="ts">
import { tasksOf, type Task } from '../../core/live';
import { byDay } from '../composables/byDay';
import { useTimes } from '../composables/useTimes';
import { useCooks } from '../composables/useCooks';
import { useCourses } from '../composables/useCourses';
import { useDinner } from '../stores/dinner';

const store = useDinner();
const times = useTimes();
const courses = useCourses();
const cookOf = useCooks();
const paper = ref<'A4' | 'letter'>('A4');
const isLarge = ref(false);

/** Whose lines: everyone's, each cook's on a sheet of their own, or one cook's. */
const TOGETHER = 'together';
const APART = 'apart';
const whose = ref(TOGETHER);
const ALL_DAYS = 'all';
const dayWanted = ref(ALL_DAYS);

const cooks = computed(() => store.dinner?.cooks ?? []);

/** The dish is named where hands turn to it; its looks and its end say what they are about. */
const isFirst = (task: Task) => task.kind === 'work' || task.kind === 'in';
/** A dish by its first words: what comes after a comma or a "with" is for the menu. */
const shortName = (dish: string) => dish.split(/,| with /)[0]!;
const lines = computed(() => {
  const { evening } = store;
  if (!evening) return [];
  const ofTask = (task: Task) => ({
    key: task.id,
    at: task.from,
    day: times.day(task.from),
    cookId: task.cook as string | null,
    line: {
      key: task.id,
      time: times.clock(task.from),
      text: isFirst(task) ? `${shortName(task.dish)}: ${task.text}` : task.text,
      sign: courses.number(task.course),
      cook: cookOf.name(task.cook),
      length: `${task.to - task.from} min`,
      kind: task.kind as string,
    },
  });
  const served = evening.plan.courses.map((c) => ({
    key: c.id,
    at: c.serve,
    day: times.day(c.serve),
    cookId: null,
    line: {
      key: c.id,
      time: times.clock(c.serve),
      text: `${courses.name(c.id)} is on the table`,
      sign: '',
      cook: '',
      length: '',
      kind: 'served',
    },
  }));
  return [...tasksOf(evening.dinner, evening.plan).map(ofTask), ...served].sort((a, b) => a.at - b.at);
});
const allDays = computed(() => [...new Set(lines.value.map((l) => l.day))]);

const about = computed(
  () =>
    `${times.day(0)}, ${store.dinner?.guests} at table. ${(store.evening?.plan.courses ?? [])
      .map((c) => `${courses.name(c.id)} ${times.clock(c.serve)}.`)
      .join(' ')}`,
);
const sheets = computed(() => {
  const wanted = lines.value.filter((l) => dayWanted.value === ALL_DAYS || l.day === dayWanted.value);
  const people =
    whose.value === TOGETHER ? [null] : whose.value === APART ? cooks.value.map((c) => c.id) : [whose.value];
  return people.map((cook) => ({
    title: cook === null ? (store.dinner?.title ?? '') : `${store.dinner?.title}: ${cookOf.name(cook)}`,
    hasCooks: cook === null && cooks.value.length > 1,
    days: byDay(wanted.filter((l) => cook === null || l.cookId === null || l.cookId === cook)),
  }));
});
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
      <el-checkbox v-model="isLarge">Large type</el-checkbox>
      <el-select v-if="cooks.length > 1" v-model="whose" aria-label="Whose">
        <el-option :value="TOGETHER" label="Everyone together" />
        <el-option :value="APART" label="Each cook on a sheet" />
        <el-option v-for="c in cooks" :key="c.id" :value="c.id" :label="`Only ${c.name}`" />
      </el-select>
      <el-select v-if="allDays.length > 1" v-model="dayWanted" aria-label="Which day">
        <el-option :value="ALL_DAYS" label="All days" />
        <el-option v-for="day in allDays" :key="day" :value="day" :label="day" />
      </el-select>
      <el-button type="primary" @click="print">Print</el-button>
    </div>
    <template v-if="store.evening">
      <PrintSheet
        v-for="sheet in sheets"
        :key="sheet.title"
        :title="sheet.title"
        :about="about"
        :days="sheet.days"
        :paper="paper"
        :is-large="isLarge"
        :has-cooks="sheet.hasCooks"
      />
    </template>
    <ImpossibleDinner v-else-if="store.plan && !store.plan.feasible" />
    <PlanStatus v-else />
  </div>
</template>

<style scoped>
.sheet {
  padding: 1rem 1.25rem 3rem;
}

.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  justify-content: center;
  margin-bottom: 1rem;
}

.controls .el-select {
  width: 14rem;
}

@media (max-width: 860px) {
  .sheet {
    padding-inline: 0.5rem;
  }
}

@media print {
  .sheet {
    padding: 0;
  }
}
</style>
