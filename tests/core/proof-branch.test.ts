import { Brancher, busiest } from '../../core/proof/branch';
import { tightestClash } from '../../core/proof/clashes';
import { CookTimes } from '../../core/proof/cook-times';
import type { Node } from '../../core/proof/space';
import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';
import { partsOfEvening } from '../builders/parts-of-evening';

const EVENING = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];

type Dinner = ReturnType<typeof partOfSteps>;

/** The parts into which the single steps of a dinner are parted, at no prices; null where nothing is left to part. */
function partsOf({ part, dual, narrowing, model, relax }: Dinner): Node[] | null {
  relax();
  const children: Node[] = [];
  const brancher = new Brancher(model, (node) => children.push(node));
  const node: Node = { ...part, tree: 0, prices: null, bound: 0, depth: 0 };
  return brancher.partSteps(node, dual, narrowing, busiest(node, dual, narrowing)) ? children : null;
}

/** The decided orders of a part, as "earlier < later + minutes". */
function ordersOf({ orders }: Node): string[] {
  const list: string[] = [];
  for (let x = 0; x < orders.length; x += 3) list.push(`${orders[x]} < ${orders[x + 1]} + ${orders[x + 2]}`);
  return list;
}

test('of two clashes the one goes first that leaves less room to make one after the other', () => {
  const dinner = partOfSteps(['chop', 'peel', 'stir', 'beat'].map((id) => step(id, 30)));
  const { leave, relax, dual, narrowing, model } = dinner;
  leave(0, -200, -120);
  leave(1, -200, -120);
  leave(2, -75, -40);
  leave(3, -75, -40);
  relax();
  expect(
    tightestClash(dual, narrowing.known, new CookTimes(model))!
      .map(({ activity }) => activity)
      .sort(),
  ).toEqual([2, 3]);
  expect(partsOf(dinner)!.flatMap(ordersOf).sort()).toEqual(['2 < 3 + 30', '3 < 2 + 30']);
});

test('where no two want the same minute there is no clash', () => {
  const { leave, relax, dual, narrowing, model } = partOfSteps([step('chop', 30), step('stir', 30)]);
  leave(0, -200, -120);
  leave(1, -80, -40);
  relax();
  expect(tightestClash(dual, narrowing.known, new CookTimes(model))).toBeNull();
});

test('an order that is decided for two stretches says nothing of two others of the same steps', () => {
  const dinner = partOfSteps([
    step('chop', 30),
    step('roast', 60, { attention: 'alone', touch: { in: 2, out: 2 } }),
  ]);
  const { part, leave } = dinner;
  leave(0, -60, -30);
  leave(1, -116, -86);
  // It is put on before anything is chopped: that is decided, whether it is taken off before is not.
  part.orders = Int32Array.of(1, 0, 2);
  expect(
    partsOf(dinner)!
      .map((child) => ordersOf(child)[0])
      .sort(),
  ).toEqual(['0 < 1 + -28', '1 < 0 + 60']);
});

test('work that may pause is parted by whether it does, then by where the other work comes', () => {
  const steps = [step('stir', 10), step('knead', 30, { pausable: true })];
  const dinner = partOfSteps(steps);
  const { part, leave, options } = dinner;
  const { number, longest } = options[1]!;
  leave(0, -60, -50);
  leave(1, -75, -45);
  const [rigid, pausing] = partsOf(dinner)!;
  expect([rigid!.pauseLow[number], rigid!.pauseHigh[number]]).toEqual([0, 0]);
  expect([pausing!.pauseLow[number], pausing!.pauseHigh[number]]).toEqual([1, longest]);
  part.pauseLow[number] = 1;
  const parts = partsOf(dinner)!;
  // Before it; after it, its least pause counted; or after its first five minutes and before its last five.
  expect(parts.map(ordersOf)).toEqual([
    ['0 < 1 + 10'],
    ['1 < 0 + 31'],
    [`0 < 1 + ${10 + 5 - 30 - longest}`, '1 < 0 + 5'],
  ]);
  expect(parts.map(({ pauseLow }) => pauseLow[number])).toEqual([1, 1, 10]);
});

test('other work that is longer than the longest pause comes before or after', () => {
  const dinner = partOfSteps([step('stir', 40), step('knead', 30, { pausable: true })]);
  const { part, leave, options } = dinner;
  const { number, longest } = options[1]!;
  expect(longest).toBeLessThan(40);
  leave(0, -130, -50);
  leave(1, -130, -50);
  part.pauseLow[number] = 1;
  expect(partsOf(dinner)!.map(ordersOf)).toEqual([['0 < 1 + 40'], ['1 < 0 + 31']]);
});

test('where all starts are decided, what is left open is in which minute a pot is looked at', () => {
  const pot = step('pot', 20, { attention: 'minded', check: { every: 8, takes: 1, slack: 2 } });
  const dinner = partOfSteps([pot]);
  const { leave, options, model } = dinner;
  leave(0, -40, -40);
  const { number } = options[0]!.checks[0]!;
  const looks = partsOf(dinner)!.map(({ checkLow, checkHigh }) =>
    [checkLow, checkHigh].map((bounds) => bounds[number]! - model.zero),
  );
  // Put on at -40, it may be looked at from -34 on: in that minute, or later.
  expect(looks).toEqual([
    [-34, -34],
    [-33, model.slots - model.zero],
  ]);
});

test('where everything is decided nothing is parted', () => {
  const dinner = partOfSteps([step('chop', 30), step('stir', 30)]);
  dinner.leave(0, -100, -100);
  dinner.leave(1, -60, -60);
  expect(partsOf(dinner)).toBeNull();
});

test('two cooks may be at work at once, so no part says which of two works comes first', () => {
  const cooks = ['ada', 'ben'].map((id) => ({ id, name: id, free: EVENING }));
  const dinner = partOfSteps(
    ['chop', 'stir', 'knead'].map((id) => step(id, 30)),
    { cooks },
  );
  for (let n = 0; n < 3; n++) dinner.leave(n, -120, -40);
  dinner.relax();
  expect(dinner.dual.worstMinute()).toHaveLength(3);
  const parts = partsOf(dinner)!;
  expect(parts.length).toBeGreaterThan(1);
  expect(parts.flatMap(ordersOf)).toEqual([]);
});

test('what stands in a queue is parted by whether it is done before the second cook comes', () => {
  const cooks = [
    { id: 'ada', name: 'Ada', free: EVENING },
    { id: 'ben', name: 'Ben', free: [{ from: '2026-10-17T18:00', to: '2026-10-17T23:59' }] },
  ];
  const keeps = { best: 0, most: 100 };
  const steps = [
    step('one', 10, { keeps }),
    step('two', 8, { keeps }),
    step('end', 5, { after: ['one', 'two'] }),
  ];
  const dinner = partOfSteps(steps, { cooks });
  const { part, model, leave, span } = dinner;
  leave(2, -90, -30);
  part.firstLow = part.firstHigh = model.zero - 110;
  const { isParted, children } = partsOfEvening(dinner);
  expect(isParted).toBe(true);
  // Ben comes at 18:00, an hour before the plates go out.
  expect(children.map((child) => span(2, { ...part, domain: child.domain as typeof part.domain }))).toEqual([
    [-90, -60],
    [-59, -30],
  ]);
});
