import { compileModel } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { Fits } from '../../core/proof/fits';
import { Known } from '../../core/proof/known';
import { Pairs } from '../../core/proof/pairs';
import type { Option } from '../../core/proof/options';
import { makeTree, type Tree } from '../../core/proof/tree';
import { dinnerFile, read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';

/** What `Fits.takes` says where two things leave no place for one another. */
const NEVER = 255;

function treeOf(steps: Parameters<typeof dinnerFile>[0], more: Parameters<typeof dinnerFile>[1] = {}): Tree {
  const model = compileModel(read(dinnerFile(steps, more)));
  return makeTree(model, new Search(model, 1).board.config);
}

function optionOf(tree: Tree, id: string): Option {
  return tree.options[tree.model.activities.findIndex(({ name }) => name === `dish/${id}`)]![0]!;
}

/** Whether `other` can begin `later` minutes after `one` when both run as a whole. */
function mayBegin(tree: Tree, one: string, other: string, later: number): boolean {
  return new Pairs(tree).takes(2 * optionOf(tree, one).number, 2 * optionOf(tree, other).number, later) === 0;
}

const pot = (id: string, minutes: number, every: number, takes: number, slack: number) =>
  step(id, minutes, { attention: 'minded', touch: { in: 1, out: 1 }, check: { every, takes, slack } });

/** The stretches of hands of a pot that begins at `start`: each with all minutes in which it may begin. */
function stretchesOf({ mode, checks }: Option, start: number): [number[], number][] {
  const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, n) => from + n);
  const out = start + mode.duration - mode.touchOut;
  return [
    [[start], mode.touchIn],
    ...checks.map(({ low, high }): [number[], number] => [range(start + low, start + high), mode.takes]),
    [[out], mode.touchOut],
  ];
}

/** The fewest minutes in slots [down, up), tried with every minute of every stretch; Infinity where there is no place for all. */
function leastMinutes(
  stretches: [number[], number][],
  taken: ReadonlySet<number>,
  down: number,
  up: number,
): number {
  const [first, ...rest] = stretches;
  if (!first) return 0;
  const [starts, length] = first;
  const costs = starts.map((at) => {
    const minutes = Array.from({ length }, (_, n) => at + n);
    if (minutes.some((m) => taken.has(m))) return Infinity;
    const inside = minutes.filter((m) => m >= down && m < up).length;
    return inside + leastMinutes(rest, new Set([...taken, ...minutes]), down, up);
  });
  return Math.min(...costs);
}

test('two pots fit where a cook can do all touches and looks of both, as trying every minute says', () => {
  const random = new Random(3);
  let never = 0;
  let fit = 0;
  for (let round = 0; round < 12; round++) {
    const make = (id: string) => {
      const every = 5 + random.below(5);
      return pot(id, 14 + random.below(14), every, 1 + random.below(3), random.below(3));
    };
    const tree = treeOf([make('one'), make('other')]);
    const [one, other] = [optionOf(tree, 'one'), optionOf(tree, 'other')];
    const canBeMade = [one, other].every((o) => leastMinutes(stretchesOf(o, 0), new Set(), 0, 0) === 0);
    if (!canBeMade) continue;
    for (let later = -other.mode.duration - 2; later <= one.mode.duration + 2; later++) {
      const both = [...stretchesOf(one, 0), ...stretchesOf(other, later)];
      const isPossible = leastMinutes(both, new Set(), 0, 0) === 0;
      expect(mayBegin(tree, 'one', 'other', later)).toBe(isPossible);
      if (isPossible) fit += 1;
      else never += 1;
    }
  }
  expect(Math.min(never, fit)).toBeGreaterThan(50);
});

