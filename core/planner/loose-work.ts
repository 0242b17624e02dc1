import { allBits, checkFrom, checkTo, LEAST_PIECE, MAX_PAUSE, NO_LIMIT, type Mode } from '../model';
import { DAY_WINDOW, HELD_POINTS } from '../plan';
import { washGap } from './blocking';
import { usesThing, type Board } from './board';
import { gainsLost, heldShare } from './cost';
import type { Placement } from './settle';

/** Which minutes of the one cook each activity has whose hands can lie in several ways; by index of the activity. */
export type Minutes = ReadonlyMap<number, readonly number[]>;

/** What comes of looking for them: where there are too many states to look at, or rules that are not seen to here, it is not known. */
export type Outcome =
  | { readonly kind: 'none' }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'found'; readonly minutes: Minutes };

/** Work that may pause: when it begins and may end, and what it costs by its end. */
interface Job {
  readonly activity: number;
  readonly start: number;
  readonly duration: number;
  readonly soonest: number;
  readonly latest: number;
  readonly mode: Mode;
}

/** A look at a pot that may come in several minutes. */
interface Look {
  readonly activity: number;
  readonly low: number;
  readonly high: number;
  readonly takes: number;
}

/** What has been done by the minute that is looked at. */
interface State {
  /** Minutes left of each job. */
  readonly left: readonly number[];
  /** Bits of the looks still to come. */
  readonly looks: number;
  /** The job in hand, -1 for none, and how long it has been without a pause, up to the least length of a piece. */
  readonly job: number;
  readonly run: number;
  /** Minutes away from the table at which people eat, and minutes since the cook was last away from it, up to two. */
  readonly away: number;
  readonly gap: number;
  readonly cost: number;
  readonly before: State | null;
  /** What the minutes since `before` went to: an activity or -1. */
  readonly did: number;
  readonly at: number;
}

const MOST_STATES = 60_000;
/** Longer than people eat. */
const MOST_AWAY = 1000;
const NOTHING = -1;

/**
 * Where every start is given, the pieces of work that may pause and the minutes of looks at pots that cost least, for one cook:
 * exact, by dynamic programming over minutes.
 */
export class LooseWork {
  private readonly blocked: Uint8Array;
  private readonly cooks: Uint8Array;
  private jobs: Job[] = [];
  private looks: Look[] = [];
  private from = 0;
  private to = 0;
  private placement!: Placement;

  constructor(private readonly board: Board) {
    const { slots, calendars } = board.model;
    this.blocked = new Uint8Array(slots);
    this.cooks = new Uint8Array(slots);
    for (let m = 0; m < slots; m++) this.cooks[m] = allBits(calendars[0]!, m, m + 1) ? 1 : 0;
  }

  find(placement: Placement): Outcome {
    if (this.board.model.cookCount !== 1) return { kind: 'unknown' };
    this.placement = placement;
    const known = this.gather();
    if (known !== null) return known;
    if (this.jobs.some((job) => job.latest < job.soonest)) return { kind: 'none' };
    return this.lay();
  }

  private modeOf(i: number): Mode {
    return this.board.activity(i).modes[this.placement.mode[i]!]!;
  }

  private startOf(i: number): number {
    const { model } = this.board;
    const activity = this.board.activity(i);
    if (activity.role === 'step') return this.placement.start[i]!;
    const serve = this.placement.serve[activity.course]!;
    const { plating, eating } = model.courses[activity.course]!;
    return activity.role === 'plating' ? serve - plating : serve + eating;
  }

