<script setup lang="ts">
import { tasksOf, type Task } from '../../../core/live';
import { isWithin, yOf, type Pane, type StripLayout } from '../../../core/strip';
import type { StripColumns } from '../../composables/useStrip';
import { useCooks } from '../../composables/useCooks';
import { useCourses } from '../../composables/useCourses';
import { duration, useTimes } from '../../composables/useTimes';
import { useBending } from '../../stores/bending';
import { useClock } from '../../stores/clock';
import { useDinner } from '../../stores/dinner';
import { useReasons } from '../../stores/reasons';

/** A piece of the strip, or all of it: the columns side by side, the courses across. */
const props = defineProps<{
  layout: StripLayout;
  columns: StripColumns;
  sides: { heat: number; waiting: number };
  pane: Pane;
  hasLoad: boolean;
  chosen: string | null;
}>();
const emit = defineEmits<{ choose: [step: string | null] }>();
const store = useDinner();
const clock = useClock();
const bending = useBending();
const reasons = useReasons();
const times = useTimes();
const courseOf = useCourses();
const cooks = useCooks();

const scale = computed(() => props.layout.scale);
const y = (minute: number) => yOf(scale.value, minute) - props.pane.top;
const isShown = (from: number, to: number) =>
  isWithin(scale.value, from, to, props.pane.top - 2, props.pane.bottom + 2);
const height = computed(() => props.pane.bottom - props.pane.top);

const ticks = computed(() =>
  scale.value.segments
    .filter((s) => !s.isFolded && s.top + s.height > props.pane.top && s.top < props.pane.bottom)
    .flatMap((s) => {
      const list: number[] = [];
      for (let m = Math.ceil(s.from / 15) * 15; m < s.to; m += 15) list.push(m);
      return list;
    }),
);
const folds = computed(() =>
  scale.value.segments.filter((s) => s.isFolded && s.top >= props.pane.top && s.top < props.pane.bottom),
);
const courses = computed(() =>
  props.layout.courses
    .filter((course) => isShown(course.serve, course.up))
    .map((course) => ({ ...course, isLine: isShown(course.serve, course.serve) })),
);
const nowAt = computed(() => {
  const minute = (clock.now - store.zero) / 60_000;
  const { segments } = scale.value;
  const isInside = minute >= segments[0]!.from && minute <= segments.at(-1)!.to;
  return isInside && isShown(minute, minute) ? y(minute) : null;
});

/** The columns with their labels where they lie on this pane. */
const hands = computed(() =>
  props.layout.hands.map((column) => ({
    ...column,
    labels: column.labels.map((label) => ({ ...label, top: label.top - props.pane.top })),
  })),
);
const waitingBars = computed(() =>
  props.layout.waiting.bars.filter((bar) => isShown(bar.from, bar.waiting?.spoiltAt ?? bar.to)),
);
const starts = computed(() => new Map(store.evening!.plan.steps.map((row) => [row.step, row.start])));

/** While something is moved: lines of the run sheet that would be elsewhere, and courses. */
const ghosts = computed((): Task[] => {
  const plan = bending.preview;
  if (!plan) return [];
  const before = new Map(props.layout.tasks.map((task) => [task.id, task]));
  return tasksOf(store.evening!.dinner, plan).filter((task) => {
    const was = before.get(task.id);
    return !was || was.from !== task.from || was.cook !== task.cook;
  });
});
const courseMoves = computed(() => {
  const plan = bending.preview;
  if (!plan) return [];
  return plan.courses.filter((row) => {
    const was = props.layout.courses.find((c) => c.id === row.id);
    return was && was.serve !== row.serve && isShown(row.serve, row.serve);
  });
});

/** The bracket of the chosen step: on the column of the cook who begins it. */
const room = computed(() => {
  const why = props.chosen ? reasons.whys.get(props.chosen) : undefined;
  if (!why) return null;
  const far =
    reasons.rooms?.step === props.chosen ? reasons.rooms.rooms.find((r) => r.rise === 5) : undefined;
  const cook =
    props.layout.tasks.find((t) => t.step === props.chosen)?.cook ?? props.layout.hands[0]?.cook.id;
  return {
    cook,
    near: [why.earlier.until, why.later.until] as const,
    far: far ? ([far.earliest, far.latest] as const) : null,
  };
});
</script>

