import { compileModel } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { Dual } from '../../core/proof/dual';
import type { Option } from '../../core/proof/options';
import { findGap, lookFirst, lookLast } from '../../core/proof/spans';
import { makeTree, type Tree } from '../../core/proof/tree';
import { read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';
import { partOfSteps } from '../builders/part-of-steps';
import { wholePart } from '../builders/whole-part';

/** More than any evening costs: nothing is ruled out but what cannot be. */
const NO_LIMIT_OF_COST = 1e8;

/** The domain with one start of a step left to it, in any way of making it. */
function withOnly(domain: Uint8Array, { options }: Tree, option: Option, k: number): Uint8Array {
  const only = domain.slice();
  for (const { at, count } of options[option.activity]!) only.fill(0, at, at + count);
  only[option.at + k] = 1;
  return only;
}

test.each(GENERATORS)(
  '%s: what an evening costs with one start of a step is what it costs where that start alone is open',
  (_name, generate) => {
    const random = new Random(11);
    let compared = 0;
    for (let seed = 1; seed <= 14; seed++) {
      const model = compileModel(read(generate(seed, seed % 4 === 0 ? 'medium' : 'small')));
      const { config } = new Search(model, 1).board;
      if (!config.possible) continue;
      const dual = new Dual(makeTree(model, config));
      const { relaxation, tree, demand } = dual;
      const { part, evening } = wholePart(dual);
      const now = evening();
      if (!now) continue;
      const spread = (price: Float64Array, most: number) =>
        price.forEach((_, m) => (price[m] = random.next() < 0.4 ? most * random.next() : 0));
      spread(demand.price, 2);
      demand.resourcePrice.forEach((price) => spread(price, 0.5));
      relaxation.ruleOut(part.domain, now, NO_LIMIT_OF_COST);
      const whole = relaxation.bound(part.domain, now);
      relaxation.ruleOut(part.domain, now, NO_LIMIT_OF_COST);
      const least = Math.min(
        ...tree.options[tree.order[0]!]!.flatMap(({ total, first, last, at }) =>
          Array.from(total.subarray(first, last + 1)).filter((_, k) => part.domain[at + first + k] !== 0),
        ),
      );
      const picked = tree.order.flatMap((i) => {
        const options = tree.options[i]!;
        const option = options[random.below(options.length)]!;
        const open = Array.from({ length: option.count }, (_, k) => k).filter(
          (k) => part.domain[option.at + k] !== 0,
        );
        const k = open[random.below(open.length)];
        return k === undefined ? [] : [{ option, k, more: option.total[k]! - least }];
      });
      for (const { option, k, more } of picked) {
        const alone = relaxation.bound(withOnly(part.domain, tree, option, k), now);
        expect([seed, option.activity, alone - whole]).toEqual([
          seed,
          option.activity,
          expect.closeTo(more, 6),
        ]);
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(100);
  },
);

test('the widest run of closed starts is found, where it is worth a leap', () => {
  const random = new Random(3);
  let leaps = 0;
  for (let round = 0; round < 300; round++) {
    const count = 40 + random.below(160);
    const domain = new Uint8Array(count);
    for (let at = 0; at < count;) {
      const length = 1 + random.below(random.next() < 0.3 ? 70 : 10);
      domain.fill(random.next() < 0.5 ? 1 : 0, at, Math.min(count, at + length));
      at += length;
    }
    domain[0] = domain[count - 1] = 1;
    const option = { at: 0, first: 0, last: count - 1, gapFrom: 0, gapTo: 0 } as unknown as Option;
    findGap(option, domain);
    const widest = Math.max(
      ...[...domain]
        .join('')
        .split('1')
        .map((run) => run.length),
    );
    const { gapFrom, gapTo } = option;
    if (widest < 30) {
      expect([gapFrom, gapTo]).toEqual([count, count]);
      continue;
    }
    leaps += 1;
    expect(gapTo - gapFrom).toBe(widest);
    expect(domain.subarray(gapFrom, gapTo).every((open) => open === 0)).toBe(true);
  }
  expect(leaps).toBeGreaterThan(50);
});

test('a look at a pot begins between its slots of the part and what the starts of the pot leave to it', () => {
  const pot = step('pot', 40, { attention: 'minded', check: { every: 10, takes: 1, slack: 3 } });
  const { leave, options, evening, part, model } = partOfSteps([pot]);
  const [option] = options;
  const check = option!.checks[1]!;
  leave(0, -90, -80);
  const span = () => {
    expect(evening()).not.toBeNull();
    return [lookFirst(option!, check) - model.zero, lookLast(option!, check) - model.zero];
  };
  // The second look is due 20 minutes in, three earlier or later.
  expect(span()).toEqual([-73, -57]);
  part.checkHigh[check.number] = model.zero - 65;
  expect(span()).toEqual([-73, -65]);
  part.checkLow[check.number] = model.zero - 66;
  expect(span()).toEqual([-66, -65]);
  // What is put on at -90 is looked at by -67 at the latest: too early now.
  expect(part.domain[option!.at + model.zero - 90 - option!.low]).toBe(0);
  expect(part.domain[option!.at + model.zero - 89 - option!.low]).toBe(1);
});
