import { andShifted, erodeBits, fillBits, makeBits, orShifted, type Bits } from './bits';
import type { Activity, Mode, Model } from './model';

/** Shortest piece of a paused hands activity, in minutes. */
export const LEAST_PIECE = 5;

/** Finds the starts at which cooks' free minutes can carry all hands stretches of an activity. */
export class StartFinder {
  private readonly eroded: Bits;
  private readonly stretch: Bits;
  private readonly group: Bits;

  constructor(private readonly model: Model) {
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
      const [low, high] = checkWindow(mode, m);
      for (let w = w0; w <= w1; w++) group[w] = 0;
      for (let shift = low; shift <= high; shift++) orShifted(group, stretch, shift, w0, w1);
      for (let w = w0; w <= w1; w++) target[w]! &= group[w]!;
    }
  }

  /** All starts that the calendars allow an activity in some mode, before anything is planned. */
  calendarStarts(activity: Activity): Bits {
    const { model } = this;
    const all = makeBits(model.words * 32);
    const one = makeBits(model.words * 32);
    const last = (model.slots >> 5) + 1;
    for (const mode of activity.modes) {
      this.find(one, activity, mode, model.calendars, 0, last);
      if (mode.usesOven) fillBits(one, 0, ovenReady(model, mode), false);
      if (mode.usesOven && model.ovens.every((o) => o.shelves < mode.shelves)) one.fill(0);
      for (let w = 0; w <= last; w++) all[w]! |= one[w]!;
    }
    fillBits(all, model.slots, (last + 1) * 32, false);
    fillBits(all, 0, Math.min(model.slots, Math.max(0, activity.notBefore)), false);
    if (activity.pin !== -1) {
      const pinned = activity.pin;
      fillBits(all, 0, Math.max(0, pinned), false);
      fillBits(all, Math.max(0, pinned + 1), model.slots, false);
    }
    return all;
  }
}

/** Earliest and latest start of check number `m`, in minutes from the start of its activity. */
export function checkWindow(mode: Mode, m: number): [number, number] {
  const due = m * mode.every;
  return [
    Math.max(due - mode.slack, mode.touchIn),
    Math.min(due + mode.slack, mode.duration - mode.touchOut - mode.takes),
  ];
}

/** °C of an oven that has not been switched on. */
export const COLD = 20;

/** The first slot at which some oven can be as hot as `mode` asks. */
export function ovenReady(model: Model, mode: Mode, oven = -1): number {
  if (mode.celsius <= COLD) return model.firstFree;
  let rise = Infinity;
  for (let o = 0; o < model.ovens.length; o++) {
    if (oven < 0 || o === oven) rise = Math.min(rise, ceilRatio(mode.celsius - COLD, model.ovens[o]!.heats));
  }
  return model.firstFree + rise;
}

/** Minutes from one oven setting to another; `heats` and `cools` in °C a minute. */
export function changeMinutes(
  oven: { readonly heats: number; readonly cools: number },
  from: number,
  to: number,
): number {
  return to >= from ? ceilRatio(to - from, oven.heats) : ceilRatio(from - to, oven.cools);
}

/** ceil(a / b) for decimals of a dinner file, forgiving the last bits of floating point. */
function ceilRatio(a: number, b: number): number {
  return Math.ceil(a / b - 1e-9);
}
