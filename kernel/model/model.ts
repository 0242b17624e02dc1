import { Bits } from './bits';
import { fixed } from './machine';
import { Parcel } from './parcel';

/** What the search reads of the model, in the order in which `core/model/kernel/pack.ts` writes it. */

export class ThingUse {
  thing: i32;
  count: i32;
  kept: bool;

  constructor(from: Parcel) {
    this.thing = from.int();
    this.count = from.int();
    this.kept = from.flag();
  }
}

export class Mode {
  isHands: bool;
  duration: i32;
  hands: i32;
  touchIn: i32;
  touchOut: i32;
  checks: i32;
  every: i32;
  takes: i32;
  slack: i32;
  pausable: bool;
  stay: bool;
  most: i32;
  best: i32;
  gainsUntil: i32;
  gainsPoints: f64;
  points: f64;
  usesOven: bool;
  celsius: f64;
  coldest: f64;
  hottest: f64;
  shelves: i32;
  things: StaticArray<ThingUse>;

  constructor(from: Parcel) {
    this.isHands = from.flag();
    this.duration = from.int();
    this.hands = from.int();
    this.touchIn = from.int();
    this.touchOut = from.int();
    this.checks = from.int();
    this.every = from.int();
    this.takes = from.int();
    this.slack = from.int();
    this.pausable = from.flag();
    this.stay = from.flag();
    this.most = from.int();
    this.best = from.int();
    this.gainsUntil = from.int();
    this.gainsPoints = from.real();
    this.points = from.real();
    this.usesOven = from.flag();
    this.celsius = from.real();
    this.coldest = from.real();
    this.hottest = from.real();
    this.shelves = from.int();
    const things = new Array<ThingUse>();
    for (let left = from.int(); left > 0; left--) things.push(new ThingUse(from));
    this.things = fixed(things);
  }
}

export class Activity {
  index: i32;
  dish: i32;
  course: i32;
  role: string;
  modes: StaticArray<Mode>;
  minDuration: i32;
  maxDuration: i32;
  who: i32;
  pin: i32;
  fromEnd: bool;
  offset: i32;
  slack: i32;
  firstStretch: i32;
  maxStretches: i32;

  constructor(from: Parcel) {
    this.index = from.int();
    this.dish = from.int();
    this.course = from.int();
    const role = from.int();
    this.role = role == 0 ? 'step' : role == 1 ? 'plating' : 'clearing';
    this.minDuration = from.int();
    this.maxDuration = from.int();
    this.who = from.int();
    this.pin = from.int();
    this.fromEnd = from.flag();
    this.offset = from.int();
    this.slack = from.int();
    this.firstStretch = from.int();
    this.maxStretches = from.int();
    const modes = new Array<Mode>();
    for (let left = from.int(); left > 0; left--) modes.push(new Mode(from));
    this.modes = fixed(modes);
  }
}

export class CourseModel {
  eating: i32;
  plating: i32;
  clearing: i32;
  least: i32;
  ideal: i32;
  most: i32;
  away: i32;
  platingActivity: i32;
  clearingActivity: i32;

  constructor(from: Parcel) {
    this.eating = from.int();
    this.plating = from.int();
    this.clearing = from.int();
    this.least = from.int();
    this.ideal = from.int();
    this.most = from.int();
    this.away = from.int();
    this.platingActivity = from.int();
    this.clearingActivity = from.int();
  }
}

export class OvenModel {
  shelves: i32;
  heats: f64;
  cools: f64;

  constructor(from: Parcel) {
    this.shelves = from.int();
    this.heats = from.real();
    this.cools = from.real();
  }
}

export class Thing {
  capacity: i32;
  wash: i32;
  users: StaticArray<i32>;

  constructor(from: Parcel) {
    this.capacity = from.int();
    this.wash = from.int();
    this.users = from.row();
  }
}

export class Weights {
  wait: f64;
  rushed: f64;
  away: f64;
  trips: f64;
  held: f64;
  gains: f64;
  sameDay: f64;
  welcome: f64;
  day: f64;
  ways: f64;

  constructor(from: Parcel) {
    this.wait = from.real();
    this.rushed = from.real();
    this.away = from.real();
    this.trips = from.real();
    this.held = from.real();
    this.gains = from.real();
    this.sameDay = from.real();
    this.welcome = from.real();
    this.day = from.real();
    this.ways = from.real();
  }
}

