import { compileModel } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { Removal } from '../../core/planner/neighbourhoods';
import { behindAfter, inOrder } from '../builders/behind';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';

/** What leaves no more room than this moves together, up to so many activities. */
const TIGHT = 30;
const MOST_CLOSED = 18;
/** Whole dishes and lines are taken out up to this many. */
const WHOLE = 14;

/** A search with a plan on the board. */
function planned(file: unknown, seed: number): Search | null {
  const search = new Search(compileModel(read(file)), seed);
  if (!search.construct({ rounds: 1000, isOver: () => false })) return null;
  search.showBest();
  return search;
}

test.each(GENERATORS)(
  '%s: what is taken out is on the board, may move, stands there once, and is not too much',
  (_name, generate) => {
    let chosen = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const search = planned(generate(seed, seed % 2 === 0 ? 'medium' : 'small'), seed);
      if (!search) continue;
      const { board, model } = search;
      const removal = new Removal(board, new Random(seed));
      for (let round = 0; round < 400; round++) {
        const size = 1 + (round % WHOLE);
        removal.choose(size);
        const list = [...removal.list.subarray(0, removal.count)];
        chosen += list.length;
        expect(new Set(list).size).toBe(list.length);
        expect(list.filter((i) => board.placed[i] === 0)).toEqual([]);
        expect(list.filter((i) => !board.config.members.includes(i))).toEqual([]);
        // Of a host all guests come with it, and closing may add as many as one activity has neighbours.
        expect(list.length).toBeLessThanOrEqual(
          Math.max(size, 20, MOST_CLOSED) + model.activities.length / 2,
        );
      }
    }
    expect(chosen).toBeGreaterThan(5000);
  },
);

test('what is pinned or has begun is not taken out where there is one cook, and no choice is empty', () => {
  let chosen = 0;
  for (let seed = 1; seed <= 6; seed++) {
    const file = GENERATORS[0]![1](seed, 'medium');
    const plan = planOf(read(file), 100, seed);
    if (!plan.feasible || file.cooks.length > 1) continue;
    const last = inOrder(plan)[Math.floor(plan.steps.length / 2)]!;
    const search = new Search(compileModel(read(file), behindAfter(plan, last, 0)), seed);
    if (!search.startFrom(plan, { rounds: 0, isOver: () => false })) continue;
    search.showBest();
    const removal = new Removal(search.board, new Random(seed));
    for (let round = 0; round < 300; round++) {
      if (round % 3 === 0) removal.chooseChain();
      else removal.choose(1 + (round % WHOLE));
      const list = [...removal.list.subarray(0, removal.count)];
      expect(list.length).toBeGreaterThan(0);
      chosen += list.length;
      const fast = list.filter((i) => {
        const { pin, modes } = search.board.activity(i);
        return pin !== -1 && modes.length === 1;
      });
      expect(fast).toEqual([]);
    }
  }
  expect(chosen).toBeGreaterThan(2000);
});

test('what hangs together by tight links is moved as a whole', () => {
  let tied = 0;
  for (let seed = 1; seed <= 8; seed++) {
    const search = planned(GENERATORS[0]![1](seed, 'medium'), seed);
    if (!search) continue;
    const { board } = search;
    const { before, after, guests, hosts } = board.config;
    const removal = new Removal(board, new Random(seed));
    for (let round = 0; round < 200; round++) {
      removal.chooseChain();
      const list = [...removal.list.subarray(0, removal.count)];
      if (list.length >= MOST_CLOSED) continue;
      const missing = list.flatMap((i) => [
        ...before[i]!.filter(({ most, from }) => board.lagOf(most, from) <= TIGHT).map(({ from }) => from),
        ...after[i]!.filter(({ most }) => board.lagOf(most, i) <= TIGHT).map(({ to }) => to),
        ...guests[i]!,
        ...(hosts[i]! >= 0 ? [hosts[i]!] : []),
      ]);
      tied += missing.length;
      expect(missing.filter((i) => !list.includes(i))).toEqual([]);
    }
  }
  expect(tied).toBeGreaterThan(500);
});

test('what is pinned, with one way to do it and one cook, is never taken out to be put back where it was', () => {
  const steps = [step('chop', 20), step('stir', 20), step('whisk', 10)];
  const pins = [{ step: 'dish/chop', start: '2026-10-17T17:00' }];
  const search = planned(dinnerFile(steps, { pins }), 1)!;
  const { board, model } = search;
  const pinned = model.activities.findIndex(({ pin }) => pin !== -1);
  expect(pinned).toBeGreaterThanOrEqual(0);
  const removal = new Removal(board, new Random(1));
  for (let round = 0; round < 300; round++) {
    removal.choose(3);
    expect([...removal.list.subarray(0, removal.count)]).not.toContain(pinned);
  }
});
