import { LEAST_PIECE } from '../model';
import type { Option } from './options';
import type { Tree } from './tree';

/** Stretches of hands of one cook that belong together: of a step with all that begins or ends where it does, or of a course. */
export class Figure {
  count = 0;
  /** True where one cook cannot do all of it, wherever it lies. */
  isTooMuch = false;
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
      if (this.of[n] === activity) continue;
      const isApart = this.high[n]! + this.length[n]! <= low || high + length <= this.low[n]!;
      const mayBeBefore = low + length <= this.high[n]!;
      const mayBeAfter = this.low[n]! + this.length[n]! <= high;
      if (!mayBeBefore && !mayBeAfter) this.isTooMuch = true;
      if (!isApart) return;
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

/** What may begin or end in so many minutes more than one goes with a figure. */
const SOON = 8;

/** So many stretches are laid beside each other at most. */
const MOST = 40;

/** Lays out figures of a dinner. */
export class Figures {
  constructor(private readonly tree: Tree) {}

  /** The figure of an option, counted from its start; `isWhole` says that it does not pause. */
  ofOption(option: Option, isWhole: boolean): Figure {
    const figure = this.nothing();
    this.addFromStart(figure, option, 0, 0, isWhole);
    if (!isWhole && option.reach > 0) {
      const end = this.nothing();
      this.addFromEnd(end, option, 0, 0);
      figure.isTooMuch = figure.isTooMuch || end.isTooMuch;
    }
    return figure;
  }

  private nothing(): Figure {
    return new Figure(MOST, this.tree.model.activities.length);
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

  /** Adds a step that begins in [soonest, latest], what ends soon before it, and what begins soon after it. */
  private addFromStart(
    figure: Figure,
    option: Option,
    soonest: number,
    latest: number,
    isWhole: boolean,
  ): void {
    const { mode, activity, reach } = option;
    const { duration, hands } = mode;
    const isRigid = reach === 0 || isWhole;
    figure.has[activity] = 1;
    if (!mode.isHands) this.addTouches(figure, option, soonest, latest);
    else if (hands > 0)
      figure.add(activity, soonest, latest, isRigid ? duration : Math.min(LEAST_PIECE, duration));
    this.addBefore(figure, activity, soonest, latest);
    if (isRigid) this.addAfter(figure, option, soonest + duration, latest + duration);
  }

  /** Adds a step that ends in [soonest, latest]; of work that may pause its last piece. */
  private addFromEnd(figure: Figure, option: Option, soonest: number, latest: number): void {
    const { mode, activity, reach } = option;
    const { duration, hands } = mode;
    if (reach === 0) {
      this.addFromStart(figure, option, soonest - duration, latest - duration, true);
      return;
    }
    figure.has[activity] = 1;
    const piece = Math.min(LEAST_PIECE, duration);
    if (hands > 0) figure.add(activity, soonest - piece, latest - piece, piece);
    this.addAfter(figure, option, soonest, latest);
  }

  private addTouches(figure: Figure, option: Option, soonest: number, latest: number): void {
    const { touchIn, touchOut, duration, takes } = option.mode;
    const { activity } = option;
    const out = duration - touchOut;
    figure.add(activity, soonest, latest, touchIn);
    for (const { low, high } of option.checks) figure.add(activity, soonest + low, latest + high, takes);
    figure.add(activity, soonest + out, latest + out, touchOut);
  }

  private addBefore(figure: Figure, i: number, soonest: number, latest: number): void {
    for (const { from, least, most } of this.tree.config.before[i]!) {
      const options = this.tree.options[from]!;
      if (options.length !== 1 || figure.has[from] !== 0) continue;
      const limit = limitOf(options[0]!, most);
      if (limit + latest - soonest - least > SOON) continue;
      this.addFromEnd(figure, options[0]!, soonest - limit, latest - least);
    }
  }

  private addAfter(figure: Figure, option: Option, soonest: number, latest: number): void {
    const { config, model } = this.tree;
    for (const { to, least, most } of config.after[option.activity]!) {
      const options = this.tree.options[to]!;
      const limit = limitOf(option, most);
      if (options.length !== 1 || figure.has[to] !== 0 || limit + latest - soonest - least > SOON) continue;
      this.addFromStart(figure, options[0]!, soonest + least, latest + limit, false);
    }
    const plates = config.plates[option.activity]!;
    if (plates === -2) return;
    const limit = limitOf(option, plates);
    const { platingActivity, plating } = model.courses[model.activities[option.activity]!.course]!;
    if (figure.has[platingActivity] !== 0 || limit + latest - soonest > SOON) return;
    figure.has[platingActivity] = 1;
    figure.add(platingActivity, soonest, latest + limit, plating);
  }
}

/** The most minutes between a step and what comes after it: the link's own, or what its mode keeps. */
function limitOf(option: Option, most: number): number {
  return most >= 0 ? most : option.mode.most;
}
