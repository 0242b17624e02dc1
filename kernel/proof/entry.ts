import { Model } from '../model';
import { isOver, received } from '../model/entry';
import { Climb } from './climb';
import { Known } from './known';
import { Narrower } from './narrow';
import { NO_ORDER, Part } from './part';
import { Relaxation } from './relaxation';
import { Evening } from './supply';
import { Tree } from './tree';

// What the host calls; see `core/proof/kernel/kernel.ts`. Addresses are bytes in the kernel's memory.

/** One relaxation and what narrows its parts, with what the host writes before it asks: the part in hand, the evening, the starts open to each option. */
class Desk {
  relaxation: Relaxation;
  climb: Climb;
  part: Part;
  known: Known;
  narrower: Narrower;
  evening: Evening;
  firsts: StaticArray<i32>;
  lasts: StaticArray<i32>;

  constructor(tree: Tree) {
    const count = tree.model.courses.length;
    const relaxation = new Relaxation(tree);
    const supply = relaxation.supply;
    const known = new Known(tree);
    const narrower = new Narrower(tree, supply.cooks, supply.dayStart, supply.width, known);
    const part = new Part(
      new StaticArray<u8>(tree.size),
      0,
      0,
      new StaticArray<i32>(count),
      new StaticArray<i32>(count),
      new StaticArray<i32>(tree.checkCount),
      new StaticArray<i32>(tree.checkCount),
      new StaticArray<i32>(tree.optionCount),
      new StaticArray<i32>(tree.optionCount),
      new StaticArray<i32>(0),
    );
    const evening = new Evening();
    evening.able = narrower.work.minutes;
    evening.serveLow = known.serveLow;
    evening.serveHigh = known.serveHigh;
    evening.forced = known.forced;
    evening.awayLow = part.awayLow;
    evening.awayHigh = part.awayHigh;
    evening.trips = narrower.tables.trips;
    this.relaxation = relaxation;
    this.climb = new Climb(relaxation);
    this.part = part;
    this.known = known;
    this.narrower = narrower;
    this.evening = evening;
    this.firsts = new StaticArray<i32>(tree.optionCount);
    this.lasts = new StaticArray<i32>(tree.optionCount);
  }
}

const desks: Array<Desk> = [];

/** Builds a relaxation for each of the trees that were written. */
export function openRelaxations(): void {
  const parcel = received();
  const model = new Model(parcel);
  for (let left = parcel.int(); left > 0; left--) desks.push(new Desk(new Tree(model, parcel)));
}

/** Room for so many numbers of orders; returns where they are to be written. What is not needed says that there are no more. */
export function roomForOrders(d: i32, length: i32): usize {
  const part = desks[d].part;
  if (part.orders.length < length) part.orders = new StaticArray<i32>(2 * length);
  for (let x = length; x < part.orders.length; x++) part.orders[x] = NO_ORDER;
  return changetype<usize>(part.orders);
}

/** Narrows the part that was written; false where nothing is left. */
export function narrow(d: i32, firstLow: i32, firstHigh: i32, isAsLeft: bool): bool {
  const desk = desks[d];
  desk.part.firstLow = firstLow;
  desk.part.firstHigh = firstHigh;
  if (!desk.narrower.narrow(desk.part, isAsLeft)) return false;
  const options = desk.relaxation.tree.allOptions;
  for (let n = 0; n < options.length; n++) {
    desk.firsts[n] = options[n].first;
    desk.lasts[n] = options[n].last;
  }
  return true;
}

export function partFirstLow(d: i32): i32 {
  return desks[d].part.firstLow;
}

export function partFirstHigh(d: i32): i32 {
  return desks[d].part.firstHigh;
}

export function knownFrom(d: i32): i32 {
  return desks[d].known.from;
}

export function knownTo(d: i32): i32 {
  return desks[d].known.to;
}

export function quietFrom(d: i32): i32 {
  return desks[d].narrower.work.quietFrom;
}

export function quietTo(d: i32): i32 {
  return desks[d].narrower.work.quietTo;
}

export function tripsAt(d: i32, option: i32, s: i32, down: i32, up: i32, minutes: i32): i32 {
  const own = desks[d].relaxation.tree.allOptions[option];
  return desks[d].narrower.tables.tripsAt(own, s, down, up, minutes);
}

