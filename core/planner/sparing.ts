import { copyOf } from '../model';
import type { Descent } from './descent';

/** About so many rounds take as long as one try. */
const ROUNDS_OF_TRY = 8;
/** Steps that a try may take for each that is spared, and besides. */
const STEPS_FOR_SPARED = 3;
const MORE_STEPS = 8;
/** A try that leaves more without a place is given up. */
const MOST_MORE = 3;

/**
 * Takes up a plan that is late by what a cook would do: put one thing off, and let the rest move up. Mostly that one step finds
 * idle minutes elsewhere, which nothing else would have to make way for.
 */
export class Sparing {
  /** The board before anything is put on it. */
  private readonly ready: Int32Array;
  private readonly wanted: Int32Array;
  /** Steps to spare in turn, earliest first. */
  private readonly order: Int32Array;
  private readonly spared: Int32Array;

  constructor(private readonly descent: Descent) {
    const count = descent.model.activities.length;
    this.ready = copyOf(descent.board.memory);
    this.wanted = new Int32Array(count);
    this.order = new Int32Array(count);
    this.spared = new Int32Array(count);
  }

  /**
   * Tries, for each step that is to come, to put everything else where it is wanted or as soon after it as there is room, and
   * then the step where it costs least: the step alone, and with all that follows it. Ends at round `until`. True where that
   * makes a plan.
   */
  takeUpSparing(until: number, isOver: () => boolean): boolean {
    const { descent, ready, wanted, order } = this;
    const { board } = descent;
    ready.set(board.memory);
    wanted.set(descent.wanted);
    const count = this.findOrder();
    let isTaken = false;
    for (let k = 0; k < count; k++) {
      if (descent.rounds >= until || isOver()) break;
      if (this.attempt(this.spare(order[k]!, false), isOver)) isTaken = true;
      const all = this.spare(order[k]!, true);
      if (all > 1 && this.attempt(all, isOver)) isTaken = true;
    }
    descent.wanted.set(wanted);
    return isTaken;
  }

  private findOrder(): number {
    const { descent, wanted, order } = this;
    const { board } = descent;
    let count = 0;
    for (const i of board.config.members) {
      const { role, pin } = board.activity(i);
      if (role !== 'step' || pin !== -1 || board.placed[i] || wanted[i]! < 0) continue;
      let at = count++;
      for (; at > 0 && wanted[order[at - 1]!]! > wanted[i]!; at--) order[at] = order[at - 1]!;
      order[at] = i;
    }
    return count;
  }

  /** Puts what is spared with `i` into `spared`, `i` first; returns how many those are. */
  private spare(i: number, withFollowers: boolean): number {
    const { board } = this.descent;
    const { spared } = this;
    let count = 1;
    spared[0] = i;
    for (let k = 0; withFollowers && k < count; k++) {
      for (const link of board.config.after[spared[k]!]!) {
        const { role, pin } = board.activity(link.to);
        if (role === 'step' && pin === -1 && !this.isAmong(link.to, count)) spared[count++] = link.to;
      }
    }
    return count;
  }

  private isAmong(i: number, count: number): boolean {
    for (let k = 0; k < count; k++) if (this.spared[k]! === i) return true;
    return false;
  }

  private attempt(count: number, isOver: () => boolean): boolean {
    const { descent, ready, wanted, spared } = this;
    descent.board.memory.set(ready);
    descent.wanted.set(wanted);
    for (let k = 0; k < count; k++) descent.wanted[spared[k]!] = -1;
    descent.rounds += ROUNDS_OF_TRY;
    return descent.takeUpLater(STEPS_FOR_SPARED * count + MORE_STEPS, isOver, count + MOST_MORE);
  }
}
