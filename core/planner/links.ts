import { NO_LIMIT, type f64, type Mode } from '../model';
import { DAY_WINDOW, HELD_POINTS } from '../plan';
import type { Board } from './board';
import { firstAfter, gainsLost, GUIDE, heldOf, heldShare } from './cost';

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

/** What a start of `i` adds to the cost by its way, by what waits for it, and, a little, by how early it is. */
export function costOfStart(board: Board, i: number, mode: Mode, start: number): f64 {
  const { config, model } = board;
  const w = model.weights;
  let cost = w.ways * mode.points;
  const before = config.before[i]!;
  for (let k = 0; k < before.length; k++) {
    const link = before[k]!;
    const p = link.from;
    if (!board.placed[p]) continue;
    const earlier = board.modeOf(p);
    const waited = start - board.end[p]!;
    const share = heldShare(earlier, link.most >= 0 ? link.most : earlier.most, waited);
    if (share > 0) cost += w.held * HELD_POINTS * Math.max(0, share - heldOf(board, p, i));
    if (earlier.gainsPoints > 0) {
      const first = firstAfter(board, p, i);
      const lost = gainsLost(earlier, waited);
      if (first < 0) cost += w.gains * lost;
      else if (start < first) cost += w.gains * (lost - gainsLost(earlier, first - board.end[p]!));
    }
  }
  if (start < model.zero && start >= model.zero - DAY_WINDOW) cost += GUIDE * w.day * (model.zero - start);
  return cost;
}

/** What an end of `i` adds to the cost by how long it then waits for what follows. */
export function costOfEnd(board: Board, i: number, mode: Mode, end: number): f64 {
  const { config, model } = board;
  const w = model.weights;
  const after = config.after[i]!;
  let worst: f64 = 0;
  let next = -1;
  for (let k = 0; k < after.length; k++) {
    const link = after[k]!;
    if (!board.placed[link.to]) continue;
    const at = board.start[link.to]!;
    worst = Math.max(worst, heldShare(mode, link.most >= 0 ? link.most : mode.most, at - end));
    if (next < 0 || at < next) next = at;
  }
  const plates = config.plates[i]!;
  if (plates !== -2) {
    const at = board.platingStart(board.activity(i).course);
    worst = Math.max(worst, heldShare(mode, plates >= 0 ? plates : mode.most, at - end));
    if (next < 0 || at < next) next = at;
  }
  const gains = mode.gainsPoints > 0 && next >= 0 ? w.gains * gainsLost(mode, next - end) : 0;
  return w.held * HELD_POINTS * worst + gains;
}
