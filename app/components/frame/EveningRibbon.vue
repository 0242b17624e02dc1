<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { tasksOf } from '../../../core/live';
import { makeScale, minuteAt, spreadLabels, yOf } from '../../../core/strip';
import { useCourses } from '../../composables/useCourses';
import { duration, useTimes } from '../../composables/useTimes';
import { useClock } from '../../stores/clock';
import { useDinner } from '../../stores/dinner';
import { useSession } from '../../stores/session';
import { useStripLook } from '../../stores/strip';

const store = useDinner();
const clock = useClock();
const session = useSession();
const look = useStripLook();
const times = useTimes();
const courses = useCourses();

const tasks = computed(() => (store.evening ? tasksOf(store.evening.dinner, store.evening.plan) : []));
const end = computed(() => {
  const last = store.evening?.plan.courses.at(-1);
  return last ? last.serve + (store.evening!.dinner.courses.at(-1)?.eating ?? 0) : 0;
});
const scale = computed(() => makeScale([...tasks.value, { from: -5, to: end.value }], 1, 24));
const percent = (minute: number) => (yOf(scale.value, minute) / scale.value.height) * 100;
const nowMinute = computed(() => (clock.now - store.zero) / 60_000);
const isNowInside = computed(
  () => nowMinute.value >= scale.value.segments[0]!.from && nowMinute.value <= end.value + 6,
);

/** Half a day behind, an evening is not late but over. */
const OVER = 720;
const stateOf = (late: number) => (late >= OVER ? 'past' : late > 0 ? `${duration(late)} late` : 'holds');

const marks = computed(() =>
  store.evening!.plan.courses.map((course) => {
    const state = session.view?.courses.find((c) => c.id === course.id);
    const late = state ? Math.round((state.expectedAt - state.plannedAt) / 60_000) : 0;
    return {
      id: course.id,
      at: percent(course.serve),
      name: courses.name(course.id),
      time: times.clock(course.serve),
      state: state?.isServed ? 'served' : stateOf(late),
      minute: course.serve,
    };
  }),
);
const frame = useTemplateRef<HTMLElement>('frame');
const { width } = useElementSize(frame);
const MARK = 112;
const TIGHT_MARK = 74;
/** Left edges of the marks in pixels: as near to their moments as their texts let them stand. */
const lefts = computed(() => {
  const size = width.value < 600 ? TIGHT_MARK : MARK;
  return spreadLabels(
    marks.value.map((mark) => (mark.at / 100) * width.value),
    marks.value.map(() => size),
    0,
    width.value,
  );
});
const firsts = computed(() =>
  scale.value.segments.filter((s, k, all) => !s.isFolded && (k === 0 || all[k - 1]!.isFolded)),
);

/** The part of the evening that is in view, drawn as a frame that can be moved. */
const view = computed(() => {
  const { inView } = look;
  if (!inView) return null;
  const left = percent(inView.from);
  return { ...inView, left, width: Math.max(1, percent(inView.to) - left) };
});
function moveView(event: PointerEvent): void {
  if (!view.value || !frame.value || (event.type === 'pointermove' && event.buttons === 0)) return;
  if (event.type === 'pointerdown') frame.value.setPointerCapture(event.pointerId);
  const box = frame.value.getBoundingClientRect();
  const at = ((event.clientX - box.left) / box.width) * 100 - view.value.width / 2;
  look.ask(minuteAt(scale.value, (Math.max(0, at) / 100) * scale.value.height));
}
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -15,
  ArrowRight: 15,
  ArrowUp: -15,
  ArrowDown: 15,
  PageUp: -60,
  PageDown: 60,
};
function keyView(event: KeyboardEvent): void {
  const by = STEPS[event.key];
  if (by === undefined || !view.value) return;
  event.preventDefault();
  look.ask(view.value.from + by);
}

function goTo(minute: number): void {
  void navigateTo({ path: '/evening', query: { at: String(Math.round(minute)) } });
}
</script>