test('what has to end where a pot is put on goes with it', () => {
  const tree = treeOf([
    step('beat', 10, { pausable: true, keeps: { most: 0 } }),
    { ...pot('souffle', 22, 10, 1, 0), after: ['beat'] },
    pot('broth', 30, 7, 1, 1),
  ]);
  const { checks } = optionOf(tree, 'broth');
  expect(checks[0]).toMatchObject({ low: 6, high: 8 });
  // Beating ends with five minutes, in which the broth would be looked at, whatever the slack.
  expect(mayBegin(tree, 'broth', 'souffle', 10)).toBe(false);
  const alone = treeOf([pot('souffle', 22, 10, 1, 0), pot('broth', 30, 7, 1, 1)]);
  expect(mayBegin(alone, 'broth', 'souffle', 10)).toBe(true);
});

test('a pot beside a course takes of its table what cannot lie before the plates go down', () => {
  const eating = 20;
  const tree = treeOf([pot('broth', 30, 10, 2, 2)], {
    courses: [{ id: 'only', name: 'Only', dishes: ['dish'], eating }],
  });
  const pairs = new Pairs(tree);
  const broth = optionOf(tree, 'broth');
  const { plating } = tree.model.courses[0]!;
  const found = new Set<number>();
  for (let later = -eating - 2; later < 36; later++) {
    const platingMinutes = Array.from({ length: plating }, (_, n) => later - plating + n);
    const least = leastMinutes(stretchesOf(broth, 0), new Set(platingMinutes), later, later + eating);
    const takes = pairs.takes(2 * broth.number, 2 * tree.optionCount, later);
    expect(takes).toBe(least === Infinity ? NEVER : least);
    found.add(takes);
  }
  expect([...found].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, NEVER]);
});

test('no plan has two things as they are said not to fit', () => {
  let met = 0;
  for (let seed = 1; seed <= 24; seed++) {
    for (const [, generate] of GENERATORS) {
      const model = compileModel(read(generate(seed, seed % 5 === 0 ? 'medium' : 'small')));
      if (model.cookCount > 1) continue;
      const search = new Search(model, seed);
      if (!search.construct({ rounds: 1, isOver: () => false })) continue;
      search.improve({ rounds: 200, isOver: () => false });
      search.showBest();
      const { board } = search;
      const tree = makeTree(model, board.config);
      const pairs = new Pairs(tree);
      const { distances } = new Fits(tree, new Known(tree));
      const parts = tree.order.map((i) => ({
        activity: i,
        number: 2 * tree.options[i]![board.mode[i]!]!.number,
        at: board.start[i]!,
      }));
      const courses = model.courses.map((_, c) => ({
        activity: model.activities.length + c,
        number: 2 * tree.optionCount + c,
        at: board.serve[c]!,
      }));
      for (const one of parts) {
        for (const other of parts) {
          if (one === other) continue;
          expect(pairs.takes(one.number, other.number, other.at - one.at)).toBe(0);
          met += 1;
        }
        for (const other of [...parts, ...courses]) {
          const apart = other.at - one.at;
          expect(apart).toBeGreaterThanOrEqual(distances.between(one.activity, other.activity));
          expect(-apart).toBeGreaterThanOrEqual(distances.between(other.activity, one.activity));
        }
        courses.forEach((course, c) => {
          const minutes = pairs.takes(one.number, course.number, course.at - one.at);
          expect(minutes).toBeLessThanOrEqual(model.courses[c]!.away);
        });
      }
    }
  }
  expect(met).toBeGreaterThan(3000);
});

test('two trays that keep for a while lie as the oven lets them, by as much as it takes to heat', () => {
  const tray = (id: string, minutes: number, celsius: number, keeps: number) =>
    step(id, minutes, { attention: 'alone', uses: [{ oven: celsius }], keeps: { most: keeps } });
  const tree = treeOf([tray('roast', 44, 220, 22), tray('bake', 38, 120, 70)]);
  const { distances } = new Fits(tree, new Known(tree));
  const [roast, bake] = [optionOf(tree, 'roast').activity, optionOf(tree, 'bake').activity];
  // The roast does not keep while the other bakes, so it comes last: a hundred degrees at ten a minute later.
  expect(distances.between(bake, roast)).toBe(38 + 10);
  // What bakes may stand for 70 minutes, and the roast takes 44 of them at least.
  expect(distances.between(roast, bake)).toBe(-(38 + 70 - 44));
});
