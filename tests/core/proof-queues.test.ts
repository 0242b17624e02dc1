import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { totalCost } from '../../core/planner/cost';
import { Dual } from '../../core/proof/dual';
import type { Option } from '../../core/proof/options';
import { makeTree, type Tree } from '../../core/proof/tree';
import { Random } from '../../core/planner/random';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner, generateSpicyDinner } from '../builders/generate-dinner';
import { wholePart } from '../builders/whole-part';

type Steps = Parameters<typeof dinnerFile>[0];

/** The tree of a dinner as first configured. */
function treeOf(steps: Steps, more: Parameters<typeof dinnerFile>[1] = {}): Tree {
  const model = compileModel(read(dinnerFile(steps, more)));
  return makeTree(model, new Search(model, 1).board.config);
}

/** A plan found by the search, in the tree of its configuration: start and end of each step, serving slots. */
function planned(seed: number, size: 'small' | 'medium', generate: typeof generateDinner) {
  const model = compileModel(read(generate(seed, size)));
  const search = new Search(model, 1);
  const budget = { rounds: 200, isOver: () => false };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  search.showBest();
  const { board } = search;
  return { board, tree: makeTree(model, board.config) };
}

function heldBy({ pieces }: Option, waited: number): number {
  const piece = pieces.find(({ from, to }) => waited >= from && waited <= to);
  return piece ? piece.heldBase + piece.heldSlope * waited : Infinity;
}

test('three pans that lead to one: the quickest to spoil goes last, and the others lose by what comes after them', () => {
  const held = (most: number) => ({ keeps: { best: 0, most } });
  const tree = treeOf([
    step('slow', 14, held(160)),
    step('quick', 4, held(40)),
    step('middle', 6, held(80)),
    step('plate', 5, { after: ['slow', 'quick', 'middle'] }),
  ]);
  const { held: weight } = tree.model.weights;
  // 10 points x weight for all of the time something can be kept; quick waits 0, middle 4 of 80, slow 10 of 160 minutes.
  expect(tree.queues).toHaveLength(1);
  expect(tree.queues[0]!.members).toHaveLength(3);
  expect(tree.queues[0]!.least).toBeCloseTo(10 * weight * (4 / 80 + 10 / 160), 9);
});

test('a second pair of hands takes one of two out of the queue, a third step still waits', () => {
  const steps = [
    step('one', 10, { keeps: { best: 0, most: 100 } }),
    step('two', 8, { keeps: { best: 0, most: 100 } }),
    step('end', 5, { after: ['one', 'two'] }),
  ];
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const cooks = [
    { id: 'ada', name: 'Ada', free },
    { id: 'ben', name: 'Ben', free },
  ];
  expect(treeOf(steps).queues).toHaveLength(1);
  expect(treeOf(steps, { cooks }).queues).toEqual([]);
  const third = step('three', 3, { keeps: { best: 0, most: 50 } });
  const more = [...steps.slice(0, 2), third, step('end', 5, { after: ['one', 'two', 'three'] })];
  const { queues, model } = treeOf(more, { cooks });
  expect(queues[0]!.least).toBeCloseTo(10 * model.weights.held * (3 / 100), 9);
});

test('what keeps without loss makes no queue', () => {
  const keeps = { best: 240, most: 1440 };
  const steps = [
    step('one', 10, { keeps }),
    step('two', 8, { keeps }),
    step('end', 5, { after: ['one', 'two'] }),
  ];
  expect(treeOf(steps).queues).toEqual([]);
});

test('no plan loses less in a queue than the queue says', () => {
  let met = 0;
  for (let seed = 1; seed <= 40; seed++) {
    for (const generate of [generateDinner, generateSpicyDinner]) {
      const one = planned(seed, seed % 4 === 0 ? 'medium' : 'small', generate);
      if (!one) continue;
      const { board, tree } = one;
      for (const { members, least } of tree.queues) {
        const lost = members.map((i) => {
          const { kind, parent } = tree.branches[i]!;
          const at = kind === 'plate' ? board.platingStart(parent) : board.start[parent]!;
          return heldBy(tree.options[i]![board.mode[i]!]!, at - board.end[i]!);
        });
        expect(lost.reduce((sum, loss) => sum + loss, 0)).toBeGreaterThanOrEqual(least - 1e-9);
        met += 1;
      }
    }
  }
  expect(met).toBeGreaterThan(20);
});

test('whatever share of it a queue pays, the bound stays below the plan, and often it rises', () => {
  const random = new Random(3);
  let raised = 0;
  for (let seed = 1; seed <= 40; seed++) {
    const one = planned(seed, 'small', generateDinner);
    if (!one || one.tree.queues.length === 0) continue;
    const { tree, board } = one;
    const dual = new Dual(tree);
    const { part, evening } = wholePart(dual);
    const open = evening()!;
    const plain = dual.bound(part.domain, open);
    for (let tries = 0; tries < 5; tries++) {
      const { share } = dual.demand.queueing;
      for (let q = 0; q < share.length; q++) share[q] = random.next();
      const bound = dual.bound(part.domain, open);
      expect(bound).toBeLessThanOrEqual(totalCost(board) + 1e-9);
      if (bound > plain + 1e-6) raised += 1;
    }
  }
  expect(raised).toBeGreaterThan(5);
});
