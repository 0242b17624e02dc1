import { countBits, gainsLost, NO_LIMIT, trailingZeros, type f64, type Mode } from '../model';
import { DAY_WINDOW, HELD_POINTS, type Terms } from '../plan';
import type { Board } from './board';

/** What a minute of standing ahead of sitting down weighs, of what a minute of the day costs: it only guides, so that idle time can vanish. */
export const GUIDE: f64 = 0.002;

/** Minutes of `cook` in [from, to) that something takes. */
function busyMinutes(board: Board, cook: number, from: number, to: number): number {
  return countBits(board.model.calendars[cook]!, from, to) - countBits(board.free[cook]!, from, to);
}

/** How often `cook` leaves the table in [down, up): stretches with at most a minute between are one. */
function tripsIn(board: Board, cook: number, down: number, up: number): number {
  const row = cook * board.model.slots;
  let trips = 0;
  let gap = 2;
  for (let m = down; m < up; m++) {
    if (board.owner[row + m] === 0) gap += 1;
    else {
      if (gap > 1) trips += 1;
      gap = 0;
    }
  }
  return trips;
}

/** The share of its waiting time, beyond what loses nothing, that a thing made has used up. */
export function heldShare(mode: Mode, most: number, waited: number): f64 {
  if (most >= NO_LIMIT || most <= mode.best) return 0;
  if (waited <= mode.best) return 0;
  const lost: f64 = waited - mode.best;
  return Math.min(1, lost / (most - mode.best));
}

/** The largest share over the links of `i` to what is placed, `except` left out; plating included. */
export function heldOf(board: Board, i: number, except: number): f64 {
  const mode = board.modeOf(i);
  const after = board.config.after[i]!;
  const end = board.end[i]!;
  let worst: f64 = 0;
  for (let k = 0; k < after.length; k++) {
    const link = after[k]!;
    if (link.to === except || !board.placed[link.to]) continue;
    const most = link.most >= 0 ? link.most : mode.most;
    worst = Math.max(worst, heldShare(mode, most, board.start[link.to]! - end));
  }
  const plates = board.config.plates[i]!;
  if (plates !== -2) {
    const most = plates >= 0 ? plates : mode.most;
    const plating = board.platingStart(board.activity(i).course);
    worst = Math.max(worst, heldShare(mode, most, plating - end));
  }
  return worst;
}

/** Start of the first placed thing that comes after `i`, -1 for none. */
export function firstAfter(board: Board, i: number, except: number): number {
  const after = board.config.after[i]!;
  let first = -1;
  for (let k = 0; k < after.length; k++) {
    const j = after[k]!.to;
    if (j === except || !board.placed[j]) continue;
    if (first < 0 || board.start[j]! < first) first = board.start[j]!;
  }
  if (board.config.plates[i] !== -2) {
    const plating = board.platingStart(board.activity(i).course);
    if (first < 0 || plating < first) first = plating;
  }
  return first;
}

/** The first slot within the twelve hours before sitting down in which a cook works; `zero` if none. */
export function firstBusy(board: Board): number {
  const { model } = board;
  let first = model.zero;
  for (let c = 0; c < model.cookCount; c++) {
    const calendar = model.calendars[c]!;
    const free = board.free[c]!;
    const from = Math.max(0, model.zero - DAY_WINDOW);
    for (let w = from >> 5; w << 5 < first; w++) {
      let taken = calendar[w]! & ~free[w]!;
      if (w === from >> 5) taken &= -1 << (from & 31);
      if (taken === 0) continue;
      first = Math.min(first, (w << 5) + trailingZeros(taken));
      break;
    }
  }
  return first;
}

function noTerms(): Terms {
  return {
    wait: 0,
    rushed: 0,
    away: 0,
    trips: 0,
    held: 0,
    gains: 0,
    sameDay: 0,
    welcome: 0,
    day: 0,
    ways: 0,
  };
}

/** The terms of section 6, unweighted, of the placed activities. */
export function rawTerms(board: Board): Terms {
  const terms = noTerms();
  addTerms(board, terms);
  return terms;
}

