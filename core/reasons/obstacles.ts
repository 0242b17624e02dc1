import { allBits, checkFrom, checkTo, hasBit, NO_LIMIT, ovenReady, type Mode } from '../model';
import { changeGap, heldUntilFor, sharesHeat, washGap, type Board } from '../planner';

/** What keeps a step from standing at some moment, everything else fixed. Minutes are relative to sitting down. */
export type Obstacle =
  /** It would begin before `step` is done and `minutes` have passed. */
  | { readonly kind: 'after'; readonly step: string; readonly minutes: number }
  /** What `step` made would have waited longer than `minutes`. */
  | { readonly kind: 'spoils'; readonly step: string; readonly minutes: number }
  /** `step` comes after it, begins then, and needs `minutes` in between. */
  | { readonly kind: 'before'; readonly step: string; readonly at: number; readonly minutes: number }
  /** What it makes would wait longer than `minutes` for `step`. */
  | { readonly kind: 'keeps'; readonly step: string; readonly minutes: number }
  /** The course is plated then. */
  | { readonly kind: 'plating'; readonly course: string; readonly at: number }
  /** What it makes would wait longer than `minutes` for its course to be plated. */
  | { readonly kind: 'keepsForPlate'; readonly course: string; readonly minutes: number }
  /** It happens inside `step`, at a given moment. */
  | { readonly kind: 'inside'; readonly step: string }
  /** The cook who could do it is busy with `step` until then. */
  | { readonly kind: 'hands'; readonly cook: string; readonly step: string; readonly until: number }
  /** No cook has time then. */
  | { readonly kind: 'noTime'; readonly at: number }
  /** A cook who eats would be away from the table too long during the course. */
  | { readonly kind: 'away'; readonly course: string }
  /** Someone must stay in the kitchen, and all are at the table. */
  | { readonly kind: 'stay'; readonly course: string }
  /** The oven is as `step` wants it until then. */
  | { readonly kind: 'oven'; readonly step: string; readonly celsius: number; readonly until: number }
  /** The oven is full with `step` and others. */
  | { readonly kind: 'shelf'; readonly step: string }
  /** The oven cannot be hot yet. */
  | { readonly kind: 'cold'; readonly at: number }
  /** The tool, or all rings, are with `step` until then. */
  | { readonly kind: 'thing'; readonly thing: string; readonly step: string; readonly until: number }
  /** The cook has pinned it. */
  | { readonly kind: 'pin'; readonly at: number };

/** All that keeps step `i`, which is off the board, from starting at slot `t`; empty where nothing does. */
export function obstaclesAt(board: Board, i: number, m: number, oven: number, t: number): Obstacle[] {
  const mode = board.activity(i).modes[m]!;
  const found: Obstacle[] = [];
  const activity = board.activity(i);
  const { zero } = board.model;
  if (activity.pin >= 0 && activity.pin !== t) found.push({ kind: 'pin', at: activity.pin - zero });
  byLinks(board, i, mode, t, found);
  byHands(board, i, mode, t, found);
  if (mode.usesOven) byOven(board, i, mode, oven, t, found);
  byThings(board, i, mode, t, found);
  if (mode.stay) byStay(board, mode, t, found);
  // Paused work whose pieces would be too short, or too far apart: what cuts it up is in the way.
  if (found.length === 0 && mode.pausable) oneStretch(board, i, mode, t, t + mode.duration, found);
  return found;
}

/** Slot at which work that begins at `t` can be done: where it may pause, around what its cook does besides. */
function doneAt(board: Board, i: number, mode: Mode, t: number): number {
  if (!mode.isHands || !mode.pausable) return t + mode.duration;
  const { slots, cookCount } = board.model;
  let soonest = Infinity;
  for (let c = 0; c < cookCount; c++) {
    if (!mayDo(board, i, c)) continue;
    let left = mode.duration;
    let at = t;
    for (; left > 0 && at < slots; at++) if (hasBit(board.free[c]!, at)) left -= 1;
    if (left === 0) soonest = Math.min(soonest, at);
  }
  return soonest === Infinity ? t + mode.duration : soonest;
}

