import type { f64 } from '../model';
import type { Demand } from './demand';
import type { Option } from './options';
import { guestFirst, guestLast, parentStart } from './spans';
import { NEVER } from './waiting';

/** The relaxed answer itself: which option, start and pause of each step, and which serving slots, cost least. */
export class Answer {
  /** The least cost of a start or an end of the step in hand, and its place. */
  private best: f64 = 0;
  private at = 0;

  constructor(private readonly demand: Demand) {}

  /** After `Demand.cost`: fills its `chosen`, `start`, `pause` and `serve` with a cheapest answer. */
  find(): void {
    const { service, serve, tree } = this.demand;
    service.answer(serve);
    for (let x = tree.order.length - 1; x >= 0; x--) this.findStep(tree.order[x]!);
  }

  private findStep(i: number): void {
    const { demand } = this;
    const { tree, start, pause } = demand;
    const { kind } = tree.branches[i]!;
    const isByStart = kind === 'none' || kind === 'inside';
    this.best = Infinity;
    for (const option of tree.options[i]!) {
      if (option.last < option.first) continue;
      const before = this.best;
      if (isByStart) this.offerStarts(option);
      else this.offerEnds(option);
      if (this.best < before) demand.chosen[i] = option.index;
    }
    if (this.best === Infinity) return;
    const option = demand.option(i);
    pause[i] = 0;
    if (option.reach > 0)
      pause[i] = isByStart ? demand.paused[option.number]!.bestPause(this.at) : this.pauseTo(option, this.at);
    start[i] = option.low + this.at - (isByStart ? 0 : pause[i]!);
  }

  /** Starts of a step that hangs on nothing, or on its host. */
  private offerStarts(option: Option): void {
    const { demand } = this;
    const { tree, start } = demand;
    const { kind, parent } = tree.branches[option.activity]!;
    const { low } = option;
    let first = option.first;
    let last = option.last;
    if (kind === 'inside') {
      const host = demand.option(parent);
      first = Math.max(first, start[parent]! + guestFirst(tree.model, option, host) - low);
      last = Math.min(last, start[parent]! + guestLast(tree.model, option, host) - low);
    }
    for (let k = first; k <= last; k++) this.offer(k, demand.atStart(option, k));
  }

  /** Ends of a step that leads to another, or to the plates. */
  private offerEnds(option: Option): void {
    const { demand } = this;
    const { ends, reach } = option;
    const at = parentStart(demand.tree, option.activity, demand.start, demand.serve);
    const endsLow = option.low + option.mode.duration;
    const losesBeside = demand.beside.begin(option);
    for (const piece of option.pieces) {
      const { from, to, base, slope } = piece;
      const last = Math.min(option.last + reach, at - from - endsLow);
      for (let k = Math.max(option.first, at - to - endsLow); k <= last; k++) {
        if (ends[k]! >= NEVER) continue;
        const waited = at - endsLow - k;
        let extra: f64 = 0;
        if (option.keeps)
          extra = demand.usePrice(option, at, true) - demand.usePrice(option, endsLow + k, true);
        else if (losesBeside) extra = demand.beside.more(option, endsLow + k, piece, waited);
        this.offer(k, ends[k]! + base + slope * waited + extra);
      }
    }
  }

  private offer(k: number, cost: f64): void {
    if (cost >= this.best) return;
    this.best = cost;
    this.at = k;
  }

  /** The pause with which work that ends at `k` costs least. */
  private pauseTo(option: Option, k: number): number {
    const paused = this.demand.paused[option.number]!;
    let pause = 0;
    let least: f64 = Infinity;
    for (let q = Math.max(0, k - option.last); q <= Math.min(option.reach, k - option.first); q++) {
      const here = option.up[k - q]! + paused.cost(k - q, q);
      if (here >= least) continue;
      least = here;
      pause = q;
    }
    return pause;
  }
}