<template>
  <section class="ribbon" aria-label="The whole evening">
    <div ref="frame" class="line" :class="{ map: view }" @pointerdown="moveView" @pointermove="moveView">
      <span
        v-for="task in tasks"
        :key="task.id"
        class="work"
        :style="{
          left: `${percent(task.from)}%`,
          width: `max(2px, ${percent(task.to) - percent(task.from)}%)`,
          background: courses.colour(task.course),
        }"
      />
      <span
        v-for="(segment, k) in scale.segments.filter((s) => s.isFolded)"
        :key="k"
        class="fold"
        :style="{
          left: `${percent(segment.from)}%`,
          width: `${percent(segment.to) - percent(segment.from)}%`,
        }"
      />
      <span
        v-if="view"
        class="view"
        role="slider"
        tabindex="0"
        aria-label="In view"
        :aria-valuemin="Math.round(scale.segments[0]!.from)"
        :aria-valuemax="Math.round(end)"
        :aria-valuenow="Math.round(view.from)"
        :aria-valuetext="`${times.clock(view.from)} to ${times.clock(view.to)}`"
        :style="{ left: `${view.left}%`, width: `${view.width}%` }"
        @keydown="keyView"
      />
      <span v-if="isNowInside" class="now" :style="{ left: `${percent(nowMinute)}%` }" />
    </div>
    <div class="marks">
      <button
        v-for="segment in firsts"
        :key="segment.from"
        class="mark start"
        :style="{ left: `${percent(segment.from)}%` }"
        @click="goTo(segment.from)"
      >
        {{ times.clock(segment.from + 6) }}<span class="visually-hidden"> work begins</span>
      </button>
      <button
        v-for="(mark, k) in marks"
        :key="mark.id"
        class="mark course"
        :style="{ left: `${lefts[k]}px`, '--colour': courses.colour(mark.id) }"
        @click="goTo(mark.minute)"
      >
        <span class="course-name">{{ mark.name }} {{ mark.time }}</span>
        <span class="narrow" aria-hidden="true">{{ mark.name }}<br />{{ mark.time }}</span>
        <span class="state">{{ mark.state }}</span>
      </button>
    </div>
  </section>
</template>

<style scoped>
.ribbon {
  position: sticky;
  top: 0;
  z-index: 10;
  padding: 0.4rem 1.25rem 0;
  border-block: 1px solid var(--line);
  background: var(--paper);
}

.line {
  position: relative;
  height: 14px;
  border-radius: 7px;
  background: color-mix(in srgb, var(--line) 45%, transparent);
}

/* The whole height above the marks is there to be touched. */
.map {
  touch-action: none;
  cursor: pointer;
}

.map::before {
  position: absolute;
  inset: -8px 0 -6px;
  content: '';
}

.view {
  position: absolute;
  inset-block: -4px;
  border: 2px solid var(--ink);
  border-radius: 5px;
  background: color-mix(in srgb, var(--ink) 8%, transparent);
}

.work {
  position: absolute;
  inset-block: 3px;
  border-radius: 2px;
}

.fold {
  position: absolute;
  inset-block: 0;
  background: repeating-linear-gradient(115deg, var(--line) 0 3px, var(--paper) 3px 7px);
}

.now {
  position: absolute;
  inset-block: 0;
  width: 3px;
  background: var(--ink);
}

.marks {
  position: relative;
  height: 46px;
}

.mark {
  position: absolute;
  top: 0;
  min-width: 44px;
  min-height: 44px;
  padding: 0 0.3rem;
  border: 0;
  border-left: 2px solid var(--colour, var(--line));
  background: none;
  font-size: 0.85rem;
  line-height: 1.15;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}

.course-name {
  display: block;
  font-weight: 700;
  color: var(--colour);
}

.state {
  color: var(--soft);
}

.narrow {
  display: none;
  font-weight: 700;
  color: var(--colour);
}

@media (max-width: 700px) {
  .start {
    display: none;
  }

  .course-name,
  .state {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }

  .narrow {
    display: block;
    max-width: 64px;
    overflow: hidden;
  }
}
</style>
