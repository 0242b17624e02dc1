import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { Dual } from '../../core/proof/dual';
import { RelaxationKernel } from '../../core/proof/kernel/kernel';
import { Rise } from '../../core/proof/rise';
import { makeTree } from '../../core/proof/tree';
import { Random } from '../../core/planner/random';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';
import { wholePart } from '../builders/whole-part';

/** The bound of a dinner, all open, after so many steps, and the cost of a plan. */
function climbed(seed: number, steps: readonly number[]) {
  const model = compileModel(read(generateDinner(seed, 'medium')));
  const search = new Search(model, 1);
  const budget = { rounds: 3000, isOver: () => false };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  const { config, cost } = search.best;
  const bounds = steps.map((most) => {
    const dual = new Dual(makeTree(model, config));
    [dual.kernel] = RelaxationKernel.for([dual.relaxation])!;
    const { part, evening } = wholePart(dual);
    const begun = evening()!;
    return dual.ascend(
      part.domain,
      begun,
      () => cost,
      most,
      1,
      () => false,
      () => begun,
    );
  });
  return { bounds, cost };
}

test('a hundred and fifty steps come near to what fifteen hundred reach, and neither above the plan', () => {
  let soon = 0;
  let late = 0;
  let begun = 0;
  for (let seed = 1; seed <= 8; seed++) {
    const one = climbed(seed, [1, 150, 1500]);
    if (!one) continue;
    const [first, few, many] = one.bounds as [number, number, number];
    expect(few).toBeLessThanOrEqual(one.cost + 1e-9);
    expect(many).toBeLessThanOrEqual(one.cost + 1e-9);
    expect(few).toBeGreaterThan(first);
    begun += first;
    soon += few;
    late += many;
  }
  expect((soon - begun) / (late - begun)).toBeGreaterThan(0.9);
});

test('prices stay between nothing and the most, and rise where there is too much', () => {
  const random = new Random(11);
  const price = Float64Array.from({ length: 30 }, () => (random.next() < 0.3 ? 0 : random.next()));
  const rise = new Rise(price, 1);
  for (let round = 0; round < 60; round++) {
    const before = price.slice();
    const excess = Array.from(price, () => 6 * random.next() - 3);
    rise.begin();
    rise.beginStep(0.8, round % 2 === 0);
    excess.forEach((much, m) => rise.turn(m, much));
    rise.move(0, price.length, random.next());
    price.forEach((now, m) => {
      expect(now).toBeGreaterThanOrEqual(0);
      expect(now).toBeLessThanOrEqual(1);
      if (excess[m]! > 0) expect(now).toBeGreaterThanOrEqual(before[m]!);
      else expect(now).toBeLessThanOrEqual(before[m]!);
    });
  }
});

test('a price that may fall below nothing does, where less is used than is given', () => {
  const price = Float64Array.of(0, 0);
  const rise = new Rise(price, Infinity);
  rise.least[1] = -Infinity;
  rise.begin();
  rise.beginStep(0, true);
  rise.turn(0, -1);
  rise.turn(1, -1);
  rise.move(0, 2, 0.5);
  expect(Array.from(price)).toEqual([0, -0.5]);
});

test('only minutes in which a course may be eaten become cheaper than nothing', () => {
  let cheap = 0;
  for (const seed of [1, 2, 3, 8, 10, 11]) {
    const model = compileModel(read(generateDinner(seed, 'medium')));
    const search = new Search(model, 1);
    if (!search.construct({ rounds: 1000, isOver: () => false })) continue;
    const { config, cost } = search.best;
    const dual = new Dual(makeTree(model, config));
    const { part, evening } = wholePart(dual);
    const begun = evening()!;
    const never = () => false;
    dual.ascend(
      part.domain,
      begun,
      () => cost,
      60,
      1,
      never,
      () => begun,
    );
    const { price } = dual.demand;
    const mayEat = (m: number) =>
      model.courses.some(({ eating }, c) => m >= begun.serveLow[c]! && m < begun.serveHigh[c]! + eating);
    price.forEach((one, m) => {
      if (one < 0) expect(mayEat(m)).toBe(true);
      if (one < 0) cheap += 1;
    });
  }
  expect(cheap).toBeGreaterThan(0);
});

test('a price whose excess swings takes shorter steps than a quiet one, but for plain steps', () => {
  const stepsOf = (isPlain: boolean) => {
    const price = Float64Array.of(5, 5);
    const rise = new Rise(price, Infinity);
    rise.begin();
    for (let round = 0; round < 12; round++) {
      rise.beginStep(0, isPlain);
      rise.turn(0, round % 2 === 0 ? -9 : 9);
      rise.turn(1, round % 2 === 0 ? -1 : 1);
    }
    rise.move(0, 2, 0.1);
    return [price[0]! - 5, price[1]! - 5];
  };
  const [wild, quiet] = stepsOf(false);
  expect(wild! / quiet!).toBeCloseTo(1, 2);
  const [plain, other] = stepsOf(true);
  expect(plain! / other!).toBeCloseTo(9, 6);
});

test('the best prices come back, whatever was tried since', () => {
  const price = Float64Array.of(1, 2, 3);
  const rise = new Rise(price, Infinity);
  rise.keep();
  rise.beginStep(0.8, true);
  [4, -1, 2].forEach((much, m) => rise.turn(m, much));
  rise.move(0, 3, 1);
  expect(Array.from(price)).toEqual([5, 1, 5]);
  rise.takeBest();
  expect(Array.from(price)).toEqual([1, 2, 3]);
});