/** Takes over which starts are open to each option, and for how long and when it may pause or be looked at. */
export function lookAt(d: i32): void {
  const desk = desks[d];
  const part = desk.part;
  const options = desk.relaxation.tree.allOptions;
  for (let n = 0; n < options.length; n++) {
    const option = options[n];
    option.first = desk.firsts[n];
    option.last = desk.lasts[n];
    option.shortest = part.pauseLow[n];
    option.longest = part.pauseHigh[n];
    for (let m = 0; m < option.checks.length; m++) {
      const check = option.checks[m];
      check.from = part.checkLow[check.number];
      check.to = part.checkHigh[check.number];
    }
  }
}

/** Takes over when the day's work may begin, and where the dinner lies. */
export function span(
  d: i32,
  firstLow: i32,
  firstHigh: i32,
  from: i32,
  to: i32,
  quietFrom: i32,
  quietTo: i32,
): void {
  const desk = desks[d];
  desk.evening.firstLow = firstLow;
  desk.evening.firstHigh = firstHigh;
  desk.relaxation.demand.from = from;
  desk.relaxation.demand.to = to;
  desk.relaxation.demand.quietFrom = quietFrom;
  desk.relaxation.demand.quietTo = quietTo;
}

export function bound(d: i32): f64 {
  return desks[d].relaxation.bound(desks[d].part.domain, desks[d].evening);
}

export function ruleOut(d: i32, limit: f64): bool {
  return desks[d].relaxation.ruleOut(desks[d].part.domain, desks[d].evening, limit);
}

export function countUse(d: i32): void {
  desks[d].relaxation.countUse();
}

export function beginClimb(d: i32, length: f64): void {
  desks[d].climb.beginClimb(length);
}

export function climb(d: i32, target: f64, rounds: i32): i32 {
  return desks[d].climb.climb(desks[d].part.domain, desks[d].evening, target, rounds, isOver);
}

export function climbed(d: i32): f64 {
  return desks[d].climb.best;
}

export function work(d: i32): f64 {
  return desks[d].relaxation.demand.work;
}

export function firstLow(d: i32): i32 {
  return desks[d].evening.firstLow;
}

export function firstHigh(d: i32): i32 {
  return desks[d].evening.firstHigh;
}

export function firstOfDay(d: i32): i32 {
  return desks[d].relaxation.supply.first;
}

/** Where the host writes before it asks and reads after, in the order of `PLACES` in `core/proof/kernel/kernel.ts`. */
export function placeOf(d: i32, what: i32): usize {
  const desk = desks[d];
  const relaxation = desk.relaxation;
  const evening = desk.evening;
  const demand = relaxation.demand;
  const supply = relaxation.supply;
  switch (what) {
    case 0:
      return changetype<usize>(desk.part.domain);
    case 1:
      return changetype<usize>(evening.serveLow);
    case 2:
      return changetype<usize>(evening.serveHigh);
    case 3:
      return changetype<usize>(evening.forced);
    case 4:
      return changetype<usize>(evening.awayLow);
    case 5:
      return changetype<usize>(evening.awayHigh);
    case 6:
      return changetype<usize>(desk.firsts);
    case 7:
      return changetype<usize>(desk.lasts);
    case 8:
      return changetype<usize>(demand.price);
    case 9:
      return changetype<usize>(demand.chosen);
    case 10:
      return changetype<usize>(demand.start);
    case 11:
      return changetype<usize>(demand.pause);
    case 12:
      return changetype<usize>(demand.serve);
    case 13:
      return changetype<usize>(supply.given);
    case 14:
      return changetype<usize>(supply.away);
    case 15:
      return changetype<usize>(relaxation.use);
    case 16:
      return changetype<usize>(demand.queueing.share);
    case 17:
      return changetype<usize>(evening.trips);
    case 18:
      return changetype<usize>(demand.taken);
    case 19:
      return changetype<usize>(desk.part.checkLow);
    case 20:
      return changetype<usize>(desk.part.checkHigh);
    case 21:
      return changetype<usize>(desk.part.pauseLow);
    case 22:
      return changetype<usize>(desk.part.pauseHigh);
    case 23:
      return changetype<usize>(desk.known.minStart);
    case 24:
      return changetype<usize>(desk.known.maxStart);
    case 25:
      return changetype<usize>(evening.able);
    case 26:
      return changetype<usize>(demand.queueing.least);
    case 27:
      return changetype<usize>(desk.known.minEnd);
    case 28:
      return changetype<usize>(desk.known.maxEnd);
    default:
      return changetype<usize>(demand.linkShares.share);
  }
}

export function priceOf(d: i32, resource: i32): usize {
  return changetype<usize>(desks[d].relaxation.demand.resourcePrice[resource]);
}

export function useOf(d: i32, resource: i32): usize {
  return changetype<usize>(desks[d].relaxation.resourceUse[resource]);
}
