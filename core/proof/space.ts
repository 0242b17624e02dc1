import type { Configuration, Model } from '../model';
import { wholePartOf } from './domain';
import { Dual, type Prices } from './dual';
import { RelaxationKernel } from './kernel/kernel';
import { Narrowing } from './narrowing';
import type { Part } from './part';
import { QueueLosses } from './queue-losses';
import { quietWithin } from './quiet';
import type { Evening } from './supply';
import { makeTree } from './tree';

/** A part of the space of plans with what is known of it. */
export interface Node extends Part {
  /** Which way to make the dinner it belongs to. */
  readonly tree: number;
  /** Prices to begin with; null where it begins with none, or those of the other ways. */
  prices: Prices | null;
  bound: number;
  depth: number;
}

/** A part of its own that leaves open what another does. */
export function copyOf(node: Node): Node {
  return {
    ...node,
    domain: node.domain.slice(),
    checkLow: node.checkLow.slice(),
    checkHigh: node.checkHigh.slice(),
    pauseLow: node.pauseLow.slice(),
    pauseHigh: node.pauseHigh.slice(),
    awayLow: node.awayLow.slice(),
    awayHigh: node.awayHigh.slice(),
  };
}

/** The space of plans of a dinner: for each way to make it the relaxation, and what narrows parts of it. */
export class Space {
  readonly duals: Dual[] = [];
  readonly narrowings: Narrowing[] = [];
  /** Prices that ask nothing, for each of them. */
  readonly nothing: Prices[] = [];
  private readonly queueLosses: QueueLosses[] = [];

  constructor(
    readonly model: Model,
    configs: readonly Configuration[],
  ) {
    for (const config of configs) {
      const dual = new Dual(makeTree(model, config));
      this.duals.push(dual);
      this.nothing.push(dual.prices());
      this.narrowings.push(new Narrowing(dual.tree, dual.supply));
      this.queueLosses.push(new QueueLosses(dual.tree));
    }
    const kernels = RelaxationKernel.for(this.duals.map(({ relaxation }) => relaxation));
    kernels?.forEach((kernel, d) => {
      this.duals[d]!.kernel = kernel;
      this.narrowings[d]!.kernel = kernel;
    });
  }

  /** All of it: a part for each way to make the dinner. */
  wholes(): Node[] {
    return this.duals.map(({ tree, supply }, d) => ({
      ...wholePartOf(tree, supply),
      tree: d,
      prices: null,
      bound: 0,
      depth: 0,
    }));
  }

  /** Narrows a part in place and finds what its queues lose at least; false where nothing is left. */
  narrow(node: Node): boolean {
    const narrowing = this.narrowings[node.tree]!;
    const { least } = this.duals[node.tree]!.demand.queueing;
    return narrowing.narrow(node) && this.queueLosses[node.tree]!.find(narrowing.known, least);
  }

  /** The evening as the part narrowed last leaves it. */
  evening(node: Node): Evening {
    const { known, trips, able, quiet } = this.narrowings[node.tree]!;
    const { serveLow, serveHigh, forced, from, to } = known;
    this.duals[node.tree]!.setSpan({ from, to, ...quietWithin(quiet, from, to) });
    const { firstLow, firstHigh, awayLow, awayHigh } = node;
    return { serveLow, serveHigh, firstLow, firstHigh, forced, able, awayLow, awayHigh, trips };
  }

  /** What the part narrowed last costs at least at the prices in force; Infinity where nothing is left. */
  bound(node: Node): number {
    return this.duals[node.tree]!.bound(node.domain, this.evening(node));
  }
}
