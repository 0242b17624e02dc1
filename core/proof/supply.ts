import { hasBit, type CourseModel, type f64, type Model } from '../model';
import { DAY_WINDOW } from '../plan';

/** What is known of the evening while minutes are sold: serving windows, first work, minutes that must be worked. */
export class Evening {
  serveLow: Int32Array = new Int32Array(0);
  serveHigh: Int32Array = new Int32Array(0);
  /** The first hands minute of the day lies in [firstLow, firstHigh]. */
  firstLow = 0;
  firstHigh = 0;
  /** Cooks that are known to be at work in each minute. */
  forced: Uint8Array = new Uint8Array(0);
  /** For each course: how many minutes in all the cooks who eat are away from the table, least and most. */
  awayLow: Int32Array = new Int32Array(0);
  awayHigh: Int32Array = new Int32Array(0);
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
  /** For each cook who eats: least cost by minutes away during the course last looked at, and how it comes about. */
  private readonly tables: readonly Table[];
  /** The same for the first so many cooks together, and how many of the minutes are the last one's. */
  private readonly joint: Float64Array[];
  private readonly share: Int32Array[];

  /** Minutes away at each table in the cheapest answer, and the most that there may be. */
  readonly away: Int32Array;
  readonly mostAway: Int32Array;

  constructor(private readonly model: Model) {
    const { courses, slots, zero } = model;
    this.given = new Uint8Array(slots);
    const free = new Uint8Array(slots);
    for (const calendar of model.calendars) {
      for (let m = 0; m < slots; m++) if (hasBit(calendar, m)) free[m]! += 1;
    }
    this.cooks = free;
    const dayStart = Math.max(0, zero - DAY_WINDOW);
    this.dayStart = dayStart;
    this.byFirst = new Float64Array(zero - dayStart + 1);
    let width = 1;
    let minutes = 0;
    for (const course of courses) {
      width = Math.max(width, mostAway(course) + 1);
      minutes = Math.max(minutes, course.eating);
    }
    const tables: Table[] = [];
    const joint: Float64Array[] = [];
    const share: Int32Array[] = [];
    for (let k = 0; k < model.cookCount; k++) {
      if (!model.eats[k]) continue;
      tables.push(new Table(model, k, width, minutes));
      const length = (width - 1) * tables.length + 1;
      joint.push(new Float64Array(length));
      share.push(new Int32Array(length));
    }
    this.tables = tables;
    this.joint = joint;
    this.share = share;
    this.away = new Int32Array(courses.length);
    const most = new Int32Array(courses.length);
    for (let c = 0; c < courses.length; c++) most[c] = tables.length * mostAway(courses[c]!);
    this.mostAway = most;
  }

