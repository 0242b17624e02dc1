import { compileModel, type Model } from '../../core/model';
import { Random } from '../../core/planner';
import { Supply, type Evening } from '../../core/proof/supply';
import { dinnerFile, read, step } from '../builders/dinner';

const EATING = 10;

function tableFor(cooks: number): Model {
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  return compileModel(
    read(
      dinnerFile([step('a', 5)], {
        cooks: Array.from({ length: cooks }, (_, k) => ({ id: `cook${k}`, name: `Cook ${k}`, free })),
        courses: [{ id: 'only', name: 'Only', dishes: ['dish'], eating: EATING }],
        away: 4,
      }),
    ),
  );
}

/** Every way to be away from the table: minutes as bits, with at most `most` of them. */
function absences(most: number): number[] {
  return Array.from({ length: 1 << EATING }, (_, bits) => bits).filter((bits) => minutesOf(bits) <= most);
}

function minutesOf(bits: number): number {
  return bits.toString(2).replaceAll('0', '').length;
}

/** Stretches away with at most a minute between are one trip. */
function tripsOf(bits: number): number {
  return bits
    .toString(2)
    .split(/00+/)
    .filter((part) => part.includes('1')).length;
}

function costOf(model: Model, price: Float64Array, bits: number): number {
  let cost = model.weights.trips * tripsOf(bits);
  for (let m = 0; m < EATING; m++) {
    if (bits & (1 << m)) cost += model.weights.away - price[model.zero + m]!;
  }
  return cost;
}

function eveningWith(model: Model, low: number, high: number): Evening {
  return {
    serveLow: Int32Array.of(model.zero),
    serveHigh: Int32Array.of(model.zero),
    firstLow: model.zero,
    firstHigh: model.zero,
    forced: new Int32Array(model.slots),
    able: new Uint8Array(model.slots).fill(1),
    awayLow: Int32Array.of(low),
    awayHigh: Int32Array.of(high),
    trips: new Int32Array(EATING + 1),
  };
}

function randomPrices(model: Model, random: Random): Float64Array {
  const price = new Float64Array(model.slots);
  for (let m = 0; m < EATING; m++) price[model.zero + m] = 15 * random.next() * random.next();
  return price;
}

/** The least cost of one cook's absences, by minutes and trips. */
function leastOf(model: Model, price: Float64Array): Map<string, number> {
  const least = new Map<string, number>();
  for (const bits of absences(4)) {
    const key = `${minutesOf(bits)} ${tripsOf(bits)}`;
    least.set(key, Math.min(least.get(key) ?? Infinity, costOf(model, price, bits)));
  }
  return least;
}

test.each([1, 2])(
  'minutes away from the table of %i cooks, in as many trips as they need, cost what the best of all absences costs',
  (cooks) => {
    const model = tableFor(cooks);
    const supply = new Supply(model);
    const random = new Random(3 + cooks);
    for (let round = 0; round < 60; round++) {
      const price = randomPrices(model, random);
      const low = random.below(3 * cooks);
      const high = low + random.below(4);
      const evening = eveningWith(model, low, high);
      // How many trips so many minutes need; of more than one cook may be away nothing is said.
      for (let n = 1; n <= 4; n++) evening.trips[n] = random.below(Math.min(n, 3) + 1);
      const end = model.zero + EATING;
      const got =
        supply.cost(price, evening, model.zero, end) + supply.tableCost(0, model.zero, price, evening);
      const one = [...leastOf(model, price)].map(([key, cost]) => [...key.split(' ').map(Number), cost]);
      const both = one.flatMap(([n, t, cost]) =>
        one.map(([m, u, more]) => [n! + m!, t! + u!, cost! + more!]),
      );
      const open = (cooks === 1 ? one : both).filter(
        ([n, trips]) => n! >= low && n! <= high && trips! >= (n! > 4 ? 0 : evening.trips[n!]!),
      );
      const expected = Math.min(...open.map(([, , cost]) => cost!));
      if (expected === Infinity) {
        expect(got).toBe(Infinity);
        continue;
      }
      expect(got).toBeCloseTo(expected, 6);
      supply.answer(price, evening, model.zero, end, Int32Array.of(model.zero));
      const given = supply.given.subarray(model.zero, model.zero + EATING).reduce((sum, n) => sum + n, 0);
      expect(given).toBe(supply.away[0]);
      expect(given).toBeGreaterThanOrEqual(low);
      expect(given).toBeLessThanOrEqual(high);
    }
  },
);