  /** Blocks what lies fast and lists what does not; an outcome where that is known already. */
  private gather(): Outcome | null {
    const { board, blocked } = this;
    const { model } = board;
    blocked.fill(0);
    this.jobs = [];
    this.looks = [];
    let isFree = true;
    let firstFast = model.zero;
    const block = (from: number, to: number) => {
      if (to > from && from >= model.zero - DAY_WINDOW) firstFast = Math.min(firstFast, from);
      for (let m = from; m < to; m++) {
        if (blocked[m] !== 0 || this.cooks[m] === 0) isFree = false;
        blocked[m] = 1;
      }
    };
    for (const i of this.placement.config.members) {
      const mode = this.modeOf(i);
      const start = this.startOf(i);
      const { duration, touchIn, touchOut } = mode;
      if (mode.isHands) {
        if (mode.hands === 0) continue;
        if (!mode.pausable || duration < 2 * LEAST_PIECE) block(start, start + duration);
        else {
          if (!this.isPlain(i, mode)) return { kind: 'unknown' };
          this.jobs.push(this.jobOf(i, mode, start));
          if (start >= model.zero - DAY_WINDOW) firstFast = Math.min(firstFast, start);
        }
        continue;
      }
      block(start, start + touchIn);
      block(start + duration - touchOut, start + duration);
      for (let m = 1; m <= mode.checks; m++) {
        const low = start + checkFrom(mode, m);
        const high = start + checkTo(mode, m);
        if (low === high) block(low, low + mode.takes);
        else this.looks.push({ activity: i, low, high, takes: mode.takes });
      }
    }
    if (!isFree) return { kind: 'none' };
    const dayFrom = Math.max(0, model.zero - DAY_WINDOW);
    const mayBeFirst = ({ low, high, takes }: Look) => low < firstFast && high + takes > dayFrom;
    const straddles = ({ start, latest }: Job) => start < dayFrom && latest > dayFrom;
    if (this.looks.some(mayBeFirst) || this.jobs.some(straddles)) return { kind: 'unknown' };
    return this.keys() > Number.MAX_SAFE_INTEGER ? { kind: 'unknown' } : null;
  }

  private jobOf(activity: number, mode: Mode, start: number): Job {
    const { config } = this.placement;
    let soonest = start + mode.duration;
    let latest = start + mode.duration + MAX_PAUSE;
    for (const { to, least, most } of config.after[activity]!) {
      const at = this.startOf(to);
      latest = Math.min(latest, at - least);
      const limit = most >= 0 ? most : mode.most;
      if (limit < NO_LIMIT) soonest = Math.max(soonest, at - limit);
    }
    const plates = config.plates[activity]!;
    if (plates !== -2) {
      const at = this.platingOf(activity);
      latest = Math.min(latest, at);
      const limit = plates >= 0 ? plates : mode.most;
      if (limit < NO_LIMIT) soonest = Math.max(soonest, at - limit);
    }
    for (const { thing } of mode.things) latest = Math.min(latest, this.neededAgain(activity, thing, start));
    return { activity, start, duration: mode.duration, soonest, latest, mode };
  }

  /** False where more hangs on the end of such work than is seen to here. */
  private isPlain(i: number, mode: Mode): boolean {
    if (mode.stay || this.placement.config.guests[i]!.length > 0) return false;
    return mode.things.every(({ thing }) => this.board.model.things[thing]!.capacity === 1);
  }

  /** The slot by which the next use of a thing of which there is one wants it, washed. */
  private neededAgain(i: number, thing: number, start: number): number {
    const { board } = this;
    let slot = NO_LIMIT;
    for (const u of board.model.things[thing]!.users) {
      if (u === i || this.placement.config.active[u] === 0 || !usesThing(this.modeOf(u), thing)) continue;
      if (this.startOf(u) >= start) slot = Math.min(slot, this.startOf(u) - washGap(board, thing, i, u));
    }
    return slot;
  }

  private platingOf(i: number): number {
    const { course } = this.board.activity(i);
    return this.placement.serve[course]! - this.board.model.courses[course]!.plating;
  }

