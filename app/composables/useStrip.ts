import type { Ref } from 'vue';
import { plannedSteps, tasksOf, type Evening, type PlannedStep, type Task } from '../../core/live';
import { assignLanes, makeScale, placeLabels, waitingOf, yOf, type Waiting } from '../../core/strip';

const PER_MINUTE = 5;
const FOLD = 72;
const COURSE_LABEL = 40;
const LABEL: Record<Task['kind'], number> = { work: 34, in: 28, out: 28, check: 24, plate: 34, clear: 30 };

/** A bar beside the hands: something in the oven, on a ring, resting or waiting. */
export interface Bar {
  readonly key: string;
  readonly step: string;
  readonly dish: string;
  readonly course: string | null;
  readonly does: string;
  readonly texture: 'minded' | 'alone' | 'waiting';
  readonly from: number;
  readonly to: number;
  readonly lane: number;
  readonly waiting: Waiting | null;
  /** Minutes at which hands put something in, take it out or look at it. */
  readonly threads: readonly number[];
}

export interface HandsLabel {
  readonly task: Task;
  readonly top: number;
  readonly height: number;
}

interface Lanes {
  readonly bars: readonly Bar[];
  readonly count: number;
}

function barOf(planned: PlannedStep): Omit<Bar, 'lane'> {
  return {
    key: planned.row.step,
    step: planned.row.step,
    dish: planned.placed.dish.name,
    course: planned.course,
    does: planned.step.does,
    texture: planned.attention === 'minded' ? 'minded' : 'alone',
    from: planned.row.start,
    to: planned.row.end,
    waiting: null,
    threads: planned.row.hands.map((h) => (h.why === 'out' ? h.to : h.from)),
  };
}

function inLanes(bars: readonly Omit<Bar, 'lane'>[]): Lanes {
  const { lanes, count } = assignLanes(bars);
  return { bars: bars.map((bar, i) => ({ ...bar, lane: lanes[i]! })), count };
}

/** Steps that take no time are moments: they are on the run sheet, not beside it. */
const lasts = (bar: { from: number; to: number }) => bar.to > bar.from;

/** Everything that the strip draws, worked out from the evening; no decision is left to the drawing. */
export function useStrip(evening: Ref<Evening>) {
  const tasks = computed(() => tasksOf(evening.value.dinner, evening.value.plan));
  const steps = computed(() => plannedSteps(evening.value.dinner, evening.value.plan));
  const courses = computed(() =>
    evening.value.plan.courses.map((course) => {
      const { eating, name } = evening.value.dinner.courses.find((c) => c.id === course.id)!;
      return { id: course.id, name, serve: course.serve, up: course.serve + eating };
    }),
  );
  const end = computed(() => Math.max(...courses.value.map((c) => c.up)));
  const cooks = computed(() =>
    evening.value.dinner.cooks.map((c) => ({ id: c.id, name: c.name, eats: c.eats })),
  );

  /** The labels of one cook's column: tasks, and the room that each course's own line needs. */
  const needs = (cook: string) => [
    ...courses.value.map((course) => ({ task: null, at: course.serve, height: COURSE_LABEL })),
    ...tasks.value
      .filter((t) => t.cook === cook)
      .map((task) => ({ task, at: task.from, height: LABEL[task.kind] })),
  ];
  const scale = computed(() =>
    makeScale(
      [...tasks.value, { from: -5, to: end.value }],
      PER_MINUTE,
      FOLD,
      cooks.value.map((cook) => needs(cook.id)),
      courses.value.map((course) => course.serve),
    ),
  );
  const y = (minute: number) => yOf(scale.value, minute);

  const hands = computed(() =>
    cooks.value.map((cook) => {
      const items = needs(cook.id);
      const tops = placeLabels(scale.value, items);
      return {
        cook,
        bars: tasks.value.filter((t) => t.cook === cook.id),
        labels: items.flatMap(({ task, height }, i): HandsLabel[] =>
          task ? [{ task, top: tops[i]!, height }] : [],
        ),
      };
    }),
  );

  const uses = (planned: PlannedStep) =>
    planned.step.ways.find((w) => w.id === planned.row.way)?.uses ?? planned.step.uses ?? [];
  const ovens = computed(() =>
    evening.value.plan.ovens
      .map((oven) => ({
        id: oven.id,
        name: evening.value.dinner.kitchen.ovens.find((o) => o.id === oven.id)?.name ?? oven.id,
        programme: oven.programme,
        ...inLanes(
          steps.value
            .filter((s) => s.row.oven === oven.id)
            .map(barOf)
            .filter(lasts),
        ),
      }))
      .filter((oven) => oven.bars.length > 0),
  );
  const rings = computed(() =>
    inLanes(
      steps.value
        .filter((s) => uses(s).some((u) => 'ring' in u))
        .map(barOf)
        .filter(lasts),
    ),
  );
  const waiting = computed(() => {
    const resting = steps.value
      .filter((s) => s.attention !== 'hands' && s.row.oven === null && !uses(s).some((u) => 'ring' in u))
      .map(barOf)
      .filter(lasts);
    const held = waitingOf(evening.value.dinner, evening.value.plan)
      .filter((w) => w.to - w.from >= 3)
      .map((w): Omit<Bar, 'lane'> => ({
        key: `${w.step} waits`,
        step: w.step,
        dish: w.dish,
        course: w.course,
        does: 'waits',
        texture: 'waiting',
        from: w.from,
        to: w.to,
        waiting: w,
        threads: [],
      }));
    return inLanes([...resting, ...held]);
  });

  return { tasks, steps, courses, cooks, scale, y, hands, ovens, rings, waiting };
}
