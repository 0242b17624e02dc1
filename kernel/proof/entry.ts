import { Model } from '../model';
import { isOver, received } from '../model/entry';
import { Climb } from './climb';
import { Relaxation } from './relaxation';
import { Evening } from './supply';
import { Tree } from './tree';

// What the host calls; see `core/proof/kernel/kernel.ts`. Addresses are bytes in the kernel's memory.

/** One relaxation with what the host writes before it asks: the domain, the evening, the starts open to each option. */
class Desk {
  relaxation: Relaxation;
  climb: Climb;
  domain: StaticArray<u8>;
  evening: Evening;
  firsts: StaticArray<i32>;
  lasts: StaticArray<i32>;
  shortest: StaticArray<i32>;
  longest: StaticArray<i32>;
  checkFrom: StaticArray<i32>;
  checkTo: StaticArray<i32>;

  constructor(tree: Tree) {
    const slots = tree.model.slots;
    const count = tree.model.courses.length;
    const evening = new Evening();
    evening.serveLow = new StaticArray<i32>(count);
    evening.serveHigh = new StaticArray<i32>(count);
    evening.forced = new StaticArray<u8>(slots);
    evening.awayLow = new StaticArray<i32>(count);
    evening.awayHigh = new StaticArray<i32>(count);
    this.evening = evening;
    const relaxation = new Relaxation(tree);
    evening.trips = new StaticArray<i32>(count * relaxation.supply.width);
    this.relaxation = relaxation;
    this.climb = new Climb(relaxation);
    this.domain = new StaticArray<u8>(tree.size);
    this.firsts = new StaticArray<i32>(tree.optionCount);
    this.lasts = new StaticArray<i32>(tree.optionCount);
    this.shortest = new StaticArray<i32>(tree.optionCount);
    this.longest = new StaticArray<i32>(tree.optionCount);
    this.checkFrom = new StaticArray<i32>(tree.checkCount);
    this.checkTo = new StaticArray<i32>(tree.checkCount);
  }
}

const desks: Array<Desk> = [];

/** Builds a relaxation for each of the trees that were written. */
export function openRelaxations(): void {
  const parcel = received();
  const model = new Model(parcel);
  for (let left = parcel.int(); left > 0; left--) desks.push(new Desk(new Tree(model, parcel)));
}

/** Takes over which starts are open, when the day's work may begin, and where the dinner lies. */
export function lookAt(
  d: i32,
  firstLow: i32,
  firstHigh: i32,
  from: i32,
  to: i32,
  quietFrom: i32,
  quietTo: i32,
): void {
  const desk = desks[d];
  const options = desk.relaxation.tree.options;
  for (let i = 0; i < options.length; i++) {
    const own = options[i];
    for (let k = 0; k < own.length; k++) {
      const option = own[k];
      option.first = desk.firsts[option.number];
      option.last = desk.lasts[option.number];
      option.shortest = desk.shortest[option.number];
      option.longest = desk.longest[option.number];
      for (let m = 0; m < option.checks.length; m++) {
        const check = option.checks[m];
        check.from = desk.checkFrom[check.number];
        check.to = desk.checkTo[check.number];
      }
    }
  }
  desk.evening.firstLow = firstLow;
  desk.evening.firstHigh = firstHigh;
  desk.relaxation.demand.from = from;
  desk.relaxation.demand.to = to;
  desk.relaxation.demand.quietFrom = quietFrom;
  desk.relaxation.demand.quietTo = quietTo;
}

export function bound(d: i32): f64 {
  return desks[d].relaxation.bound(desks[d].domain, desks[d].evening);
}

export function ruleOut(d: i32, limit: f64): bool {
  return desks[d].relaxation.ruleOut(desks[d].domain, desks[d].evening, limit);
}

export function countUse(d: i32): void {
  desks[d].relaxation.countUse();
}

export function beginClimb(d: i32, length: f64): void {
  desks[d].climb.beginClimb(length);
}

export function climb(d: i32, target: f64, rounds: i32): i32 {
  return desks[d].climb.climb(desks[d].domain, desks[d].evening, target, rounds, isOver);
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
      return changetype<usize>(desk.domain);
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
      return changetype<usize>(desk.shortest);
    case 19:
      return changetype<usize>(desk.longest);
    case 20:
      return changetype<usize>(desk.checkFrom);
    case 21:
      return changetype<usize>(desk.checkTo);
    default:
      return changetype<usize>(demand.taken);
  }
}

export function priceOf(d: i32, resource: i32): usize {
  return changetype<usize>(desks[d].relaxation.demand.resourcePrice[resource]);
}

export function useOf(d: i32, resource: i32): usize {
  return changetype<usize>(desks[d].relaxation.resourceUse[resource]);
}
