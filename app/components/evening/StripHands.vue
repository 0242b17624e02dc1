<script setup lang="ts">
import type { Task } from '../../../core/live';
import { QUARTER, type HandsColumn, type HandsLabel } from '../../../core/strip';
import type { StripColumns } from '../../composables/useStrip';
import type { Movable } from '../../composables/useStripDrag';
import { duration, useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';

const props = defineProps<{
  column: HandsColumn;
  columns: StripColumns;
  hasLoad: boolean;
  y: (minute: number) => number;
  isShown: (from: number, to: number) => boolean;
  chosen: string | null;
  /** Begin of each step, for moving it. */
  starts: ReadonlyMap<string, number>;
  /** Tasks that would be elsewhere while something is moved. */
  ghosts: readonly Task[];
  /** Starts between which the chosen step can be: with all else fixed, and with all else free. */
  room: { near: readonly [number, number]; far: readonly [number, number] | null } | null;
}>();
const emit = defineEmits<{
  choose: [step: string | null];
  take: [event: PointerEvent, what: Movable, isHandle: boolean];
  key: [event: KeyboardEvent, what: Movable];
}>();
const times = useTimes();
const courses = useCourses();

const labels = computed(() =>
  props.column.labels.filter(({ task }) => props.isShown(task.from, Math.max(task.to, task.from + 8))),
);
const bars = computed(() => props.column.bars.filter((task) => props.isShown(task.from, task.to)));
/** Lines that would be elsewhere, and when. */
const leaving = computed(() => {
  const to = new Map(props.ghosts.map((task) => [task.id, task.from]));
  return labels.value.flatMap((label) =>
    to.has(label.task.id) ? [{ label, to: to.get(label.task.id)! }] : [],
  );
});

const LOAD = 28;
const loads = computed(() =>
  props.hasLoad
    ? props.column.loads
        .filter(({ from }) => props.isShown(from, from + QUARTER))
        .map(({ from, minutes }) => ({
          from,
          minutes,
          width: Math.min(1, minutes / QUARTER) * LOAD,
        }))
    : [],
);
const busiest = computed(() =>
  props.column.loads.reduce((a, b) => (b.minutes > a.minutes ? b : a), { from: 0, minutes: 0 }),
);

/** Only one line is a stop of the Tab key; from it the arrows lead on. */
const stop = ref<string | null>(null);
const stopId = computed(() =>
  labels.value.some((l) => l.task.id === stop.value) ? stop.value : (labels.value[0]?.task.id ?? null),
);
const list = useTemplateRef<HTMLElement>('list');

const movable = (task: Task): Movable | null =>
  task.step === null
    ? null
    : {
        kind: 'step',
        id: task.step,
        name: task.text,
        start: props.starts.get(task.step) ?? task.from,
        drawnAt: task.from,
      };

function pressed(event: KeyboardEvent, { task }: HandsLabel): void {
  const what = movable(task);
  if (what) emit('key', event, what);
  if (event.defaultPrevented) return;
  const at = labels.value.findIndex((l) => l.task.id === task.id);
  const next = { ArrowUp: at - 1, ArrowDown: at + 1, Home: 0, End: labels.value.length - 1 }[event.key];
  if (next === undefined || event.shiftKey || !labels.value[next]) return;
  event.preventDefault();
  stop.value = labels.value[next]!.task.id;
  void nextTick(() => list.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
}

function taken(event: PointerEvent, task: Task, isHandle: boolean): void {
  const what = movable(task);
  if (what) emit('take', event, what, isHandle);
}

/** Little room: what is done to it stands before it in a word. */
const shortened = (task: Task) =>
  props.columns.isCompact
    ? task.text.replace(/^Look after it: /, 'Look: ').replace(/^Ready, take it off: /, 'Off: ')
    : task.text;

/** How a line is read out: when, how long, what, and that it can be moved. */
const spoken = ({ task }: HandsLabel) =>
  `${times.clock(task.from)} ${task.text} ${duration(task.to - task.from)}, ${task.dish}`;
</script>

<template>
  <div class="column" :class="{ compact: columns.isCompact, narrow: columns.isNarrow, loaded: hasLoad }">
    <svg
      v-if="loads.length"
      class="load"
      role="img"
      :aria-label="`Hands of ${column.cook.name} by the quarter hour; the busiest is ${times.clock(busiest.from)} with ${busiest.minutes} minutes`"
      :width="LOAD"
      height="100%"
    >
      <rect
        v-for="load in loads"
        :key="load.from"
        :class="{ full: load.minutes >= QUARTER - 1 }"
        :x="LOAD - load.width"
        :width="load.width"
        :y="y(load.from) + 1"
        :height="Math.max(1, y(load.from + QUARTER) - y(load.from) - 2)"
      />
    </svg>
    <div v-if="room" class="rooms" aria-hidden="true">
      <span
        v-if="room.far"
        class="far"
        :style="{ top: `${y(room.far[0])}px`, height: `${y(room.far[1]) - y(room.far[0])}px` }"
      />
      <span
        class="near"
        :style="{
          top: `${y(room.near[0]) - 1}px`,
          height: `${Math.max(3, y(room.near[1]) - y(room.near[0]) + 2)}px`,
        }"
      />
    </div>
    <span
      v-for="task in bars"
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
    <ol ref="list" :aria-label="`Hands of ${column.cook.name}`">
      <li
        v-for="label in labels"
        :key="label.task.id"
        v-memo="[
          label,
          columns,
          label.task.id === stopId,
          label.task.step !== null && label.task.step === chosen,
        ]"
        :style="{
          top: `${label.top}px`,
          height: `${label.height}px`,
          '--colour': courses.colour(label.task.course),
        }"
      >
        <button
          class="task"
          :class="[
            label.task.kind,
            {
              chosen: label.task.step !== null && label.task.step === chosen,
              two: label.lines > 1,
            },
          ]"
          :style="{ '--lines': label.lines }"
          :title="`${label.task.dish}: ${label.task.text}`"
          :aria-label="spoken(label)"
          :tabindex="label.task.id === stopId ? 0 : -1"
          @focus="stop = label.task.id"
          @click="emit('choose', label.task.step)"
          @pointerdown="(event) => taken(event, label.task, false)"
          @keydown="(event) => pressed(event, label)"
        >
          <time>{{ times.clock(label.task.from) }}</time>
          <span class="course-sign" aria-hidden="true">{{ courses.number(label.task.course) }}</span>
          <span class="text">{{ shortened(label.task) }}</span>
          <span v-if="columns.hasLength" class="length">{{ label.task.to - label.task.from }} min</span>
        </button>
        <span
          v-if="label.task.step !== null && label.task.step === chosen && !columns.isCompact"
          class="handle"
          aria-hidden="true"
          title="Drag to move it"
          @pointerdown="(event) => taken(event, label.task, true)"
          >⇕</span
        >
      </li>
    </ol>
    <div class="over" aria-hidden="true">
      <span
        v-for="task in ghosts.filter((g) => g.cook === column.cook.id)"
        :key="task.id"
        class="bar ghost"
        :style="{
          top: `${y(task.from)}px`,
          height: `${Math.max(4, y(task.to) - y(task.from))}px`,
          '--colour': courses.colour(task.course),
        }"
      />
      <span
        v-for="{ label, to } in leaving"
        :key="label.task.id"
        class="moved"
        :style="{ top: `${label.top + 2}px` }"
        >→ {{ times.clock(to) }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.column {
  --bar-left: 0px;

  position: relative;
}

.loaded {
  --bar-left: 30px;
}

.load {
  position: absolute;
  inset: 0 auto 0 0;
  fill: color-mix(in srgb, var(--cook) 20%, transparent);
}

.load .full {
  fill: color-mix(in srgb, var(--cook) 42%, transparent);
}

.bar {
  position: absolute;
  left: var(--bar-left);
  width: 12px;
  border-radius: 3px;
  background: var(--colour);
}

.compact .bar {
  width: 8px;
}

.bar.check {
  left: calc(var(--bar-left) + 3px);
  width: 6px;
}

.bar.ghost {
  left: calc(var(--bar-left) - 3px);
  width: 18px;
  border: 2px dashed var(--colour);
  background: none;
}

.rooms span {
  position: absolute;
  left: calc(var(--bar-left) - 9px);
  z-index: 2;
  width: 9px;
  border: 2px solid var(--focus);
  border-right: 0;
  pointer-events: none;
}

.rooms .far {
  left: calc(var(--bar-left) - 14px);
  width: 14px;
  border-style: dotted;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  position: absolute;
  left: calc(var(--bar-left) + 18px);
  right: 0;
  display: flex;
}

.compact li {
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

.compact .text {
  display: block;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.compact .two .text {
  white-space: normal;
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

/* A layer of its own: what changes while something is moved makes no text be drawn again. */
.over {
  position: absolute;
  inset: 0;
  z-index: 3;
  pointer-events: none;
  will-change: transform;
}

.moved {
  position: absolute;
  right: 0;
  padding: 0 0.3rem;
  border-radius: 4px;
  background: var(--focus);
  color: var(--paper);
  font-size: 0.85rem;
  font-weight: 600;
  white-space: nowrap;
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
