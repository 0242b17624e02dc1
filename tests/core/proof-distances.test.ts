import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { Distances, UNKNOWN } from '../../core/proof/distances';
import { makeTree } from '../../core/proof/tree';
import { dinnerFile, read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';

function distancesOf(steps: Parameters<typeof dinnerFile>[0], more: Parameters<typeof dinnerFile>[1] = {}) {
  const model = compileModel(read(dinnerFile(steps, more)));
  const distances = new Distances(makeTree(model, new Search(model, 1).board.config));
  const indexOf = (id: string) => model.activities.findIndex(({ name }) => name === `dish/${id}`);
  return { model, distances, between: (a: string, b: string) => distances.between(indexOf(a), indexOf(b)) };
}

test('what lies between two steps adds up along links, at least and at most', () => {
  const { between } = distancesOf([
    step('chop', 10, { keeps: { most: 20 } }),
    step('rest', 30, { attention: 'alone', after: [{ step: 'chop', least: 5 }], keeps: { most: 60 } }),
    step('fry', 8, { after: ['rest'] }),
    step('whip', 4),
  ]);
  expect(between('chop', 'rest')).toBe(15);
  expect(between('rest', 'chop')).toBe(-30);
  expect(between('chop', 'fry')).toBe(45);
  // No more than 30 minutes to the rest, which takes 30, and 60 after that.
  expect(between('fry', 'chop')).toBe(-120);
  expect(between('whip', 'fry')).toBe(UNKNOWN);
  expect(between('fry', 'whip')).toBe(UNKNOWN);
});

test('work that pauses may end half an hour later, and courses lie as their pauses let them', () => {
  const { model, distances, between } = distancesOf([], {
    courses: [
      { id: 'first', name: 'First', dishes: ['soup'], eating: 20 },
      { id: 'second', name: 'Second', dishes: ['dish'], pause: { least: 5, ideal: 10, most: 25 } },
    ],
    dishes: [
      { id: 'soup', name: 'Soup', serves: 4, steps: [step('stir', 5)] },
      {
        id: 'dish',
        name: 'Dish',
        serves: 4,
        steps: [
          step('knead', 15, { pausable: true, keeps: { most: 10 } }),
          step('fry', 8, { after: ['knead'], keeps: { most: 0 } }),
        ],
      },
    ],
  });
  expect(between('knead', 'fry')).toBe(15);
  expect(between('fry', 'knead')).toBe(-(15 + 30 + 10));
  const [first, second] = [model.activities.length, model.activities.length + 1];
  expect(distances.between(first, second)).toBe(25);
  expect(distances.between(second, first)).toBe(-45);
  const fry = model.activities.findIndex(({ name }) => name === 'dish/fry');
  const { plating } = model.courses[1]!;
  expect(distances.between(fry, second)).toBe(8 + plating);
  expect(distances.between(second, fry)).toBe(-8 - plating);
});

test('in every plan things lie as far from one another as is said', () => {
  let known = 0;
  for (let seed = 1; seed <= 40; seed++) {
    for (const [, generate] of GENERATORS) {
      const model = compileModel(read(generate(seed, seed % 4 === 0 ? 'medium' : 'small')));
      const search = new Search(model, seed);
      if (!search.construct({ rounds: 1, isOver: () => false })) continue;
      search.improve({ rounds: 100, isOver: () => false });
      search.showBest();
      const { board } = search;
      const tree = makeTree(model, board.config);
      const distances = new Distances(tree);
      const slots = [
        ...tree.order.map((i) => ({ number: i, at: board.start[i]! })),
        ...model.courses.map((_, c) => ({ number: model.activities.length + c, at: board.serve[c]! })),
      ];
      for (const from of slots) {
        for (const to of slots) {
          if (from === to) continue;
          const least = distances.between(from.number, to.number);
          if (least !== UNKNOWN) known += 1;
          expect(to.at - from.at).toBeGreaterThanOrEqual(least);
        }
      }
    }
  }
  expect(known).toBeGreaterThan(2000);
});
