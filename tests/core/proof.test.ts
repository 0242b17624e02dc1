import { compileModel } from '../../core/model';
import { Prover } from '../../core/proof';
import type { Option, Piece } from '../../core/proof/options';
import { PausedWork } from '../../core/proof/pauses';
import { NEVER, waitBackward, waitForward, type Row } from '../../core/proof/waiting';
import { Random, Search } from '../../core/planner';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner, generateSpicyDinner } from '../builders/generate-dinner';

function randomRow(random: Random, low: number, size: number): Row {
  const list = Float64Array.from({ length: size }, () => (random.next() < 0.2 ? NEVER : 10 * random.next()));
  const first = random.below(4);
  return { list, low, first, last: size - 1 - random.below(4) };
}

const costOf = ({ from, to, base, slope }: Piece, h: number) =>
  h < from || h > to ? NEVER : base + slope * h;

test('waiting forward and backward finds what trying every pair finds', () => {
  const random = new Random(5);
  for (let round = 0; round < 200; round++) {
    const from = random.below(6);
    const piece: Piece = {
      heldBase: 0,
      heldSlope: 0,
      otherBase: 0,
      otherSlope: 0,
      from,
      to: random.below(4) === 0 ? 1_000_000 : from + random.below(12),
      base: random.next(),
      slope: 2 * random.next() - 1,
    };
    const ends = randomRow(random, random.below(10), 30);
    const starts = randomRow(random, random.below(20), 30);
    const forward = { ...starts, list: new Float64Array(30).fill(NEVER) };
    waitForward(piece, ends, forward);
    const backward = { ...ends, list: new Float64Array(30).fill(NEVER) };
    waitBackward(piece, starts, backward);
    const least = (values: Row, cost: (at: number) => number) => {
      let best = NEVER;
      for (let k = values.first; k <= values.last; k++) {
        if (values.list[k]! < NEVER) best = Math.min(best, values.list[k]! + cost(values.low + k));
      }
      return best;
    };
    for (let k = starts.first; k <= starts.last; k++) {
      const expected = least(ends, (e) => costOf(piece, starts.low + k - e));
      expect(Math.min(NEVER, forward.list[k]!)).toBeCloseTo(expected, 6);
    }
    for (let k = ends.first; k <= ends.last; k++) {
      const expected = least(starts, (t) => costOf(piece, t - ends.low - k));
      expect(Math.min(NEVER, backward.list[k]!)).toBeCloseTo(expected, 6);
    }
  }
});

test('paused work costs the cheapest minutes between its start and its end', () => {
  const random = new Random(7);
  const [count, reach, duration, low] = [40, 30, 12, 5];
  const option = {
    count,
    reach,
    low,
    first: 2,
    last: count - 1,
    mode: { duration, hands: 2 },
    up: new Float64Array(count),
    ends: new Float64Array(count + reach),
  } as unknown as Option;
  const work = new PausedWork(option);
  const slots = low + count + duration + 20;
  const fixed = Float64Array.from({ length: 120 }, (_, m) => (m > 20 && m < 50 ? 2 : 0));
  const cost = fixed.map((f) => f + (random.next() < 0.5 ? 0 : random.next()));
  work.read(cost, fixed, slots);
  for (let k = option.first; k <= option.last; k++) {
    for (let p = 0; p <= reach && low + k + duration + p <= slots; p++) {
      const between = [...cost.subarray(low + k, low + k + duration + p)].sort((a, b) => a - b);
      const cheapest = between.slice(0, duration).reduce((a, b) => a + b, 0);
      expect(work.cost(k, p)).toBeCloseTo(2 * cheapest, 9);
    }
  }
});

test.each([
  ['plain', generateDinner],
  ['with rare features', generateSpicyDinner],
])('%s: whatever cost is to be beaten, no bound lies above a plan that was found', (_name, generate) => {
  const broken: string[] = [];
  for (let seed = 1; seed <= 25; seed++) {
    const model = compileModel(read(generate(seed, 'small')));
    const search = new Search(model, 1);
    const budget = { rounds: 300, isOver: () => false };
    if (!search.construct(budget)) continue;
    search.improve(budget);
    const { cost } = search.best;
    const { config } = search.best;
    const proof = new Prover(model, [config], {
      target: 1.3 * cost + 5,
      work: 60_000,
      isOver: () => false,
      settle: () => ({ cost: Infinity, isLeast: false }),
    }).run();
    if (proof.bound > cost + 0.002) broken.push(`${seed}: bound ${proof.bound}, but a plan costs ${cost}`);
  }
  expect(broken).toEqual([]);
});

test('a dinner that can be looked through is proven optimal: the bound is the cost', () => {
  const plan = planOf(
    read(
      dinnerFile([
        step('stir', 10, { keeps: { best: 0, most: 30 } }),
        step('bake', 20, {
          attention: 'alone',
          touch: { in: 1, out: 1 },
          uses: [{ oven: 200 }],
          after: ['stir'],
          keeps: { best: 2, most: 20 },
        }),
      ]),
    ),
    400,
    1,
    40,
  );
  expect(plan).toMatchObject({ feasible: true, optimal: true, bound: plan.cost });
});
