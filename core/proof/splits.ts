import type { Known } from './known';
import type { Option } from './options';
import type { PossibleWork } from './possible-work';
import { guestFirst, guestLast, onlyOpen } from './spans';
import type { Tree } from './tree';
import { ONE_TRIP, type Visits } from './visits';

/**
 * The trips that the looks at one pot take from a table because nothing else can fill the minutes between two of them: a cook who
 * has nothing to do there sits down again.
 */
export class Splits {
  /** By slot: 1 where work can lie that has nothing to do with the step in hand. */
  private readonly others: Uint8Array;

  constructor(
    private readonly tree: Tree,
    private readonly visits: readonly Visits[],
    private readonly taken: readonly Uint8Array[],
  ) {
    this.others = new Uint8Array(tree.model.slots);
  }

  /** The fewest trips within slots [down, up), whatever start of each step whose hands are `counted`: those of somebody who eats. */
  fewestTrips(
    known: Known,
    domain: Uint8Array,
    work: PossibleWork,
    counted: Uint8Array,
    down: number,
    up: number,
  ): number {
    const { tree } = this;
    let most = 0;
    for (const i of tree.order) {
      const option = onlyOpen(tree.options[i]!);
      if (option === null || option.checks.length === 0 || counted[i] === 0) continue;
      const { low, first, last, mode } = option;
      if (low + first <= down - mode.duration || low + last >= up) continue;
      work.findOthers(known, domain, i, down, up, this.others);
      most = Math.max(most, this.fewestOf(option, domain, down, up, most));
    }
    return most;
  }

  /** The fewest trips of an option; no more of its starts are looked at once one needs no more than `enough`. */
  private fewestOf(option: Option, domain: Uint8Array, down: number, up: number, enough: number): number {
    const { at, low, first, last } = option;
    const visits = this.visits[option.number]!;
    const taken = this.taken[option.activity]!;
    let fewest = visits.bound;
    for (let k = first; k <= last && fewest > enough; k++) {
      if (domain[at + k] === 0) continue;
      visits.look(low + k, down, up, taken);
      fewest = Math.min(fewest, this.tripsOf(option, visits, low + k));
    }
    return fewest;
  }

  /** The trips of the visits last looked at. */
  private tripsOf(option: Option, visits: Visits, s: number): number {
    const { stretches, first, count } = visits;
    let trips = count > 0 ? 1 : 0;
    for (let n = first; n + 1 < first + count; n++) {
      const one = stretches[n]!;
      const next = stretches[n + 1]!;
      if (this.isSplit(option, s, one.latest(s) + one.minutes, next.earliest(s))) trips += 1;
    }
    return trips;
  }

  /** True where more minutes in a row than a trip bears can have no work, of slots [from, to), when the step begins at `s`. */
  private isSplit(option: Option, s: number, from: number, to: number): boolean {
    let idle = 0;
    for (let m = from; m < to; m++) {
      idle = this.others[m] !== 0 || this.mayHaveGuest(option, s, m) ? 0 : idle + 1;
      if (idle > ONE_TRIP) return true;
    }
    return false;
  }

  /** True where a step inside this one can have hands at work in slot `m`. */
  private mayHaveGuest(host: Option, s: number, m: number): boolean {
    const { tree } = this;
    for (const guest of tree.children[host.activity]!) {
      if (tree.branches[guest]!.kind !== 'inside') continue;
      for (const option of tree.options[guest]!) {
        const first = s + guestFirst(tree.model, option, host);
        const end = s + guestLast(tree.model, option, host) + option.mode.duration + option.longest;
        if (m >= first && m < end) return true;
      }
    }
    return false;
  }
}
