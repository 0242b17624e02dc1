import { compileModel, type Model } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { Service } from '../../core/proof/service';
import { makeTree, type Tree } from '../../core/proof/tree';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

/** More than any of the made-up costs: such a slot is closed. */
const FAR = 1e9;

/** Random prices of minutes, tables and steps, and what the courses cost with them at given serving slots. */
function evening(tree: Tree, service: Service, random: Random) {
  const { model } = tree;
  const { courses, weights, slots } = model;
  const sumOf = (price: Float64Array) => {
    const sum = new Float64Array(slots + 1);
    price.forEach((value, m) => (sum[m + 1] = sum[m]! + value));
    return sum;
  };
  const plain = Float64Array.from({ length: slots }, () => random.next());
  const withClock = plain.map((value) => value + (random.next() < 0.3 ? random.next() : 0));
  const [sum, plainSum] = [sumOf(withClock), sumOf(plain)];
  const domain = new Uint8Array(tree.size).fill(1);
  const messages: Float64Array[] = model.activities.map(() => new Float64Array(0));
  courses.forEach((_, c) => {
    const length = tree.serveHigh[c]! - tree.serveLow[c]! + 1;
    for (let k = 1; k < length; k++) if (random.next() < 0.2) domain[tree.serveAt[c]! + k] = 0;
    service.table[c]!.forEach((_, k, row) => (row[k] = 5 * random.next()));
    for (const i of tree.courseChildren[c]!)
      messages[i] = Float64Array.from({ length }, () => 20 * random.next());
  });
  const costAt = (serve: readonly number[]): number => {
    let cost = 0;
    courses.forEach(({ plating, clearing, eating, least, ideal, most }, c) => {
      const at = serve[c]!;
      const k = at - tree.serveLow[c]!;
      if (domain[tree.serveAt[c]! + k] === 0) cost += FAR;
      const before = c === 0 ? plainSum : sum;
      cost += before[at]! - before[at - plating]! + (c === 0 ? weights.sameDay * plating : 0);
      cost += sum[at + eating + clearing]! - sum[at + eating]! + service.table[c]![k]!;
      for (const i of tree.courseChildren[c]!) cost += messages[i]![k]!;
      if (c === 0) return;
      const wait = at - serve[c - 1]! - courses[c - 1]!.eating;
      if (wait < least || wait > most) cost += FAR;
      cost += weights.wait * Math.max(0, wait - ideal) + weights.rushed * Math.max(0, ideal - wait);
    });
    return cost;
  };
  return { domain, sum, plainSum, messages, costAt };
}

/** All serving slots of all courses together that the windows allow. */
function* allServings({ serveLow, serveHigh }: Tree, from: readonly number[] = []): Generator<number[]> {
  const c = from.length;
  if (c === serveLow.length) {
    yield [...from];
    return;
  }
  for (let at = serveLow[c]!; at <= serveHigh[c]!; at++)
    yield* allServings({ serveLow, serveHigh } as Tree, [...from, at]);
}

function treeOf(model: Model): Tree {
  return makeTree(model, new Search(model, 1).board.config);
}

test('courses are served when trying all serving times finds it cheapest, and each single time costs what it costs there', () => {
  let tried = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const tree = treeOf(compileModel(read(generateDinner(seed, seed % 3 === 0 ? 'medium' : 'small'))));
    const service = new Service(tree);
    const random = new Random(seed);
    const { domain, sum, plainSum, messages, costAt } = evening(tree, service, random);
    let least = Infinity;
    const bySlot = tree.serveAt.map(
      (_, c) =>
        new Map<number, number>(
          Array.from({ length: tree.serveHigh[c]! - tree.serveLow[c]! + 1 }, (_, k) => [k, Infinity]),
        ),
    );
    for (const serve of allServings(tree)) {
      tried += 1;
      const cost = costAt(serve);
      least = Math.min(least, cost);
      serve.forEach((at, c) => {
        const k = at - tree.serveLow[c]!;
        bySlot[c]!.set(k, Math.min(bySlot[c]!.get(k)!, cost));
      });
    }
    expect([seed, service.cost(domain, sum, plainSum, messages)]).toEqual([seed, expect.closeTo(least, 6)]);
    const loose = 7;
    expect(service.marginals(loose)).toBeCloseTo(least + loose, 6);
    bySlot.forEach((row, c) => {
      for (const [k, cost] of row) {
        if (cost < FAR)
          expect([seed, c, k, service.total[c]![k]]).toEqual([seed, c, k, expect.closeTo(cost + loose, 6)]);
        else expect(service.total[c]![k]!).toBeGreaterThan(1e6);
      }
    });
    const serve = new Int32Array(tree.serveAt.length);
    service.answer(serve);
    expect(costAt([...serve])).toBeCloseTo(least, 6);
  }
  expect(tried).toBeGreaterThan(1000);
});
