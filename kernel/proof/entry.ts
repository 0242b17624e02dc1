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
  domain: Uint8Array;
  evening: Evening;
  firsts: Int32Array;
  lasts: Int32Array;
  shortest: Int32Array;
  longest: Int32Array;
  checkFrom: Int32Array;
  checkTo: Int32Array;

  constructor(tree: Tree) {
    const slots = tree.model.slots;
    const count = tree.model.courses.length;
    const evening = new Evening();
    evening.serveLow = new Int32Array(count);
    evening.serveHigh = new Int32Array(count);
    evening.forced = new Uint8Array(slots);
    evening.awayLow = new Int32Array(count);
    evening.awayHigh = new Int32Array(count);
    this.evening = evening;
    const relaxation = new Relaxation(tree);
    evening.trips = new Int32Array(count * relaxation.supply.width);
    this.relaxation = relaxation;
    this.climb = new Climb(relaxation);
    this.domain = new Uint8Array(tree.size);
    this.firsts = new Int32Array(tree.optionCount);
    this.lasts = new Int32Array(tree.optionCount);
    this.shortest = new Int32Array(tree.optionCount);
    this.longest = new Int32Array(tree.optionCount);
    this.checkFrom = new Int32Array(tree.checkCount);
    this.checkTo = new Int32Array(tree.checkCount);
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
export function lookAt(d: i32, firstLow: i32, firstHigh: i32, from: i32, to: i32): void {
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
      return desk.domain.dataStart;
    case 1:
      return evening.serveLow.dataStart;
    case 2:
      return evening.serveHigh.dataStart;
    case 3:
      return evening.forced.dataStart;
    case 4:
      return evening.awayLow.dataStart;
    case 5:
      return evening.awayHigh.dataStart;
    case 6:
      return desk.firsts.dataStart;
    case 7:
      return desk.lasts.dataStart;
    case 8:
      return demand.price.dataStart;
    case 9:
      return demand.chosen.dataStart;
    case 10:
      return demand.start.dataStart;
    case 11:
      return demand.pause.dataStart;
    case 12:
      return demand.serve.dataStart;
    case 13:
      return supply.given.dataStart;
    case 14:
      return supply.away.dataStart;
    case 15:
      return relaxation.use.dataStart;
    case 16:
      return demand.queueing.share.dataStart;
    case 17:
      return evening.trips.dataStart;
    case 18:
      return desk.shortest.dataStart;
    case 19:
      return desk.longest.dataStart;
    case 20:
      return desk.checkFrom.dataStart;
    case 21:
      return desk.checkTo.dataStart;
    default:
      return demand.taken.dataStart;
  }
}

export function priceOf(d: i32, resource: i32): usize {
  return desks[d].relaxation.demand.resourcePrice[resource].dataStart;
}

export function useOf(d: i32, resource: i32): usize {
  return desks[d].relaxation.resourceUse[resource].dataStart;
}
