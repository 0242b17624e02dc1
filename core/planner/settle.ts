import type { Configuration } from '../model';
import type { Board } from './board';
import { awayHolds } from './cost';
import type { Inserter } from './insert';
import { Pieces } from './pieces';

/** Where everything goes: slots, and modes by index. */
export interface Placement {
  readonly config: Configuration;
  readonly serve: ArrayLike<number>;
  readonly start: ArrayLike<number>;
  readonly mode: ArrayLike<number>;
}

/** What work that may pause counts for beside looks at pots, when it comes last or before them. */
const LAST = 1000;
const BEFORE_LOOKS = 0.5;

/**
 * Lays a placement out on the board, the least movable first: looks at pots, then work that may pause, or, where that does not
 * go, the other way round. True where every rule holds there.
 */
export function layOut(board: Board, inserter: Inserter, placement: Placement): boolean {
  return layInOrder(board, inserter, placement, LAST) || layInOrder(board, inserter, placement, BEFORE_LOOKS);
}

function layInOrder(board: Board, inserter: Inserter, placement: Placement, pausing: number): boolean {
  const { model } = board;
  for (const a of model.activities) board.unplace(a.index);
  board.config = placement.config;
  board.serve.set(Array.from(placement.serve));
  const modeOf = (i: number) => board.activity(i).modes[placement.mode[i]!]!;
  const looseness = (i: number) => modeOf(i).checks + (modeOf(i).pausable ? pausing : 0);
  const isStep = (i: number) => board.activity(i).role === 'step';
  const left = Int32Array.from(
    [...board.config.members].sort(
      (a, b) => Number(isStep(b)) - Number(isStep(a)) || looseness(b) - looseness(a),
    ),
  );
  for (let count = left.length; count > 0; count--) {
    if (!board.tighten(left, count)) return false;
    const i = left[count - 1]!;
    const start = isStep(i) ? placement.start[i]! : board.windows.loStart[i]!;
    const ovens = modeOf(i).usesOven ? model.ovens.map((_, o) => o) : [-1];
    if (!ovens.some((oven) => inserter.insertAt(i, placement.mode[i]!, oven, start))) return false;
  }
  return awayHolds(board) && new Pieces(board).hold();
}
