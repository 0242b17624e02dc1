<script setup lang="ts">
import { handsSpans } from '../../../core/reasons';
import { duration, useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const times = useTimes();

const summary = computed(() => {
  const plan = store.evening?.plan;
  if (!plan) return '';
  const spans = handsSpans(plan);
  const hands = spans.reduce((sum, s) => sum + s.to - s.from, 0);
  const first = Math.min(...spans.map((s) => s.from));
  const today = Math.min(...spans.map((s) => s.from).filter((m) => m >= -720));
  const before = first < -720 ? `Begins ${times.day(first)} at ${times.clock(first)}; on the day` : 'Begins';
  return `${before} at ${times.clock(today)}. Hands: ${duration(hands)} in all.`;
});
</script>

<template>
  <div class="status" role="status">
    <template v-if="store.isPlanning">
      <span class="dot" aria-hidden="true" />
      <span>{{ store.plan ? 'Looking for a better evening ...' : 'Planning the evening ...' }}</span>
      <el-button size="small" @click="store.stopPlanning()">Stop</el-button>
    </template>
    <span v-else>{{ summary }}</span>
    <span v-for="notice in store.plan?.notices ?? []" :key="notice.text" class="notice">{{
      notice.text
    }}</span>
  </div>
</template>

<style scoped>
.status {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 1rem;
  min-height: 52px;
  padding: 0.25rem 1.25rem;
  color: var(--soft);
}

.dot {
  width: 12px;
  height: 12px;
  border-radius: 50%;
  background: var(--accent);
  animation: pulse 1s infinite alternate;
}

.notice {
  color: var(--warn);
}

@keyframes pulse {
  to {
    opacity: 0.3;
  }
}
</style>
