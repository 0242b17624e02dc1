<script setup lang="ts">
import type { Bar } from '../../composables/useStrip';
import { useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';

const props = defineProps<{
  bar: Bar;
  left: number;
  y: (minute: number) => number;
  place: string;
  isChosen: boolean;
}>();
const emit = defineEmits<{ choose: [] }>();
const times = useTimes();
const courses = useCourses();

const top = computed(() => props.y(props.bar.from));
const height = computed(() => Math.max(4, props.y(props.bar.to) - top.value - 1));
/** Text needs room: a short bar shows none, and says it all in its name. */
const LEAST_FOR_TEXT = 70;

const spoilt = computed(() => {
  const at = props.bar.waiting?.spoiltAt;
  return at === undefined || at === null ? '' : `, good until ${times.clock(at)}`;
});
const name = computed(
  () =>
    `${props.bar.dish}: ${props.bar.does} ${props.place}, ${times.clock(props.bar.from)} to ${times.clock(props.bar.to)}${spoilt.value}`,
);
/** How much of the time it may wait is used up at the end of the bar, 0 to 1. */
const usedUp = computed(() => {
  const { waiting } = props.bar;
  if (!waiting || waiting.spoiltAt === null || waiting.spoiltAt <= waiting.bestUntil) return 0;
  return Math.min(1, Math.max(0, (waiting.to - waiting.bestUntil) / (waiting.spoiltAt - waiting.bestUntil)));
});
</script>

<template>
  <button
    class="bar"
    :class="[bar.texture, { chosen: isChosen }]"
    :style="{
      top: `${top}px`,
      height: `${height}px`,
      left: `${left}px`,
      '--colour': courses.colour(bar.course),
      '--fade': `${Math.round((1 - usedUp) * 100)}%`,
    }"
    :aria-label="name"
    :title="name"
    @click="emit('choose')"
  >
    <span v-if="height >= LEAST_FOR_TEXT" class="text" aria-hidden="true">{{
      bar.texture === 'waiting' ? `${bar.dish} waits` : bar.does
    }}</span>
  </button>
</template>

<style scoped>
.bar {
  position: absolute;
  width: 24px;
  padding: 2px 0;
  overflow: hidden;
  border: 2px solid var(--colour);
  border-radius: 5px;
  background: color-mix(in srgb, var(--colour) 10%, var(--card));
  cursor: pointer;
}

.minded {
  border-right: 5px dashed var(--colour);
}

.waiting {
  border-style: dotted;
  border-width: 1.5px;
  background: linear-gradient(
    color-mix(in srgb, var(--colour) 34%, var(--card)),
    color-mix(in srgb, color-mix(in srgb, var(--colour) 34%, var(--card)) var(--fade), var(--card))
  );
}

.chosen {
  box-shadow: 0 0 0 3px var(--focus);
}

.text {
  display: block;
  max-height: 100%;
  overflow: hidden;
  writing-mode: vertical-rl;
  font-size: 0.78rem;
  line-height: 18px;
  white-space: nowrap;
}
</style>
