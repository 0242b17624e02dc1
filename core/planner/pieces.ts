import type { Board } from './board';
import { takes } from './board';
import { washGap } from './blocking';

/**
 * Where there are several of one tool: can each use be given particular pieces, with time to wash
 * each piece between different dishes? Exact, by trying pieces in order of use.
 */
export function piecesHold(board: Board): boolean {
  const { things } = board.model;
  for (let t = 1; t < things.length; t++) {
    const { capacity, wash, users } = things[t]!;
    if (capacity < 2 || wash === 0 || users.length < 2) continue;
    const uses = users.filter((u) => board.placed[u] && takes(board.modeOf(u), t) > 0);
    uses.sort((a, b) => board.start[a]! - board.start[b]!);
    const last = Array.from({ length: capacity }, () => -1);
    if (!assign(board, t, uses, 0, last)) return false;
  }
  return true;
}

function assign(board: Board, thing: number, uses: readonly number[], at: number, last: number[]): boolean {
  const u = uses[at];
  if (u === undefined) return true;
  const choose = (piece: number, left: number): boolean => {
    if (left === 0) return assign(board, thing, uses, at + 1, last);
    for (let p = piece; p < last.length; p++) {
      const before = last[p]!;
      const ready = before < 0 ? 0 : board.keptUntil(before, thing, -1) + washGap(board, thing, before, u);
      if (ready > board.start[u]!) continue;
      last[p] = u;
      if (choose(p + 1, left - 1)) return true;
      last[p] = before;
    }
    return false;
  };
  return choose(0, takes(board.modeOf(u), thing));
}
