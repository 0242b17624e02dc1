import { andShifted, erodeBits, makeBits, orShifted, type Bits } from './bits';
import { LEAST_PIECE } from './limits';
import { ceiling, type f64 } from './machine';
import type { Activity, Mode, Model, OvenModel } from './model';

/** Finds the starts at which cooks' free minutes can carry all hands stretches of an activity. */
export class StartFinder {
  private readonly eroded: Bits;
  private readonly stretch: Bits;
  private readonly group: Bits;

  constructor(model: Model) {
    this.eroded = makeBits(model.words * 32);
    this.stretch = makeBits(model.words * 32);
    this.group = makeBits(model.words * 32);
  }

  /** stretch = starts at which one allowed cook is free for `length` minutes, over words [w0, w1]. */
  private anyCook(free: readonly Bits[], who: number, length: number, w0: number, w1: number): void {
    const { stretch, eroded } = this;
    for (let w = w0; w <= w1; w++) stretch[w] = 0;
    for (let c = 0; c < free.length; c++) {
      if (who >= 0 && c !== who) continue;
      erodeBits(eroded, free[c]!, length, w0, w1);
      for (let w = w0; w <= w1; w++) stretch[w]! |= eroded[w]!;
    }
  }

  /** stretch = starts at which `hands` cooks (one of them `who`) are free together for `length` minutes. */
  private severalCooks(
    free: readonly Bits[],
    who: number,
    hands: number,
    length: number,
    w0: number,
    w1: number,
  ): void {
    const { stretch, group, eroded } = this;
    for (let w = w0; w <= w1; w++) stretch[w] = 0;
    for (let mask = 0; mask < 1 << free.length; mask++) {
      if (who >= 0 && (mask & (1 << who)) === 0) continue;
      let size = 0;
      for (let c = 0; c < free.length; c++) size += (mask >> c) & 1;
      if (size !== hands) continue;
      for (let w = w0; w <= w1; w++) group[w] = -1;
      for (let c = 0; c < free.length; c++) {
        if ((mask & (1 << c)) === 0) continue;
        erodeBits(eroded, free[c]!, length, w0, w1);
        for (let w = w0; w <= w1; w++) group[w]! &= eroded[w]!;
      }
      for (let w = w0; w <= w1; w++) stretch[w]! |= group[w]!;
    }
  }

  /**
   * target = the starts within words [w0, w1] at which `free` carries every stretch of `mode`: its
   * work, its touches, and each check somewhere within its slack. For a pausable mode only a first
   * piece is asked for.
   */
  find(target: Bits, activity: Activity, mode: Mode, free: readonly Bits[], w0: number, w1: number): void {
    for (let w = w0; w <= w1; w++) target[w] = -1;
    const { duration, touchIn, touchOut } = mode;
    if (mode.isHands) {
      if (mode.hands === 0) return;
      const length = mode.pausable ? LEAST_PIECE : duration;
      if (mode.hands === 1) this.anyCook(free, activity.who, length, w0, w1);
      else this.severalCooks(free, activity.who, mode.hands, length, w0, w1);
      for (let w = w0; w <= w1; w++) target[w]! &= this.stretch[w]!;
      return;
    }
    const far = Math.min(w1 + (duration >> 5) + 1, target.length - 3);
    if (touchIn > 0) {
      this.anyCook(free, activity.who, touchIn, w0, w1);
      andShifted(target, this.stretch, 0, w0, w1);
    }
    if (touchOut > 0) {
      this.anyCook(free, activity.who, touchOut, w0, far);
      andShifted(target, this.stretch, duration - touchOut, w0, w1);
    }
    if (mode.checks > 0) this.findChecks(target, activity, mode, free, w0, w1, far);
  }

  private findChecks(
    target: Bits,
    activity: Activity,
    mode: Mode,
    free: readonly Bits[],
    w0: number,
    w1: number,
    far: number,
  ): void {
    const { group, stretch } = this;
    this.anyCook(free, activity.who, mode.takes, w0, far);
    for (let m = 1; m <= mode.checks; m++) {
      const low = checkFrom(mode, m);
      const high = checkTo(mode, m);
      for (let w = w0; w <= w1; w++) group[w] = 0;
      for (let shift = low; shift <= high; shift++) orShifted(group, stretch, shift, w0, w1);
      for (let w = w0; w <= w1; w++) target[w]! &= group[w]!;
    }
  }
}

/** Earliest start of check number `m`, in minutes from the start of its activity. */
export function checkFrom(mode: Mode, m: number): number {
  return Math.max(m * mode.every - mode.slack, mode.touchIn);
}

/** Its latest start, counted in the same way. */
export function checkTo(mode: Mode, m: number): number {
  return Math.min(m * mode.every + mode.slack, mode.duration - mode.touchOut - mode.takes);
}

/** °C of an oven that has not been switched on. */
export const COLD = 20;

/** The first slot at which some oven (or `oven`) can be as hot as `mode` asks; past the horizon where there is none. */
export function ovenReady(model: Model, mode: Mode, oven = -1): number {
  if (mode.celsius <= COLD) return model.firstFree;
  let rise = model.slots;
  for (let o = 0; o < model.ovens.length; o++) {
    if (oven < 0 || o === oven) rise = Math.min(rise, ceilRatio(mode.celsius - COLD, model.ovens[o]!.heats));
  }
  return model.firstFree + rise;
}

/** Minutes from one oven setting to another; `heats` and `cools` in °C a minute. */
export function changeMinutes(oven: OvenModel, from: f64, to: f64): number {
  return to >= from ? ceilRatio(to - from, oven.heats) : ceilRatio(from - to, oven.cools);
}

/** ceil(a / b) for decimals of a dinner file, forgiving the last bits of floating point. */
function ceilRatio(a: f64, b: f64): number {
  return ceiling(a / b - 1e-9);
}
