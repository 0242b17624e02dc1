import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { totalCost } from '../../core/planner/cost';
import { Dual } from '../../core/proof/dual';
import { QueueLosses } from '../../core/proof/queue-losses';
import type { Option } from '../../core/proof/options';
import { makeTree, type Tree } from '../../core/proof/tree';
import { Random } from '../../core/planner/random';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner, generateOddDinner, generateSpicyDinner } from '../builders/generate-dinner';
import { partOfSteps } from '../builders/part-of-steps';
import { wholePart } from '../builders/whole-part';

type Steps = Parameters<typeof dinnerFile>[0];

/** The tree of a dinner as first configured. */
function treeOf(steps: Steps, more: Parameters<typeof dinnerFile>[1] = {}): Tree {
  const model = compileModel(read(dinnerFile(steps, more)));
  return makeTree(model, new Search(model, 1).board.config);
}

/** A plan found by the search, in the tree of its configuration: start and end of each step, serving slots. */
function planned(seed: number, size: 'small' | 'medium', generate: typeof generateDinner) {
  const model = compileModel(read(generate(seed, size)));
  const search = new Search(model, 1);
  const budget = { rounds: 200, isOver: () => false };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  search.showBest();
  const { board } = search;
  return { board, tree: makeTree(model, board.config) };
}

function heldBy({ pieces }: Option, waited: number): number {
  const piece = pieces.find(({ from, to }) => waited >= from && waited <= to);
  return piece ? piece.heldBase + piece.heldSlope * waited : Infinity;
}

/** What members of a queue lose in a plan by being held. */
function lostBy(
  { board, tree }: NonNullable<ReturnType<typeof planned>>,
  members: readonly number[],
): number {
  const losses = members.map((i) => {
    const { kind, parent } = tree.branches[i]!;
    const at = kind === 'plate' ? board.platingStart(parent) : board.start[parent]!;
    return heldBy(tree.options[i]![board.mode[i]!]!, at - board.end[i]!);
  });
  return losses.reduce((sum, loss) => sum + loss, 0);
}

test('three pans that lead to one: the quickest to spoil goes last, and the others lose by what comes after them', () => {
  const held = (most: number) => ({ keeps: { best: 0, most } });
  const tree = treeOf([
    step('slow', 14, held(160)),
    step('quick', 4, held(40)),
    step('middle', 6, held(80)),
    step('plate', 5, { after: ['slow', 'quick', 'middle'] }),
  ]);
  const { held: weight } = tree.model.weights;
  // 10 points x weight for all of the time something can be kept; quick waits 0, middle 4 of 80, slow 10 of 160 minutes.
  expect(tree.queues).toHaveLength(1);
  expect(tree.queues[0]!.members).toEqual(expect.arrayContaining([0, 1, 2]));
  expect(tree.queues[0]!.least).toBeCloseTo(10 * weight * (4 / 80 + 10 / 160), 9);
});

test('a second pair of hands takes one of two out of the queue, a third step still waits', () => {
  const steps = [
    step('one', 10, { keeps: { best: 0, most: 100 } }),
    step('two', 8, { keeps: { best: 0, most: 100 } }),
    step('end', 5, { after: ['one', 'two'] }),
  ];
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const cooks = [
    { id: 'ada', name: 'Ada', free },
    { id: 'ben', name: 'Ben', free },
  ];
  expect(treeOf(steps).queues).toHaveLength(1);
  expect(treeOf(steps, { cooks }).queues).toEqual([]);
  const third = step('three', 3, { keeps: { best: 0, most: 50 } });
  const more = [...steps.slice(0, 2), third, step('end', 5, { after: ['one', 'two', 'three'] })];
  const { queues, model } = treeOf(more, { cooks });
  expect(queues[0]!.least).toBeCloseTo(10 * model.weights.held * (3 / 100), 9);
});

test('what keeps without loss makes no queue', () => {
  const keeps = { best: 240, most: 1440 };
  const steps = [
    step('one', 10, { keeps }),
    step('two', 8, { keeps }),
    step('end', 5, { after: ['one', 'two'] }),
  ];
  expect(treeOf(steps).queues).toEqual([]);
});

test('work that leads to other work in the queue waits for all that lies between', () => {
  const held = (most: number) => ({ keeps: { best: 0, most } });
  const tree = treeOf([
    step('dice', 6, held(60)),
    step('fry', 8, { after: ['dice'], ...held(40) }),
    step('whisk', 5, held(50)),
    step('plate', 5, { after: ['fry', 'whisk'] }),
  ]);
  const { held: weight } = tree.model.weights;
  expect(tree.queues).toHaveLength(1);
  expect(tree.queues[0]!.members).toEqual(expect.arrayContaining([0, 1, 2]));
  // Fry and dice lie together, and whisk comes last of all or first: it waits for 14 minutes of 50, or fry for 5 of 40.
  expect(tree.queues[0]!.least).toBeCloseTo(10 * weight * Math.min(14 / 50, 5 / 40), 9);
});

