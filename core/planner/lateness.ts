import { allBits, type Model } from '../model';
import type { Plan } from '../plan';
import type { Board } from './board';

/**
 * Where the steps of a plan put back would like to be when it is late: where they were; or as much later, up to where idle
 * minutes take the lateness up; or each by what idle minutes before it leave of the lateness. None where nothing is late.
 * `starts` says where `members` were.
 */
export function laterStarts(
  board: Board,
  plan: Plan,
  members: readonly number[],
  starts: readonly number[],
): number[][] {
  const { model } = board;
  const { now } = model;
  const by = now > 0 ? lateness(board, plan, members, starts) : 0;
  if (by === 0) return [];
  const idle = idleMinutes(model, plan, now);
  const idleBy = (start: number) => idle[Math.max(now, Math.min(model.slots, start))]!;
  const shifted = (shift: (start: number) => number) =>
    members.map((i, k) => {
      const start = starts[k]!;
      const { role, pin } = model.activities[i]!;
      return role === 'step' && pin === -1 && start >= 0 ? start + shift(start) : start;
    });
  return [
    [...starts],
    shifted((start) => (idleBy(start) < by ? by : 0)),
    shifted((start) => Math.max(0, by - idleBy(start))),
  ];
}

/** By how many minutes the plan is behind: what should have begun has not, or what has begun lasts longer. */
function lateness(board: Board, plan: Plan, members: readonly number[], starts: readonly number[]): number {
  const { model } = board;
  const rows = new Map(plan.steps.map((row) => [row.step, row]));
  let late = 0;
  members.forEach((i, k) => {
    const { role, pin, notBefore, name } = model.activities[i]!;
    const row = rows.get(name);
    if (role !== 'step' || !row || starts[k]! < 0) return;
    if (pin === -1) late = Math.max(late, notBefore - starts[k]!);
    else if (pin >= 0) late = Math.max(late, pin + board.modeOf(i).duration - model.zero - row.end);
  });
  return late;
}

/** By slot: how many minutes from `now` on until there some cook has nothing to do in the plan. */
function idleMinutes(model: Model, plan: Plan, now: number): Int32Array {
  const { cooks } = model.dinner;
  const busy = cooks.map(() => new Uint8Array(model.slots));
  const take = (cook: string | null, from: number, to: number) => {
    const c = cooks.findIndex(({ id }) => id === cook);
    if (c >= 0) busy[c]!.fill(1, Math.max(0, model.zero + from), Math.max(0, model.zero + to));
  };
  for (const { hands } of plan.steps) for (const { cook, from, to } of hands) take(cook, from, to);
  for (const { plating, clearing } of plan.courses)
    for (const span of [plating, clearing]) if (span) take(span.cook, span.from, span.to);
  const idle = new Int32Array(model.slots + 1);
  for (let m = now; m < model.slots; m++) {
    const isIdle = busy.some((minutes, c) => minutes[m] === 0 && allBits(model.calendars[c]!, m, m + 1));
    idle[m + 1] = idle[m]! + (isIdle ? 1 : 0);
  }
  return idle;
}
