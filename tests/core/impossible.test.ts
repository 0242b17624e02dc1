import { compileModel, type Model } from '../../core/model';
import { Search } from '../../core/planner';
import { lastOf } from '../../core/slices';
import { dinnerFile, read, step } from '../builders/dinner';
import { GENERATORS, generateDinner, generateOddDinner } from '../builders/generate-dinner';

const never = () => false;

const isProvenImpossible = (model: Model) => new Search(model, 1).isProvenImpossible(never, 12);

const modelOf = (...what: Parameters<typeof dinnerFile>) => compileModel(read(dinnerFile(...what)));

describe('what cannot be done is seen without looking for a plan', () => {
  /** Both go into what is fried at once when they are done, or five minutes later. */
  const freshly = (keeps: number) =>
    modelOf([
      step('whip', 6, { keeps: { most: 0 } }),
      step('knead', 32, { pausable: true, keeps: { most: keeps } }),
      step('fry', 8, { after: ['whip', 'knead'], keeps: { most: 30 } }),
    ]);

  test('two works of one cook that both have to end when a third begins', () => {
    expect(isProvenImpossible(freshly(5))).toBe(true);
    expect(isProvenImpossible(freshly(6))).toBe(false);
  });

  /** Two trays that one oven cannot hold at once, for one plate. */
  const trays = (keeps: number) =>
    modelOf([
      step('roast', 44, {
        attention: 'alone',
        touch: { in: 1, out: 1 },
        uses: [{ oven: 220 }],
        keeps: { most: 22 },
      }),
      step('bake', 38, {
        attention: 'alone',
        touch: { in: 1, out: 1 },
        uses: [{ oven: 120 }],
        keeps: { most: keeps },
      }),
    ]);

  test('two things that want one oven at two heats and do not keep until the other is done', () => {
    expect(isProvenImpossible(trays(46))).toBe(true);
    expect(isProvenImpossible(trays(60))).toBe(false);
  });

  /** A cook has ten minutes from clearing one course to serving the next. */
  const served = (plating: number) =>
    modelOf([], {
      courses: [
        { id: 'first', name: 'First', dishes: ['soup'], eating: 20, clearing: 6 },
        {
          id: 'second',
          name: 'Second',
          dishes: ['dish'],
          plating: { base: plating, perGuest: 0 },
          pause: { least: 10, ideal: 10, most: 10 },
        },
      ],
      dishes: ['soup', 'dish'].map((id) => ({ id, name: id, serves: 4, steps: [step('stir', 5)] })),
    });

  test('plates that are to be on the table before the last ones can be cleared and these filled', () => {
    expect(isProvenImpossible(served(5))).toBe(true);
    expect(isProvenImpossible(served(4))).toBe(false);
  });

  test('and the search says so after a few attempts', () => {
    for (const model of [
      freshly(5),
      trays(46),
      served(5),
      compileModel(read(generateDinner(212, 'medium'))),
    ]) {
      let asked = 0;
      const isOver = () => {
        asked += 1;
        return false;
      };
      expect(new Search(model, 1).construct({ rounds: 1, isOver })).toBe(false);
      // Six attempts; all of them would ask some ten thousand times.
      expect(asked).toBeLessThan(1500);
    }
  });
});

test('nothing that can be cooked is called impossible, and most of what cannot is', () => {
  const found = { plans: 0, shut: 0, unknown: 0 };
  const look = (model: Model) => {
    const search = new Search(model, 1);
    if (search.configurations!.every(({ possible }) => !possible)) return;
    const isShut = isProvenImpossible(model);
    let asked = 0;
    const budget = { rounds: 1, isOver: () => ++asked > 3000 };
    // In so few attempts nobody asks whether there can be a plan.
    const hasPlan = lastOf(search.constructing(budget, 6));
    if (hasPlan) expect(isShut).toBe(false);
    const isKnown = hasPlan || isShut || search.construct(budget);
    found[!isKnown ? 'unknown' : isShut ? 'shut' : 'plans'] += 1;
  };
  for (const [, generate] of GENERATORS) {
    for (let seed = 1; seed <= 40; seed++) look(compileModel(read(generate(seed, 'small'))));
    for (let seed = 1; seed <= 6; seed++) look(compileModel(read(generate(seed, 'medium'))));
  }
  for (const seed of [25, 39, 44, 52, 64, 76, 100])
    look(compileModel(read(generateOddDinner(seed, 'medium'))));
  expect(found.plans).toBeGreaterThan(100);
  expect(found.shut).toBeGreaterThan(6);
  expect(found.unknown).toBeLessThan(3);
});
