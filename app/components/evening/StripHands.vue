<script setup lang="ts">
import type { Task } from '../../../core/live';
import type { HandsLabel } from '../../composables/useStrip';
import { useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';

defineProps<{
  column: { cook: { id: string; name: string }; bars: readonly Task[]; labels: readonly HandsLabel[] };
  y: (minute: number) => number;
  chosen: string | null;
}>();
const emit = defineEmits<{ choose: [step: string | null] }>();
const times = useTimes();
const courses = useCourses();
</script>

<template>
  <div class="column">
    <span
      v-for="task in column.bars"
      :key="task.id"
      class="bar"
      :class="task.kind"
      aria-hidden="true"
      :style="{
        top: `${y(task.from)}px`,
        height: `${Math.max(3, y(task.to) - y(task.from) - 1)}px`,
        '--colour': courses.colour(task.course),
      }"
    />
    <ol :aria-label="`Hands of ${column.cook.name}`">
      <li
        v-for="label in column.labels"
        :key="label.task.id"
        :style="{ top: `${label.top}px`, height: `${label.height}px` }"
      >
        <button
          class="task"
          :class="[label.task.kind, { chosen: label.task.step !== null && label.task.step === chosen }]"
          :style="{ '--colour': courses.colour(label.task.course) }"
          :title="`${label.task.dish}: ${label.task.text}`"
          @click="emit('choose', label.task.step)"
        >
          <time>{{ times.clock(label.task.from) }}</time>
          <span class="sign" aria-hidden="true">{{ courses.number(label.task.course) }}</span>
          <span class="text">{{ label.task.text }}</span>
          <span class="length">{{ label.task.to - label.task.from }} min</span>
        </button>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.column {
  position: relative;
}

.bar {
  position: absolute;
  left: 0;
  width: 12px;
  border-radius: 3px;
  background: var(--colour);
}

.bar.check {
  left: 3px;
  width: 6px;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  position: absolute;
  left: 18px;
  right: 0;
}

.task {
  display: flex;
  align-items: baseline;
  gap: 0.5rem;
  width: 100%;
  height: 100%;
  padding: 0.1rem 0.5rem;
  overflow: hidden;
  border: 0;
  border-radius: 6px;
  background: none;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}

.task:hover,
.chosen {
  background: color-mix(in srgb, var(--colour) 16%, var(--card));
}

time {
  font-weight: 600;
}

.sign {
  flex: none;
  width: 1.25rem;
  height: 1.25rem;
  border: 1.5px solid var(--colour);
  border-radius: 50%;
  color: var(--colour);
  font-size: 0.75rem;
  font-weight: 700;
  line-height: 1.1rem;
  text-align: center;
}

.text {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
}

.work .text,
.plate .text {
  font-weight: 600;
}

.check {
  font-size: 0.88rem;
  color: var(--soft);
}

.length {
  color: var(--soft);
  font-size: 0.88rem;
}
</style>
