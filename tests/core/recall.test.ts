import { compileModel } from '../../core/model';
import { stagePlan } from '../../core/planner';
import { totalCost } from '../../core/planner/cost';
import { movedFrom } from '../../core/planner/calming';
import { anchorsOf } from '../../core/planner/recall';
import { DAY_WINDOW } from '../../core/plan';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { GENERATORS, generateDinner } from '../builders/generate-dinner';

test.each(GENERATORS)(
  '%s: a plan put on a board stands there minute by minute, and costs what it cost',
  (_name, generate) => {
    let staged = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const dinner = read(generate(seed, seed % 5 === 0 ? 'large' : 'small'));
      const plan = planOf(dinner, 60, seed);
      if (!plan.feasible) continue;
      const model = compileModel(dinner);
      const stage = stagePlan(model, plan);
      expect([seed, stage === null]).toEqual([seed, false]);
      const { board } = stage!;
      expect([seed, Math.round(100 * totalCost(board)) / 100]).toEqual([seed, expect.closeTo(plan.cost!, 1)]);
      expect(movedFrom(board, anchorsOf(model, plan, 0))).toBe(0);
      const busy = (cook: number) =>
        board.owner
          .subarray(cook * model.slots, (cook + 1) * model.slots)
          .reduce((n, owner) => n + (owner === 0 ? 0 : 1), 0);
      const ofSteps = plan.steps.flatMap(({ hands }) => hands);
      const ofService = plan.courses.flatMap(({ plating, clearing }) => [plating, clearing]);
      model.dinner.cooks.forEach(({ id }, c) => {
        const minutes = [...ofSteps, ...ofService]
          .filter((span) => span?.cook === id)
          .reduce((sum, span) => sum + span!.to - span!.from, 0);
        expect([seed, id, busy(c)]).toEqual([seed, id, minutes]);
      });
      staged += 1;
    }
    expect(staged).toBeGreaterThan(12);
  },
);

test('a plan of another dinner, or of one with a step more, is none of this one', () => {
  const one = read(dinnerFile([step('chop', 20), step('stir', 10)]));
  const more = read(dinnerFile([step('chop', 20), step('stir', 10), step('whisk', 5)]));
  const plan = planOf(one);
  expect(stagePlan(compileModel(one), plan)).not.toBeNull();
  expect(stagePlan(compileModel(more), plan)).toBeNull();
  expect(stagePlan(compileModel(one), planOf(more))).toBeNull();
});

test('a plan in which a cook is at two works at once is not put on a board', () => {
  const dinner = read(dinnerFile([step('chop', 20), step('stir', 10)]));
  const plan = planOf(dinner);
  const [first] = plan.steps;
  const clash = {
    ...plan,
    steps: plan.steps.map((row) =>
      row === first
        ? row
        : {
            ...row,
            start: first!.start,
            end: first!.start + 10,
            hands: [{ ...row.hands[0]!, from: first!.start, to: first!.start + 10 }],
          },
    ),
  };
  expect(stagePlan(compileModel(dinner), clash)).toBeNull();
});

test('where the evening is put off its work goes with it, and work of the days before stays by the clock', () => {
  let before = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const dinner = read(generateDinner(seed, 'small'));
    const plan = planOf(dinner, 60, seed);
    if (!plan.feasible) continue;
    const model = compileModel(dinner);
    const anchors = anchorsOf(model, plan, 30);
    for (const { step: name, start } of plan.steps) {
      const { index } = model.activities.find((activity) => activity.name === name)!;
      const isBefore = start < -DAY_WINDOW;
      if (isBefore) before += 1;
      expect([seed, name, anchors[index]! - model.zero]).toEqual([seed, name, isBefore ? start - 30 : start]);
    }
    for (const { index, role } of model.activities) if (role !== 'step') expect(anchors[index]).toBe(-1);
  }
  expect(before).toBeGreaterThan(3);
});
