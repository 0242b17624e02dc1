import { allBits, serviceShift, type Mode, type Model } from '../model';
import type { Answer } from '../proof';
import { DAY_WINDOW, type HandsSpan, type Plan, type PlanStep } from '../plan';
import { Board } from './board';
import { awayHolds } from './cost';
import { Inserter } from './insert';
import { Random } from './random';

/** Minutes of a cook. */
type Stretch = Omit<HandsSpan, 'why'>;

/** Where a plan made before has each activity, as slots of this model; -1 for what it does not have. */
export function anchorsOf(model: Model, plan: Plan, sitDownShift: number): Int32Array {
  const anchors = new Int32Array(model.activities.length).fill(-1);
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  for (const activity of model.activities) {
    const row = activity.role === 'step' ? rows.get(activity.name) : undefined;
    if (!row) continue;
    // Work of the evening goes with the meal; work of the days before stays where it was on the clock.
    const shift = row.start < -DAY_WINDOW ? -sitDownShift : 0;
    anchors[activity.index] = model.zero + row.start + shift;
  }
  return anchors;
}

/**
 * Prepares an empty board for a plan made before: ways, waits, modes and ovens as it has them where they still
 * exist. Returns the activities and where they were, -1 where the plan does not say.
 */
export function recallPlan(
  board: Board,
  plan: Plan,
  anchors: Int32Array = anchorsOf(board.model, plan, 0),
): { members: number[]; starts: number[] } {
  const { model } = board;
  const { dinner } = model;
  const ways = model.dishWays.map((list, d) => {
    const chosen = plan.dishes.find((row) => row.dish === dinner.dishes[d]!.id)?.way;
    const way = dinner.dishes[d]!.ways.findIndex((w) => w.id === chosen);
    return list.includes(way) ? way : (list[0] ?? -1);
  });
  const config = board.configurationFor(ways);
  board.config = config;
  board.serveAfter(
    model.courses.map(({ least, ideal, most }, c) => {
      const row = plan.courses.find((course) => course.id === dinner.courses[c]!.id);
      return Math.max(least, Math.min(most, row?.wait ?? ideal));
    }),
  );
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  for (const i of config.members) {
    const activity = model.activities[i]!;
    const row = rows.get(activity.name);
    const mode = activity.modes.findIndex((m) => m.way === (row?.way ?? null));
    board.mode[i] = Math.max(0, mode);
    if (!board.modeOf(i).usesOven) board.oven[i] = -1;
    else
      board.oven[i] = Math.max(
        0,
        model.ovens.findIndex((oven) => oven.id === row?.oven),
      );
  }
  const members = [...config.members];
  return {
    members,
    starts: members.map((i) => wantedAt(board, i, anchors)),
  };
}

/** Prepares an empty board for a relaxed answer: ways, serving times, modes. Returns where its members would like to be. */
export function recallAnswer(board: Board, { config, options, start, serve }: Answer): number[] {
  board.config = config;
  board.serve.set(serve);
  return config.members.map((i) => {
    board.mode[i] = options[i]?.index ?? 0;
    board.oven[i] = board.modeOf(i).usesOven ? 0 : -1;
    return wantedAt(board, i, start);
  });
}

/** Steps are wanted where they were; plating and clearing go with their course. */
function wantedAt(board: Board, i: number, starts: Int32Array): number {
  const { role, course } = board.activity(i);
  return role === 'step' ? starts[i]! : board.serve[course]! + serviceShift(board.model, i);
}

export interface Begun {
  /** False where nothing of it stands on the board. */
  readonly isAny: boolean;
  /** Whether two things that have begun had the same hands at once: what was late was left for a look at something else. */
  readonly isAtOnce: boolean;
}

/**
 * Puts what has begun on an empty board as the plan made before has it: in whose minutes it was done is over and done with, so what is past may be at
 * once. What lasts longer than it was to goes on with the same cook where it can, and else is left out.
 */
export function recallBegun(board: Board, plan: Plan): Begun {
  const { model } = board;
  const { members, starts } = recallPlan(board, plan);
  const { now } = model;
  const cookOf = new Map(model.dinner.cooks.map((cook, c) => [cook.id, c]));
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  let isAny = false;
  let isAtOnce = false;
  members.forEach((i, k) => {
    const { pin, name, role, notBefore } = model.activities[i]!;
    const row = rows.get(name);
    // What is only pinned to a time that is past has not begun.
    if (now === 0 || pin < notBefore || pin < 0 || pin >= now || pin !== starts[k]) return;
    if (role === 'step' && !row) return;
    const hands = row ? asLongAs(board.modeOf(i), row) : serviceHands(board, i, plan);
    if (!hands || !isFree(board, hands, cookOf, now)) return;
    isAtOnce ||= !isFree(board, hands, cookOf, 0);
    const pauses = row ? row.end - row.start - workOf(row) : 0;
    if (put(board, i, pin, board.modeOf(i).duration + pauses, hands, cookOf, now)) isAny = true;
  });
  return { isAny, isAtOnce };
}