function byLinks(board: Board, i: number, mode: Mode, t: number, found: Obstacle[]): void {
  const { model, config } = board;
  const name = (j: number) => board.activity(j).name;
  const end = doneAt(board, i, mode, t);
  for (const { from, least, most } of config.before[i]!) {
    if (!board.placed[from]) continue;
    const limit = most >= 0 ? most : board.modeOf(from).most;
    if (t < board.end[from]! + least) found.push({ kind: 'after', step: name(from), minutes: least });
    if (limit < NO_LIMIT && t > board.end[from]! + limit)
      found.push({ kind: 'spoils', step: name(from), minutes: limit });
  }
  for (const { to, least, most } of config.after[i]!) {
    if (!board.placed[to]) continue;
    const limit = most >= 0 ? most : mode.most;
    const start = board.start[to]!;
    if (end + least > start)
      found.push({ kind: 'before', step: name(to), at: start - model.zero, minutes: least });
    if (limit < NO_LIMIT && start > end + limit)
      found.push({ kind: 'keeps', step: name(to), minutes: limit });
  }
  const plates = config.plates[i]!;
  if (plates !== -2) {
    const c = board.activity(i).course;
    const course = model.dinner.courses[c]!.id;
    const at = board.platingStart(c);
    const limit = plates >= 0 ? plates : mode.most;
    if (end > at) found.push({ kind: 'plating', course, at: at - model.zero });
    if (limit < NO_LIMIT && at > end + limit) found.push({ kind: 'keepsForPlate', course, minutes: limit });
  }
  const inside = (guest: number, start: number, last: number, from: number, to: number) => {
    const { offset, slack, fromEnd } = board.activity(guest);
    const due = fromEnd ? to - offset : from + offset;
    return Math.abs(start - due) <= slack && start >= from && last <= to;
  };
  const host = config.hosts[i]!;
  if (host >= 0 && board.placed[host] && !inside(i, t, end, board.start[host]!, board.end[host]!))
    found.push({ kind: 'inside', step: name(host) });
  for (const guest of config.guests[i]!) {
    if (board.placed[guest] && !inside(guest, board.start[guest]!, board.end[guest]!, t, end))
      found.push({ kind: 'inside', step: name(guest) });
  }
}

function byHands(board: Board, i: number, mode: Mode, t: number, found: Obstacle[]): void {
  for (const [from, to] of stretchesAt(mode, t)) oneStretch(board, i, mode, from, to, found);
  for (let m = 1; m <= mode.checks; m++) {
    const low = checkFrom(mode, m);
    const high = checkTo(mode, m);
    const isFree = Array.from({ length: high - low + 1 }, (_, k) => t + low + k).some((at) =>
      board.free.some((free, c) => mayDo(board, i, c) && allBits(free, at, at + mode.takes)),
    );
    if (!isFree) oneStretch(board, i, mode, t + m * mode.every, t + m * mode.every + mode.takes, found);
  }
}

function stretchesAt(mode: Mode, t: number): [number, number][] {
  // Paused work needs no more than its first minutes to begin.
  if (mode.isHands) return mode.hands > 0 ? [[t, t + (mode.pausable ? 5 : mode.duration)]] : [];
  const list: [number, number][] = [];
  if (mode.touchIn > 0) list.push([t, t + mode.touchIn]);
  if (mode.touchOut > 0) list.push([t + mode.duration - mode.touchOut, t + mode.duration]);
  return list;
}

function mayDo(board: Board, i: number, cook: number): boolean {
  const { who } = board.activity(i);
  return who < 0 || who === cook;
}

