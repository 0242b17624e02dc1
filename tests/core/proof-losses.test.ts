import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { heldOf } from '../../core/planner/cost';
import { HELD_POINTS } from '../../core/plan';
import { SideLosses } from '../../core/proof/side-losses';
import { parentStart } from '../../core/proof/spans';
import { makeTree } from '../../core/proof/tree';
import { read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';
import { partOfSteps } from '../builders/part-of-steps';

test.each(GENERATORS.slice(1))(
  '%s: what a step of a plan loses by waiting is what its branch says, or what stands beside it where that waits for longer',
  (_name, generate) => {
    let compared = 0;
    let beside = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const model = compileModel(read(generate(seed, seed % 6 === 0 ? 'medium' : 'small')));
      const search = new Search(model, seed);
      const budget = { rounds: 200, isOver: () => false };
      if (!search.configurations || !search.construct(budget)) continue;
      search.improve(budget);
      search.showBest();
      const { board } = search;
      const tree = makeTree(model, board.config);
      const sides = new SideLosses(tree);
      sides.serveLow.set(board.serve);
      for (const i of tree.order) {
        tree.options[i]!.forEach((option, m) => {
          option.first = board.start[i]! - option.low;
          option.last = m === board.mode[i] ? option.first : option.first - 1;
        });
      }
      for (const i of tree.order) {
        const { kind } = tree.branches[i]!;
        if (kind !== 'after' && kind !== 'plate') continue;
        const option = tree.options[i]![board.mode[i]!]!;
        const waited = parentStart(tree, i, board.start, board.serve) - board.end[i]!;
        const fits = option.pieces.filter(({ from, to }) => waited >= from && waited <= to);
        const byBranch = Math.min(...fits.map(({ heldBase, heldSlope }) => heldBase + heldSlope * waited));
        const lost = model.weights.held * HELD_POINTS * heldOf(board, i, -1);
        expect(byBranch).toBeLessThan(lost + 1e-6);
        sides.begin(option);
        expect([seed, i, Math.max(byBranch, sides.loss(option, board.end[i]!))]).toEqual([
          seed,
          i,
          expect.closeTo(lost, 6),
        ]);
        compared += 1;
        if (option.sides.length > 0) beside += 1;
      }
    }
    expect(compared).toBeGreaterThan(300);
    expect(beside).toBeGreaterThan(0);
  },
);

const PLATED = [
  step('dress', 5, { keeps: { most: 100, how: 'room' }, plated: {} }),
  step('soak', 30, { attention: 'alone', after: ['dress'] }),
  step('warm', 10, { attention: 'alone', after: ['soak'] }),
];

test('what goes on the plate itself has waited for all that is made of it meanwhile', () => {
  const { options } = partOfSteps(PLATED);
  const [dress] = options;
  // From the soaking on it is forty minutes to the plates at least: a hundred of them would spoil it.
  expect(dress!.pieces.at(-1)!.to).toBe(60);
  const at = (waited: number) => {
    const { heldBase, heldSlope } = dress!.pieces.find(({ from, to }) => waited >= from && waited <= to)!;
    return heldBase + heldSlope * waited;
  };
  const weight = 4 * HELD_POINTS;
  expect(at(0)).toBeCloseTo(0.4 * weight, 9);
  expect(at(30)).toBeCloseTo(0.7 * weight, 9);
});

test('the longer of two waits counts from where it is the dearer one', () => {
  const { options } = partOfSteps([
    step('fry', 5, { keeps: { best: 5, most: 45, how: 'hot' } }),
    step('glaze', 2, { after: [{ step: 'fry', most: 25 }] }),
    step('sauce', 6, { after: ['fry', 'glaze'] }),
  ]);
  const { pieces } = options[0]!;
  const weight = 4 * HELD_POINTS;
  for (let h = 0; h <= 25; h++) {
    const { heldBase, heldSlope } = pieces.find(({ from, to }) => h >= from && h <= to)!;
    const expected = Math.max(0, (h - 5) / 20, (h + 2 - 5) / 40);
    expect(heldBase + heldSlope * h).toBeCloseTo(weight * expected, 9);
  }
});

test('where everything comes after everything before it, the ways from one to another are not gone one by one', () => {
  const ids = Array.from({ length: 40 }, (_, k) => `s${k}`);
  const keeps = { most: 600, how: 'room' } as const;
  const { options } = partOfSteps(ids.map((id, k) => step(id, 2, { after: ids.slice(0, k), keeps })));
  const [first] = options;
  // Eighty minutes of steps, of which all but the first two lie between what waits for them and the last.
  expect(first!.sides).toHaveLength(38);
  expect(first!.pieces.at(-1)!.to).toBe(600 - 38 * 2);
});

test('of many waits only those are pieces of the cost that are the dearest for a while', () => {
  const ids = Array.from({ length: 12 }, (_, k) => `s${k}`);
  const steps = ids.map((id, k) =>
    step(id, 2, {
      after: ids.slice(0, k).map((before) => ({ step: before, most: 100 + 37 * k })),
      keeps: { best: 10, most: 600, how: 'room' },
    }),
  );
  const { options } = partOfSteps(steps);
  const { pieces } = options[0]!;
  expect(pieces.length).toBeLessThan(8);
  for (let h = 0; h <= pieces.at(-1)!.to; h++) {
    const waits = ids.slice(1).map((_, k) => Math.max(0, (h + 2 * k - 10) / (100 + 37 * (k + 1) - 10)));
    const fits = pieces.filter(({ from, to }) => h >= from && h <= to);
    for (const { heldBase, heldSlope } of fits)
      expect(heldBase + heldSlope * h).toBeCloseTo(4 * HELD_POINTS * Math.max(...waits), 9);
  }
});
