import {
  allBits,
  checkFrom,
  checkTo,
  gainsLost,
  LEAST_PIECE,
  MAX_PAUSE,
  NO_LIMIT,
  type Mode,
} from '../model';
import { DAY_WINDOW, HELD_POINTS } from '../plan';
import { washGap } from './blocking';
import { usesThing, type Board } from './board';
import { heldShare } from './cost';
import type { Placement } from './settle';

/** Work that may pause: when it begins, and when it may end. */
export interface Job {
  readonly activity: number;
  readonly start: number;
  readonly duration: number;
  readonly soonest: number;
  readonly latest: number;
  readonly mode: Mode;
}

/** A look at a pot that may come in several minutes. */
export interface Look {
  readonly activity: number;
  readonly low: number;
  readonly high: number;
  readonly takes: number;
}

/** What has to be looked for: minutes, or nothing, where there are none for sure, or where rules count that are not seen to here. */
export type Question = 'none' | 'unknown' | 'open';

/** Where every start is given and there is one cook: what lies fast, and the hands that can lie in several ways. */
export class LooseWork {
  /** 1 for each minute that is taken by what lies fast, and for each in which the cook is free. */
  readonly blocked: Uint8Array;
  readonly free: Uint8Array;
  jobs: Job[] = [];
  looks: Look[] = [];

  constructor(
    private readonly board: Board,
    readonly placement: Placement,
  ) {
    const { slots, calendars } = board.model;
    this.blocked = new Uint8Array(slots);
    this.free = new Uint8Array(slots);
    for (let m = 0; m < slots; m++) this.free[m] = allBits(calendars[0]!, m, m + 1) ? 1 : 0;
  }

  /** Blocks what lies fast and lists what does not. */
  gather(): Question {
    if (this.board.model.cookCount !== 1) return 'unknown';
    const { isKnown, isFree, firstFast } = this.sort();
    if (!isFree || this.jobs.some((job) => job.latest < job.soonest)) return 'none';
    return isKnown && !this.mayBeFirst(firstFast) ? 'open' : 'unknown';
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

  private sort() {
    const { board, blocked } = this;
    const { model } = board;
    let isKnown = true;
    let isFree = true;
    let firstFast = model.zero;
    const begin = (at: number) => {
      if (at >= model.zero - DAY_WINDOW) firstFast = Math.min(firstFast, at);
    };
    const block = (from: number, to: number) => {
      if (to > from) begin(from);
      for (let m = from; m < to; m++) {
        if (blocked[m] !== 0 || this.free[m] === 0) isFree = false;
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
          isKnown &&= this.isPlain(i, mode);
          this.jobs.push(this.jobOf(i, mode, start));
          begin(start);
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
    return { isKnown, isFree, firstFast };
  }

  /** True where something that is loose may be the day's first work, which has a price of its own. */
  private mayBeFirst(firstFast: number): boolean {
    const { zero } = this.board.model;
    const dayFrom = Math.max(0, zero - DAY_WINDOW);
    return (
      this.looks.some(({ low, high, takes }) => low < firstFast && high + takes > dayFrom) ||
      this.jobs.some(({ start, latest }) => start < dayFrom && latest > dayFrom)
    );
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
  costOfEnd({ activity, mode }: Job, end: number): number {
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
}
