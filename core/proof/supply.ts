import { fixed, hasBit, type CourseModel, type f64, type Model } from '../model';
import { DAY_WINDOW } from '../plan';
import { MOST_TRIPS, Table } from './table';

/** Numbers of trips that are told apart at most. */
const PLACES = MOST_TRIPS + 1;

/** What is known of the evening while minutes are sold: serving windows, first work, minutes that must be worked. */
export class Evening {
  serveLow: Int32Array = new Int32Array(0);
  serveHigh: Int32Array = new Int32Array(0);
  /** The first hands minute of the day lies in [firstLow, firstHigh]. */
  firstLow = 0;
  firstHigh = 0;
  /** Cooks that are known to be at work in each minute. */
  forced: Int32Array = new Int32Array(0);
  /** For each course: how many minutes in all the cooks who eat are away from the table, least and most. */
  awayLow: Int32Array = new Int32Array(0);
  awayHigh: Int32Array = new Int32Array(0);
  /** 1 for each minute in which some work can lie. */
  able: Uint8Array = new Uint8Array(0);
  /** By course, and by minutes away, `Supply.width` of them: the fewest trips in which they can be. */
  trips: Int32Array = new Int32Array(0);
}

/**
 * The cooks' side: for a price paid per hands minute it gives the minutes that pay best, against what they
 * cost: the day's first minute (the term `day`), minutes away from the table and trips.
 */
export class Supply {
  /** Minutes given at each slot by the cheapest answer. */
  readonly given: Int32Array;
  /** Minutes in which all cooks are at table in the cheapest answer, but for those who are away. */
  readonly seated: Uint8Array;
  /** Cooks free in each minute. */
  readonly cooks: Int32Array;
  /** First hands minute of the day in the cheapest answer, and what each choice of it would cost. */
  first = 0;
  readonly byFirst: Float64Array;
  readonly dayStart: number;
  /** By cook: what is paid for each minute of hands that have to be his, besides what is paid for anybody's; and in which of them he has any in the cheapest answer. */
  private readonly own: Float64Array[];
  readonly ownGiven: readonly Uint8Array[];
  private readonly isAsked: Uint8Array;
  /** For each cook who eats: least cost by minutes away at the table last looked at, and how it comes about. */
  private readonly tables: readonly Table[];
  /** The same for the first so many cooks together, by trips and minutes in all, and which place of the last one's table has a part in it. */
  private readonly joint: readonly Float64Array[];
  private readonly share: readonly Int32Array[];

  /** Minutes away at each table in the cheapest answer, and the most that there may be. */
  readonly away: Int32Array;
  readonly mostAway: Int32Array;
  /** After `tableCost`: minutes away in all, and whether any could be worth it. */
  private used = 0;
  private made = 0;
  /** The most minutes that one cook may be away from it. */
  private most = 0;
  private isPaid = false;
  /** One more than the most minutes that a cook may be away from any table. */
  readonly width: number;

  constructor(private readonly model: Model) {
    const { courses, slots, zero } = model;
    this.given = new Int32Array(slots);
    this.seated = new Uint8Array(slots);
    const free = new Int32Array(slots);
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
    this.width = width;
    const own: Float64Array[] = [];
    const ownGiven: Uint8Array[] = [];
    for (let k = 0; k < model.cookCount; k++) {
      own.push(new Float64Array(slots));
      ownGiven.push(new Uint8Array(slots));
    }
    this.own = own;
    this.ownGiven = fixed(ownGiven);
    this.isAsked = new Uint8Array(model.cookCount);
    const tables: Table[] = [];
    const joint: Float64Array[] = [];
    const share: Int32Array[] = [];
    for (let k = 0; k < model.cookCount; k++) {
      if (!model.eats[k]) continue;
      tables.push(new Table(model, k, width, minutes));
      const length = ((width - 1) * tables.length + 1) * PLACES;
      joint.push(new Float64Array(length));
      share.push(new Int32Array(length));
    }
    this.tables = fixed(tables);
    this.joint = fixed(joint);
    this.share = fixed(share);
    this.away = new Int32Array(courses.length);
    const most = new Int32Array(courses.length);
    for (let c = 0; c < courses.length; c++) most[c] = tables.length * mostAway(courses[c]!);
    this.mostAway = most;
  }

