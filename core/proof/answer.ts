import type { f64 } from '../model';
import type { Demand } from './demand';
import type { Option } from './options';
import { guestFirst, guestLast, parentStart } from './spans';
import { NEVER } from './waiting';

/** The relaxed answer itself: which option, start and pause of each step, and which serving slots, cost least. */
export class Answer {
  private best: f64 = 0;

  constructor(private readonly demand: Demand) {}

  /** After `Demand.cost`: fills its `chosen`, `start`, `pause` and `serve` with a cheapest answer. */
  find(): void {
    const { service, serve, tree } = this.demand;
    service.answer(serve);
    for (let x = tree.order.length - 1; x >= 0; x--) this.findStep(tree.order[x]!);
  }

  private offer(option: Option, k: number, pause: number, cost: f64): void {
    if (cost >= this.best) return;
    const { demand } = this;
    const i = option.activity;
    this.best = cost;
    demand.chosen[i] = option.index;
    demand.start[i] = option.low + k;
    demand.pause[i] = pause;
  }

  private findStep(i: number): void {
    const { tree } = this.demand;
    const { kind } = tree.branches[i]!;
    this.best = Infinity;
    for (const option of tree.options[i]!) {
      if (option.last < option.first) continue;
      if (kind === 'none' || kind === 'inside') this.offerStarts(option);
      else this.offerEnds(option);
    }
  }

  /** Starts of a step that hangs on nothing, or on its host. */
  private offerStarts(option: Option): void {
    const { demand } = this;
    const { tree, start } = demand;
    const { kind, parent } = tree.branches[option.activity]!;
    const { reach, low, number } = option;
    let first = option.first;
    let last = option.last;
    if (kind === 'inside') {
      const host = demand.option(parent);
      first = Math.max(first, start[parent]! + guestFirst(tree.model, option, host) - low);
      last = Math.min(last, start[parent]! + guestLast(tree.model, option, host) - low);
    }
    for (let k = first; k <= last; k++) {
      const pause = reach === 0 ? 0 : demand.paused[number]!.bestPause(k);
      this.offer(option, k, pause, demand.atStart(option, k));
    }
  }

  /** Ends of a step that leads to another, or to the plates. */
  private offerEnds(option: Option): void {
    const { demand } = this;
    const { ends, reach } = option;
    const at = parentStart(demand.tree, option.activity, demand.start, demand.serve);
    const endsLow = option.low + option.mode.duration;
    for (const { from, to, base, slope } of option.pieces) {
      const last = Math.min(option.last + reach, at - from - endsLow);
      for (let k = Math.max(option.first, at - to - endsLow); k <= last; k++) {
        if (ends[k]! >= NEVER) continue;
        const extra: f64 = option.keeps
          ? demand.usePrice(option, at, true) - demand.usePrice(option, endsLow + k, true)
          : 0;
        const cost = ends[k]! + base + slope * (at - endsLow - k) + extra;
        if (cost >= this.best) continue;
        const pause = reach === 0 ? 0 : this.pauseTo(option, k);
        this.offer(option, k - pause, pause, cost);
      }
    }
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
