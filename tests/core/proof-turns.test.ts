import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { makeTree } from '../../core/proof/tree';
import { dinnerFile, read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';
import { useOfPlan, usesOf } from '../builders/use-of-plan';

const baked = (id: string, celsius: number, give: number) =>
  step(id, 30, { attention: 'alone', touch: { in: 1, out: 1 }, uses: [{ oven: celsius, give }] });

function treeOf(steps: Parameters<typeof dinnerFile>[0], more: Parameters<typeof dinnerFile>[1] = {}) {
  const model = compileModel(read(dinnerFile(steps, more)));
  return makeTree(model, new Search(model, 1).board.config);
}

test('heats that one oven cannot have at once take turns, with the time the oven needs to change', () => {
  const tree = treeOf([baked('cool', 160, 5), baked('warm', 180, 5), baked('hot', 220, 5)]);
  const [cool, warm, hot] = ['cool', 'warm', 'hot'].map(
    (id) => tree.options[tree.model.activities.findIndex(({ name }) => name === `dish/${id}`)]![0]!,
  );
  const turn = tree.priced.length - 1;
  expect(tree.priced[turn]!.capacity).toBe(1);
  const restOf = (option: typeof cool) => option!.uses.find(({ resource }) => resource === turn)!.rest;
  const { heats, cools } = tree.model.ovens[0]!;
  // After each one the nearest of the other heats.
  expect(restOf(cool)).toBe(Math.ceil(20 / heats));
  expect(restOf(warm)).toBe(Math.min(Math.ceil(20 / cools), Math.ceil(40 / heats)));
  expect(restOf(hot)).toBe(Math.ceil(40 / cools));
});

test('heats that meet share the oven, and two ovens need no turns', () => {
  const shared = treeOf([baked('one', 170, 20), baked('two', 190, 20)]);
  expect(shared.options.flat().flatMap(({ uses }) => uses)).toEqual([]);
  const ovens = [
    { id: 'oven', name: 'Oven' },
    { id: 'small', name: 'Small oven' },
  ];
  const apart = treeOf([baked('one', 160, 5), baked('two', 220, 5)], { kitchen: { ovens } });
  expect(apart.options.flat().flatMap(({ uses }) => uses)).toEqual([]);
});

test('work that is longer than the time between two looks at a pot has no place from the first look to the last', () => {
  const pot = step('pot', 40, { attention: 'minded', check: { every: 8, takes: 1, slack: 1 } });
  const tree = treeOf([pot, step('long', 12), step('short', 8)]);
  const named = (id: string) =>
    tree.options[tree.model.activities.findIndex(({ name }) => name === `dish/${id}`)]![0]!;
  // Looks at 8, 16, 24 and 32 minutes, each one earlier or later at most: between two of them lie 9 minutes at most.
  expect(named('pot').uses).toEqual([
    { resource: 0, count: 1, kept: false, worked: false, lead: 9, rest: 32 - 40 },
  ]);
  expect(named('long').uses).toEqual([
    { resource: 0, count: 1, kept: false, worked: false, lead: 0, rest: 0 },
  ]);
  expect(named('short').uses).toEqual([]);
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const cooks = ['ada', 'ben'].map((id) => ({ id, name: id, free }));
  expect(treeOf([pot, step('long', 12)], { cooks }).priced).toEqual([]);
});

test('what must come before a pot or after it takes turns with all of it, work that pauses in its minutes only', () => {
  const tree = treeOf([
    step('chop', 5),
    step('knead', 12, { pausable: true }),
    step('pot', 20, { attention: 'alone', touch: { in: 1, out: 1 }, after: ['chop', 'knead'] }),
    step('strain', 4, { after: ['pot'] }),
    step('long', 19),
    step('short', 18),
    step('any', 30, { pausable: true }),
  ]);
  const usesOf = (id: string) =>
    tree.options[tree.model.activities.findIndex(({ name }) => name === `dish/${id}`)]![0]!.uses;
  const turn = { resource: 0, count: 1, kept: false, worked: false, lead: 0, rest: 0 };
  // Between the two touches lie eighteen minutes.
  for (const id of ['pot', 'chop', 'strain', 'long']) expect(usesOf(id)).toEqual([turn]);
  expect(usesOf('knead')).toEqual([{ ...turn, worked: true }]);
  for (const id of ['short', 'any']) expect(usesOf(id)).toEqual([]);
});

test('in no plan does anything priced get used more than there is, rests and what stays taken with it', () => {
  let met = 0;
  let rests = 0;
  for (let seed = 1; seed <= 60; seed++) {
    for (const [, generate] of GENERATORS) {
      const model = compileModel(read(generate(seed, seed % 3 === 0 ? 'medium' : 'small')));
      const search = new Search(model, 1);
      if (!search.construct({ rounds: 60, isOver: () => false })) continue;
      search.showBest();
      const { board } = search;
      const tree = makeTree(model, board.config);
      const lossy = new Set(tree.shared.map(({ resource }) => resource));
      useOfPlan(board, tree).forEach((use, resource) => {
        // Turns that stand for what waiting loses may be wanted more than once: that is the loss.
        if (lossy.has(resource)) return;
        expect(Math.max(...use)).toBeLessThanOrEqual(tree.priced[resource]!.capacity);
        met += 1;
        for (const i of tree.order)
          rests += usesOf(board, tree, i, resource).filter(({ rest }) => rest > 0).length;
      });
    }
  }
  expect(met).toBeGreaterThan(40);
  expect(rests).toBeGreaterThan(20);
});
