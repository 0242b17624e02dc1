import { auditPlan } from '../../core/audit';
import { toInstant, toWall } from '../../core/clock';
import { compileModel, type Progress } from '../../core/model';
import type { Plan } from '../../core/plan';
import { replanDinner, Search } from '../../core/planner';
import { inOrder, workOf } from '../builders/behind';
import { countingClock, planOf, read } from '../builders/dinner';
import { generateDecidedDinner, generateDinner, generateOddDinner } from '../builders/generate-dinner';

/** An evening on time, so many steps after its first, in the midst of some of them. */
function onTime(plan: Plan, part: number): Progress {
  const rows = inOrder(plan);
  const now = rows[Math.floor(rows.length * part)]!.start + 3;
  const begun = rows
    .filter(({ start }) => start < now)
    .map((row) => [row.step, { start: row.start, minutes: workOf(row), way: row.way }] as const);
  const served = plan.courses
    .filter(({ serve }) => serve <= now)
    .map(({ id, serve }) => [id, serve] as const);
  return { now, begun: new Map(begun), served: new Map(served) };
}

const options = () => ({ seconds: 20, seed: 1, rounds: 200, now: countingClock(0.01) });

test.each([
  ['two cooks', generateDinner, 'large', [1, 2, 7]],
  ['on an odd evening', generateOddDinner, 'small', [1, 4, 35, 42, 67]],
  ['one cook', generateDinner, 'small', [33, 86, 103]],
] as const)('%s: an evening on time can be gone on with at any moment', (_, generate, size, seeds) => {
  for (const seed of seeds) {
    const dinner = read(generate(seed, size));
    const old = planOf(dinner, 600);
    for (const part of [0.25, 0.5, 0.75]) {
      const progress = onTime(old, part);
      const plan = replanDinner(dinner, [], old, options(), progress);
      expect([seed, part, plan.feasible]).toEqual([seed, part, true]);
      expect(auditPlan(dinner, plan).breaches).toEqual([]);
      for (const [name, { start }] of progress.begun)
        expect(plan.steps.find(({ step }) => step === name)!.start).toBe(start);
    }
  }
});

test('why an evening cannot be gone on with is told in the midst of it, whatever ways have begun', () => {
  let ways = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const dinner = read(generateDecidedDinner(seed, 'small'));
    const old = planOf(dinner, 200);
    if (!old.feasible) continue;
    const progress = onTime(old, 0.5);
    // The cooks have to leave in five minutes.
    const to = toWall(toInstant(dinner.sitDown, dinner.timeZone) + progress.now + 5, dinner.timeZone);
    const cooks = dinner.cooks.map((cook) => ({
      ...cook,
      free: cook.free.filter(({ from }) => from < to).map((window) => ({ ...window, to })),
    }));
    const plan = replanDinner({ ...dinner, cooks }, [], old, options(), progress);
    expect([seed, plan.feasible]).toEqual([seed, false]);
    expect(plan.conflict!.map(({ kind }) => kind)).toContain('time');
    ways += [...progress.begun.values()].filter(({ way }) => way !== null).length;
  }
  expect(ways).toBeGreaterThan(0);
});

test('what has begun is in the hands that the plan before has it in', () => {
  const dinner = read(generateDinner(2, 'large'));
  const old = planOf(dinner, 600);
  const progress = onTime(old, 0.5);
  const model = compileModel(dinner, progress);
  const search = new Search(model, 1);
  search.recallBegun(old);
  const { board } = search;
  const helpers = new Set<number>();
  for (const name of progress.begun.keys()) {
    const { index, firstStretch } = model.activities.find((a) => a.name === name)!;
    const row = old.steps.find(({ step }) => step === name)!;
    expect(board.placed[index]).toBe(1);
    row.hands.forEach(({ from, to, cook }, k) => {
      const s = firstStretch + k;
      helpers.add(board.cook[s]!);
      expect([board.from[s]! - model.zero, board.to[s]! - model.zero]).toEqual([from, to]);
      expect(model.dinner.cooks[board.cook[s]!]!.id).toBe(cook);
    });
  }
  expect(helpers.size).toBe(2);
  expect(board.config.members.filter((i) => board.placed[i]).length).toBe(progress.begun.size);
});

test('work in hand that takes longer goes on with the same cook', () => {
  const dinner = read(generateDinner(2, 'large'));
  const old = planOf(dinner, 600);
  const { now, begun, served } = onTime(old, 0.5);
  const row = old.steps.find(
    ({ step, end, pieces }) => begun.has(step) && end > now && pieces?.length === 1,
  )!;
  const longer = { ...begun.get(row.step)!, minutes: workOf(row) + 2 };
  const model = compileModel(dinner, { now, begun: new Map(begun).set(row.step, longer), served });
  const search = new Search(model, 1);
  search.recallBegun(old);
  const { index, firstStretch } = model.activities.find(({ name }) => name === row.step)!;
  expect(search.board.end[index]! - model.zero).toBe(row.end + 2);
  expect(search.board.to[firstStretch]! - model.zero).toBe(row.end + 2);
  expect(model.dinner.cooks[search.board.cook[firstStretch]!]!.id).toBe(row.hands[0]!.cook);
});
