import { NO_LIMIT, type Mode } from '../model';
import type { Board } from './board';

/** The slot before which `i` would end too soon for what comes next, as far as the windows tell. */
export function leastEnd(board: Board, i: number, mode: Mode): number {
  return Math.max(board.windows.loEnd[i]!, leastEndByLinks(board, i, mode));
}

/** The same by what comes next alone. */
export function leastEndByLinks(board: Board, i: number, mode: Mode): number {
  return endFor(board, i, mode, false);
}

/** The slot from which what `i` makes loses nothing by waiting for what comes next. */
export function losslessEnd(board: Board, i: number, mode: Mode): number {
  return endFor(board, i, mode, true);
}

function endFor(board: Board, i: number, mode: Mode, isLossless: boolean): number {
  const { windows, config } = board;
  let end = 0;
  const after = config.after[i]!;
  for (let k = 0; k < after.length; k++) {
    const link = after[k]!;
    // What is not on the board yet costs nothing, but has a window already.
    if (isLossless && !board.placed[link.to]) continue;
    const most = link.most >= 0 ? link.most : mode.most;
    if (most < NO_LIMIT) end = Math.max(end, windows.loStart[link.to]! - (isLossless ? mode.best : most));
  }
  const plates = config.plates[i]!;
  const most = plates >= 0 ? plates : mode.most;
  if (plates === -2 || most >= NO_LIMIT) return end;
  return Math.max(end, board.platingStart(board.activity(i).course) - (isLossless ? mode.best : most));
}
