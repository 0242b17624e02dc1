import type { RelaxationKernel } from './kernel/kernel';
import { Known } from './known';
import { Narrower } from './narrow';
import type { Option } from './options';
import type { Part } from './part';
import type { Quiet } from './quiet';
import type { Supply } from './supply';
import type { Tree } from './tree';

/** Narrows parts of one tree, compiled where there is a kernel, and keeps what is known of the part in hand. */
export class Narrowing {
  /** Where there is a kernel, whose minutes are spoken for stays in there. */
  readonly known: Known;
  /** By course and minutes away, the fewest trips: see `Tables`. */
  readonly trips: Int32Array;
  /** When no work can lie in the part in hand, and by minute whether any can: see `PossibleWork`. */
  quiet: Quiet = { quietFrom: 0, quietTo: 0 };
  readonly able: Uint8Array;
  /** The same, compiled, where there is one. */
  kernel: RelaxationKernel | null = null;
  private narrower: Narrower | null = null;
  private inHand: Part | null = null;

  constructor(
    private readonly tree: Tree,
    private readonly supply: Supply,
  ) {
    this.known = new Known(tree);
    this.trips = new Int32Array(tree.model.courses.length * supply.width);
    this.able = new Uint8Array(tree.model.slots);
  }

  private get plain(): Narrower {
    const { cooks, dayStart, width } = this.supply;
    this.narrower ??= new Narrower(this.tree, cooks, dayStart, width, this.known);
    return this.narrower;
  }

  /** Narrows a part in place; false where nothing is left. */
  narrow(part: Part): boolean {
    const isAsLeft = part === this.inHand;
    this.inHand = part;
    if (this.kernel) return this.kernel.narrow(part, isAsLeft, this);
    const { tables, work } = this.plain;
    if (!this.plain.narrow(part, isAsLeft)) return false;
    this.trips.set(tables.trips);
    this.able.set(work.minutes);
    this.quiet = { quietFrom: work.quietFrom, quietTo: work.quietTo };
    return true;
  }

  /** The fewest trips that start `s` of an option takes within slots [down, up), in so many minutes away. */
  tripsAt(option: Option, s: number, down: number, up: number, minutes: number): number {
    return (
      this.kernel?.tripsAt(option, s, down, up, minutes) ??
      this.plain.tables.tripsAt(option, s, down, up, minutes)
    );
  }

  /** How many options and starts of activity `i` are open; stops counting at two. */
  openCount(domain: Uint8Array, i: number): number {
    let count = 0;
    for (const { at, first, last } of this.tree.options[i]!) {
      for (let k = first; k <= last; k++) if (domain[at + k] !== 0 && ++count > 1) return 2;
    }
    return count;
  }
}
