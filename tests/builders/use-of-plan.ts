import type { Board } from '../../core/planner/board';
import type { Tree } from '../../core/proof/tree';

/** How much of each priced resource a plan on the board uses, by slot; some slots beyond the last count, too. */
export function useOfPlan(board: Board, tree: Tree): Int32Array[] {
  const { slots } = board.model;
  return tree.priced.map((_, resource) => {
    const use = new Int32Array(slots + 256);
    for (const i of tree.order) {
      for (const { count, kept, worked, lead, rest } of usesOf(board, tree, i, resource)) {
        const { firstStretch } = board.activity(i);
        for (let s = firstStretch; worked && s < firstStretch + board.stretches[i]!; s++)
          for (let m = board.from[s]!; m < board.to[s]!; m++) use[m]! += count;
        if (worked) continue;
        const { kind, parent } = tree.branches[i]!;
        const at = kind === 'plate' ? board.platingStart(parent) : board.start[parent]!;
        const until = kept ? Math.max(board.end[i]!, at) : board.end[i]! + rest;
        const from = Math.max(0, board.start[i]! + lead);
        for (let m = from; m < Math.min(use.length, until); m++) use[m]! += count;
      }
    }
    return use;
  });
}

/** The uses of a resource by a step, in the way in which it is done on the board. */
export function usesOf(board: Board, tree: Tree, i: number, resource: number) {
  return tree.options[i]![board.mode[i]!]!.uses.filter((use) => use.resource === resource);
}
