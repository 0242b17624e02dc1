import { LEAST_PIECE } from '../model';
import { DAY_WINDOW } from '../plan';
import type { Board } from './board';
import { LooseWork } from './loose-work';
import type { Placement } from './settle';

/** Which minutes of the one cook each activity has whose hands can lie in several ways; by index of the activity. */
export type Minutes = ReadonlyMap<number, readonly number[]>;

/** What comes of looking for them: where there are too many states to look at, or rules that are not seen to here, it is not known. */
export type Outcome =
  | { readonly kind: 'none' }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'found'; readonly minutes: Minutes };

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

const MOST_STATES = 20_000;
const MOST_LOOKS = 20;
/** Longer than people eat. */
const MOST_AWAY = 1000;
const NOTHING = -1;

/**
 * Where every start is given, the pieces of work that may pause and the minutes of looks at pots that cost least, for one cook:
 * exact, by dynamic programming over minutes.
 */
export function looseMinutes(board: Board, placement: Placement): Outcome {
  const loose = new LooseWork(board, placement);
  const question = loose.gather();
  return question === 'open' ? new LooseMinutes(board, loose).find() : { kind: question };
}

class LooseMinutes {
  private from = 0;
  private to = 0;
  /** By minute from the first on: the states that are not dearer than another in which as much is left. */
  private readonly rows: Map<number, State>[] = [];
  /** By minute from the first on: the course that is eaten, NOTHING for none, and the job that begins. */
  private readonly tables: number[] = [];
  private readonly begins: number[] = [];
  /** After `pass`. */
  private away = 0;
  private gap = 0;
  private cost = 0;

  constructor(
    private readonly board: Board,
    private readonly loose: LooseWork,
  ) {}

  /** Course at which people eat in slot `m`, NOTHING for none. */
  private tableAt(m: number): number {
    const { courses, eats } = this.board.model;
    const { serve } = this.loose.placement;
    return eats[0] ? courses.findIndex(({ eating }, c) => m >= serve[c]! && m < serve[c]! + eating) : NOTHING;
  }

  private findSpan(): void {
    const { courses } = this.board.model;
    const { jobs, looks } = this.loose;
    const { serve } = this.loose.placement;
    this.from = Math.min(...jobs.map(({ start }) => start), ...looks.map(({ low }) => low));
    this.to = Math.max(...jobs.map(({ latest }) => latest), ...looks.map(({ high, takes }) => high + takes));
    courses.forEach(({ eating }, c) => {
      const down = serve[c]!;
      if (down >= this.to || down + eating <= this.from) return;
      this.from = Math.min(this.from, down);
      this.to = Math.max(this.to, down + eating);
    });
    for (let m = this.from; m <= this.to; m++) {
      this.rows.push(new Map());
      this.tables.push(this.tableAt(m));
      this.begins.push(jobs.findIndex(({ start }) => start === m));
    }
  }

