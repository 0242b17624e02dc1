import { LEAST_PIECE } from '../model';
import type { Option } from './options';
import type { Tree } from './tree';

/** Stretches of hands of one cook that belong together: of a step with all that begins or ends where it does, or of a course. */
export class Figure {
  count = 0;
  /** By stretch, in the order in which they come: when it begins at the soonest and at the latest, in minutes from the start of the step or the serving slot, and how long it is. */
  readonly low: Int32Array;
  readonly high: Int32Array;
  readonly length: Int32Array;
  /** By stretch: the activity that it is of. */
  private readonly of: Int32Array;
  /** By activity: 1 where it has a part in it. */
  readonly has: Uint8Array;

  constructor(most: number, activities: number) {
    this.low = new Int32Array(most);
    this.high = new Int32Array(most);
    this.length = new Int32Array(most);
    this.of = new Int32Array(most);
    this.has = new Uint8Array(activities);
  }

  /** The first minute of it, and the one after its last. */
  get from(): number {
    return this.count === 0 ? 0 : this.low[0]!;
  }

  get to(): number {
    return this.count === 0 ? 0 : this.high[this.count - 1]! + this.length[this.count - 1]!;
  }

  /** True where some activity has a part in both. */
  shares(other: Figure): boolean {
    for (let i = 0; i < this.has.length; i++) if (this.has[i] !== 0 && other.has[i] !== 0) return true;
    return false;
  }

  /**
   * Puts a stretch in its place, with those of the same activity in the order in which they are added. Left out where it could lie on either side of a
   * stretch of something else.
   */
  add(activity: number, low: number, high: number, length: number): void {
    if (length === 0 || this.count === this.low.length) return;
    let at = this.count;
    while (at > 0 && this.low[at - 1]! > low) at -= 1;
    for (let n = 0; n < this.count; n++) {
      const isApart = this.high[n]! + this.length[n]! <= low || high + length <= this.low[n]!;
      if (this.of[n] !== activity && !isApart) return;
    }
    for (let n = this.count; n > at; n--) {
      this.low[n] = this.low[n - 1]!;
      this.high[n] = this.high[n - 1]!;
      this.length[n] = this.length[n - 1]!;
      this.of[n] = this.of[n - 1]!;
    }
    this.low[at] = low;
    this.high[at] = high;
    this.length[at] = length;
    this.of[at] = activity;
    this.count += 1;
  }
}

/** So many stretches are laid beside each other at most. */
const MOST = 40;

/** Lays out figures of a dinner. */
export class Figures {
  constructor(private readonly tree: Tree) {}

  /** The figure of an option, counted from its start; `isWhole` says that it does not pause. */
  ofOption(option: Option, isWhole: boolean): Figure {
    const figure = new Figure(MOST, this.tree.model.activities.length);
    this.addFromStart(figure, option, 0, isWhole);
    return figure;
  }

  /** Plating and clearing, counted from the serving slot. */
  ofCourse(c: number): Figure {
    const { model } = this.tree;
    const { plating, clearing, eating, platingActivity, clearingActivity } = model.courses[c]!;
    const figure = new Figure(2, model.activities.length);
    figure.add(platingActivity, -plating, -plating, plating);
    figure.add(clearingActivity, eating, eating, clearing);
    figure.has[platingActivity] = 1;
    figure.has[clearingActivity] = 1;
    return figure;
  }

  /** Adds a step that begins at `start`, what has to end there, and what has to begin where it ends. */
  private addFromStart(figure: Figure, option: Option, start: number, isWhole: boolean): void {
    const { mode, activity, reach } = option;
    figure.has[activity] = 1;
    if (!mode.isHands) this.addTouches(figure, option, start);
    else if (mode.hands > 0)
      figure.add(
        activity,
        start,
        start,
        reach > 0 && !isWhole ? Math.min(LEAST_PIECE, mode.duration) : mode.duration,
      );
    this.addBefore(figure, activity, start);
    if (reach === 0 || isWhole) this.addAfter(figure, option, start + mode.duration);
  }

  /** Adds a step that ends at `end`; of work that may pause its last piece. */
  private addFromEnd(figure: Figure, option: Option, end: number): void {
    const { mode, activity, reach } = option;
    if (reach === 0) {
      this.addFromStart(figure, option, end - mode.duration, true);
      return;
    }
    figure.has[activity] = 1;
    const piece = Math.min(LEAST_PIECE, mode.duration);
    if (mode.hands > 0) figure.add(activity, end - piece, end - piece, piece);
    this.addAfter(figure, option, end);
  }

  private addTouches(figure: Figure, option: Option, start: number): void {
    const { touchIn, touchOut, duration, takes } = option.mode;
    const { activity } = option;
    const out = start + duration - touchOut;
    figure.add(activity, start, start, touchIn);
    for (const { low, high } of option.checks) figure.add(activity, start + low, start + high, takes);
    figure.add(activity, out, out, touchOut);
  }

  private addBefore(figure: Figure, i: number, at: number): void {
    for (const { from, least, most } of this.tree.config.before[i]!) {
      const options = this.tree.options[from]!;
      if (options.length !== 1 || least !== 0 || figure.has[from] !== 0) continue;
      if (limitOf(options[0]!, most) === 0) this.addFromEnd(figure, options[0]!, at);
    }
  }

  private addAfter(figure: Figure, option: Option, at: number): void {
    const { config, model } = this.tree;
    for (const { to, least, most } of config.after[option.activity]!) {
      const options = this.tree.options[to]!;
      if (options.length !== 1 || least !== 0 || figure.has[to] !== 0) continue;
      if (limitOf(option, most) === 0) this.addFromStart(figure, options[0]!, at, false);
    }
    const plates = config.plates[option.activity]!;
    if (plates === -2 || limitOf(option, plates) !== 0) return;
    const { platingActivity, plating } = model.courses[model.activities[option.activity]!.course]!;
    if (figure.has[platingActivity] !== 0) return;
    figure.has[platingActivity] = 1;
    figure.add(platingActivity, at, at, plating);
  }
}

/** The most minutes between a step and what comes after it: the link's own, or what its mode keeps. */
function limitOf(option: Option, most: number): number {
  return most >= 0 ? most : option.mode.most;
}
