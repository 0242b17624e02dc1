import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { laterStarts } from '../../core/planner/lateness';
import { recallPlan } from '../../core/planner/recall';
import { behindAfter, inOrder, lastOfFirstThird } from '../builders/behind';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';
import type { Dinner } from '../../core/dinner';
import type { Plan } from '../../core/plan';

/** How a plan that is `late` minutes behind after its first step would go later: by how many minutes each step. */
function laterOf(dinner: Dinner, plan: Plan, late: number): Map<string, number>[] {
  const model = compileModel(dinner, behindAfter(plan, inOrder(plan)[0]!, late));
  const { board } = new Search(model, 1);
  const { members, starts } = recallPlan(board, plan);
  return laterStarts(board, plan, members, starts).map(
    (later) => new Map(members.map((i, k) => [model.activities[i]!.name, later[k]! - starts[k]!])),
  );
}

/** Chopping, stirring, then long nothing, whisking, and what is begun with: peeling. */
const dinner = read(
  dinnerFile([
    step('peel', 20, { keeps: { most: 400 } }),
    step('chop', 15, { after: ['peel'] }),
    step('stir', 10, { after: ['chop'] }),
    step('rest', 60, { attention: 'alone', after: ['stir'] }),
    step('whisk', 10, { after: ['rest'] }),
  ]),
);
const plan = planOf(dinner, 600);

test('what is to come goes later with what is late, up to where idle minutes take it up', () => {
  const [asItWas, toGap, bySlack] = laterOf(dinner, plan, 6);
  expect([...asItWas!.values()].every((later) => later === 0)).toBe(true);
  for (const later of [toGap, bySlack]) {
    expect(later!.get('dish/peel')).toBe(0);
    expect(later!.get('dish/chop')).toBe(6);
    expect(later!.get('dish/stir')).toBe(6);
    // While it rests the cook has an hour to make up for them.
    expect(later!.get('dish/whisk')).toBe(0);
  }
});

test('where nothing is late, or nothing has begun, nothing goes later', () => {
  expect(laterOf(dinner, plan, 0)).toEqual([]);
  const { board } = new Search(compileModel(dinner), 1);
  const { members, starts } = recallPlan(board, plan);
  expect(laterStarts(board, plan, members, starts)).toEqual([]);
});

test('work that hangs together closely goes later as a whole', () => {
  const close = (id: string, minutes: number, before?: string) =>
    step(id, minutes, { keeps: { most: 2, how: 'room' }, ...(before ? { after: [before] } : {}) });
  const ready = { keeps: { best: 60, most: 90, how: 'room' as const } };
  const tight = read(
    dinnerFile([
      step('wash', 30, { keeps: { most: 400 } }),
      close('peel', 9, 'wash'),
      close('slice', 12, 'peel'),
      close('salt', 4, 'slice'),
      { ...close('wring', 7, 'salt'), ...ready },
      close('beat', 11, 'wring'),
      { ...close('fold', 8, 'beat'), ...ready },
    ]),
  );
  const old = planOf(tight, 2000);
  const washed = old.steps.find((row) => row.step === 'dish/wash')!;
  const search = new Search(compileModel(tight, behindAfter(old, washed, 6)), 3);
  expect(search.startFrom(old, { rounds: 0, isOver: () => false })).toBe(true);
  search.showBest();
  const { model, start } = search.board;
  const moved = old.steps.map((row) => {
    const { index } = model.activities.find(({ name }) => name === row.step)!;
    return [row.step, start[index]! - model.zero - row.start];
  });
  expect(moved).toEqual(old.steps.map(({ step: name }) => [name, name === 'dish/wash' ? 0 : 6]));
});

test('a full evening that is six minutes behind is taken up, and costs little more', () => {
  const evening = read(generateDinner(16, 'medium'));
  const dearer = [1, 2, 3, 4].map((seed) => {
    const old = planOf(evening, 20_000, seed);
    const search = new Search(compileModel(evening, behindAfter(old, lastOfFirstThird(old)!, 6)), 1);
    expect(search.startFrom(old, { rounds: 0, isOver: () => false })).toBe(true);
    return search.best.cost / old.cost!;
  });
  expect(dearer.reduce((sum, times) => sum + times, 0) / dearer.length).toBeLessThan(1.2);
});