  find(): Outcome {
    const { jobs, looks } = this.loose;
    if (jobs.length + looks.length === 0) return { kind: 'found', minutes: new Map() };
    if (looks.length > MOST_LOOKS || this.keys() > Number.MAX_SAFE_INTEGER) return { kind: 'unknown' };
    this.findSpan();
    const { from, to, rows } = this;
    this.offer({
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
    });
    let count = 0;
    for (let t = from; t < to; t++) {
      for (const state of rows[t - from]!.values()) {
        if (++count > MOST_STATES) return { kind: 'unknown' };
        this.goOn(state, t);
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
    const { jobs, looks } = this.loose;
    let keys = 2 ** looks.length * (jobs.length + 1) * (LEAST_PIECE + 1) * (MOST_AWAY + 1) * 3;
    for (const { duration } of jobs) keys *= duration + 1;
    return keys;
  }

  private keyOf({ left, looks, job, run, away, gap }: State): number {
    const { jobs } = this.loose;
    let key = looks;
    for (let j = 0; j < jobs.length; j++) key = key * (jobs[j]!.duration + 1) + left[j]!;
    key = (key * (jobs.length + 1) + job + 1) * (LEAST_PIECE + 1) + run;
    return (key * (MOST_AWAY + 1) + away) * 3 + gap;
  }

  private offer(state: State): void {
    const row = this.rows[state.at - this.from]!;
    const key = this.keyOf(state);
    const known = row.get(key);
    if (known === undefined || state.cost < known.cost) row.set(key, state);
  }

  /** Offers what the cook may do in minute `t`, or in the minutes of a look that begins there. */
  private goOn(state: State, t: number): void {
    const { jobs, looks, blocked, free } = this.loose;
    const { left, job, run } = state;
    for (let j = 0; j < jobs.length; j++) if (left[j]! > 0 && t + left[j]! > jobs[j]!.latest) return;
    for (let k = 0; k < looks.length; k++) if (state.looks & (1 << k) && t > looks[k]!.high) return;
    const begins = this.begins[t - this.from]!;
    const mayLeave = job === NOTHING || (run >= LEAST_PIECE && left[job]! >= LEAST_PIECE);
    if (blocked[t] !== 0) {
      if (mayLeave && begins < 0) this.rest(state, t, 1, state.looks, NOTHING, true);
      return;
    }
    for (let j = 0; j < jobs.length; j++) {
      if (left[j] === 0 || jobs[j]!.start > t || (begins >= 0 && j !== begins) || free[t] === 0) continue;
      if (j !== job && !(mayLeave && (left[j]! >= LEAST_PIECE || j === begins))) continue;
      this.work(state, t, j);
    }
    if (begins >= 0 || !mayLeave) return;
    this.rest(state, t, 1, state.looks, NOTHING, false);
    for (let k = 0; k < looks.length; k++) {
      const { activity, low, takes } = looks[k]!;
      if ((state.looks & (1 << k)) === 0 || t < low || !this.isOpen(t, t + takes)) continue;
      this.rest(state, t, takes, state.looks & ~(1 << k), activity, true);
    }
  }

  private isOpen(from: number, to: number): boolean {
    for (let m = from; m < to; m++) {
      if (this.loose.blocked[m] !== 0 || this.loose.free[m] === 0) return false;
      if (m > from && this.begins[m - this.from]! >= 0) return false;
    }
    return true;
  }

  /** For so many minutes no work that may pause is done: there is a look at a pot, what lies fast, or nothing. */
  private rest(state: State, t: number, length: number, looks: number, did: number, isBusy: boolean): void {
    if (!this.pass(state, t, length, isBusy)) return;
    const { away, gap, cost } = this;
    const { left } = state;
    this.offer({ left, looks, job: NOTHING, run: 0, away, gap, cost, before: state, did, at: t + length });
  }

  private work(state: State, t: number, j: number): void {
    const job = this.loose.jobs[j]!;
    const isDone = state.left[j] === 1;
    if ((isDone && t + 1 < job.soonest) || !this.pass(state, t, 1, true)) return;
    const left = state.left.slice();
    left[j]! -= 1;
    const { away, gap } = this;
    this.offer({
      left,
      looks: state.looks,
      job: isDone ? NOTHING : j,
      run: isDone ? 0 : Math.min(LEAST_PIECE, state.job === j ? state.run + 1 : 1),
      away,
      gap,
      cost: this.cost + (isDone ? this.loose.costOfEnd(job, t + 1) : 0),
      before: state,
      did: job.activity,
      at: t + 1,
    });
  }

  /** Finds `away`, `gap` and `cost` after `length` minutes at or away from work; false where a table is left for too long. */
  private pass(state: State, t: number, length: number, isBusy: boolean): boolean {
    const { model } = this.board;
    const { weights, zero, arrive, courses } = model;
    let { away, gap, cost } = state;
    for (let m = t; m < t + length; m++) {
      const table = this.tables[m - this.from]!;
      if (table === NOTHING) {
        away = 0;
        gap = 2;
        if (!isBusy || m >= zero) continue;
        if (m >= zero - arrive) cost += weights.welcome;
        if (m >= zero - DAY_WINDOW) cost += weights.sameDay;
        continue;
      }
      if (m === this.loose.placement.serve[table]) {
        away = 0;
        gap = 2;
      }
      if (!isBusy) {
        gap = Math.min(2, gap + 1);
        continue;
      }
      away += 1;
      if (away > Math.min(MOST_AWAY, courses[table]!.away)) return false;
      cost += weights.away + (gap > 1 ? weights.trips : 0);
      gap = 0;
    }
    this.away = away;
    this.gap = gap;
    this.cost = cost;
    return true;
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