  /** Has `price` be what is paid for hands that have to be those of one cook. */
  askFor(cook: number, price: Float64Array): void {
    this.own[cook] = price;
    this.isAsked[cook] = 1;
  }

  /**
   * Least cost of minutes given, less what is paid for them; what tables add is told by `tableCost`. Nothing is paid outside slots
   * [from, to), nor in [quietFrom, quietTo).
   */
  cost(
    price: Float64Array,
    evening: Evening,
    from: number,
    to: number,
    quietFrom: number = to,
    quietTo: number = to,
  ): f64 {
    const { model, cooks, dayStart, byFirst } = this;
    const { zero, weights } = model;
    const { firstLow } = evening;
    let total: f64 = 0;
    const night = Math.min(to, dayStart);
    for (let m = from; m < night; m++) {
      if (m === quietFrom) m = quietTo;
      if (m < night) total -= Math.max(0, price[m]!) * cooks[m]!;
    }
    let later: f64 = 0;
    let best: f64 = Infinity;
    for (let m = zero; m >= firstLow; m--) {
      if (m < zero && m >= from && (m < quietFrom || m >= quietTo))
        later -= Math.max(0, price[m]!) * cooks[m]!;
      const value = later + weights.day * (zero - m);
      byFirst[m - dayStart] = value;
      if (m > evening.firstHigh || value >= best) continue;
      best = value;
      this.first = m;
    }
    total += best;
    for (let m = zero; m < to; m++) total -= Math.max(0, price[m]!) * cooks[m]!;
    for (let m = firstLow; m <= zero; m++) byFirst[m - dayStart]! += total - best;
    return total;
  }

  /** After `cost`: fills `given` and `away` with a cheapest answer where courses are served at those slots. */
  answer(price: Float64Array, evening: Evening, from: number, to: number, serve: Int32Array): void {
    const { given, cooks, dayStart, first } = this;
    given.fill(0);
    this.seated.fill(0);
    for (let m = from; m < Math.min(to, dayStart); m++) given[m] = cooks[m]!;
    for (let m = first; m < to; m++) given[m] = cooks[m]!;
    for (let k = 0; k < this.ownGiven.length; k++) {
      if (this.isAsked[k] === 0) continue;
      const calendar = this.model.calendars[k]!;
      const row = this.ownGiven[k]!;
      for (let m = from; m < to; m++) row[m] = hasBit(calendar, m) ? 1 : 0;
    }
    for (let c = 0; c < serve.length; c++) this.sitDown(c, serve[c]!, price, evening);
  }

  /**
   * What minutes away from the table of course `c`, served at slot `at`, add: the cheapest shares of them among the cooks
   * who eat. Infinity where there are none.
   */
  tableCost(c: number, at: number, price: Float64Array, evening: Evening): f64 {
    const { model, tables, cooks } = this;
    this.used = 0;
    this.isPaid = false;
    if (tables.length === 0) return 0;
    const up = at + model.courses[c]!.eating;
    const most = Math.min(mostAway(model.courses[c]!), evening.awayHigh[c]!);
    this.most = most;
    let free: f64 = 0;
    for (const table of tables) {
      const calendar = model.calendars[table.cook]!;
      const own = this.own[table.cook]!;
      for (let m = at; m < up; m++) {
        if (!hasBit(calendar, m)) continue;
        free += Math.max(0, price[m]!) + own[m]!;
        if (price[m]! + own[m]! > 0 || evening.forced[m]! >= cooks[m]!) this.isPaid = true;
      }
    }
    const low = evening.awayLow[c]!;
    if (!this.isPaid && low === 0) return free;
    this.isPaid = true;
    const counted = this.countedTrips(c, most, evening);
    for (let n = 0; n < tables.length; n++) {
      const table = tables[n]!;
      table.read(at, up, most, price, this.own[table.cook]!, evening, cooks, counted);
      this.join(n, most);
    }
    return free + this.leastJoint(c, most, evening);
  }

