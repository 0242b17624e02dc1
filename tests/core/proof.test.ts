import { compileModel, LEAST_PIECE } from '../../core/model';
import { Prover } from '../../core/proof';
import type { Option, Piece } from '../../core/proof/options';
import { PausedWork } from '../../core/proof/pauses';
import { WorkPrices } from '../../core/proof/work-prices';
import { NEVER, Row, waitBackward, waitForward } from '../../core/proof/waiting';
import { planInSlices, Random, Search } from '../../core/planner';
import { lastOf } from '../../core/slices';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner, GENERATORS } from '../builders/generate-dinner';

function randomRow(random: Random, low: number, size: number): Row {
  const list = Float64Array.from({ length: size }, () => (random.next() < 0.2 ? NEVER : 10 * random.next()));
  const row = new Row();
  row.list = list;
  row.low = low;
  row.first = random.below(4);
  row.last = size - 1 - random.below(4);
  const from = row.first + 1 + random.below(10);
  const to = from + random.below(12);
  row.setGap(from, to);
  list.fill(NEVER, from, to);
  return row;
}

function blank(row: Row): Row {
  return Object.assign(new Row(), row, { list: new Float64Array(30).fill(NEVER) });
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
    const forward = blank(starts);
    waitForward(piece, ends, forward);
    const backward = blank(ends);
    waitBackward(piece, starts, backward);
    const least = (values: Row, cost: (at: number) => number) => {
      let best = NEVER;
      for (let k = values.first; k <= values.last; k++) {
        if (values.list[k]! < NEVER) best = Math.min(best, values.list[k]! + cost(values.low + k));
      }
      return best;
    };
    const isOpen = (row: Row, k: number) => k < row.gapFrom || k >= row.gapTo;
    for (let k = starts.first; k <= starts.last; k++) {
      if (!isOpen(starts, k)) continue;
      const expected = least(ends, (e) => costOf(piece, starts.low + k - e));
      expect(Math.min(NEVER, forward.list[k]!)).toBeCloseTo(expected, 6);
    }
    for (let k = ends.first; k <= ends.last; k++) {
      if (!isOpen(ends, k)) continue;
      const expected = least(starts, (t) => costOf(piece, t - ends.low - k));
      expect(Math.min(NEVER, backward.list[k]!)).toBeCloseTo(expected, 6);
    }
  }
});

/** The least that `duration` minutes of pieces of five and more between two slots cost, by looking at all. */
function leastPieces(cost: Float64Array, start: number, end: number, duration: number): number {
  let least = Infinity;
  const place = (from: number, left: number, sum: number) => {
    for (let length = LEAST_PIECE; length <= left; length++) {
      const spent = sum + cost.subarray(from, from + length).reduce((a, b) => a + b, 0);
      if (length === left) {
        if (from + length === end) least = Math.min(least, spent);
        continue;
      }
      for (let next = from + length + 1; next + left - length <= end; next++)
        place(next, left - length, spent);
    }
  };
  place(start, duration, 0);
  return least;
}

test.each([
  [10, 'exactly'],
  [12, 'exactly'],
  [14, 'exactly'],
  [15, 'at most'],
  [18, 'at most'],
])('paused work of %i minutes costs %s what its cheapest pieces cost', (duration, how) => {
  const random = new Random(7);
  const [count, reach, low] = [12, 9, 5];
  const option = {
    count,
    reach,
    shortest: 0,
    longest: reach,
    low,
    first: 2,
    last: count - 1,
    mode: { duration, hands: 2 },
    up: new Float64Array(count),
    ends: new Float64Array(count + reach),
  } as unknown as Option;
  const work = new PausedWork(option);
  const slots = low + count + duration + 4;
  const cost = Float64Array.from({ length: 60 }, () => (random.next() < 0.5 ? 0 : random.next()));
  const prices = new WorkPrices(60);
  prices.cost.set(cost);
  prices.add(0, 60, 60, 60);
  work.fillEnds(prices, slots);
  for (let k = option.first; k <= option.last; k++) {
    let least = Infinity;
    for (let p = 0; p <= reach && low + k + duration + p <= slots; p++) {
      const start = low + k;
      const expected = 2 * leastPieces(cost, start, start + duration + p, duration);
      if (how === 'exactly' || p === 0) expect(work.cost(k, p)).toBeCloseTo(expected, 9);
      else expect(work.cost(k, p)).toBeLessThanOrEqual(expected + 1e-9);
      least = Math.min(least, work.cost(k, p));
    }
    expect(work.leastFrom(k)).toBeCloseTo(least, 9);
  }
});

test.each(GENERATORS)(
  '%s: whatever cost is to be beaten, no bound lies above a plan that was found',
  (_name, generate) => {
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
        settle: () => ({ cost: Infinity, isLeast: false }),
      }).run(() => false);
      if (proof.bound > cost + 0.002) broken.push(`${seed}: bound ${proof.bound}, but a plan costs ${cost}`);
    }
    expect(broken).toEqual([]);
  },
);

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

test('however much time is allowed, a small dinner is proven after the same few slices', () => {
  const slicesIn = (seconds: number) => {
    const slices = planInSlices(read(generateDinner(16, 'small')), [], { seconds, seed: 1, now: () => 0 });
    let count = 0;
    for (;;) {
      const { done, value } = slices.next();
      if (done) return { count, cost: value.cost, optimal: value.optimal };
      count += 1;
    }
  };
  const soon = slicesIn(3);
  expect(soon.optimal).toBe(true);
  expect(slicesIn(300)).toEqual(soon);
});

test('a proof that stops and goes on, told of a better plan in between, proves that one', () => {
  const model = compileModel(read(generateDinner(16, 'small')));
  const search = new Search(model, 1);
  const rounds = { rounds: 1000, isOver: () => false };
  search.construct(rounds);
  search.improve({ ...rounds, rounds: 1 });
  const { cost } = search.best;
  const prover = new Prover(model, [search.best.config], {
    target: cost,
    work: 5e7,
    settle: (answer) => search.settle(answer, () => {}),
  });
  const before = lastOf(prover.running(() => false, 20_000));
  search.improve(rounds);
  expect(search.best.cost).toBeLessThan(cost);
  prover.beat(search.best.cost);
  const after = prover.run(() => false);
  expect(before).toMatchObject({ isComplete: false });
  expect(after).toMatchObject({ isComplete: true, bound: search.best.cost });
});

test('minutes in which a cook is not free are not at table twice', () => {
  const free = [
    { from: '2026-10-17T15:00', to: '2026-10-17T19:02' },
    { from: '2026-10-17T19:07', to: '2026-10-17T22:00' },
  ];
  const model = compileModel(
    read(
      dinnerFile([step('set', 133, { attention: 'alone', touch: { in: 1, out: 1 } })], {
        cooks: [{ id: 'ada', name: 'Ada', free }],
        courses: [
          { id: 'first', name: 'First', dishes: [] },
          { id: 'second', name: 'Second', dishes: ['dish'] },
        ],
      }),
    ),
  );
  const search = new Search(model, 1);
  const rounds = { rounds: 500, isOver: () => false };
  search.construct(rounds);
  search.improve(rounds);
  const { cost, config } = search.best;
  const settle = () => ({ cost: Infinity, isLeast: false });
  const { bound } = new Prover(model, [config], { target: cost + 5, work: 1e6, settle }).run(() => false);
  expect(bound).toBeLessThanOrEqual(cost + 1e-6);
});
