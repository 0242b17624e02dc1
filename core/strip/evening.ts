import type { Dinner, Use } from '../dinner';
import { plannedSteps, tasksOf, type PlannedStep, type Task } from '../live';
import type { OvenSetting, Plan } from '../plan';
import { heatEdges, type HeatPoint } from './heat';
import { loadByQuarter, type QuarterLoad } from './load';
import { assignLanes, makeScale, placeLabels, yOf, type Scale } from './scale';
import { assignShelves } from './shelves';
import { waitingOf, type Waiting } from './waiting';
import { wrapWords } from './wrap';

/** How a strip is to be drawn. Lengths in pixels. */
export interface StripMeasure {
  readonly perMinute: number;
  /** Height of a stretch with nothing in it. */
  readonly fold: number;
  /** Characters that fit on one line of a cook's column. */
  readonly characters: number;
  /** Lines of text that a label may have. */
  readonly mostLines: number;
  /** Height of a line of text, and of what is around it. */
  readonly line: number;
  readonly around: number;
  /** The least height of a label, for fingers. */
  readonly leastLabel: number;
  /** Height that a course's own line needs. */
  readonly courseLabel: number;
}

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
  /** Where it stands beside the others, and how wide it is; in lanes. */
  readonly lane: number;
  readonly lanes: number;
  readonly waiting: Waiting | null;
  /** Names of the dishes that are in the same oven with it. */
  readonly sharesWith: readonly string[];
  /** Minutes at which hands put something in, take it out or look at it. */
  readonly threads: readonly number[];
}

export interface Lanes {
  readonly bars: readonly Bar[];
  readonly count: number;
}

export interface OvenLanes extends Lanes {
  readonly id: string;
  readonly name: string;
  readonly shelves: number;
  readonly programme: readonly OvenSetting[];
  readonly edges: readonly (readonly HeatPoint[])[];
}

export interface HandsLabel {
  readonly task: Task;
  readonly lines: number;
  readonly top: number;
  readonly height: number;
}

export interface HandsColumn {
  readonly cook: { readonly id: string; readonly name: string };
  readonly bars: readonly Task[];
  readonly labels: readonly HandsLabel[];
  readonly loads: readonly QuarterLoad[];
}

/** Everything that a strip shows, and where; nothing is left to the drawing but colours. */
export interface StripLayout {
  readonly tasks: readonly Task[];
  readonly courses: readonly { id: string; name: string; serve: number; up: number }[];
  readonly scale: Scale;
  readonly hands: readonly HandsColumn[];
  readonly ovens: readonly OvenLanes[];
  readonly rings: Lanes;
  readonly waiting: Lanes;
}

/** Something that waits shorter than this is not drawn. */
const LEAST_WAIT = 3;

function barOf(planned: PlannedStep): Omit<Bar, 'lane'> {
  return {
    key: planned.row.step,
    step: planned.row.step,
    dish: planned.placed.dish.name,
    course: planned.course,
    does: planned.step.does,
    texture: planned.as.attention === 'minded' ? 'minded' : 'alone',
    from: planned.row.start,
    to: planned.row.end,
    lanes: 1,
    waiting: null,
    sharesWith: [],
    threads: planned.row.hands.map((h) => (h.why === 'out' ? h.to : h.from)),
  };
}

function waitingBar(waiting: Waiting): Omit<Bar, 'lane'> {
  return {
    key: `${waiting.step} waits`,
    step: waiting.step,
    dish: waiting.dish,
    course: waiting.course,
    does: 'waits',
    texture: 'waiting',
    from: waiting.from,
    to: waiting.to,
    lanes: 1,
    waiting,
    sharesWith: [],
    threads: [],
  };
}

function inLanes(bars: readonly Omit<Bar, 'lane'>[]): Lanes {
  const { lanes, count } = assignLanes(bars);
  return { bars: bars.map((bar, i) => ({ ...bar, lane: lanes[i]! })), count };
}

/** Steps that take no time are moments: they are on the run sheet, not beside it. */
const lasts = (bar: { from: number; to: number }) => bar.to > bar.from;

type OvenUse = Extract<Use, { oven: unknown }>;
const ovenUseOf = (planned: PlannedStep) => planned.as.uses.find((use): use is OvenUse => 'oven' in use);
const usesRing = (planned: PlannedStep) => planned.as.uses.some((use) => 'ring' in use);