  /** How many trips have to be told apart: the most that any number of minutes away needs at least. */
  private countedTrips(c: number, most: number, evening: Evening): number {
    const { trips } = evening;
    let counted = 0;
    for (let u = 0; u <= most; u++) counted = Math.max(counted, trips[c * this.width + u]!);
    return Math.min(counted, MOST_TRIPS);
  }

  /** Finds what the first `n + 1` cooks cost together from what the first `n` do, each away for `most` minutes at most. */
  private join(n: number, most: number): void {
    const { joint, share } = this;
    const { least, counted } = this.tables[n]!;
    const all = joint[n]!;
    const places = share[n]!;
    const width = most + 1;
    if (n === 0) {
      for (let x = 0; x < width * (counted + 1); x++) {
        all[x] = least[x]!;
        places[x] = x;
      }
      return;
    }
    const before = joint[n - 1]!;
    const beforeWidth = most * n + 1;
    const allWidth = beforeWidth + most;
    all.fill(Infinity, 0, allWidth * (counted + 1));
    for (let a = 0; a <= counted; a++) {
      for (let b = 0; b <= counted; b++) {
        const off = Math.min(counted, a + b) * allWidth;
        for (let x = 0; x < beforeWidth; x++) {
          const first = before[a * beforeWidth + x]!;
          if (first === Infinity) continue;
          for (let y = 0; y < width; y++) {
            const cost = first + least[b * width + y]!;
            if (cost >= all[off + x + y]!) continue;
            all[off + x + y] = cost;
            places[off + x + y] = a * PLACES * width + b * width + y;
          }
        }
      }
    }
  }

  /** The least cost of all cooks together, with as many trips as their minutes need; Infinity where there is none. */
  private leastJoint(c: number, most: number, evening: Evening): f64 {
    const { awayLow, awayHigh, trips } = evening;
    const n = this.tables.length - 1;
    const all = this.joint[n]!;
    const { counted } = this.tables[n]!;
    const last = most * (n + 1);
    let best: f64 = Infinity;
    for (let u = awayLow[c]!; u <= Math.min(last, awayHigh[c]!); u++) {
      const fewest = u > most ? 0 : Math.min(counted, trips[c * this.width + u]!);
      for (let made = fewest; made <= counted; made++) {
        if (all[made * (last + 1) + u]! >= best) continue;
        best = all[made * (last + 1) + u]!;
        this.used = u;
        this.made = made;
      }
    }
    return best;
  }

  /** Takes out of `given` what the cooks spend at the table of course `c`, served at slot `at`. */
  private sitDown(c: number, at: number, price: Float64Array, evening: Evening): void {
    const { model, tables, share, given } = this;
    const up = at + model.courses[c]!.eating;
    const cost = this.tableCost(c, at, price, evening);
    this.away[c] = this.used;
    if (tables.length === model.cookCount) this.seated.fill(1, at, up);
    for (const table of tables) {
      const calendar = model.calendars[table.cook]!;
      for (let m = at; m < up; m++) if (hasBit(calendar, m)) given[m]! -= 1;
      this.ownGiven[table.cook]!.fill(0, at, up);
    }
    if (!this.isPaid || cost === Infinity) return;
    const { most } = this;
    const width = most + 1;
    let left = this.used;
    let made = this.made;
    for (let n = tables.length - 1; n >= 0; n--) {
      const part = share[n]![made * (most * (n + 1) + 1) + left]!;
      const place = part % (PLACES * width);
      tables[n]!.give(at, up, place, given, this.ownGiven[tables[n]!.cook]!);
      left -= place % width;
      made = (part / (PLACES * width)) | 0;
    }
  }
}

function mostAway(course: CourseModel): number {
  return Math.min(course.away, course.eating);
}

/** True where minutes of hands during a course are minutes away from its table: everybody eats. */
export function allEat(model: Model): boolean {
  for (let k = 0; k < model.cookCount; k++) if (!model.eats[k]) return false;
  return true;
}
