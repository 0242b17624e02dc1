import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { makeTree } from '../../core/proof/tree';
import { read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';
import { partOfSteps } from '../builders/part-of-steps';

const PAN = { uses: [{ tool: 'pan' }] };
const KEPT = { ...PAN, keepsIn: ['pan'] };
const ordersOf = (steps: Parameters<typeof partOfSteps>[0], pans = 1) =>
  Array.from(partOfSteps(steps, { kitchen: { ovens: [], tools: { pan: pans } } }).tree.keptOrders);

test('who wants a pan for something that frees it comes before who keeps it', () => {
  const steps = [
    step('fry', 8, PAN),
    step('sear', 12, KEPT),
    step('chop', 5),
    step('stew', 30, { after: ['chop', 'fry', 'sear'] }),
  ];
  // Step 0 comes before step 1, which starts eight minutes after it at the soonest.
  expect(ordersOf(steps)).toEqual([0, 1, 8]);
  expect(ordersOf(steps, 2)).toEqual([]);
});

test('a pan that is needed next is free once that begins, and what does not lead there may come later', () => {
  const sear = step('sear', 12, KEPT);
  const sauce = step('sauce', 6, { ...PAN, after: ['sear'] });
  expect(ordersOf([step('fry', 8, PAN), sear, sauce])).toEqual([]);
  const stew = step('stew', 30, { after: ['fry', 'sauce', 'sear'] });
  expect(ordersOf([step('fry', 8, PAN), sear, sauce, stew])).toEqual([]);
  const first = step('sauce', 6, { ...PAN, after: ['fry', 'sear'] });
  expect(ordersOf([step('fry', 8, PAN), sear, first])).toEqual([0, 1, 8]);
});

test('so does who wants a pan that is kept until the plate, and what goes there or onto one before it', () => {
  const fry = step('fry', 8, PAN);
  expect(ordersOf([fry, step('sear', 12, KEPT)])).toEqual([0, 1, 8]);
  expect(ordersOf([fry, step('sear', 12, KEPT)], 2)).toEqual([]);
  expect(ordersOf([fry, step('sear', 12, PAN)])).toEqual([]);
  // What is fried goes into a sauce that may be made after the pan was given back, for the next course.
  const kitchen = { ovens: [], tools: { pan: 1 } };
  const dish = (id: string, steps: Parameters<typeof partOfSteps>[0]) => ({ id, name: id, serves: 4, steps });
  const inTurn = (first: ReturnType<typeof step>, second: ReturnType<typeof step>) =>
    Array.from(
      partOfSteps([], {
        kitchen,
        dishes: [dish('one', [first]), dish('two', [second])],
        courses: ['one', 'two'].map((id) => ({ id, name: id, dishes: [id] })),
      }).tree.keptOrders,
    );
  expect(inTurn(step('sear', 12, KEPT), fry)).toEqual([]);
  expect(inTurn(fry, step('sear', 12, KEPT))).toEqual([0, 1, 8]);
});

test('nothing is said where the pan is not kept in every way, or taken for no time', () => {
  const stew = step('stew', 30, { after: ['fry', 'sear'] });
  const ways = [{ id: 'other', label: 'Another', keepsIn: [] }];
  expect(ordersOf([step('fry', 8, PAN), step('sear', 12, { ...KEPT, ways }), stew])).toEqual([]);
  expect(ordersOf([step('fry', 0, PAN), step('sear', 12, KEPT), stew])).toEqual([]);
});

test('no plan breaks such an order', () => {
  let met = 0;
  for (const [, generate] of GENERATORS) {
    for (let seed = 1; seed <= 60; seed++) {
      const model = compileModel(read(generate(seed, seed % 4 === 0 ? 'medium' : 'small')));
      const search = new Search(model, seed);
      let asked = 0;
      if (!search.construct({ rounds: 1, isOver: () => ++asked > 2000 })) continue;
      search.showBest();
      const { start, config } = search.board;
      const orders = makeTree(model, config).keptOrders;
      for (let x = 0; x < orders.length; x += 3) {
        met += 1;
        const [from, to, lag] = orders.subarray(x, x + 3);
        expect([seed, start[to!]! - start[from!]! >= lag!]).toEqual([seed, true]);
      }
    }
  }
  expect(met).toBeGreaterThan(3);
});
