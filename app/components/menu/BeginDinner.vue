<script setup lang="ts">
import { newDinner } from '../../../core/compose';
import type { DinnerFile } from '../../../core/dinner';
import { useDinner } from '../../stores/dinner';
import { useKitchen } from '../../stores/kitchen';

const isOpen = defineModel<boolean>({ required: true });
const store = useDinner();
const kitchen = useKitchen();

const PATTERNS = [
  { name: 'Starter, main, dessert', courses: ['Starter', 'Main', 'Dessert'] },
  { name: 'Starter and main', courses: ['Starter', 'Main'] },
  { name: 'Main and dessert', courses: ['Main', 'Dessert'] },
  { name: 'A drink first, then three', courses: ['Welcome', 'Starter', 'Main', 'Dessert'] },
  { name: 'All at once', courses: ['Dinner'] },
];

/** Next Saturday at half past seven: the local day, as the platform counts it. */
function nextSaturday(): string {
  const day = new Date();
  day.setDate(day.getDate() + ((6 - day.getDay() + 7) % 7 || 7));
  const two = (n: number) => String(n).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}T19:30`;
}

const title = ref('');
const sitDown = ref(nextSaturday());
const guests = ref(4);
const pattern = ref(0);

watch(isOpen, (open) => {
  if (!open) return;
  title.value = '';
  sitDown.value = nextSaturday();
});

async function begin(): Promise<void> {
  const open = store.file as DinnerFile | null;
  const file = newDinner({
    title: title.value.trim() || 'A new dinner',
    sitDown: sitDown.value,
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    guests: guests.value,
    courses: PATTERNS[pattern.value]!.courses,
    cook: open?.cooks[0]?.name ?? 'Cook',
    kitchen: await kitchen.forNew(),
  });
  if (!(await store.openFile(file))) return;
  isOpen.value = false;
  await navigateTo('/menu');
}
</script>

<template>
  <el-dialog v-model="isOpen" title="Begin a dinner" width="min(34rem, 94vw)">
    <form class="begin" @submit.prevent="begin">
      <label for="new-title">Its name</label>
      <el-input id="new-title" v-model="title" placeholder="A new dinner" maxlength="80" />
      <label for="new-time">Sitting down</label>
      <el-date-picker
        id="new-time"
        v-model="sitDown"
        type="datetime"
        format="D MMM YYYY, HH:mm"
        value-format="YYYY-MM-DDTHH:mm"
        :clearable="false"
      />
      <label for="new-guests">At table</label>
      <el-input-number id="new-guests" v-model="guests" :min="1" :max="24" />
      <span id="new-courses">Courses</span>
      <el-radio-group v-model="pattern" aria-labelledby="new-courses" class="patterns">
        <el-radio v-for="(p, k) in PATTERNS" :key="p.name" :value="k">{{ p.name }}</el-radio>
      </el-radio-group>
      <el-button type="primary" native-type="submit" class="go">Begin</el-button>
    </form>
  </el-dialog>
</template>

<style scoped>
.begin {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0.75rem 1.25rem;
  align-items: center;
}

.patterns {
  display: grid;
  justify-items: start;
}

.patterns :deep(.el-radio) {
  min-height: 44px;
}

.go {
  grid-column: 2;
  justify-self: start;
}
</style>
