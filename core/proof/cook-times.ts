import { fixed, hasBit, type Model } from '../model';

/** Who can be in the kitchen at all: the day before, and until others come, there is mostly one cook. */
export class CookTimes {
  /** By cook and slot: how many minutes he is free before it. */
  private readonly before: readonly Int32Array[];
  /** By slot: the first one from there on in which there are several cooks; the end where there is none. */
  private readonly several: Int32Array;
  /** How many cooks there are at least in any minute in which there is one. */
  readonly fewest: number;

  constructor(private readonly model: Model) {
    const { slots, cookCount } = model;
    const several = new Int32Array(slots + 1);
    const rows: Int32Array[] = [];
    for (let k = 0; k < cookCount; k++) {
      const calendar = model.calendars[k]!;
      const row = new Int32Array(slots + 1);
      for (let m = 0; m < slots; m++) row[m + 1] = row[m]! + (hasBit(calendar, m) ? 1 : 0);
      rows.push(row);
    }
    this.before = fixed(rows);
    several[slots] = slots;
    let fewest = cookCount;
    for (let m = slots - 1; m >= 0; m--) {
      let there = 0;
      for (let k = 0; k < cookCount; k++) there += hasBit(model.calendars[k]!, m) ? 1 : 0;
      several[m] = there > 1 ? m : several[m + 1]!;
      if (there > 0) fewest = Math.min(fewest, there);
    }
    this.several = several;
    this.fewest = fewest;
  }

  /** True where that cook has a minute in slots [from, to). */
  isThere(cook: number, from: number, to: number): boolean {
    const row = this.before[cook]!;
    const last = this.model.slots;
    return row[Math.min(last, Math.max(0, to))]! > row[Math.min(last, Math.max(0, from))]!;
  }

  /** The first slot from `from` on in which there are several cooks; the end of all slots where there is none. */
  severalFrom(from: number): number {
    return this.several[Math.max(0, from)]!;
  }

  /** True where hands of `who` (-1 for anybody's) in slots [from, to) are surely that cook's. */
  areHis(cook: number, who: number, from: number, to: number): boolean {
    if (who >= 0) return who === cook;
    for (let k = 0; k < this.model.cookCount; k++) if (k !== cook && this.isThere(k, from, to)) return false;
    return true;
  }
}
