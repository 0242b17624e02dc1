import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { Prover } from '../../core/proof';
import { makeTree } from '../../core/proof/tree';
import { read } from '../builders/dinner';
import { generateOddDinner } from '../builders/generate-dinner';

/** Starts and minutes that each proof may look at: a fraction of a second. */
const WORK = 12_000_000;

function begin(seed: number) {
  const model = compileModel(read(generateOddDinner(seed, 'small')));
  const search = new Search(model, 1);
  const budget = { rounds: 4000, isOver: () => false };
  expect(search.construct(budget)).toBe(true);
  search.improve(budget);
  const configs = search.configurations!.filter(({ possible }) => possible);
  return { model, search, configs };
}

function isProven(seed: number): boolean {
  const { model, search, configs } = begin(seed);
  const prover = new Prover(model, configs, {
    target: search.best.cost,
    work: WORK,
    settle: (answer) => search.settle(answer, () => undefined),
  });
  return prover.run(() => false).isComplete;
}

test.each([22, 26, 68, 76])('evening %i, where things wait for two others, is soon proven', (seed) => {
  const { model, configs } = begin(seed);
  const sides = configs.flatMap((config) =>
    makeTree(model, config)
      .options.flat(2)
      .flatMap((o) => o.sides),
  );
  expect(sides.length).toBeGreaterThan(0);
  expect(isProven(seed)).toBe(true);
});

test('an evening with work that only one of two cooks may do, and who sits at the table, is soon proven', () => {
  const { model, configs } = begin(80);
  const { priced, options } = makeTree(model, configs[0]!);
  const his = priced.findIndex(({ cook }) => cook === 0);
  expect(his).toBeGreaterThanOrEqual(0);
  const works = options.flat().filter(({ uses }) => uses.some(({ resource }) => resource === his));
  expect(works.map(({ activity }) => model.activities[activity]!.who)).toEqual([0]);
  expect(isProven(80)).toBe(true);
});

test('an evening with a pot that only a cook who sits at the table may look at is soon proven', () => {
  const { model, configs } = begin(245);
  const { options } = makeTree(model, configs[0]!);
  const pots = options.flat().filter(({ mode, uses }) => !mode.isHands && uses.some(({ worked }) => worked));
  expect(pots.map(({ activity }) => model.activities[activity]!.name)).toEqual(['d1/cook']);
  expect(isProven(245)).toBe(true);
});

test('an evening before that is too short for all that must lie together is soon left', () => {
  // A dish that needs 187 minutes in one go, of which the proof knows only two by two, and three hours of an evening.
  const { configs } = begin(172);
  expect(configs.length).toBeGreaterThan(0);
  expect(isProven(172)).toBe(true);
});
