import type { Bits } from '../bits';
import type { Activity, Configuration, CourseModel, Mode, Model } from '../model';

/** A model as a row of numbers, in the order in which `kernel/model/model.ts` reads it. */
export function packModel(
  model: Model,
  calendarStarts: readonly Bits[],
  configurations: readonly Configuration[],
  first: Configuration,
): Row {
  const row = new Row();
  const { slots, words, zero, arrive, stepCount, cookCount, firstFree, stretchCount, weights: w } = model;
  row.add(slots, words, zero, arrive, stepCount, cookCount, firstFree, stretchCount);
  row.add(w.wait, w.rushed, w.away, w.trips, w.held, w.gains, w.sameDay, w.welcome, w.day, w.ways);
  row.list(model.ovenUsers);
  row.list(model.eats.map(Number));
  row.each(model.calendars, (bits) => row.list(bits));
  row.list(model.watched);
  row.each(model.dishWays, (ways) => row.list(ways));
  row.list([...model.directly]);
  row.each(calendarStarts, (bits) => row.list(bits));
  row.add(configurations.indexOf(first));
  row.each(model.activities, (activity) => addActivity(row, activity));
  row.each(model.courses, (course) => addCourse(row, course));
  row.each(model.ovens, ({ shelves, heats, cools }) => row.add(shelves, heats, cools));
  row.each(model.things, ({ capacity, wash, users }) => {
    row.add(capacity, wash);
    row.list(users);
  });
  row.each(configurations, (configuration) => addConfiguration(row, configuration));
  return row;
}

/** A row of numbers to be read from front to back. */
export class Row {
  readonly numbers: number[] = [];

  add(...numbers: number[]): void {
    this.numbers.push(...numbers);
  }

  /** How many, then each. */
  list(numbers: ArrayLike<number>): void {
    this.numbers.push(numbers.length);
    for (let k = 0; k < numbers.length; k++) this.numbers.push(numbers[k]!);
  }

  each<T>(items: readonly T[], add: (item: T) => void): void {
    this.numbers.push(items.length);
    items.forEach(add);
  }
}

function addCourse(row: Row, c: CourseModel): void {
  row.add(c.eating, c.plating, c.clearing, c.least, c.ideal, c.most, c.away);
  row.add(c.platingActivity, c.clearingActivity);
}

const ROLES = ['step', 'plating', 'clearing'];

function addActivity(row: Row, a: Activity): void {
  row.add(a.index, a.dish, a.course, ROLES.indexOf(a.role), a.minDuration, a.maxDuration, a.who, a.pin);
  row.add(Number(a.fromEnd), a.offset, a.slack, a.firstStretch, a.maxStretches);
  row.each(a.modes, (mode) => addMode(row, mode));
}

function addMode(row: Row, m: Mode): void {
  row.add(Number(m.isHands), m.duration, m.hands, m.touchIn, m.touchOut, m.checks, m.every, m.takes, m.slack);
  row.add(Number(m.pausable), Number(m.stay), m.most, m.best, m.gainsUntil, m.gainsPoints, m.points);
  row.add(Number(m.usesOven), m.celsius, m.coldest, m.hottest, m.shelves);
  row.each(m.things, ({ thing, count, kept }) => row.add(thing, count, Number(kept)));
}

function addConfiguration(row: Row, c: Configuration): void {
  row.list(c.ways);
  row.add(c.points);
  row.list(c.active);
  row.list(c.members);
  row.list(c.plates);
  row.list(c.hosts);
  row.each(c.guests, (guests) => row.list(guests));
  row.list(c.earliest);
  row.list(c.latest);
  row.add(Number(c.possible));
  const links = c.after.flat();
  for (const after of c.after) row.each(after, ({ from, to, least, most }) => row.add(from, to, least, most));
  for (const before of c.before) row.each(before, (link) => row.add(links.indexOf(link)));
}
