import type { Answer } from '../proof';
import type { Board } from './board';
import { awayHolds } from './cost';
import type { Inserter } from './insert';
import { piecesHold } from './pieces';

/** Lays the answer of a proof out on the board. True where every rule holds there. */
export function layOut(board: Board, inserter: Inserter, answer: Answer): boolean {
  const { model } = board;
  for (const a of model.activities) board.unplace(a.index);
  board.config = answer.config;
  board.serve.set(answer.serve);
  const flexibility = (i: number) => {
    const option = answer.options[i];
    return option ? option.mode.checks + (option.mode.pausable ? 1 : 0) : -1;
  };
  const left = Int32Array.from([...board.config.members].sort((a, b) => flexibility(b) - flexibility(a)));
  for (let count = left.length; count > 0; count--) {
    if (!board.tighten(left, count)) return false;
    const i = left[count - 1]!;
    const option = answer.options[i] ?? null;
    const start = option ? answer.start[i]! : board.windows.loStart[i]!;
    const ovens = option?.mode.usesOven ? model.ovens.map((_, o) => o) : [-1];
    if (!ovens.some((oven) => inserter.insertAt(i, option?.index ?? 0, oven, start))) return false;
  }
  return awayHolds(board) && piecesHold(board);
}