export class Link {
  from: i32;
  to: i32;
  least: i32;
  most: i32;

  constructor(from: Parcel) {
    this.from = from.int();
    this.to = from.int();
    this.least = from.int();
    this.most = from.int();
  }
}

export class Configuration {
  index: i32;
  ways: StaticArray<i32>;
  points: f64;
  active: StaticArray<i32>;
  members: StaticArray<i32>;
  before: StaticArray<StaticArray<Link>>;
  after: StaticArray<StaticArray<Link>>;
  plates: StaticArray<i32>;
  hosts: StaticArray<i32>;
  guests: StaticArray<StaticArray<i32>>;
  earliest: StaticArray<i32>;
  latest: StaticArray<i32>;
  possible: bool;

  constructor(index: i32, from: Parcel) {
    this.index = index;
    this.ways = from.row();
    this.points = from.real();
    const active = from.row();
    this.active = active;
    this.members = from.row();
    this.plates = from.row();
    this.hosts = from.row();
    this.guests = from.rows();
    this.earliest = from.row();
    this.latest = from.row();
    this.possible = from.flag();
    const count = active.length;
    // In the order of `after`; that of `before` need not be the same, so it is told beside it.
    const links = new Array<Link>();
    const after = new StaticArray<StaticArray<Link>>(count);
    for (let i = 0; i < count; i++) {
      const list = new StaticArray<Link>(from.int());
      for (let k = 0; k < list.length; k++) {
        const link = new Link(from);
        links.push(link);
        list[k] = link;
      }
      after[i] = list;
    }
    this.after = after;
    const before = new StaticArray<StaticArray<Link>>(count);
    for (let i = 0; i < count; i++) {
      const list = new StaticArray<Link>(from.int());
      for (let k = 0; k < list.length; k++) list[k] = links[from.int()];
      before[i] = list;
    }
    this.before = before;
  }
}

export class Model {
  slots: i32;
  words: i32;
  zero: i32;
  arrive: i32;
  stepCount: i32;
  cookCount: i32;
  firstFree: i32;
  stretchCount: i32;
  weights: Weights;
  activities: StaticArray<Activity>;
  courses: StaticArray<CourseModel>;
  ovens: StaticArray<OvenModel>;
  things: StaticArray<Thing>;
  ovenUsers: StaticArray<i32>;
  eats: StaticArray<i32>;
  calendars: StaticArray<Bits>;
  watched: Bits;
  dishWays: StaticArray<StaticArray<i32>>;
  directly: StaticArray<i32>;
  calendarStarts: StaticArray<Bits>;
  configurations: StaticArray<Configuration>;
  /** Which of the configurations a search begins with. */
  firstConfiguration: i32;

  constructor(from: Parcel) {
    this.slots = from.int();
    this.words = from.int();
    this.zero = from.int();
    this.arrive = from.int();
    this.stepCount = from.int();
    this.cookCount = from.int();
    this.firstFree = from.int();
    this.stretchCount = from.int();
    this.weights = new Weights(from);
    this.ovenUsers = from.row();
    this.eats = from.row();
    this.calendars = from.rows();
    this.watched = from.row();
    this.dishWays = from.rows();
    this.directly = from.row();
    this.calendarStarts = from.rows();
    this.firstConfiguration = from.int();
    const activities = new Array<Activity>();
    for (let left = from.int(); left > 0; left--) activities.push(new Activity(from));
    this.activities = fixed(activities);
    const courses = new Array<CourseModel>();
    for (let left = from.int(); left > 0; left--) courses.push(new CourseModel(from));
    this.courses = fixed(courses);
    const ovens = new Array<OvenModel>();
    for (let left = from.int(); left > 0; left--) ovens.push(new OvenModel(from));
    this.ovens = fixed(ovens);
    const things = new Array<Thing>();
    for (let left = from.int(); left > 0; left--) things.push(new Thing(from));
    this.things = fixed(things);
    const count = from.int();
    const configurations = new StaticArray<Configuration>(count);
    for (let k = 0; k < count; k++) configurations[k] = new Configuration(k, from);
    this.configurations = configurations;
  }
}
