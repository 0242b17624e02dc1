import { checkFrom, checkTo, fillBits, makeBits, type Bits, type Configuration, type Mode } from '../model';
import type { Board } from './board';
import { awayHolds } from './cost';
import type { Inserter } from './insert';
import { looseMinutes, type Minutes } from './loose-minutes';
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

/**
 * Lays out a placement for one cook with the pieces of work and the minutes of looks that cost least. True where that is done, false
 * where there are no such minutes, null where it is not known.
 */
export function layOutBest(board: Board, inserter: Inserter, placement: Placement): boolean | null {
  const outcome = looseMinutes(board, placement);
  if (outcome.kind === 'none') return false;
  if (outcome.kind === 'unknown') return null;
  return layInOrder(board, inserter, placement, LAST, outcome.minutes) || null;
}

function layInOrder(
  board: Board,
  inserter: Inserter,
  placement: Placement,
  pausing: number,
  minutes?: Minutes,
): boolean {
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
    const free = freeFor(board, modeOf(i), start, minutes?.get(i));
    if (!ovens.some((oven) => inserter.insertAt(i, placement.mode[i]!, oven, start, free))) return false;
  }
  return awayHolds(board) && new Pieces(board).hold();
}

/** The free minutes that an activity may have: all, or where it is told which, those, with its touches. */
function freeFor(
  { free, model }: Board,
  mode: Mode,
  start: number,
  minutes: readonly number[] | undefined,
): readonly Bits[] {
  if (!minutes) return free;
  const own = makeBits(model.words * 32);
  for (const m of minutes) fillBits(own, m, m + 1, true);
  fillBits(own, start, start + mode.touchIn, true);
  fillBits(own, start + mode.duration - mode.touchOut, start + mode.duration, true);
  for (let m = 1; m <= mode.checks; m++)
    if (checkFrom(mode, m) === checkTo(mode, m))
      fillBits(own, start + checkFrom(mode, m), start + checkFrom(mode, m) + mode.takes, true);
  return free.map((bits) => bits.map((word, w) => word & own[w]!));
}
