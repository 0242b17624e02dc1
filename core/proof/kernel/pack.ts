import { packModel, type Configuration, type Row } from '../../model';
import type { Option, Piece } from '../options';
import type { Tree } from '../tree';

const KINDS = ['after', 'inside', 'plate', 'none'];

/** The trees of one model as a row of numbers, in the order in which `kernel/proof/tree.ts` reads them. */
export function packTrees(trees: readonly Tree[]): Row {
  const configurations = trees.map(({ config }) => config);
  const row = packModel(trees[0]!.model, [], configurations, configurations[0]!);
  row.each(trees, (tree) => addTree(row, tree, configurations));
  return row;
}

function addTree(row: Row, tree: Tree, configurations: readonly Configuration[]): void {
  row.add(configurations.indexOf(tree.config));
  row.list(tree.order);
  row.each(tree.children, (list) => row.list(list));
  row.each(tree.courseChildren, (list) => row.list(list));
  row.list(tree.serveLow);
  row.list(tree.serveHigh);
  row.list(tree.serveAt);
  row.add(tree.size);
  row.list(tree.priced.map(({ capacity }) => capacity));
  row.list(tree.priced.map(({ cook }) => cook));
  row.list(tree.priced.map(({ isOrder }) => Number(isOrder)));
  row.each(tree.branches, ({ kind, parent }) => row.add(KINDS.indexOf(kind), parent));
  row.each(tree.queues, ({ members, least }) => {
    row.list(members);
    row.add(least);
  });
  row.each(tree.shared, ({ activity, resource, slope, isGain }) =>
    row.add(activity, resource, slope, Number(isGain)),
  );
  row.each(tree.options, (options) => row.each(options, (option) => addOption(row, option)));
  row.list(tree.keptOrders);
  row.each(tree.apart, ({ one, other, gap, gapBack }) => row.add(one.number, other.number, gap, gapBack));
}

function addOption(row: Row, o: Option): void {
  row.add(o.activity, o.index, o.number, o.reach, o.low, o.count, o.at, Number(o.keeps));
  row.each(o.uses, ({ resource, count, kept, worked, lead, rest }) =>
    row.add(resource, count, Number(kept), Number(worked), lead, rest),
  );
  row.each(o.checks, ({ low, high, number }) => row.add(low, high, number));
  const addPiece = ({ from, to, heldBase, heldSlope, otherBase, otherSlope }: Piece) =>
    row.add(from, to, heldBase, heldSlope, otherBase, otherSlope);
  row.each(o.pieces, addPiece);
  row.each(o.sides, ({ to, best, most, slope }) => row.add(to, best, most, slope));
  row.list(o.gainSides);
  row.each(o.plainPieces, addPiece);
  row.each(o.heldPieces, addPiece);
  row.each(o.barePieces, addPiece);
}
