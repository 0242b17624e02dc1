import { fixed, type f64 } from '../model';
import type { Relaxation } from './relaxation';
import { Rise } from './rise';
import { allEat, type Evening } from './supply';

/** Why a climb stopped. */
export const AT_TOP = 0;
export const TO_REFINE = 1;
export const IMPOSSIBLE = 2;

/** Steps of a climb between two narrowings of the domain. */
const REFINE_EVERY = 8;
/** Steps between two looks at the clock and the work done. */
const LOOK_EVERY = 4;
/** How much of the last direction goes on into the next. */
const MOMENTUM: f64 = 0.8;
/**
 * As near to the cost to beat as this share of it, all minutes take steps by one measure and less goes on: such steps end where
 * the bound is the cost, which the others only come near to.
 */
export const NEAR: f64 = 0.05;
const NEAR_MOMENTUM: f64 = 0.6;
/** After so many steps that do not raise the bound they become shorter, down to a shortest. */
const PATIENCE = 5;
const SHORTER: f64 = 0.75;
const SHORTEST: f64 = 0.01;
/** Where there is so much more time before the day than all work takes, a price there tells nothing and costs time. */
const PLENTY = 3;

/** Raises the bound of a relaxation: prices rise where its cheapest answer uses too much. */
export class Climb {
  /** The best bound so far. */
  best: f64 = 0;
  private readonly hands: Rise;
  private readonly resources: readonly Rise[];
  private readonly shares: Rise;
  private readonly linkShares: Rise;
  /** The first minute whose hands are priced. */
  private readonly scarceFrom: number;
  private length: f64 = 1;
  private idle = 0;
  private round = 0;

  constructor(private readonly relaxation: Relaxation) {
    const { price, resourcePrice, queueing, linkShares } = relaxation.demand;
    this.hands = new Rise(price, Infinity);
    const resources: Rise[] = [];
    for (let r = 0; r < resourcePrice.length; r++) resources.push(new Rise(resourcePrice[r]!, Infinity));
    for (const { resource } of relaxation.tree.shared)
      resources[resource] = new Rise(resourcePrice[resource]!, 1);
    this.resources = fixed(resources);
    this.shares = new Rise(queueing.share, 1);
    this.linkShares = new Rise(linkShares.share, 1);
    this.scarceFrom = scarceFrom(relaxation);
  }

  /** Begins to raise the bound, with steps of a share of the usual length. */
  beginClimb(length: f64): void {
    this.best = -Infinity;
    this.length = length;
    this.idle = 0;
    this.round = 0;
    this.hands.begin();
    for (let r = 0; r < this.resources.length; r++) this.resources[r]!.begin();
    this.shares.begin();
    this.linkShares.begin();
  }

  /**
   * Raises the bound by subgradient steps with a length by Polyak's rule, each minute scaled by how much its excess swings:
   * up to `rounds` of them in all, until `target` is reached, until the domain is to be narrowed, or until it is over.
   */
  climb(domain: Uint8Array, evening: Evening, target: f64, rounds: number, isOver: () => boolean): number {
    this.freeSigns(evening);
    while (this.round < rounds) {
      if (this.round > 0 && this.round % LOOK_EVERY === 0 && isOver()) break;
      const round = this.round++;
      const value = this.relaxation.bound(domain, evening);
      if (value === Infinity) return IMPOSSIBLE;
      if (value > this.best + 1e-9) {
        if (value > this.best + 0.0005 * Math.abs(target - value)) this.idle = 0;
        this.best = value;
        this.hands.keep();
        for (let r = 0; r < this.resources.length; r++) this.resources[r]!.keep();
        this.shares.keep();
        this.linkShares.keep();
        if (value >= target) return AT_TOP;
      } else {
        this.idle += 1;
        if (this.idle >= PATIENCE) {
          this.idle = 0;
          this.length *= SHORTER;
          if (this.length < SHORTEST) break;
        }
      }
      if (round % REFINE_EVERY === REFINE_EVERY - 1) return TO_REFINE;
      this.step(target, value);
    }
    this.hands.takeBest();
    for (let r = 0; r < this.resources.length; r++) this.resources[r]!.takeBest();
    this.shares.takeBest();
    this.linkShares.takeBest();
    return AT_TOP;
  }

