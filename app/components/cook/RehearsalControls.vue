<script setup lang="ts">
import { tasksOf } from '../../../core/live';
import { useClock } from '../../stores/clock';
import { useDinner } from '../../stores/dinner';
import { useSession } from '../../stores/session';

const clock = useClock();
const store = useDinner();
const session = useSession();

const SPEEDS = [1, 10, 60, 600];
const isPlaying = ref(false);
const tasks = computed(() => (store.evening ? tasksOf(store.evening.dinner, store.evening.plan) : []));

const instant = (minute: number) => store.zero + minute * 60_000;

/** Sets the clock two minutes before the first thing to do on the day. */
async function tryOut(): Promise<void> {
  const first = tasks.value.find((t) => t.from >= -720) ?? tasks.value[0];
  if (!first) return;
  const before = tasks.value.filter((t) => t.from < first.from);
  await session.begin(before.map((t) => ({ task: t.id, at: instant(t.to) })));
  await clock.setTo(instant(first.from) - 2 * 60_000);
}

async function leave(): Promise<void> {
  isPlaying.value = false;
  await clock.useRealTime();
}

/** Sets the clock to when something begins: what comes first, or, where that is in hand, what follows. */
async function toNext(): Promise<void> {
  const { now, next } = session.view ?? { now: [], next: [] };
  const coming = [...now, ...next].find((task) => instant(task.from) > clock.now);
  if (coming) await clock.setTo(instant(coming.from));
}

// Played by itself, each thing counts as done when its time is up.
watch(
  () => [isPlaying.value, clock.now],
  () => {
    if (!isPlaying.value || !clock.isRehearsal) return;
    for (const task of tasks.value) {
      if (instant(task.to) > clock.now) continue;
      void session.done(task.id, instant(task.to));
    }
  },
);
</script>

<template>
  <div class="controls" role="group" aria-label="Trying the evening out">
    <el-button v-if="!clock.isRehearsal" @click="tryOut">Try the evening out</el-button>
    <template v-else>
      <el-radio-group
        :model-value="clock.speed"
        aria-label="Speed of the clock"
        @update:model-value="(s) => clock.setSpeed(Number(s))"
      >
        <el-radio-button v-for="speed in SPEEDS" :key="speed" :value="speed" :label="`${speed}×`" />
      </el-radio-group>
      <el-checkbox v-model="isPlaying">Play by itself</el-checkbox>
      <el-button @click="toNext">Go to the next thing</el-button>
      <el-button @click="leave">Back to the real time</el-button>
    </template>
  </div>
</template>

<style scoped>
.controls {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 0.75rem;
}

.controls :deep(.el-button + .el-button) {
  margin-left: 0;
}

.controls :deep(.el-checkbox) {
  min-height: 44px;
}
</style>