function oneStretch(board: Board, i: number, mode: Mode, from: number, to: number, found: Obstacle[]): void {
  const { model } = board;
  const able = model.calendars.map((_, c) => c).filter((c) => mayDo(board, i, c));
  const needed = mode.isHands ? Math.max(1, mode.hands) : 1;
  if (able.filter((c) => allBits(board.free[c]!, from, to)).length >= needed) {
    tooLongAway(board, able, from, to, found);
    return;
  }
  const present = able.filter((c) => allBits(model.calendars[c]!, from, to));
  if (present.length < needed) found.push({ kind: 'noTime', at: from - model.zero });
  for (const c of present) {
    const seen = new Set<number>();
    for (let m = from; m < to; m++) {
      const owner = board.owner[c * model.slots + m]!;
      if (owner === 0 || seen.has(owner)) continue;
      seen.add(owner);
      found.push({
        kind: 'hands',
        cook: model.dinner.cooks[c]!.id,
        step: board.activity(board.stretchOf[owner - 1]!).name,
        until: board.to[owner - 1]! - model.zero,
      });
    }
  }
}

function tooLongAway(
  board: Board,
  able: readonly number[],
  from: number,
  to: number,
  found: Obstacle[],
): void {
  const { model } = board;
  model.courses.forEach(({ eating, away: most }, c) => {
    const down = board.serve[c]!;
    const inside = Math.min(to, down + eating) - Math.max(from, down);
    if (inside <= 0) return;
    const isTooLong = able.every((k) => {
      if (!model.eats[k]) return false;
      let away = inside;
      for (let m = down; m < down + eating; m++) if (board.owner[k * model.slots + m] !== 0) away += 1;
      return away > most;
    });
    if (isTooLong) found.push({ kind: 'away', course: model.dinner.courses[c]!.id });
  });
}

function byOven(board: Board, i: number, mode: Mode, oven: number, t: number, found: Obstacle[]): void {
  const { model } = board;
  const end = t + mode.duration;
  const ready = ovenReady(model, mode, oven);
  if (t < ready) found.push({ kind: 'cold', at: ready - model.zero });
  let shelves = mode.shelves;
  let fullWith = -1;
  for (const u of model.ovenUsers) {
    if (u === i || !board.placed[u] || board.oven[u] !== oven) continue;
    const other = board.modeOf(u);
    const overlaps = board.start[u]! < end && t < board.end[u]!;
    if (sharesHeat(mode, other)) {
      if (!overlaps) continue;
      shelves += other.shelves;
      fullWith = u;
      continue;
    }
    const until = board.end[u]! + changeGap(board, oven, u, other, i, mode);
    if (t < until && board.start[u]! < end + changeGap(board, oven, i, mode, u, other)) {
      found.push({
        kind: 'oven',
        step: board.activity(u).name,
        celsius: other.celsius,
        until: until - model.zero,
      });
    }
  }
  if (shelves > model.ovens[oven]!.shelves && fullWith >= 0)
    found.push({ kind: 'shelf', step: board.activity(fullWith).name });
}

function byThings(board: Board, i: number, mode: Mode, t: number, found: Obstacle[]): void {
  const { model } = board;
  for (const { thing, count, kept } of mode.things) {
    const end = kept ? Math.max(t + mode.duration, board.keptBy(i, thing, i)) : t + mode.duration;
    const { capacity, users, name } = model.things[thing]!;
    const holders = users.filter((u) => {
      if (u === i || !board.placed[u]) return false;
      if (!board.modeOf(u).things.some((use) => use.thing === thing)) return false;
      const until = heldUntilFor(board, u, thing, i, true) + washGap(board, thing, u, i);
      return t < until && board.start[u]! - washGap(board, thing, i, u) < end;
    });
    const taken = holders.reduce(
      (sum, u) => sum + board.modeOf(u).things.find((use) => use.thing === thing)!.count,
      0,
    );
    if (taken + count <= capacity) continue;
    for (const u of holders) {
      const until = heldUntilFor(board, u, thing, i, true) + washGap(board, thing, u, i);
      found.push({ kind: 'thing', thing: name, step: board.activity(u).name, until: until - model.zero });
    }
  }
}

function byStay(board: Board, mode: Mode, t: number, found: Obstacle[]): void {
  const { model } = board;
  model.courses.forEach(({ eating }, c) => {
    const down = board.serve[c]!;
    for (let m = Math.max(t, down); m < Math.min(t + mode.duration, down + eating); m++) {
      if (hasBit(model.watched, m)) continue;
      found.push({ kind: 'stay', course: model.dinner.courses[c]!.id });
      return;
    }
  });
}