  /** Least cost of minutes given, less what is paid for them. */
  cost(price: Float64Array, evening: Evening, from: number, to: number): f64 {
    const { model, given, cooks, dayStart, byFirst } = this;
    const { zero, weights } = model;
    given.fill(0);
    let total: f64 = 0;
    for (let m = from; m < Math.min(to, dayStart); m++) {
      total -= price[m]! * (given[m] = cooks[m]!);
    }
    let later: f64 = 0;
    let best: f64 = Infinity;
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
      const { eating } = model.courses[c]!;
      const up = evening.serveLow[c]! + eating;
      if (up <= down) continue;
      if (this.tables.length > 0) total += this.atTable(c, down, up, price, evening);
    }
    for (let m = dayStart; m <= zero; m++) byFirst[m - dayStart]! += total - best;
    return total;
  }

  /** What minutes away from the table of course `c` add: the cheapest shares of them among the cooks who eat. */
  private atTable(c: number, down: number, up: number, price: Float64Array, evening: Evening): f64 {
    const { model, tables, joint, share, given, cooks } = this;
    const { weights } = model;
    const most = Math.min(mostAway(model.courses[c]!), up - down);
    let free: f64 = 0;
    let isPaid = false;
    for (const table of tables) {
      const calendar = model.calendars[table.cook]!;
      for (let m = down; m < up; m++) {
        if (!hasBit(calendar, m)) continue;
        free += price[m]!;
        given[m]! -= 1;
        if (price[m]! > 0 || evening.forced[m]! >= cooks[m]!) isPaid = true;
      }
    }
    const low = evening.awayLow[c]!;
    this.away[c] = 0;
    if (!isPaid && low === 0) return free;
    let last = 0;
    for (let n = 0; n < tables.length; n++) {
      const table = tables[n]!;
      table.read(down, up, most, price, evening.forced, cooks);
      const all = joint[n]!;
      if (n === 0) for (let x = 0; x <= most; x++) all[x] = table.least[x]!;
      else {
        const before = joint[n - 1]!;
        all.fill(Infinity, 0, last + most + 1);
        for (let x = 0; x <= last; x++) {
          for (let y = 0; y <= most; y++) {
            const cost = before[x]! + table.least[y]!;
            if (cost >= all[x + y]!) continue;
            all[x + y] = cost;
            share[n]![x + y] = y;
          }
        }
      }
      last += most;
    }
    // While the serving time is open, minutes away may lie beside those that are surely eaten in.
    const isOpen = up - down < model.courses[c]!.eating;
    const all = joint[tables.length - 1]!;
    let best: f64 = Infinity;
    let used = 0;
    for (let u = isOpen ? 0 : low; u <= Math.min(last, evening.awayHigh[c]!); u++) {
      const beside = Math.max(0, low - u);
      const cost = all[u]! + weights.away * beside + (beside > 0 && u === 0 ? weights.trips : 0);
      if (cost >= best) continue;
      best = cost;
      used = u;
    }
    if (best === Infinity) return Infinity;
    this.away[c] = used;
    for (let n = tables.length - 1; n >= 0; n--) {
      const own = n === 0 ? used : share[n]![used]!;
      tables[n]!.give(down, up, own, given);
      used -= own;
    }
    return free + best;
  }
}

function mostAway(course: CourseModel): number {
  return Math.min(course.away, course.eating);
}

/**
 * One cook at one table: while plates are on it a minute away costs `away`, and each trip `trips`; what this adds to
 * minutes given freely. States: 0 at the table for two minutes, 1 away, 2 back for one minute.
 */
class Table {
  /** Least cost with exactly so many minutes away. */
  readonly least: Float64Array;
  private readonly state: Int32Array;
  private readonly table: Float64Array;
  private readonly steps: Int32Array;
  private width = 0;

  constructor(
    private readonly model: Model,
    readonly cook: number,
    width: number,
    minutes: number,
  ) {
    this.least = new Float64Array(width);
    this.state = new Int32Array(width);
    this.table = new Float64Array(3 * width);
    this.steps = new Int32Array(3 * width * minutes);
  }

  read(
    down: number,
    up: number,
    most: number,
    price: Float64Array,
    forced: Uint8Array,
    cooks: Uint8Array,
  ): void {
    const { table, steps, model } = this;
    const { weights } = model;
    const calendar = model.calendars[this.cook]!;
    const width = most + 1;
    this.width = width;
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
        let away: f64 = Infinity;
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
    for (let used = 0; used < width; used++) {
      this.least[used] = Infinity;
      for (let state = 0; state < 3; state++) {
        if (table[state * width + used]! >= this.least[used]!) continue;
        this.least[used] = table[state * width + used]!;
        this.state[used] = state;
      }
    }
  }

  /** Adds the minutes of the cheapest way to be away `minutes` to `given`. */
  give(down: number, up: number, minutes: number, given: Uint8Array): void {
    const { steps, width } = this;
    let state = this.state[minutes]!;
    let used = minutes;
    for (let m = up - 1; m >= down; m--) {
      const from = steps[(m - down) * 3 * width + state * width + used]!;
      if (state === 1) {
        given[m]! += 1;
        used -= 1;
      }
      state = from;
    }
  }
}
