import { hasBit, type Model } from '../model';
import { DAY_WINDOW } from '../plan';

/** What is known of the evening while minutes are sold: serving windows, first work, minutes that must be worked. */
export const MAY_LEAVE = 0;
export const NOBODY_LEAVES = 1;
export const SOMEBODY_LEAVES = 2;

export interface Evening {
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** The first hands minute of the day lies in [firstLow, firstHigh]. */
  readonly firstLow: number;
  readonly firstHigh: number;
  /** Cooks that are known to be at work in each minute. */
  readonly forced: Uint8Array;
  /** For each course: whether a cook who eats leaves the table during it. */
  readonly leaves: Uint8Array;
}

/**
 * The cooks' side: for a price paid per hands minute it gives the minutes that pay best, against what they
 * cost: the day's first minute (the term `day`), minutes away from the table and trips.
 */
export class Supply {
  /** Minutes given at each slot by the cheapest answer. */
  readonly given: Uint8Array;
  /** Cooks free in each minute. */
  readonly cooks: Uint8Array;
  /** First hands minute of the day in the cheapest answer, and what each choice of it would cost. */
  first = 0;
  readonly byFirst: Float64Array;
  readonly dayStart: number;
  /** What the last look at a table would cost with the cook leaving it at least once. */
  private ifLeaving = Infinity;
  private readonly table = new Float64Array(3 * 64);
  private readonly steps = new Uint8Array(3 * 64 * 512);

  constructor(private readonly model: Model) {
    this.given = new Uint8Array(model.slots);
    this.cooks = new Uint8Array(model.slots);
    for (const calendar of model.calendars) {
      for (let m = 0; m < model.slots; m++) if (hasBit(calendar, m)) this.cooks[m]! += 1;
    }
    this.dayStart = Math.max(0, model.zero - DAY_WINDOW);
    this.byFirst = new Float64Array(model.zero - this.dayStart + 1);
  }

  /** Least cost of minutes given, less what is paid for them. */
  cost(price: Float64Array, evening: Evening, from: number, to: number): number {
    const { model, given, cooks, dayStart, byFirst } = this;
    const { zero, weights } = model;
    given.fill(0);
    let total = 0;
    for (let m = from; m < Math.min(to, dayStart); m++) {
      total -= price[m]! * (given[m] = cooks[m]!);
    }
    let later = 0;
    let best = Infinity;
    for (let m = zero; m >= dayStart; m--) {
      if (m < zero && m >= from) later -= price[m]! * cooks[m]!;
      const value = later + weights.day * (zero - m);
      byFirst[m - dayStart] = value;
      if (m < evening.firstLow || m > evening.firstHigh || value >= best) continue;
      best = value;
      this.first = m;
    }
    total += best;
    for (let m = this.first; m < zero; m++) given[m] = cooks[m]!;
    for (let m = zero; m < to; m++) {
      total -= price[m]! * cooks[m]!;
      given[m] = cooks[m]!;
    }
    for (let c = 0; c < model.courses.length; c++) {
      const down = evening.serveHigh[c]!;
      const { eating, away } = model.courses[c]!;
      const up = evening.serveLow[c]! + eating;
      if (up <= down) continue;
      const leaves = evening.leaves[c]!;
      let sooner = Infinity;
      for (let k = 0; k < model.cookCount; k++) {
        if (!model.eats[k]) continue;
        const cost = this.atTable(k, down, up, away, price, evening.forced, leaves);
        total += cost;
        sooner = Math.min(sooner, this.ifLeaving - cost);
      }
      if (leaves === SOMEBODY_LEAVES && sooner > 0) total += sooner;
    }
    for (let m = dayStart; m <= zero; m++) byFirst[m - dayStart]! += total - best;
    return total;
  }

  /**
   * While plates are on the table a minute costs `away`, and each trip `trips`; what this adds to minutes
   * given freely. States: 0 at the table for two minutes, 1 away, 2 back for one minute.
   */
  private atTable(
    cook: number,
    down: number,
    up: number,
    mostAway: number,
    price: Float64Array,
    forced: Uint8Array,
    leaves: number,
  ): number {
    const { model, table, steps, given, cooks } = this;
    const { weights } = model;
    const calendar = model.calendars[cook]!;
    const most = Math.min(63, mostAway);
    let free = 0;
    let isPaid = false;
    for (let m = down; m < up; m++) {
      if (!hasBit(calendar, m)) continue;
      free += price[m]!;
      given[m]! -= 1;
      if (price[m]! > 0 || forced[m]! >= cooks[m]!) isPaid = true;
    }
    this.ifLeaving = free + weights.away + weights.trips;
    if (leaves === NOBODY_LEAVES) return free;
    if (!isPaid) return free;
    const width = most + 1;
    table.fill(Infinity);
    table[0] = 0;
    for (let m = down; m < up; m++) {
      const mayLeave = hasBit(calendar, m);
      const mayStay = !mayLeave || forced[m]! < cooks[m]!;
      const cost = weights.away - price[m]!;
      const row = (m - down) * 3 * width;
      for (let used = most; used >= 0; used--) {
        const off = table[used]!;
        const on = table[width + used]!;
        const back = table[2 * width + used]!;
        let away = Infinity;
        let from = 0;
        if (mayLeave && used > 0) {
          const a = table[used - 1]! + weights.trips;
          const b = table[width + used - 1]!;
          const c = table[2 * width + used - 1]!;
          away = Math.min(a, b, c) + cost;
          from = b <= a && b <= c ? 1 : c <= a ? 2 : 0;
        }
        table[width + used] = away;
        steps[row + width + used] = from;
        table[used] = mayStay ? Math.min(off, back) : Infinity;
        steps[row + used] = off <= back ? 0 : 2;
        table[2 * width + used] = mayStay ? on : Infinity;
        steps[row + 2 * width + used] = 1;
      }
    }
    let best = Infinity;
    let leaving = Infinity;
    let at = 0;
    for (let x = 0; x < 3 * width; x++) {
      if (x % width > 0) leaving = Math.min(leaving, table[x]!);
      if (table[x]! < best) {
        best = table[x]!;
        at = x;
      }
    }
    this.ifLeaving = free + leaving;
    if (best === Infinity) return Infinity;
    for (let m = up - 1; m >= down; m--) {
      const state = Math.floor(at / width);
      const used = at % width;
      if (state === 1) given[m]! += 1;
      const from = steps[(m - down) * 3 * width + at]!;
      at = from * width + used - (state === 1 ? 1 : 0);
    }
    return free + best;
  }
}