/** The stretches of hands of a row, the last one for as much longer or later as the step now takes; null where they cannot be told. */
function asLongAs(mode: Mode, row: PlanStep): Stretch[] | null {
  const { isHands, touchIn, touchOut, checks } = mode;
  const longer = mode.duration - workOf(row);
  const isOnlyLater = row.hands.length === checks + (touchIn > 0 ? 1 : 0) + (touchOut > 0 ? 1 : 0);
  if (!isHands && longer !== 0 && !isOnlyLater) return null;
  const to = row.end;
  const isLast = (span: Stretch) => span.to === to && (isHands || touchOut > 0);
  return row.hands.map((span) =>
    isLast(span) ? { ...span, from: span.from + (isHands ? 0 : longer), to: to + longer } : span,
  );
}

/** Minutes that a step takes, pauses left out. */
function workOf({ pieces, start, end }: PlanStep): number {
  return pieces?.reduce((sum, [from, to]) => sum + to - from, 0) ?? end - start;
}

function isFree(
  board: Board,
  hands: readonly Stretch[],
  cookOf: ReadonlyMap<string, number>,
  now: number,
): boolean {
  return hands.every(({ from, to, cook }) => to > from && hasTime(board, cookOf.get(cook), from, to, now));
}

/** Whether a cook has the minutes from one moment to another, those that are to come: what is past was done somehow. */
function hasTime(board: Board, cook: number | undefined, from: number, to: number, now: number): boolean {
  const { zero } = board.model;
  const first = Math.max(now, zero + from);
  return cook !== undefined && (first >= zero + to || allBits(board.free[cook]!, first, zero + to));
}

/**
 * Where the pauses of a plan put back hold no more (what sets came into the cold too late), makes the one before some course
 * longer, by as few minutes as do. What stands after the plates before goes with the course: `starts`, of `members`, is changed.
 */
export function lengthenPause(board: Board, members: readonly number[], starts: number[]): void {
  const { courses } = board.model;
  const open = Int32Array.from(members.filter((i) => !board.placed[i]));
  if (board.tighten(open, open.length)) return;
  const before = board.serve.slice();
  const pauses = courses.map((_, c) => (c === 0 ? 0 : before[c]! - before[c - 1]! - courses[c - 1]!.eating));
  const mostMore = Math.max(...courses.map(({ most }, c) => (c === 0 ? 0 : most - pauses[c]!)));
  for (let more = 1; more <= mostMore; more++) {
    for (let c = courses.length - 1; c > 0; c--) {
      if (pauses[c]! + more > courses[c]!.most) continue;
      board.serveAfter(pauses.map((pause, k) => (k === c ? pause + more : pause)));
      if (!board.tighten(open, open.length)) continue;
      members.forEach((i, k) => {
        const { course } = board.activity(i);
        if (course >= c && starts[k]! >= before[course - 1]!) starts[k]! += more;
      });
      return;
    }
  }
  board.serve.set(before);
}

/** The hands that plate or clear a course in a plan. */
function serviceHands(board: Board, i: number, plan: Plan): Stretch[] {
  const { role, course } = board.activity(i);
  const served = plan.courses[course];
  const span = role === 'plating' ? served?.plating : served?.clearing;
  const isWork = span && span.to > span.from && span.cook !== null;
  return isWork ? [{ from: span.from, to: span.to, cook: span.cook! }] : [];
}

/** A board on which a plan stands, and the means to try other places on it. */
export interface Stage {
  readonly board: Board;
  readonly inserter: Inserter;
}

/** Puts a plan of the dinner on a board as it is, minute by minute; null where it is a plan of something else. */
export function stagePlan(model: Model, plan: Plan): Stage | null {
  const board = new Board(model);
  const { members, starts } = recallPlan(board, plan);
  const cookOf = new Map(model.dinner.cooks.map((cook, c) => [cook.id, c]));
  const { now } = model;
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  const isWhole = members.every((i, k) => {
    const { role, name } = board.activity(i);
    const row = rows.get(name);
    if (role === 'step')
      return row !== undefined && put(board, i, starts[k]!, row.end - row.start, row.hands, cookOf, now);
    const hands = serviceHands(board, i, plan);
    return put(board, i, starts[k]!, board.modeOf(i).duration, hands, cookOf, now);
  });
  const steps = members.filter((i) => board.activity(i).role === 'step').length;
  if (!isWhole || steps !== plan.steps.length || !awayHolds(board)) return null;
  return { board, inserter: new Inserter(board, new Random(1)) };
}

/** Places an activity with the very stretches of hands that a plan gives it; false where they cannot be its own. */
function put(
  board: Board,
  i: number,
  start: number,
  length: number,
  hands: readonly Stretch[],
  cookOf: ReadonlyMap<string, number>,
  now: number,
): boolean {
  const { zero, slots } = board.model;
  const { firstStretch, maxStretches } = board.activity(i);
  if (hands.length > maxStretches || start < 0 || start + length > slots) return false;
  board.place(i, board.mode[i]!, board.oven[i]!, start, start + length);
  board.close(i);
  board.stretches[i] = hands.length;
  return hands.every(({ from, to, cook }, k) => {
    if (!hasTime(board, cookOf.get(cook), from, to, now)) return false;
    board.occupy(firstStretch + k, cookOf.get(cook)!, zero + from, zero + to);
    return true;
  });
}
