import { hasBit, type f64, type Model } from '../model';
import type { Evening } from './supply';

/** Trips from a table are counted up to so many. */
export const MOST_TRIPS = 8;

/**
 * One cook at one table: while plates are on it a minute away costs `away`, and each trip `trips`; what this adds to
 * minutes given freely. States: 0 at the table for two minutes, 1 away, 2 back for one minute; for each of them it is told how
 * many trips there were, as far as it matters.
 */
export class Table {
  /** How many trips are told apart; the last of them stands for more, too. */
  counted = 0;
  /** Least cost with exactly so many minutes away, by trips: `width` of them for each number of trips. */
  readonly least: Float64Array;
  private readonly state: Int32Array;
  private readonly table: Float64Array;
  private readonly steps: Int32Array;
  private width = 0;
  private size = 0;

  constructor(
    private readonly model: Model,
    readonly cook: number,
    width: number,
    minutes: number,
  ) {
    this.least = new Float64Array(width * (MOST_TRIPS + 1));
    this.state = new Int32Array(width * (MOST_TRIPS + 1));
    this.table = new Float64Array(3 * width * (MOST_TRIPS + 1));
    this.steps = new Int32Array(3 * width * (MOST_TRIPS + 1) * minutes);
  }

  /** Tells apart up to `counted` trips. */
  read(
    down: number,
    up: number,
    most: number,
    price: Float64Array,
    own: Float64Array,
    evening: Evening,
    cooks: Int32Array,
    counted: number,
  ): void {
    const { table, model } = this;
    const { forced, able } = evening;
    const calendar = model.calendars[this.cook]!;
    const width = most + 1;
    this.counted = counted;
    this.width = width;
    this.size = 3 * width * (counted + 1);
    table.fill(Infinity, 0, this.size);
    table[0] = 0;
    for (let m = down; m < up; m++) {
      const mayLeave = able[m] !== 0 && hasBit(calendar, m);
      const mayStay = !mayLeave || forced[m]! < cooks[m]!;
      const cost = model.weights.away - price[m]! - own[m]!;
      // No more minutes away than have passed.
      const last = Math.min(most, m - down + 1);
      for (let made = counted; made >= 0; made--) {
        this.passMinute((m - down) * this.size, made, made === counted, last, mayLeave, mayStay, cost);
      }
    }
    for (let made = 0; made <= counted; made++) {
      for (let used = 0; used < width; used++) {
        const at = made * width + used;
        this.least[at] = Infinity;
        for (let place = 3 * made * width + used; place < 3 * (made + 1) * width; place += width) {
          if (table[place]! >= this.least[at]!) continue;
          this.least[at] = table[place]!;
          this.state[at] = place;
        }
      }
    }
  }

  /** One minute more for those that made so many trips, or, where these are the most that are counted, as many or more. */
  private passMinute(
    row: number,
    made: number,
    isMost: boolean,
    most: number,
    mayLeave: boolean,
    mayStay: boolean,
    cost: f64,
  ): void {
    const { table, steps, width } = this;
    const { trips } = this.model.weights;
    const off = 3 * width * made;
    const on = off + width;
    const back = on + width;
    for (let used = most; used >= 0; used--) {
      const stayed = table[off + used]!;
      const came = table[back + used]!;
      const gone = table[on + used]!;
      let away: f64 = Infinity;
      let from = off;
      if (mayLeave && used > 0) {
        if (made > 0) {
          from = off - 3 * width + used - 1;
          away = table[from]! + trips;
        }
        if (isMost && table[off + used - 1]! + trips < away) {
          from = off + used - 1;
          away = table[from]! + trips;
        }
        if (table[back + used - 1]! <= away) {
          from = back + used - 1;
          away = table[from]!;
        }
        if (table[on + used - 1]! <= away) {
          from = on + used - 1;
          away = table[from]!;
        }
        away += cost;
      }
      table[on + used] = away;
      steps[row + on + used] = from;
      table[off + used] = mayStay ? Math.min(stayed, came) : Infinity;
      steps[row + off + used] = stayed <= came ? off + used : back + used;
      table[back + used] = mayStay ? gone : Infinity;
      steps[row + back + used] = on + used;
    }
  }

  /** Adds the minutes of the cheapest way that stands at place `at` of `least` to `given`, and to what the cook himself gives. */
  give(down: number, up: number, at: number, given: Int32Array, own: Uint8Array): void {
    const { steps, width, size } = this;
    let place = this.state[at]!;
    for (let m = up - 1; m >= down; m--) {
      const kind = ((place / width) | 0) % 3;
      if (kind === 1) {
        given[m]! += 1;
        own[m] = 1;
      }
      place = steps[(m - down) * size + place]!;
    }
  }
}