test('what is paid for the hands of one cook is paid for his minutes only', () => {
  const model = tableFor(2);
  const supply = new Supply(model);
  const random = new Random(21);
  const ways = absences(4);
  const [down, up] = [model.zero, model.zero + EATING];
  const sum = (row: ArrayLike<number>) => Array.from(row).reduce((a, b) => a + b, 0);
  let ownMinutes = 0;
  for (let round = 0; round < 40; round++) {
    const price = randomPrices(model, random);
    const own = randomPrices(model, random);
    supply.askFor(1, own);
    const evening = eveningWith(model, random.below(3), 3 + random.below(6));
    // Whose hands they are is one thing more that is sold where nobody sits.
    const sold = supply.cost(price, evening, down, up) - sum(own.subarray(down, up));
    const got = sold + supply.tableCost(0, down, price, evening);
    const both = price.map((p, m) => p + own[m]!);
    const least = (row: Float64Array) =>
      Array.from({ length: 5 }, (_, n) =>
        Math.min(...ways.filter((bits) => minutesOf(bits) === n).map((bits) => costOf(model, row, bits))),
      );
    const [first, second] = [least(price), least(both)];
    const costs = first.flatMap((a, x) => second.map((b, y) => ({ minutes: x + y, cost: a + b })));
    const open = costs.filter(
      ({ minutes }) => minutes >= evening.awayLow[0]! && minutes <= evening.awayHigh[0]!,
    );
    expect(got).toBeCloseTo(Math.min(...open.map(({ cost }) => cost)), 6);
    supply.answer(price, evening, down, up, Int32Array.of(down));
    const given = supply.given.subarray(down, up);
    const his = supply.ownGiven[1]!.subarray(down, up);
    expect(sum(given)).toBe(supply.away[0]);
    his.forEach((n, m) => expect(n).toBeLessThanOrEqual(given[m]!));
    const bitsOf = (row: (m: number) => number) =>
      Array.from({ length: EATING }, (_, m) => row(m) << m).reduce((a, b) => a + b, 0);
    const answer =
      costOf(
        model,
        price,
        bitsOf((m) => given[m]! - his[m]!),
      ) +
      costOf(
        model,
        both,
        bitsOf((m) => his[m]!),
      );
    expect(answer).toBeCloseTo(got, 6);
    ownMinutes += sum(his);
  }
  expect(ownMinutes).toBeGreaterThan(0);
});

test('where so many minutes away need so many trips, absences of fewer trips do not count', () => {
  const model = tableFor(1);
  const supply = new Supply(model);
  const random = new Random(9);
  const ways = absences(4);
  for (let round = 0; round < 40; round++) {
    const price = randomPrices(model, random);
    const evening = eveningWith(model, random.below(4), 4);
    const fewest = Int32Array.from({ length: EATING + 1 }, (_, u) => random.below(Math.min(u, 3) + 1));
    evening.trips = fewest;
    const got = supply.tableCost(0, model.zero, price, evening);
    supply.cost(price, evening, model.zero, model.zero + EATING);
    supply.answer(price, evening, model.zero, model.zero + EATING, Int32Array.of(model.zero));
    const all = price.reduce((sum, p) => sum + p, 0);
    const costs = ways
      .filter((bits) => minutesOf(bits) >= evening.awayLow[0]! && tripsOf(bits) >= fewest[minutesOf(bits)]!)
      .map((bits) => costOf(model, price, bits));
    expect(got).toBeCloseTo(all + Math.min(...costs), 6);
    const given = supply.given.subarray(model.zero, model.zero + EATING);
    const bits = given.reduce((sum, n, m) => sum + (n << m), 0);
    expect(all + costOf(model, price, bits)).toBeCloseTo(got, 6);
  }
});
