import { MAX_PAUSE, NO_LIMIT } from '../model';
import { DAY_WINDOW } from '../plan';
import type { Board } from './board';

/**
 * True where the plan on the board, its starts, modes and serving times given, costs as little as it can: no other
 * minutes for its checks and pieces of work, and no other cook, would make it cheaper. False where that is not plain.
 */
export function isLeastForStarts(board: Board): boolean {
  const { model, config } = board;
  if (model.cookCount > 1) return false;
  const loose = looseSpans(board);
  if (loose === null) return false;
  let firstFixed = model.zero;
  for (const i of config.members) {
    const mode = board.modeOf(i);
    const isFixed = mode.isHands && !mode.pausable && mode.hands > 0 && mode.duration > 0;
    if (isFixed || mode.touchIn > 0) firstFixed = Math.min(firstFixed, inDay(board, board.start[i]!));
  }
  return loose.every(([from, to]) => isUniform(board, from, to) && isNotFirst(board, from, to, firstFixed));
}

const dayFrom = (board: Board) => Math.max(0, board.model.zero - DAY_WINDOW);
const inDay = (board: Board, at: number) => (at >= dayFrom(board) ? at : board.model.zero);

/** The slots in which checks and pieces may lie; null where even the end of some work is open and matters. */
function looseSpans(board: Board): [number, number][] | null {
  const spans: [number, number][] = [];
  for (const i of board.config.members) {
    const mode = board.modeOf(i);
    const start = board.start[i]!;
    if (mode.isHands) {
      if (!mode.pausable || mode.hands === 0) continue;
      const isHeld =
        mode.most < NO_LIMIT || board.config.after[i]!.some((l) => l.most >= 0 && l.most < NO_LIMIT);
      if (isHeld || mode.gainsPoints > 0) return null;
      spans.push([start, start + mode.duration + MAX_PAUSE]);
      continue;
    }
    const first = board.activity(i).firstStretch;
    for (let k = 0; k < board.stretches[i]!; k++) {
      if (!board.isCheck(first + k)) continue;
      spans.push([board.firstOfCheck(first + k), board.lastOfCheck(first + k) + mode.takes]);
    }
  }
  return spans;
}

/** True where each minute of the span costs the same: in none of the stretches that are counted, or all in one before the table. */
function isUniform(board: Board, from: number, to: number): boolean {
  const { model, serve } = board;
  const edges = [dayFrom(board), Math.max(0, model.zero - model.arrive), model.zero];
  if (edges.some((edge) => from < edge && edge < to)) return false;
  return model.courses.every(({ eating }, c) => to <= serve[c]! || from >= serve[c]! + eating);
}

/** True where nothing in the span can be what the day's work begins with. */
function isNotFirst(board: Board, from: number, to: number, firstFixed: number): boolean {
  return to <= dayFrom(board) || from >= firstFixed;
}
