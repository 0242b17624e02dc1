import { makeTree } from '../../core/proof/tree';
import { generateOddDinner } from '../builders/generate-dinner';
import { isProven, searched } from '../builders/proof-of';

/** Starts and minutes that each proof may look at: a fraction of a second. */
const WORK = 12_000_000;

const begin = (seed: number) => searched(generateOddDinner(seed, 'small'), 4000);
const isSoonProven = (seed: number) => isProven(begin(seed), WORK);

test.each([22, 26, 68, 76])('evening %i, where things wait for two others, is soon proven', (seed) => {
  const { model, configs } = begin(seed);
  const sides = configs.flatMap((config) =>
    makeTree(model, config)
      .options.flat(2)
      .flatMap((o) => o.sides),
  );
  expect(sides.length).toBeGreaterThan(0);
  expect(isSoonProven(seed)).toBe(true);
});

test('an evening with work that only one of two cooks may do, and who sits at the table, is soon proven', () => {
  const { model, configs } = begin(80);
  const { priced, options } = makeTree(model, configs[0]!);
  const his = priced.findIndex(({ cook }) => cook === 0);
  expect(his).toBeGreaterThanOrEqual(0);
  const works = options.flat().filter(({ uses }) => uses.some(({ resource }) => resource === his));
  expect(works.map(({ activity }) => model.activities[activity]!.who)).toEqual([0]);
  expect(isSoonProven(80)).toBe(true);
});

test('an evening with a pot that only a cook who sits at the table may look at is soon proven', () => {
  const { model, configs } = begin(245);
  const { options } = makeTree(model, configs[0]!);
  const pots = options.flat().filter(({ mode, uses }) => !mode.isHands && uses.some(({ worked }) => worked));
  expect(pots.map(({ activity }) => model.activities[activity]!.name)).toEqual(['d1/cook']);
  expect(isSoonProven(245)).toBe(true);
});

test('an evening before that is too short for all that must lie together is soon left', () => {
  // A dish that needs 187 minutes in one go, of which the proof knows only two by two, and three hours of an evening.
  const { configs } = begin(172);
  expect(configs.length).toBeGreaterThan(0);
  expect(isSoonProven(172)).toBe(true);
});
