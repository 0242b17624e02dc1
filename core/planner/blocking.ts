import { changeMinutes, fillBits, hasBit, NO_LIMIT, ovenReady, type Bits, type Mode } from '../model';
import { takes, usesThing, type Board } from './board';

/**
 * Which starts the ovens, rings and tools forbid. Each function clears bits of a set of starts.
 * All time lags between uses (washing, changing over an oven) are half-open gaps in minutes.
 */

/** Minutes that `thing` is out of use between `earlier` and `later`. */
export function washGap(board: Board, thing: number, earlier: number, later: number): number {
  const { wash } = board.model.things[thing]!;
  if (wash === 0 || board.activity(earlier).dish === board.activity(later).dish) return 0;
  return board.comesDirectly(earlier, later) ? 0 : wash;
}

/** True where `later` follows `earlier` with no pause allowed: the dish stays in while the oven changes. */
function staysIn(board: Board, earlier: number, earlierMode: Mode, later: number): boolean {
  const after = board.config.after[earlier]!;
  for (let k = 0; k < after.length; k++) {
    if (after[k]!.to !== later) continue;
    if ((after[k]!.most >= 0 ? after[k]!.most : earlierMode.most) === 0) return true;
  }
  return false;
}

/** True where two oven modes bear a common temperature. */
export function sharesHeat(a: Mode, b: Mode): boolean {
  return a.coldest <= b.hottest && b.coldest <= a.hottest;
}

/** Minutes between two uses of `oven` that share no temperature. */
export function changeGap(
  board: Board,
  oven: number,
  earlier: number,
  a: Mode,
  later: number,
  b: Mode,
): number {
  if (staysIn(board, earlier, a, later)) return 0;
  return changeMinutes(board.model.ovens[oven]!, a.celsius, b.celsius);
}

/** Slots from which placed `u` takes `thing` as far as `i` is concerned, and until when. */
export function heldUntilFor(board: Board, u: number, thing: number, i: number, iUses: boolean): number {
  if (iUses && board.comesDirectly(u, i)) return board.end[u]!;
  return board.keptUntil(u, thing, i);
}

const profile = new Int32Array(1 << 16);
let profileFrom = 0;
let profileLength = 0;

/** Begins to add up, minute by minute from `low` to `high`, how much of a resource is taken; place 0 is `low`. */
function beginProfile(low: number, high: number): void {
  profileFrom = low;
  profileLength = Math.min(profile.length, high - low);
  profile.fill(0, 0, Math.max(0, profileLength));
}

function addToProfile(a: number, b: number, n: number): void {
  const to = Math.min(profileLength, b - profileFrom);
  for (let m = Math.max(0, a - profileFrom); m < to; m++) profile[m]! += n;
}

/** Clears starts in [low, high] at which [t, max(t + duration, until)) meets an overfull minute. */
function clearOverfull(
  starts: Bits,
  low: number,
  high: number,
  duration: number,
  until: number,
  room: number,
): void {
  const length = Math.max(high + duration, until) - low;
  for (let m = 0; m < length; m++) {
    if (profile[m]! <= room) continue;
    const at = low + m;
    const first = until > at ? low : Math.max(low, at - duration + 1);
    fillBits(starts, first, Math.min(high, at) + 1, false);
  }
}

/** Clears the starts in [low, high] that rings and tools forbid to `i` in `mode`, which pauses may make longer. */
export function blockThings(
  board: Board,
  starts: Bits,
  i: number,
  mode: Mode,
  low: number,
  high: number,
  duration: number = mode.duration,
): void {
  for (let k = 0; k < mode.things.length; k++) {
    const { thing, count, kept } = mode.things[k]!;
    const { capacity, users } = board.model.things[thing]!;
    if (count > capacity) {
      fillBits(starts, low, high + 1, false);
      return;
    }
    const until = kept ? board.keptBy(i, thing, i) : -1;
    if (capacity === 1) {
      for (let x = 0; x < users.length; x++) {
        const u = users[x]!;
        if (u === i || !board.placed[u] || !usesThing(board.modeOf(u), thing)) continue;
        const end = heldUntilFor(board, u, thing, i, true) + washGap(board, thing, u, i);
        const begin = board.start[u]! - washGap(board, thing, i, u);
        const first = until > begin ? low : begin - duration + 1;
        if (end > low && first <= high)
          fillBits(starts, Math.max(low, first), Math.min(high + 1, end), false);
      }
      continue;
    }
    beginProfile(low, Math.max(high + duration, until));
    for (let x = 0; x < users.length; x++) {
      const u = users[x]!;
      if (u === i || !board.placed[u]) continue;
      const n = takes(board.modeOf(u), thing);
      if (n === 0) continue;
      const end = heldUntilFor(board, u, thing, i, true) + washGap(board, thing, u, i);
      addToProfile(board.start[u]! - washGap(board, thing, i, u), end, n);
    }
    clearOverfull(starts, low, high, duration, until, capacity - count);
  }
}

