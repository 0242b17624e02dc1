import type { Configuration, Model } from '../model';
import { anyOpen, Brancher, busiest } from './branch';
import type { Prices } from './dual';
import { answerOf, type Answer, type Settled } from './proposal';
import { Space, type Node } from './space';

export interface DiveOptions {
  /** The plan that an answer in which nothing is wanted twice makes. */
  readonly settle: (answer: Answer) => Settled;
  /** True where a plan is found near an answer in which something is. */
  readonly isNearPlan: (answer: Answer) => boolean;
  /** A number in [0, 1). */
  readonly random: () => number;
}

/** A part to be looked at, of one way to make the dinner: all of it where there is none yet. */
interface Place {
  readonly way: number;
  readonly node: Node | null;
}

/** After so many parts it begins again from the whole, and then after so many times as many. */
const FIRST_PARTS = 80;
const MORE_PARTS = 1.2;
/** Of so many parts a plan is looked for near the answer of one. */
const LOOK_NEAR_EVERY = 2;
/** When it begins again half of the stretches of so many minutes have a price, up to this; and how often other parts come first. */
const STRETCH = 10;
const HIGHEST = 1;
const TURN_CHANCE = 0.1;

/**
 * Looks for any plan, however dear: parts the space of plans by what its answer wants twice and goes down into one part after the
 * other, of which little is left soon. Where nothing is left of any part there is no plan.
 */
export class Dive {
  /** By way to make the dinner, once it is looked at. */
  private readonly spaces: (Space | undefined)[];
  private readonly brancher: Brancher;
  /** The next one last. */
  private open: Place[] = [];
  private parted: Node[] = [];
  /** Parts in which something was left. */
  parts = 0;
  private run = 0;
  /** After how many parts it begins again, and how many that are from one beginning to the next. */
  private last = FIRST_PARTS;
  private most = FIRST_PARTS;
  /** True where a part makes a plan, or could not be parted any more and yet none was made of it. */
  private isUnsettled = false;

  constructor(
    private readonly model: Model,
    private readonly configs: readonly Configuration[],
    private readonly options: DiveOptions,
  ) {
    this.spaces = configs.map(() => undefined);
    this.brancher = new Brancher(model, (node) => this.parted.push(node));
    this.openFrom(0);
  }

  /** True where it is proven that there is no plan. */
  get isImpossible(): boolean {
    return this.open.length === 0 && !this.isUnsettled;
  }

  /** Looks at so many parts more in which something is left; true once a plan is found. In slices of one part. */
  *diving(parts: number, isOver: () => boolean): Generator<void, boolean> {
    const end = this.parts + parts;
    while (this.parts < end && !this.isImpossible && !isOver()) {
      yield;
      if (this.parts >= this.last || this.open.length === 0) this.beginAgain();
      if (!this.explore(this.open.pop()!)) continue;
      this.isUnsettled = true;
      return true;
    }
    return false;
  }

  /** From the whole, with other prices, so that other things are wanted twice. */
  beginAgain(): void {
    this.run += 1;
    this.most = Math.round(this.most * MORE_PARTS);
    this.last = this.parts + this.most;
    this.isUnsettled = false;
    this.openFrom(Math.floor(this.options.random() * this.configs.length));
  }

  private openFrom(first: number): void {
    const count = this.configs.length;
    this.open = this.configs.map((_, k) => ({ way: (first + count - k) % count, node: null })).reverse();
  }

  private anyPrices({ hands, ...others }: Prices): Prices {
    const { random } = this.options;
    const prices = hands.slice();
    for (let m = 0; m < prices.length; m += STRETCH)
      prices.fill(random() < 0.5 ? 0 : HIGHEST * random(), m, m + STRETCH);
    return { hands: prices, ...others };
  }

  /** Looks at a part and parts it; true where a plan is found. */
  private explore({ way, node: part }: Place): boolean {
    const { options } = this;
    const space = (this.spaces[way] ??= new Space(this.model, [this.configs[way]!]));
    const dual = space.duals[0]!;
    const narrowing = space.narrowings[0]!;
    const node = part ?? space.wholes()[0]!;
    if (!part) node.prices = this.run > 0 ? this.anyPrices(space.nothing[0]!) : space.nothing[0]!;
    dual.setPrices(node.prices!);
    if (!space.narrow(node)) return false;
    if (space.bound(node) === Infinity) return false;
    dual.countUse();
    const conflict = busiest(node, dual, narrowing);
    const answer = answerOf(dual, conflict < 0 && anyOpen(node, narrowing, dual.tree) < 0);
    this.parts += 1;
    if (conflict >= 0) {
      if (this.parts % LOOK_NEAR_EVERY === 0 && options.isNearPlan(answer)) return true;
    } else {
      const { cost, isLeast } = options.settle(answer);
      if (cost < Infinity) return true;
      if (answer.isDecided && isLeast) return false;
    }
    this.parted = [];
    if (!this.brancher.partForRoom(node, dual, narrowing, conflict)) this.isUnsettled = true;
    const isTurned = this.run > 0 && options.random() < TURN_CHANCE;
    if (!isTurned) this.parted.reverse();
    for (const one of this.parted) this.open.push({ way, node: one });
    return false;
  }
}