  /** What a job costs by when it ends. */
  private costOfEnd({ activity, mode }: Job, end: number): number {
    const { config } = this.placement;
    const { weights } = this.board.model;
    let worst = 0;
    let next = Infinity;
    for (const { to, most } of config.after[activity]!) {
      const at = this.startOf(to);
      worst = Math.max(worst, heldShare(mode, most >= 0 ? most : mode.most, at - end));
      next = Math.min(next, at);
    }
    const plates = config.plates[activity]!;
    if (plates !== -2) {
      const at = this.platingOf(activity);
      worst = Math.max(worst, heldShare(mode, plates >= 0 ? plates : mode.most, at - end));
      next = Math.min(next, at);
    }
    const gains = mode.gainsPoints > 0 && next < Infinity ? gainsLost(mode, next - end) * weights.gains : 0;
    return worst * HELD_POINTS * weights.held + gains;
  }

  /** Course at which people eat in slot `m`, -1 for none. */
  private tableAt(m: number): number {
    const { courses } = this.board.model;
    const { serve } = this.placement;
    for (let c = 0; c < courses.length; c++)
      if (m >= serve[c]! && m < serve[c]! + courses[c]!.eating) return c;
    return NOTHING;
  }

  private findSpan(): void {
    const { courses } = this.board.model;
    const { serve } = this.placement;
    this.from = Math.min(...this.jobs.map(({ start }) => start), ...this.looks.map(({ low }) => low));
    this.to = Math.max(
      ...this.jobs.map(({ latest }) => latest),
      ...this.looks.map(({ high, takes }) => high + takes),
    );
    courses.forEach(({ eating }, c) => {
      const down = serve[c]!;
      if (down >= this.to || down + eating <= this.from) return;
      this.from = Math.min(this.from, down);
      this.to = Math.max(this.to, down + eating);
    });
  }

  private lay(): Outcome {
    const { jobs, looks } = this;
    if (jobs.length + looks.length === 0) return { kind: 'found', minutes: new Map() };
    this.findSpan();
    const { from, to } = this;
    const rows: Map<number, State>[] = Array.from({ length: to - from + 1 }, () => new Map());
    const first: State = {
      left: jobs.map(({ duration }) => duration),
      looks: (1 << looks.length) - 1,
      job: NOTHING,
      run: 0,
      away: 0,
      gap: 2,
      cost: 0,
      before: null,
      did: NOTHING,
      at: from,
    };
    rows[0]!.set(this.keyOf(first), first);
    let count = 0;
    for (let t = from; t < to; t++) {
      for (const state of rows[t - from]!.values()) {
        if (++count > MOST_STATES) return { kind: 'unknown' };
        for (const next of this.nextOf(state, t)) {
          const row = rows[next.at - from]!;
          const key = this.keyOf(next);
          const known = row.get(key);
          if (!known || next.cost < known.cost) row.set(key, next);
        }
      }
      rows[t - from]!.clear();
    }
    let best: State | null = null;
    for (const state of rows[to - from]!.values()) {
      if (state.looks !== 0 || state.left.some((left) => left > 0)) continue;
      if (!best || state.cost < best.cost) best = state;
    }
    return best ? { kind: 'found', minutes: minutesOf(best) } : { kind: 'none' };
  }

  /** How many keys there may be. */
  private keys(): number {
    const { jobs, looks } = this;
    let keys = 2 ** looks.length * (jobs.length + 1) * (LEAST_PIECE + 1) * (MOST_AWAY + 1) * 3;
    for (const { duration } of jobs) keys *= duration + 1;
    return keys;
  }

  private keyOf({ left, looks, job, run, away, gap }: State): number {
    const { jobs } = this;
    let key = looks;
    for (let j = 0; j < jobs.length; j++) key = key * (jobs[j]!.duration + 1) + left[j]!;
    key = (key * (jobs.length + 1) + job + 1) * (LEAST_PIECE + 1) + run;
    return (key * (MOST_AWAY + 1) + away) * 3 + gap;
  }

