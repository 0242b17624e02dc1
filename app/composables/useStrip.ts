import type { Ref } from 'vue';
import { plannedSteps, tasksOf, type Evening, type PlannedStep, type Task } from '../../core/live';
import { assignLanes, makeScale, spreadLabels, waitingOf, yOf, type Waiting } from '../../core/strip';

const GENTLEST = 6;
const STEEPEST = 14;
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
  const cooks = computed(() => evening.value.dinner.cooks.map((c) => ({ id: c.id, name: c.name, eats: c.eats })));

  const scale = computed(() => {
    const spans = [...tasks.value, { from: -5, to: end.value }];
    const open = makeScale(spans, 1, 0).height;
    const wanted = cooks.value.map((cook) =>
      tasks.value.filter((t) => t.cook === cook.id).reduce((sum, t) => sum + LABEL[t.kind], 0),
    );
    const perMinute = Math.min(STEEPEST, Math.max(GENTLEST, Math.max(...wanted) / open));
    return makeScale(spans, perMinute, FOLD);
  });
  const y = (minute: number) => yOf(scale.value, minute);

  const hands = computed(() =>
    cooks.value.map((cook) => {
      const mine = tasks.value.filter((t) => t.cook === cook.id);
      const items = [
        ...mine.map((task) => ({ task, at: y(task.from), height: LABEL[task.kind] })),
        ...courses.value.map((course) => ({ task: null, at: y(course.serve), height: COURSE_LABEL })),
      ].sort((a, b) => a.at - b.at);
      const tops = spreadLabels(items.map((i) => i.at), items.map((i) => i.height));
      return {
        cook,
        bars: mine,
        labels: items.flatMap(({ task, height }, i): HandsLabel[] => (task ? [{ task, top: tops[i]!, height }] : [])),
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
        ...inLanes(steps.value.filter((s) => s.row.oven === oven.id).map(barOf).filter(lasts)),
      }))
      .filter((oven) => oven.bars.length > 0),
  );
  const rings = computed(() =>
    inLanes(steps.value.filter((s) => uses(s).some((u) => 'ring' in u)).map(barOf).filter(lasts)),
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
      }));
    return inLanes([...resting, ...held]);
  });

  return { tasks, steps, courses, cooks, scale, y, hands, ovens, rings, waiting };
}
