import { Brancher } from '../../core/proof/branch';
import type { Node } from '../../core/proof/space';
import type { partOfSteps } from './part-of-steps';

/** The parts into which a small dinner is parted by what concerns the evening as a whole, while a plan for 5 is known. */
export function partsOfEvening({
  part,
  dual,
  narrowing,
  model,
  relax,
  evening,
}: ReturnType<typeof partOfSteps>): {
  readonly isParted: boolean;
  readonly children: Node[];
} {
  expect(evening()).not.toBeNull();
  relax();
  const children: Node[] = [];
  const brancher = new Brancher(model, (node) => children.push(node));
  const node: Node = { ...part, tree: 0, prices: null, bound: 0, depth: 0 };
  return { isParted: brancher.partEvening(node, dual, narrowing, 5), children };
}
