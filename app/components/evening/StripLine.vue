<script setup lang="ts">
import type { HandsLabel } from '../../../core/strip';
import type { StripColumns } from '../../composables/useStrip';
import { STRIP_DRAG, type Movable } from '../../composables/useStripDrag';
import { duration, useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';

/** One line of the run sheet: read, chosen, moved. */
const props = defineProps<{
  label: HandsLabel;
  columns: StripColumns;
  /** When its step begins; null for plating and clearing. */
  start: number | null;
  isChosen: boolean;
  /** The Tab key stops here. */
  isStop: boolean;
}>();
const emit = defineEmits<{ choose: []; focus: []; go: [event: KeyboardEvent] }>();
const times = useTimes();
const courses = useCourses();
const drag = inject(STRIP_DRAG)!;

const task = computed(() => props.label.task);
const movable = computed((): Movable | null => {
  const { step, text, from } = task.value;
  if (step === null || props.start === null) return null;
  return { kind: 'step', id: step, name: text, start: props.start, drawnAt: from };
});

function pressed(event: KeyboardEvent): void {
  if (movable.value) drag.key(event, movable.value);
  if (!event.defaultPrevented) emit('go', event);
}
function taken(event: PointerEvent, isHandle: boolean): void {
  if (movable.value) drag.down(event, movable.value, isHandle);
}

/** Little room: what is done to it stands before it in a word. */
const text = computed(() =>
  props.columns.isCompact
    ? task.value.text.replace(/^Look after it: /, 'Look: ').replace(/^Ready, take it off: /, 'Off: ')
    : task.value.text,
);
/** How it is read out: when, what, how long, and for which dish. */
const spoken = computed(() => {
  const { from, to, text: whole, dish } = task.value;
  return `${times.clock(from)} ${whole} ${duration(to - from)}, ${dish}`;
});
</script>

<template>
  <li
    :class="{ compact: columns.isCompact, narrow: columns.isNarrow }"
    :style="{
      top: `${label.top}px`,
      height: `${label.height}px`,
      '--colour': courses.colour(task.course),
      '--lines': label.lines,
    }"
  >
    <button
      class="task"
      :class="[task.kind, { chosen: isChosen, two: label.lines > 1 }]"
      :title="`${task.dish}: ${task.text}`"
      :aria-label="spoken"
      :tabindex="isStop ? 0 : -1"
      @focus="emit('focus')"
      @click="emit('choose')"
      @pointerdown="(event) => taken(event, false)"
      @keydown="pressed"
    >
      <time>{{ times.clock(task.from) }}</time>
      <span class="course-sign" aria-hidden="true">{{ courses.number(task.course) }}</span>
      <span class="text">{{ text }}</span>
      <span v-if="columns.hasLength" class="length">{{ task.to - task.from }} min</span>
    </button>
    <span
      v-if="movable && isChosen && !columns.isCompact"
      class="handle"
      aria-hidden="true"
      title="Drag to move it"
      @pointerdown="(event) => taken(event, true)"
      >⇕</span
    >
  </li>
</template>

<style scoped>
li {
  position: absolute;
  left: calc(var(--bar-left) + 18px);
  right: 0;
  display: flex;
}

li.compact {
  left: 11px;
}

.task {
  display: flex;
  align-items: baseline;
  gap: 0.5rem;
  flex: 1;
  min-width: 0;
  height: 100%;
  padding: 0.1rem 0.4rem;
  overflow: hidden;
  border: 0;
  border-radius: 6px;
  background: none;
  line-height: 20px;
  text-align: left;
  cursor: pointer;
  user-select: none;
}

.compact .task {
  gap: 0.3rem;
  padding: 0 0.25rem;
  font-size: 0.82rem;
  line-height: 17px;
}

.narrow .task {
  gap: 0.35rem;
  padding-inline: 0.2rem;
}

.task:hover,
.chosen {
  background: color-mix(in srgb, var(--colour) 16%, var(--card));
}

time {
  font-weight: 600;
}

.compact .course-sign {
  width: 0.95rem;
  height: 0.95rem;
  font-size: 0.65rem;
  line-height: 0.85rem;
}

.text {
  display: -webkit-box;
  flex: 1;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: var(--lines);
}

.compact .text {
  display: block;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.compact .two .text {
  white-space: normal;
}

.work .text,
.plate .text {
  font-weight: 600;
}

.check .text,
.out .text,
.in .text {
  font-size: 0.95em;
}

.check {
  color: var(--soft);
}

.length {
  color: var(--soft);
  font-size: 0.88rem;
  white-space: nowrap;
}

.narrow .length {
  font-size: 0.8rem;
}

.handle {
  flex: none;
  width: 44px;
  min-height: 30px;
  border: 1px solid var(--focus);
  border-radius: 6px;
  background: var(--card);
  color: var(--focus);
  font-size: 1.2rem;
  line-height: 1.4;
  text-align: center;
  cursor: ns-resize;
  touch-action: none;
  user-select: none;
}
</style>
