<script setup lang="ts">
import type { Task } from '../../../core/live';
import type { HandsColumn } from '../../../core/strip';
import type { StripColumns } from '../../composables/useStrip';
import { useTimes } from '../../composables/useTimes';
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
const emit = defineEmits<{ choose: [step: string | null] }>();
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

/** Only one line is a stop of the Tab key; from it the arrows lead on. */
const stop = ref<string | null>(null);
const stopId = computed(() =>
  labels.value.some((l) => l.task.id === stop.value) ? stop.value : (labels.value[0]?.task.id ?? null),
);
const list = useTemplateRef<HTMLElement>('list');

function go(event: KeyboardEvent, from: number): void {
  const next = { ArrowUp: from - 1, ArrowDown: from + 1, Home: 0, End: labels.value.length - 1 }[event.key];
  if (next === undefined || event.shiftKey || !labels.value[next]) return;
  event.preventDefault();
  stop.value = labels.value[next]!.task.id;
  void nextTick(() => list.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
}
</script>

<template>
  <div class="column" :class="{ compact: columns.isCompact, loaded: hasLoad }">
    <StripLoad v-if="hasLoad" :column="column" :y="y" :is-shown="isShown" />
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
      <StripLine
        v-for="(label, k) in labels"
        :key="label.task.id"
        :label="label"
        :columns="columns"
        :start="label.task.step === null ? null : (starts.get(label.task.step) ?? null)"
        :is-chosen="label.task.step !== null && label.task.step === chosen"
        :is-stop="label.task.id === stopId"
        @focus="stop = label.task.id"
        @choose="emit('choose', label.task.step)"
        @go="(event) => go(event, k)"
      />
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
</style>