  /** What the cook may do in minute `t`, or in the minutes of a look that begins there. */
  private *nextOf(state: State, t: number): Generator<State> {
    const { jobs, looks, blocked } = this;
    const { left, job, run } = state;
    for (let j = 0; j < jobs.length; j++) if (left[j]! > 0 && t + left[j]! > jobs[j]!.latest) return;
    for (let k = 0; k < looks.length; k++) if (state.looks & (1 << k) && t > looks[k]!.high) return;
    const begins = jobs.findIndex(({ start }) => start === t);
    const mayLeave = job === NOTHING || (run >= LEAST_PIECE && left[job]! >= LEAST_PIECE);
    if (blocked[t] !== 0) {
      if (mayLeave && begins < 0) yield* this.go(state, t, 1, NOTHING, true);
      return;
    }
    for (let j = 0; j < jobs.length; j++) {
      if (left[j] === 0 || jobs[j]!.start > t || (begins >= 0 && j !== begins) || this.cooks[t] === 0)
        continue;
      if (j !== job && !(mayLeave && (left[j]! >= LEAST_PIECE || j === begins))) continue;
      yield* this.work(state, t, j);
    }
    if (begins >= 0 || !mayLeave) return;
    yield* this.go(state, t, 1, NOTHING, false);
    for (let k = 0; k < looks.length; k++) {
      const { low, takes } = looks[k]!;
      if ((state.looks & (1 << k)) === 0 || t < low || !this.isOpen(t, t + takes)) continue;
      yield* this.look(state, t, k);
    }
  }

  private isOpen(from: number, to: number): boolean {
    for (let m = from; m < to; m++) {
      if (this.blocked[m] !== 0 || this.cooks[m] === 0) return false;
      if (m > from && this.jobs.some(({ start }) => start === m)) return false;
    }
    return true;
  }

  private *work(state: State, t: number, j: number): Generator<State> {
    const job = this.jobs[j]!;
    const left = state.left.slice();
    left[j]! -= 1;
    const isDone = left[j] === 0;
    if (isDone && t + 1 < job.soonest) return;
    const run = isDone ? 0 : Math.min(LEAST_PIECE, state.job === j ? state.run + 1 : 1);
    for (const next of this.go(state, t, 1, job.activity, true)) {
      const cost = next.cost + (isDone ? this.costOfEnd(job, t + 1) : 0);
      yield { ...next, left, job: isDone ? NOTHING : j, run, cost };
    }
  }

  private *look(state: State, t: number, k: number): Generator<State> {
    const { activity, takes } = this.looks[k]!;
    for (const next of this.go(state, t, takes, activity, true))
      yield { ...next, looks: state.looks & ~(1 << k) };
  }

  /** The state after `length` minutes at or away from work, if no table is left for too long. */
  private *go(state: State, t: number, length: number, did: number, isBusy: boolean): Generator<State> {
    const { model } = this.board;
    const { weights, zero, arrive, courses } = model;
    let { away, gap, cost } = state;
    for (let m = t; m < t + length; m++) {
      const table = model.eats[0] ? this.tableAt(m) : NOTHING;
      if (table === NOTHING) {
        away = 0;
        gap = 2;
        if (!isBusy || m >= zero) continue;
        if (m >= zero - arrive) cost += weights.welcome;
        if (m >= zero - DAY_WINDOW) cost += weights.sameDay;
        continue;
      }
      if (m === this.placement.serve[table]) {
        away = 0;
        gap = 2;
      }
      if (!isBusy) {
        gap = Math.min(2, gap + 1);
        continue;
      }
      away += 1;
      if (away > Math.min(MOST_AWAY, courses[table]!.away)) return;
      cost += weights.away + (gap > 1 ? weights.trips : 0);
      gap = 0;
    }
    yield { ...state, job: NOTHING, run: 0, away, gap, cost, before: state, did, at: t + length };
  }
}

function minutesOf(last: State): Minutes {
  const minutes = new Map<number, number[]>();
  for (let state: State | null = last; state?.before; state = state.before) {
    if (state.did === NOTHING) continue;
    const list = minutes.get(state.did) ?? [];
    for (let m = state.at - 1; m >= state.before.at; m--) list.push(m);
    minutes.set(state.did, list);
  }
  return minutes;
}
