<script setup lang="ts">
import type { Bar } from '../../../core/strip';
import { useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';

const props = defineProps<{
  bar: Bar;
  left: number;
  width: number;
  y: (minute: number) => number;
  place: string;
  isChosen: boolean;
}>();
const emit = defineEmits<{ choose: [] }>();
const times = useTimes();
const courses = useCourses();

const top = computed(() => props.y(props.bar.from));
const height = computed(() => Math.max(4, props.y(props.bar.to) - top.value - 1));
/** Text needs room: a short or thin bar shows none, and says it all in its name. */
const LEAST_FOR_TEXT = { height: 70, width: 18 };
const hasText = computed(() => props.width >= LEAST_FOR_TEXT.width && height.value >= LEAST_FOR_TEXT.height);

/** By keys a step is reached in the run sheet; only one that no hand touches has to be reached here. */
const isStop = computed(() => props.bar.texture !== 'waiting' && props.bar.threads.length === 0);

const spoiltAt = computed(() => props.bar.waiting?.spoiltAt ?? null);
const name = computed(() => {
  const { bar } = props;
  const shares = bar.sharesWith.length > 0 ? `, beside ${[...new Set(bar.sharesWith)].join(', ')}` : '';
  const until = spoiltAt.value === null ? '' : `, good until ${times.clockSince(spoiltAt.value, bar.from)}`;
  return `${bar.dish}: ${bar.does} ${props.place}, ${times.clock(bar.from)} to ${times.clockSince(bar.to, bar.from)}${shares}${until}`;
});
/** How much of the time it may wait is used up at a moment, 0 to 1. */
function usedUpAt(minute: number): number {
  const { waiting } = props.bar;
  if (!waiting || waiting.spoiltAt === null) return 0;
  const { bestUntil, spoiltAt: end } = waiting;
  return end <= bestUntil ? 0 : Math.min(1, Math.max(0, (minute - bestUntil) / (end - bestUntil)));
}
/** It stays as it is up to here, in percent of the bar; then it fades. */
const goodPart = computed(() => {
  const { waiting } = props.bar;
  if (!waiting || waiting.to <= waiting.from) return 100;
  return Math.min(100, Math.max(0, ((waiting.bestUntil - waiting.from) / (waiting.to - waiting.from)) * 100));
});
/** From the end of the waiting to the moment past which it is spoilt: what is left of its time. */
const tail = computed(() => {
  if (spoiltAt.value === null || spoiltAt.value <= props.bar.to) return 0;
  return props.y(spoiltAt.value) - props.y(props.bar.to);
});
</script>

<template>
  <span
    v-if="width >= 12 && tail > 3"
    class="tail"
    aria-hidden="true"
    :style="{
      top: `${y(bar.to)}px`,
      height: `${tail}px`,
      left: `${left + width / 2}px`,
      '--colour': courses.colour(bar.course),
    }"
  />
  <button
    class="bar"
    :class="[bar.texture, { chosen: isChosen }]"
    :style="{
      top: `${top}px`,
      height: `${height}px`,
      left: `${left}px`,
      width: `${width}px`,
      '--colour': courses.colour(bar.course),
      '--fade': `${Math.round((1 - usedUpAt(bar.to)) * 100)}%`,
      '--good': `${Math.round(goodPart)}%`,
    }"
    :aria-label="name"
    :title="name"
    :tabindex="isStop ? 0 : -1"
    @click="emit('choose')"
  >
    <span v-if="hasText" class="text" aria-hidden="true">{{
      bar.texture === 'waiting' ? `${bar.dish} waits` : bar.does
    }}</span>
  </button>
</template>

<style scoped>
.bar {
  position: absolute;
  z-index: 1;
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
    color-mix(in srgb, var(--colour) 38%, var(--card)) var(--good),
    color-mix(in srgb, color-mix(in srgb, var(--colour) 38%, var(--card)) var(--fade), var(--card))
  );
}

/* How long it still may wait, up to the moment past which it is spoilt. */
.tail {
  position: absolute;
  width: 0;
  border-left: 2px dotted color-mix(in srgb, var(--colour) 70%, transparent);
  pointer-events: none;
}

.tail::after {
  position: absolute;
  bottom: 0;
  left: -7px;
  width: 12px;
  border-bottom: 3px solid var(--warn);
  content: '';
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