describe('in a part of the space of plans', () => {
  const held = (most: number) => ({ keeps: { best: 0, most } });
  const lossesOf = ({ dual, narrowing, evening }: ReturnType<typeof partOfSteps>) => {
    const least = new Float64Array(dual.tree.queues.length);
    const isOpen = evening() !== null && new QueueLosses(dual.tree).find(narrowing.known, least);
    return isOpen ? least[0]! : Infinity;
  };
  const queue = () =>
    partOfSteps([
      step('one', 10, held(100)),
      step('two', 8, held(100)),
      step('end', 5, { after: ['one', 'two'], keeps: { best: 0, most: 0 } }),
    ]);

  test('before the second cook comes two works wait for one another, afterwards they need not', () => {
    const until = '2026-10-17T23:59';
    const cooks = [
      { id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T15:00', to: until }] },
      { id: 'ben', name: 'Ben', free: [{ from: '2026-10-17T18:00', to: until }] },
    ];
    const steps = [
      step('one', 10, held(100)),
      step('two', 8, held(100)),
      step('end', 5, { after: ['one', 'two'] }),
    ];
    const begun = (from: number, to: number) => {
      const dinner = partOfSteps(steps, { cooks });
      dinner.leave(2, from, to);
      return lossesOf(dinner);
    };
    const [one] = partOfSteps(steps, { cooks }).tree.queues;
    expect(one!.least).toBe(0);
    const { held: weight } = partOfSteps(steps).model.weights;
    expect(begun(-90, -60)).toBeCloseTo(10 * weight * (8 / 100), 9);
    expect(begun(-90, -59)).toBe(0);
    expect(begun(-40, -30)).toBe(0);
  });

  test('a queue loses no less where a member can begin no later, or a later one must wait for it', () => {
    const whole = queue();
    const { held: weight } = whole.model.weights;
    expect(lossesOf(whole)).toBeCloseTo(10 * weight * (8 / 100), 9);
    // The end begins when plating can, at minute -8; two that begins by -30 ends 14 minutes before it, so one lies between.
    const early = queue();
    early.leave(1, -60, -30);
    early.leave(2, -8, -8);
    expect(lossesOf(early)).toBeCloseTo(10 * weight * (14 / 100), 9);
  });

  test('no order is left where both must come last', () => {
    const { dual, narrowing, evening } = queue();
    expect(evening()).not.toBeNull();
    const { minStart, maxStart, minEnd } = narrowing.known;
    const find = () => new QueueLosses(dual.tree).find(narrowing.known, new Float64Array(1));
    minStart[2] = maxStart[2]!;
    minEnd[0] = maxStart[2]! - 8;
    minEnd[1] = maxStart[2]! - 9;
    expect(find()).toBe(true);
    minEnd[0] = maxStart[2]! - 7;
    expect(find()).toBe(false);
  });

  test('work that can be made in a quicker way only counts as quick while that way is open', () => {
    const ways = [{ id: 'quick', label: 'Quick', points: 5, minutes: 2 }];
    const part = partOfSteps([
      step('one', 10, held(100)),
      { ...step('two', 8, held(100)), ways },
      step('end', 5, { after: ['one', 'two'] }),
    ]);
    const { held: weight } = part.model.weights;
    expect(lossesOf(part)).toBeCloseTo(10 * weight * (2 / 100), 9);
    part.leave(2, 1, 0);
    expect(lossesOf(part)).toBeCloseTo(10 * weight * (8 / 100), 9);
  });

  test('no plan in it loses less', () => {
    const random = new Random(11);
    let raised = 0;
    for (let seed = 1; seed <= 50; seed++) {
      for (const generate of [generateDinner, generateSpicyDinner, generateOddDinner]) {
        const one = planned(seed, seed % 10 === 0 ? 'medium' : 'small', generate);
        if (!one || one.tree.queues.length === 0) continue;
        const { board, tree } = one;
        const dual = new Dual(tree);
        const { part, evening, narrowing } = wholePart(dual);
        for (const i of tree.order) {
          if (random.next() < 0.5) continue;
          for (const { index, at, low, count } of tree.options[i]!) {
            for (let k = 0; k < count; k++) {
              const isNear = Math.abs(low + k - board.start[i]!) <= 2 && index === board.mode[i];
              if (!isNear) part.domain[at + k] = 0;
            }
          }
        }
        expect(evening()).not.toBeNull();
        const least = new Float64Array(tree.queues.length);
        expect(new QueueLosses(tree).find(narrowing.known, least)).toBe(true);
        tree.queues.forEach((queue, q) => {
          expect(lostBy(one, queue.members)).toBeGreaterThanOrEqual(least[q]! - 1e-9);
          expect(least[q]).toBeGreaterThanOrEqual(queue.least - 1e-9);
          if (least[q]! > queue.least + 1e-6) raised += 1;
        });
      }
    }
    expect(raised).toBeGreaterThan(10);
  });
});

test('no plan loses less in a queue than the queue says', () => {
  let met = 0;
  for (let seed = 1; seed <= 40; seed++) {
    for (const generate of [generateDinner, generateSpicyDinner]) {
      const one = planned(seed, seed % 4 === 0 ? 'medium' : 'small', generate);
      if (!one) continue;
      for (const { members, least } of one.tree.queues) {
        expect(lostBy(one, members)).toBeGreaterThanOrEqual(least - 1e-9);
        met += 1;
      }
    }
  }
  expect(met).toBeGreaterThan(20);
});

test('whatever share of it a queue pays, the bound stays below the plan, and often it rises', () => {
  const random = new Random(3);
  let raised = 0;
  for (let seed = 1; seed <= 40; seed++) {
    const one = planned(seed, 'small', generateDinner);
    if (!one || one.tree.queues.length === 0) continue;
    const { tree, board } = one;
    const dual = new Dual(tree);
    const { part, evening } = wholePart(dual);
    const open = evening()!;
    const plain = dual.bound(part.domain, open);
    for (let tries = 0; tries < 5; tries++) {
      const { share } = dual.demand.queueing;
      for (let q = 0; q < share.length; q++) share[q] = random.next();
      const bound = dual.bound(part.domain, open);
      expect(bound).toBeLessThanOrEqual(totalCost(board) + 1e-9);
      if (bound > plain + 1e-6) raised += 1;
    }
  }
  expect(raised).toBeGreaterThan(5);
});