function addTerms(board: Board, terms: Terms): void {
  const { model, config } = board;
  terms.ways += config.points;
  for (let c = 0; c < model.courses.length; c++) {
    const course = model.courses[c]!;
    const down = board.serve[c]!;
    if (c > 0) {
      const wait = down - board.serve[c - 1]! - model.courses[c - 1]!.eating;
      terms.wait += Math.max(0, wait - course.ideal);
      terms.rushed += Math.max(0, course.ideal - wait);
    }
    for (let k = 0; k < model.cookCount; k++) {
      if (!model.eats[k]) continue;
      const minutes = busyMinutes(board, k, down, down + course.eating);
      terms.away += minutes;
      if (minutes > 0) terms.trips += tripsIn(board, k, down, down + course.eating);
    }
  }
  const { zero, arrive } = model;
  for (let k = 0; k < model.cookCount; k++) {
    terms.welcome += busyMinutes(board, k, Math.max(0, zero - arrive), zero);
    if (model.weights.sameDay > 0) {
      terms.sameDay += busyMinutes(board, k, Math.max(0, zero - DAY_WINDOW), zero);
    }
  }
  const first = model.courses[0]!.platingActivity;
  if (board.stretches[first]! > 0) {
    terms.welcome -= Math.max(0, zero - Math.max(board.start[first]!, zero - arrive));
  }
  terms.day = zero - firstBusy(board);
  for (let k = 0; k < config.members.length; k++) {
    const i = config.members[k]!;
    if (!board.placed[i]) continue;
    const mode = board.modeOf(i);
    terms.ways += mode.points;
    terms.held += HELD_POINTS * heldOf(board, i, -1);
    if (mode.gainsPoints > 0) {
      const next = firstAfter(board, i, -1);
      if (next >= 0) terms.gains += gainsLost(mode, next - board.end[i]!);
    }
  }
}

const sum = noTerms();

/** The cost of the plan on the board. */
export function totalCost(board: Board): f64 {
  const w = board.model.weights;
  const t = sum;
  t.wait = t.rushed = t.away = t.trips = t.held = 0;
  t.gains = t.sameDay = t.welcome = t.day = t.ways = 0;
  addTerms(board, t);
  return (
    t.wait * w.wait +
    t.rushed * w.rushed +
    t.away * w.away +
    t.trips * w.trips +
    t.held * w.held +
    t.gains * w.gains +
    t.sameDay * w.sameDay +
    t.welcome * w.welcome +
    t.day * w.day +
    t.ways * w.ways
  );
}

/** True where no cook is away from the table longer than allowed during any course. */
export function awayHolds(board: Board): boolean {
  const { model } = board;
  for (let c = 0; c < model.courses.length; c++) {
    const down = board.serve[c]!;
    const { eating, away } = model.courses[c]!;
    for (let k = 0; k < model.cookCount; k++) {
      if (model.eats[k] && busyMinutes(board, k, down, down + eating) > away) {
        return false;
      }
    }
  }
  return true;
}

/**
 * What it would cost to give `cook` the stretch [from, to): minutes away and trips, welcome, and the
 * day's work. Infinity where that cook would be away too long. The first plating is not counted in
 * `welcome`: see `isFirstPlating`.
 */
export function stretchCost(
  board: Board,
  cook: number,
  from: number,
  to: number,
  isFirstPlating: boolean,
): f64 {
  const { model } = board;
  const { zero, weights: w } = model;
  let cost: f64 = 0;
  if (from < zero) {
    const end = to < zero ? to : zero;
    const doorbell = zero - model.arrive;
    if (end > doorbell && !isFirstPlating) cost += w.welcome * (end - (from > doorbell ? from : doorbell));
    if (w.sameDay > 0) cost += w.sameDay * Math.max(0, end - Math.max(from, zero - DAY_WINDOW));
  }
  if (to <= zero || !model.eats[cook]) return cost;
  const row = cook * model.slots;
  for (let c = 0; c < model.courses.length; c++) {
    const down = board.serve[c]!;
    if (to <= down) break;
    const { eating, away } = model.courses[c]!;
    const up = down + eating;
    const a = Math.max(from, down);
    const b = Math.min(to, up);
    if (b <= a) continue;
    if (!board.ignoreAway && busyMinutes(board, cook, down, up) + b - a > away) return Infinity;
    cost += w.away * (b - a);
    const left =
      (a > down && board.owner[row + a - 1] !== 0) || (a - 1 > down && board.owner[row + a - 2] !== 0);
    const right = (b < up && board.owner[row + b] !== 0) || (b + 1 < up && board.owner[row + b + 1] !== 0);
    cost += w.trips * (1 - (left ? 1 : 0) - (right ? 1 : 0));
  }
  return cost;
}
