import { LEAST_PIECE, NO_LIMIT, type f64, type Mode, type Model } from '../model';
import type { Branch, Option } from './options';

/**
 * Steps that hang on one thing and whose last hands cannot all lie right before it: whatever their order, what they lose by
 * waiting costs no less than `least` in all.
 */
export interface Queue {
  readonly members: readonly number[];
  readonly least: f64;
}

/** More steps than these are not looked at in every order. */
const MOST_MEMBERS = 7;
const WORTH = 0.01;

/** The queues of a tree, one for each thing that several steps with hands at their end lead to. */
export function queuesOf(
  model: Model,
  branches: readonly Branch[],
  options: readonly (readonly Option[])[],
): Queue[] {
  const byParent = new Map<string, number[]>();
  branches.forEach(({ kind, parent }, i) => {
    if (kind !== 'after' && kind !== 'plate') return;
    if (model.activities[i]!.pin !== -1 || handsAtEnd(options[i]!) === 0) return;
    const key = `${kind} ${parent}`;
    byParent.set(key, [...(byParent.get(key) ?? []), i]);
  });
  const queues: Queue[] = [];
  for (const all of byParent.values()) {
    const members = all
      .map((i) => ({ i, loss: lossAt(options[i]!, branches[i]!.least + 10) }))
      .sort((a, b) => b.loss - a.loss)
      .slice(0, MOST_MEMBERS)
      .map(({ i }) => i);
    const lines = members.map((i) => new Line(options[i]!, branches[i]!.least));
    const alone = lines.reduce((sum, line) => sum + line.loss(line.least), 0);
    const least = leastLoss(lines, model.cookCount);
    if (least < Infinity && least > alone + WORTH) queues.push({ members, least });
  }
  return queues;
}

/** Minutes of hands that surely end with the step. */
function handsAtEnd(options: readonly Option[]): number {
  return Math.min(...options.map(({ mode }) => lastHands(mode)));
}

function lastHands(mode: Mode): number {
  if (!mode.isHands) return mode.touchOut;
  if (mode.hands === 0) return 0;
  return mode.pausable ? Math.min(LEAST_PIECE, mode.duration) : mode.duration;
}

/** What is lost at least when a step waits so long, in the way that bears it best; Infinity where none may. */
function lossAt(options: readonly Option[], waited: number): f64 {
  let least = Infinity;
  for (const { pieces } of options) {
    const piece = pieces.find(({ from, to }) => waited >= from && waited <= to);
    if (piece) least = Math.min(least, piece.heldBase + piece.heldSlope * waited);
  }
  return least;
}

/** One that stands in a queue. */
class Line {
  readonly hands: number;

  constructor(
    private readonly options: readonly Option[],
    readonly least: number,
  ) {
    this.hands = handsAtEnd(options);
  }

  loss(waited: number): f64 {
    return waited > NO_LIMIT ? Infinity : lossAt(this.options, waited);
  }
}

/**
 * The least that all lose in any order. Counted backwards from what they lead to, each one's last hands take the first
 * place that a cook has.
 */
function leastLoss(lines: readonly Line[], cooks: number): f64 {
  let best = Infinity;
  const free = new Array<number>(cooks).fill(0);
  const isPlaced = lines.map(() => false);
  const place = (count: number, lost: f64): void => {
    if (lost >= best) return;
    if (count === lines.length) {
      best = lost;
      return;
    }
    const cook = free.indexOf(Math.min(...free));
    const before = free[cook]!;
    lines.forEach((line, x) => {
      if (isPlaced[x]) return;
      const waited = Math.max(before, line.least);
      isPlaced[x] = true;
      free[cook] = waited + line.hands;
      place(count + 1, lost + line.loss(waited));
      free[cook] = before;
      isPlaced[x] = false;
    });
  };
  place(0, 0);
  return best;
}
