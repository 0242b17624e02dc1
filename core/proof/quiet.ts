import type { Narrower } from './narrow';
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

export const NEVER_QUIET: Quiet = { quietFrom: 0, quietTo: 0 };

/** What is quiet within [from, to). */
export function quietWithin({ quietFrom, quietTo }: Quiet, from: number, to: number): Quiet {
  const isWithin = from < quietFrom && quietFrom < quietTo && quietTo < to;
  return isWithin ? { quietFrom, quietTo } : { quietFrom: to, quietTo: to };
}

/** Where hands may be at work, in minutes from the start. */
function handsOf({ mode, longest, checks }: Option): [number, number][] {
  const { isHands, hands, duration, touchIn, touchOut, takes } = mode;
  if (isHands) return hands === 0 ? [] : [[0, duration + longest]];
  const looks = checks.map(({ low, high }): [number, number] => [low, high + takes]);
  if (touchIn > 0) looks.push([0, touchIn]);
  if (touchOut > 0) looks.push([duration - touchOut, duration]);
  return looks;
}

/** The longest quiet time of a part that was narrowed. */
export function quietIn(tree: Tree, { from, to, serveLow, serveHigh }: Narrower, domain: Uint8Array): Quiet {
  const { courses } = tree.model;
  // How many things may begin at each slot less how many may end there, from `from` on.
  const edges = new Int32Array(to - from + 1);
  const cover = (first: number, end: number) => {
    edges[Math.min(Math.max(first, from), to) - from]! += 1;
    edges[Math.min(Math.max(end, from), to) - from]! -= 1;
  };
  for (const i of tree.order) {
    for (const option of tree.options[i]!) {
      const { at, low, first, last } = option;
      const hands = handsOf(option);
      let begin = -1;
      for (let k = first; k <= last + 1; k++) {
        const isOpen = k <= last && domain[at + k] !== 0;
        if (isOpen && begin < 0) begin = k;
        if (isOpen || begin < 0) continue;
        for (const [a, b] of hands) cover(low + begin + a, low + k - 1 + b);
        begin = -1;
      }
    }
  }
  courses.forEach(({ plating, eating, clearing }, c) =>
    cover(serveLow[c]! - plating, serveHigh[c]! + eating + clearing),
  );
  let quietFrom = 0;
  let quietTo = 0;
  let open = 0;
  let end = from;
  for (let m = from; m < to; m++) {
    const before = open;
    open += edges[m - from]!;
    if (before === 0 && open > 0 && end > from && m - end > quietTo - quietFrom)
      [quietFrom, quietTo] = [end, m];
    if (before > 0 && open === 0) end = m;
  }
  return { quietFrom, quietTo };
}