/** Clears the starts in [low, high] that `oven` forbids to `i` in `mode`. */
export function blockOven(
  board: Board,
  starts: Bits,
  i: number,
  mode: Mode,
  oven: number,
  low: number,
  high: number,
  duration: number = mode.duration,
): void {
  const { ovenUsers, ovens } = board.model;
  const ready = ovenReady(board.model, mode, oven);
  if (ready > low) fillBits(starts, low, Math.min(high + 1, ready), false);
  const room = ovens[oven]!.shelves - mode.shelves;
  if (room < 0) {
    fillBits(starts, low, high + 1, false);
    return;
  }
  for (let x = 0; x < ovenUsers.length; x++) {
    const u = ovenUsers[x]!;
    if (u === i || !board.placed[u] || board.oven[u] !== oven) continue;
    const other = board.modeOf(u);
    if (sharesHeat(mode, other)) continue;
    const first = board.start[u]! - changeGap(board, oven, i, mode, u, other) - duration + 1;
    const last = board.end[u]! + changeGap(board, oven, u, other, i, mode);
    if (last > low && first <= high) fillBits(starts, Math.max(low, first), Math.min(high + 1, last), false);
  }
  beginProfile(low, high + duration);
  for (let x = 0; x < ovenUsers.length; x++) {
    const u = ovenUsers[x]!;
    if (u === i || !board.placed[u] || board.oven[u] !== oven) continue;
    addToProfile(board.start[u]!, board.end[u]!, board.modeOf(u).shelves);
  }
  clearOverfull(starts, low, high, duration, -1, room);
}

/** Clears starts at which a minute of a `stay` activity falls on an eating time that nobody watches. */
export function blockStay(board: Board, starts: Bits, duration: number, low: number, high: number): void {
  const { courses, watched } = board.model;
  for (let c = 0; c < courses.length; c++) {
    const down = board.serve[c]!;
    for (let m = down; m < down + courses[c]!.eating; m++) {
      if (hasBit(watched, m)) continue;
      const first = Math.max(low, m - duration + 1);
      if (first <= high && m >= low) fillBits(starts, first, Math.min(high, m) + 1, false);
    }
  }
}

/**
 * The latest start of `i` (in `mode`) that lets what comes before it keep its things until then:
 * the pan that waits for `i` may be wanted elsewhere.
 */
export function latestForKept(board: Board, i: number, mode: Mode): number {
  const before = board.config.before[i]!;
  let latest = NO_LIMIT;
  for (let k = 0; k < before.length; k++) {
    const p = before[k]!.from;
    if (!board.placed[p]) continue;
    const things = board.modeOf(p).things;
    for (let x = 0; x < things.length; x++) {
      const { thing, count, kept } = things[x]!;
      if (!kept) continue;
      if (hasUserAfter(board, p, thing, i)) continue;
      const until = freeUntil(board, thing, count, p, i, board.end[p]!);
      const others = usesThing(mode, thing) ? -1 : board.keptBy(p, thing, i);
      latest = Math.min(latest, others > until ? -1 : until);
    }
  }
  return latest;
}

/** True where something placed after `p` (other than `except`) takes over `thing`. */
function hasUserAfter(board: Board, p: number, thing: number, except: number): boolean {
  const after = board.config.after[p]!;
  for (let k = 0; k < after.length; k++) {
    const j = after[k]!.to;
    if (j !== except && board.placed[j] && usesThing(board.modeOf(j), thing)) return true;
  }
  return false;
}

/** Until when `count` of `thing` can stay with `p` from `since` on, `i` left out of account. */
export function freeUntil(
  board: Board,
  thing: number,
  count: number,
  p: number,
  i: number,
  since: number,
): number {
  const { capacity, users } = board.model.things[thing]!;
  const { slots } = board.model;
  if (capacity === 1) {
    let until = slots;
    for (let x = 0; x < users.length; x++) {
      const u = users[x]!;
      if (u === i || u === p || !board.placed[u] || !usesThing(board.modeOf(u), thing)) continue;
      if (board.keptUntil(u, thing, i) <= since && board.start[u]! < since) continue;
      until = Math.min(until, Math.max(since, board.start[u]! - washGap(board, thing, p, u)));
    }
    return until;
  }
  beginProfile(since, slots);
  for (let x = 0; x < users.length; x++) {
    const u = users[x]!;
    if (u === i || u === p || !board.placed[u]) continue;
    const n = takes(board.modeOf(u), thing);
    if (n === 0) continue;
    const begin = board.start[u]! - washGap(board, thing, p, u);
    addToProfile(begin, board.keptUntil(u, thing, i) + washGap(board, thing, u, p), n);
  }
  for (let m = since; m < slots; m++) if (profile[m - since]! + count > capacity) return m;
  return slots;
}

/** True where `i` in `mode` finds its oven, rings and tools free over [start, end). */
export function resourcesFree(
  board: Board,
  i: number,
  mode: Mode,
  oven: number,
  start: number,
  end: number,
  scratch: Bits,
): boolean {
  const duration = end - start;
  fillBits(scratch, start, start + 1, true);
  blockThings(board, scratch, i, mode, start, start, duration);
  if (mode.usesOven) blockOven(board, scratch, i, mode, oven, start, start, duration);
  if (mode.stay) blockStay(board, scratch, duration, start, start);
  return hasBit(scratch, start);
}