<template>
  <div
    class="strip"
    :class="{ narrow: columns.isNarrow, compact: columns.isCompact }"
    :style="{ height: `${height}px`, '--gutter': `${columns.gutter}px` }"
  >
    <div
      v-for="course in courses"
      :key="`seat-${course.id}`"
      class="seat"
      :style="{ top: `${y(course.serve)}px`, height: `${y(course.up) - y(course.serve)}px` }"
    />
    <span
      v-for="m in ticks"
      :key="m"
      class="tick"
      :class="{ minor: m % 30 !== 0 }"
      :style="{ top: `${y(m)}px` }"
    >
      {{ m % 30 === 0 && columns.gutter > 40 ? times.clock(m) : '' }}
    </span>
    <StripHeat
      :style="{ flex: `0 0 ${sides.heat}px` }"
      :ovens="layout.ovens"
      :rings="layout.rings"
      :width="sides.heat"
      :columns="columns"
      :y="y"
      :is-shown="isShown"
      :chosen="chosen"
      :moves="bending.moves"
      @choose="(step) => emit('choose', step)"
    />
    <StripHands
      v-for="column in hands"
      :key="column.cook.id"
      class="hands"
      :style="{ '--cook': cooks.paint(column.cook.id) }"
      :column="column"
      :columns="columns"
      :has-load="hasLoad"
      :y="y"
      :is-shown="isShown"
      :chosen="chosen"
      :starts="starts"
      :ghosts="ghosts"
      :room="room?.cook === column.cook.id ? room : null"
      @choose="(step) => emit('choose', step)"
    />
    <StripLanes
      :style="{ flex: `0 0 ${sides.waiting}px` }"
      :bars="waitingBars"
      :count="layout.waiting.count"
      :width="sides.waiting"
      :columns="columns"
      :y="y"
      :chosen="chosen"
      :moves="bending.moves"
      @choose="(step) => emit('choose', step)"
    />
    <StripCourse
      v-for="course in courses.filter((c) => c.isLine)"
      :key="course.id"
      :course="course"
      :columns="columns"
      :top="y(course.serve)"
      :before="columns.gutter + sides.heat"
    />
    <div
      v-for="course in courseMoves"
      :key="`moved ${course.id}`"
      class="moving"
      aria-hidden="true"
      :style="{ top: `${y(course.serve)}px`, '--colour': courseOf.colour(course.id) }"
    />
    <div
      v-for="fold in folds"
      :key="fold.from"
      class="fold"
      :style="{ top: `${fold.top - pane.top}px`, height: `${fold.height}px` }"
    >
      <span>{{ duration(Math.round(fold.to - fold.from)) }} with nothing to do</span>
      <span v-if="!columns.isCompact && times.day(fold.from) !== times.day(fold.to)" class="next-day">{{
        times.day(fold.to)
      }}</span>
    </div>
    <div v-if="nowAt !== null" class="now" :style="{ top: `${nowAt}px` }"><span>now</span></div>
  </div>
</template>

<style scoped>
.strip {
  position: relative;
  display: flex;
  gap: 12px;
  padding-left: var(--gutter);
  overflow: hidden;
  contain: layout paint;
}

.narrow {
  gap: 4px;
}

.hands {
  flex: 1 1 0;
  min-width: 0;
}

.seat {
  position: absolute;
  inset-inline: 0;
  background: var(--seat);
}

.tick {
  position: absolute;
  left: 0;
  right: 0;
  padding-left: 0.25rem;
  border-top: 1px solid color-mix(in srgb, var(--line) 60%, transparent);
  color: var(--soft);
  font-size: 0.85rem;
  line-height: 1.1;
  pointer-events: none;
}

.compact .tick {
  font-size: 0.75rem;
}

.minor {
  border-top-style: dotted;
}

.moving {
  position: absolute;
  inset-inline: 0;
  z-index: 5;
  border-top: 3px dashed var(--colour);
  pointer-events: none;
}

.fold {
  position: absolute;
  inset-inline: 0;
  z-index: 4;
  display: flex;
  flex-direction: column;
  justify-content: space-evenly;
  padding-left: var(--gutter);
  border-block: 1px solid var(--line);
  background: repeating-linear-gradient(
    115deg,
    var(--paper) 0 10px,
    color-mix(in srgb, var(--line) 40%, var(--paper)) 10px 12px
  );
  color: var(--soft);
}

.compact .fold {
  font-size: 0.85rem;
}

.fold span {
  align-self: flex-start;
  padding: 0 0.5rem;
  background: var(--paper);
}

.next-day {
  font-weight: 600;
}

.now {
  position: absolute;
  inset-inline: 0;
  z-index: 5;
  border-top: 2px solid var(--ink);
  pointer-events: none;
}

.now span {
  position: absolute;
  right: 0;
  padding: 0 0.4rem;
  background: var(--ink);
  color: var(--paper);
  font-size: 0.8rem;
}
</style>