function ovensOf(dinner: Dinner, plan: Plan, steps: readonly PlannedStep[]): OvenLanes[] {
  return plan.ovens.flatMap(({ id, programme }): OvenLanes[] => {
    const oven = dinner.kitchen.ovens.find((o) => o.id === id);
    const inside = steps.filter((s) => s.row.oven === id && s.row.end > s.row.start);
    if (!oven || inside.length === 0) return [];
    const bars = inside.map(barOf);
    const sizes = inside.map((s) => ovenUseOf(s)?.shelves ?? 1);
    const { tops, shelves } = assignShelves(
      inside.map((s, k) => ({
        from: s.row.start,
        to: s.row.end,
        shelves: sizes[k]!,
        shelf: ovenUseOf(s)?.shelf ?? 'any',
      })),
      oven.shelves,
    );
    return [
      {
        id,
        name: oven.name,
        shelves: oven.shelves,
        programme,
        edges: heatEdges(programme, oven),
        count: shelves,
        bars: bars.map((bar, k) => ({
          ...bar,
          lane: tops[k]!,
          lanes: sizes[k]!,
          sharesWith: bars
            .filter((other) => other.step !== bar.step && other.from < bar.to && bar.from < other.to)
            .map((other) => other.dish),
        })),
      },
    ];
  });
}

function waitingLanes(dinner: Dinner, plan: Plan, steps: readonly PlannedStep[]): Lanes {
  const resting = steps
    .filter((s) => s.as.attention !== 'hands' && s.row.oven === null && !usesRing(s))
    .map(barOf);
  const held = waitingOf(dinner, plan)
    .filter((w) => w.to - w.from >= LEAST_WAIT)
    .map(waitingBar);
  return inLanes([...resting, ...held].filter(lasts));
}

/** Lays a planned evening out as a strip. */
export function layOutStrip(dinner: Dinner, plan: Plan, measure: StripMeasure): StripLayout {
  const tasks = tasksOf(dinner, plan);
  const steps = plannedSteps(dinner, plan);
  const courses = plan.courses.map(({ id, serve }) => {
    const { eating, name } = dinner.courses.find((c) => c.id === id)!;
    return { id, name, serve, up: serve + eating };
  });
  const linesOf = (task: Task) =>
    Math.min(measure.mostLines, wrapWords(task.text, measure.characters).length);
  const heightOf = (lines: number) => Math.max(measure.leastLabel, measure.around + lines * measure.line);
  // The labels of one cook's column: tasks, and the room that each course's own line needs.
  const needs = (cook: string) => [
    ...courses.map((course) => ({ task: null, lines: 1, at: course.serve, height: measure.courseLabel })),
    ...tasks
      .filter((t) => t.cook === cook)
      .map((task) => ({ task, lines: linesOf(task), at: task.from, height: heightOf(linesOf(task)) })),
  ];
  const columns = dinner.cooks.map((cook) => ({ cook, needs: needs(cook.id) }));
  const end = Math.max(...courses.map((c) => c.up));
  const scale = makeScale(
    [...tasks, { from: -5, to: end }],
    measure.perMinute,
    measure.fold,
    columns.map((column) => column.needs),
    courses.map((course) => course.serve),
  );
  return {
    tasks,
    courses,
    scale,
    hands: columns.map(({ cook, needs: items }) => {
      const tops = placeLabels(scale, items);
      const bars = tasks.filter((t) => t.cook === cook.id);
      return {
        cook: { id: cook.id, name: cook.name },
        bars,
        labels: items.flatMap(({ task, lines, height }, i): HandsLabel[] =>
          task ? [{ task, lines, top: tops[i]!, height }] : [],
        ),
        loads: loadByQuarter(bars),
      };
    }),
    ovens: ovensOf(dinner, plan, steps),
    rings: inLanes(steps.filter(usesRing).map(barOf).filter(lasts)),
    waiting: waitingLanes(dinner, plan, steps),
  };
}

/** True where something of a bar or label lies between two heights. */
export function isWithin(scale: Scale, from: number, to: number, top: number, bottom: number): boolean {
  return yOf(scale, to) >= top && yOf(scale, from) <= bottom;
}
