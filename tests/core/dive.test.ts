import { auditPlan } from '../../core/audit';
import type { DinnerFile } from '../../core/dinner';
import { compileModel } from '../../core/model';
import { planDinner, Random, Search } from '../../core/planner';
import { assemblePlan } from '../../core/planner/assemble';
import { Dive, Prover, type Answer } from '../../core/proof';
import { lastOf } from '../../core/slices';
import { demoText, dinnerFile, read, step } from '../builders/dinner';
import { GENERATORS, generateDinner } from '../builders/generate-dinner';
import { makeTight, tightened } from '../builders/tight-dinner';

const never = () => false;
const none = () => ({ cost: Infinity, isLeast: false });

const demo = (name: string) => JSON.parse(demoText(name)) as DinnerFile;

/** Those ways to make a dinner that lags allow. */
function possible(search: Search) {
  return search.configurations!.filter((config) => config.possible);
}

/** A dive that makes no plan of anything, so that all it can say is that there is none. */
function blindDive(search: Search): Dive {
  const random = new Random(1);
  return new Dive(search.model, possible(search), {
    settle: none,
    isNearPlan: never,
    random: () => random.next(),
  });
}

describe('evenings full to the brim have a plan', () => {
  test.each([
    ['four minutes between courses', tightened(demo('walnut-harvest'), 'pauses', 4)],
    ['six more at the table', tightened(demo('first-frost'), 'guests', 6)],
    [
      'what is made keeps for less than half of the time',
      tightened(generateDinner(10, 'medium'), 'keeps', 0.4),
    ],
  ])('%s', (_name, file) => {
    const dinner = read(file);
    for (const seed of [1, 2, 3]) {
      let asked = 0;
      const isOver = () => ++asked > 20_000;
      expect(new Search(compileModel(dinner), seed).construct({ rounds: 1, isOver })).toBe(true);
    }
    const plan = planDinner(dinner, [], { seconds: 60, rounds: 40, seed: 1, now: () => 0 });
    expect(plan.feasible).toBe(true);
    expect(auditPlan(dinner, plan).breaches).toEqual([]);
  });
});

test('without any help a dive finds plans of its own, and they keep all rules', () => {
  let found = 0;
  for (let seed = 1; seed <= 30; seed++) {
    const dinner = read(generateDinner(seed, 'small'));
    const search = new Search(compileModel(dinner), seed);
    const random = new Random(seed);
    const dive = new Dive(search.model, possible(search), {
      settle: (answer) => search.settle(answer, () => undefined),
      isNearPlan: never,
      random: () => random.next(),
    });
    if (!lastOf(dive.diving(60, never))) continue;
    found += 1;
    search.showBest();
    expect(auditPlan(dinner, assemblePlan(search.board, [], null)).breaches).toEqual([]);
    expect(dive.isImpossible).toBe(false);
  }
  expect(found).toBeGreaterThan(20);
});

test('a plan is looked for near answers in which something is wanted twice', () => {
  const search = new Search(compileModel(read(tightened(demo('walnut-harvest'), 'pauses', 4))), 1);
  const near: Answer[] = [];
  const isNearPlan = (answer: Answer) => {
    near.push(answer);
    return search.startNear(answer, { isOver: never });
  };
  const dive = new Dive(search.model, possible(search), { settle: none, isNearPlan, random: () => 0.5 });
  expect(lastOf(dive.diving(60, never))).toBe(true);
  expect(near.length).toBeLessThan(30);
  expect(near.every(({ isDecided }) => !isDecided)).toBe(true);
});

describe('that there is none', () => {
  test('is proven by parting where narrowing the whole leaves something', () => {
    const model = compileModel(read(tightened(generateDinner(10, 'small'), 'keeps', 0.4)));
    const search = new Search(model, 1);
    const whole = new Prover(model, possible(search), { target: Infinity, work: 0, settle: none });
    expect(whole.isDone).toBe(false);
    expect(search.isProvenImpossible(never, 12)).toBe(true);
    expect(new Search(model, 2).construct({ rounds: 1, isOver: never })).toBe(false);
  });

  /** One cook does two things right before the plate, the one of them in one of three ways, of which the last keeps so long. */
  const inThreeWays = (lastKeeps: number) => {
    const ways = ['one', 'other', 'third'];
    const stirs = ways.map((way) =>
      step(`stir-${way}`, 6, { in: [way], keeps: { most: way === 'third' ? lastKeeps : 1 } }),
    );
    const steps = [step('fry', 6, { keeps: { most: 1 } }), ...stirs];
    const dishes = [
      { id: 'dish', name: 'Dish', serves: 4, ways: ways.map((id) => ({ id, label: id })), steps },
    ];
    return new Search(compileModel(read(dinnerFile([], { dishes }))), 1);
  };

  test('is proven of one way to make the dinner after the other', () => {
    expect(inThreeWays(1).isProvenImpossible(never, 12)).toBe(true);
    expect(inThreeWays(8).isProvenImpossible(never, 12)).toBe(false);
    expect(inThreeWays(8).construct({ rounds: 1, isOver: never })).toBe(true);
  });

  test('is never said of a dinner that has one', () => {
    let plans = 0;
    for (const [, generate] of GENERATORS) {
      for (let seed = 1; seed <= 24; seed++) {
        const plain = generate(seed, 'small');
        const search = new Search(compileModel(read(seed % 2 === 0 ? plain : makeTight(plain, seed))), 1);
        if (possible(search).length === 0) continue;
        let asked = 0;
        // In so few attempts nobody dives.
        if (!lastOf(search.constructing({ rounds: 1, isOver: () => ++asked > 3000 }, 6))) continue;
        plans += 1;
        const dive = blindDive(search);
        lastOf(dive.diving(70, never));
        expect([seed, dive.isImpossible]).toEqual([seed, false]);
      }
    }
    expect(plans).toBeGreaterThan(60);
  });
});
