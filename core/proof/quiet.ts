import type { Known } from './known';
import type { Option } from './options';
import type { Tree } from './tree';

/** Slots [quietFrom, quietTo) in which no work and no table can lie; the same twice where there are none. */
export interface Quiet {
  readonly quietFrom: number;
  readonly quietTo: number;
}

/** The slots in which the dinner lies, [from, to), with the quiet ones among them, which are neither its first nor its last. */
export interface Span extends Quiet {
  readonly from: number;
  readonly to: number;
}

/** What is quiet within [from, to). */
export function quietWithin(quiet: Quiet, from: number, to: number): Quiet {
  const isWithin = from < quiet.quietFrom && quiet.quietFrom < quiet.quietTo && quiet.quietTo < to;
  return isWithin ? quiet : { quietFrom: to, quietTo: to };
}

/** Finds the longest quiet time of a part. */
export class QuietTime {
  quietFrom = 0;
  quietTo = 0;
  /** How many things may begin at each slot less how many may end there. */
  private readonly edges: Int32Array;

  constructor(private readonly tree: Tree) {
    this.edges = new Int32Array(tree.model.slots + 1);
  }

  /** In a part that was narrowed. */
  find(known: Known, domain: Uint8Array): void {
    const { edges, tree } = this;
    const { courses } = tree.model;
    const { from, to } = known;
    edges.fill(0);
    for (const i of tree.order) for (const option of tree.options[i]!) this.coverHands(known, option, domain);
    for (let c = 0; c < courses.length; c++) {
      const { plating, eating, clearing } = courses[c]!;
      this.cover(known, known.serveLow[c]! - plating, known.serveHigh[c]! + eating + clearing);
    }
    this.quietFrom = 0;
    this.quietTo = 0;
    let open = 0;
    let end = from;
    for (let m = from; m < to; m++) {
      const before = open;
      open += edges[m]!;
      if (before > 0 && open === 0) end = m;
      if (before !== 0 || open === 0 || end === from || m - end <= this.quietTo - this.quietFrom) continue;
      this.quietFrom = end;
      this.quietTo = m;
    }
  }

  private cover(known: Known, first: number, end: number): void {
    const { edges } = this;
    edges[Math.min(Math.max(first, known.from), known.to)]! += 1;
    edges[Math.min(Math.max(end, known.from), known.to)]! -= 1;
  }

  /** Wherever hands may be at work, by runs of open starts. */
  private coverHands(known: Known, option: Option, domain: Uint8Array): void {
    const { at, low, first, last, longest } = option;
    const { isHands, hands, duration, touchIn, touchOut, takes } = option.mode;
    let begin = -1;
    for (let k = first; k <= last + 1; k++) {
      const isOpen = k <= last && domain[at + k] !== 0;
      if (isOpen && begin < 0) begin = k;
      if (isOpen || begin < 0) continue;
      const from = low + begin;
      const to = low + k - 1;
      begin = -1;
      if (isHands && hands > 0) this.cover(known, from, to + duration + longest);
      if (isHands) continue;
      for (const check of option.checks) this.cover(known, from + check.low, to + check.high + takes);
      if (touchIn > 0) this.cover(known, from, to + touchIn);
      if (touchOut > 0) this.cover(known, from + duration - touchOut, to + duration);
    }
  }
}
