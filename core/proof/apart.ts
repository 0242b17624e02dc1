import { changeMinutes, type Model } from '../model';
import type { Option } from './options';

/** Two options that cannot overlap: the minutes that must lie between the one's end and the other's start. */
export interface Apart {
  readonly one: Option;
  readonly other: Option;
  readonly gap: number;
  readonly gapBack: number;
}

/** All pairs of options that one oven or one tool keeps apart. */
export function apartOf(model: Model, options: readonly (readonly Option[])[]): Apart[] {
  const apart: Apart[] = [];
  const flat = options.flat();
  const comesAfter = (a: Option, b: Option) => model.directly.has(a.activity * model.stepCount + b.activity);
  flat.forEach((one, x) => {
    for (const other of flat.slice(x + 1)) {
      if (one.activity === other.activity || one.mode.duration === 0 || other.mode.duration === 0) continue;
      const gaps = gapsBetween(model, one, other, comesAfter);
      if (gaps) apart.push({ one, other, gap: gaps[0], gapBack: gaps[1] });
    }
  });
  return apart;
}

function gapsBetween(
  model: Model,
  one: Option,
  other: Option,
  comesAfter: (a: Option, b: Option) => boolean,
): [number, number] | null {
  let gap = -1;
  let gapBack = -1;
  const dishOf = (option: Option) => model.activities[option.activity]!.dish;
  for (const use of one.mode.things) {
    const same = other.mode.things.find((u) => u.thing === use.thing);
    const thing = model.things[use.thing]!;
    if (!same || use.count + same.count <= thing.capacity) continue;
    const mayWash = thing.capacity === 1 && dishOf(one) !== dishOf(other);
    gap = Math.max(gap, mayWash && !comesAfter(one, other) ? thing.wash : 0);
    gapBack = Math.max(gapBack, mayWash && !comesAfter(other, one) ? thing.wash : 0);
  }
  if (one.mode.usesOven && other.mode.usesOven && model.ovens.length === 1) {
    const oven = model.ovens[0]!;
    const a = one.mode;
    const b = other.mode;
    if (Math.max(a.coldest, b.coldest) > Math.min(a.hottest, b.hottest)) {
      gap = Math.max(gap, comesAfter(one, other) ? 0 : changeMinutes(oven, a.celsius, b.celsius));
      gapBack = Math.max(gapBack, comesAfter(other, one) ? 0 : changeMinutes(oven, b.celsius, a.celsius));
    } else if (a.shelves + b.shelves > oven.shelves) {
      gap = Math.max(gap, 0);
      gapBack = Math.max(gapBack, 0);
    }
  }
  return gap < 0 ? null : [gap, gapBack];
}