  /**
   * Where everybody eats, minutes of work during a course are minutes away from its table, no more and no less: so a minute there
   * may be cheaper than nothing.
   */
  private freeSigns(evening: Evening): void {
    const { serveLow, serveHigh } = evening;
    const { model } = this.relaxation.tree;
    const { least } = this.hands;
    if (!allEat(model)) return;
    least.fill(0);
    for (let c = 0; c < serveLow.length; c++)
      least.fill(-Infinity, serveLow[c]!, serveHigh[c]! + model.courses[c]!.eating);
  }

  private step(target: f64, value: f64): void {
    const { relaxation, hands, resources, shares, linkShares } = this;
    const { demand, supply, use, tree } = relaxation;
    const { from, to, quietFrom, quietTo, queueing, price } = demand;
    relaxation.countUse();
    const isNear = target - value <= NEAR * Math.abs(target);
    const momentum = isNear ? NEAR_MOMENTUM : MOMENTUM;
    hands.beginStep(momentum, isNear);
    let first = Math.max(from, this.scarceFrom);
    if (first >= quietFrom && first < quietTo) first = quietTo;
    for (let m = first; m < to; m++) {
      if (m === quietFrom) m = quietTo;
      const given: f64 = supply.given[m]!;
      let excess: f64 = use[m]! - given;
      if (hands.least[m]! < 0 && price[m]! <= 0 && supply.seated[m] === 0)
        excess = price[m]! < 0 ? use[m]! : Math.max(0, excess);
      hands.turn(m, excess);
    }
    let norm = hands.norm;
    for (let r = 0; r < resources.length; r++) {
      const { cook } = tree.priced[r]!;
      const capacity: f64 = tree.priced[r]!.capacity;
      const used = relaxation.resourceUse[r]!;
      const factor = demand.linkShares.factor[r]!;
      resources[r]!.beginStep(momentum, isNear);
      for (let m = from; m < to; m++) {
        if (m === quietFrom) m = quietTo;
        const most: f64 = cook < 0 ? capacity : supply.ownGiven[cook]![m]!;
        resources[r]!.turn(m, factor * (used[m]! - most));
      }
      norm += resources[r]!.norm;
    }
    const links = demand.linkShares;
    links.compare(demand, relaxation.resourceUse);
    linkShares.beginStep(momentum, isNear);
    const linkCount = links.share.length;
    for (let k = 0; k < linkCount; k++) linkShares.turn(k, links.rise[k]!);
    norm += linkShares.norm;
    shares.beginStep(momentum, isNear);
    const count = queueing.share.length;
    for (let q = 0; q < count; q++) shares.turn(q, queueing.least[q]! - queueing.loss(q, demand));
    norm += shares.norm;
    if (norm < 1e-9) return;
    const scale = (this.length * Math.max(0.01, target - value)) / norm;
    hands.move(first, Math.max(first, quietFrom), scale);
    hands.move(Math.max(first, quietTo), to, scale);
    for (let r = 0; r < resources.length; r++) {
      resources[r]!.move(from, quietFrom, scale);
      resources[r]!.move(quietTo, to, scale);
    }
    shares.move(0, count, scale);
    linkShares.move(0, linkCount, scale);
  }
}

function scarceFrom(relaxation: Relaxation): number {
  const { tree, supply } = relaxation;
  let work = 0;
  for (const i of tree.order) {
    for (const { mode } of tree.options[i]!) {
      work += mode.isHands
        ? mode.hands * mode.duration
        : mode.touchIn + mode.touchOut + mode.checks * mode.takes;
    }
  }
  let before = 0;
  for (let m = 0; m < supply.dayStart; m++) before += supply.cooks[m]!;
  return before > PLENTY * work ? supply.dayStart : 0;
}
