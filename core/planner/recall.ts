import { allBits, serviceShift, type Mode, type Model } from '../model';
import type { Answer } from '../proof';
import { DAY_WINDOW, type HandsSpan, type Plan, type PlanStep } from '../plan';
import { Board } from './board';
import { awayHolds } from './cost';
import { Inserter } from './insert';
import { Random } from './random';

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

/**
 * Puts what has begun on an empty board as the plan made before has it: in whose minutes it was done is over and done with. What
 * lasts longer than it was to goes on with the same cook where it can, and else is left out. False where nothing has begun.
 */
export function recallBegun(board: Board, plan: Plan): boolean {
  const { model } = board;
  const { members, starts } = recallPlan(board, plan);
  const now = Math.max(...members.map((i) => model.activities[i]!.notBefore));
  const cookOf = new Map(model.dinner.cooks.map((cook, c) => [cook.id, c]));
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  let count = 0;
  members.forEach((i, k) => {
    const { pin, name } = model.activities[i]!;
    const row = rows.get(name);
    if (!row || now === 0 || pin < 0 || pin >= now || pin !== starts[k]) return;
    const hands = asLongAs(board.modeOf(i), row);
    if (!hands || !isFree(board, hands, cookOf)) return;
    const end = pin + board.modeOf(i).duration + row.end - row.start - workOf(row);
    if (put(board, i, pin, end - pin, hands, cookOf)) count += 1;
  });
  return count > 0;
}

/** The stretches of hands of a row, the last one for as much longer as the work now takes; null where they cannot be told. */
function asLongAs({ isHands, duration }: Mode, row: PlanStep): HandsSpan[] | null {
  const longer = duration - workOf(row);
  if (!isHands) return longer === 0 ? [...row.hands] : null;
  const to = row.end;
  return row.hands.map((span) => (span.to === to ? { ...span, to: to + longer } : span));
}

/** Minutes that a step takes, pauses left out. */
function workOf({ pieces, start, end }: PlanStep): number {
  return pieces?.reduce((sum, [from, to]) => sum + to - from, 0) ?? end - start;
}

function isFree(board: Board, hands: readonly HandsSpan[], cookOf: ReadonlyMap<string, number>): boolean {
  const { zero } = board.model;
  return hands.every(({ from, to, cook }) => {
    const c = cookOf.get(cook);
    return c !== undefined && to > from && allBits(board.free[c]!, zero + from, zero + to);
  });
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
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  const isWhole = members.every((i, k) => {
    const { role, course, name } = board.activity(i);
    const row = rows.get(name);
    if (role === 'step')
      return row !== undefined && put(board, i, starts[k]!, row.end - row.start, row.hands, cookOf);
    const served = plan.courses[course];
    const span = role === 'plating' ? served?.plating : served?.clearing;
    const isWork = span && span.to > span.from && span.cook !== null;
    const hands = isWork ? [{ from: span.from, to: span.to, cook: span.cook! }] : [];
    return put(board, i, starts[k]!, board.modeOf(i).duration, hands, cookOf);
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
  hands: readonly { from: number; to: number; cook: string }[],
  cookOf: ReadonlyMap<string, number>,
): boolean {
  const { zero, slots } = board.model;
  const { firstStretch, maxStretches } = board.activity(i);
  if (hands.length > maxStretches || start < 0 || start + length > slots) return false;
  board.place(i, board.mode[i]!, board.oven[i]!, start, start + length);
  board.close(i);
  board.stretches[i] = hands.length;
  return hands.every(({ from, to, cook }, k) => {
    const c = cookOf.get(cook);
    if (c === undefined || !allBits(board.free[c]!, zero + from, zero + to)) return false;
    board.occupy(firstStretch + k, c, zero + from, zero + to);
    return true;
  });
}
