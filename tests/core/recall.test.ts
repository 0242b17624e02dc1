import { compileModel } from '../../core/model';
import { Search, stagePlan } from '../../core/planner';
import { totalCost } from '../../core/planner/cost';
import { movedFrom } from '../../core/planner/calming';
import { anchorsOf, lengthenPause, recallPlan } from '../../core/planner/recall';
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

/** Soup, then a cream that sets for two and a half hours and is dressed at the table's end. */
const creamDinner = read(
  dinnerFile([], {
    courses: [
      { id: 'first', name: 'First', dishes: ['soup'], eating: 20 },
      { id: 'sweet', name: 'Sweet', dishes: ['cream'], pause: { least: 5, ideal: 10, most: 25 } },
    ],
    dishes: [
      { id: 'soup', name: 'Soup', serves: 4, steps: [step('stir', 5)] },
      {
        id: 'cream',
        name: 'Cream',
        serves: 4,
        steps: [
          step('mix', 10),
          step('set', 150, { attention: 'alone', after: ['mix'] }),
          step('dress', 3, { after: ['set'] }),
        ],
      },
    ],
  }),
);

/** The plan, with the cream mixed so that it can be dressed `late` minutes after the plan has it dressed; and where it stands then. */
function creamLate(late: number) {
  const plan = planOf(creamDinner, 300);
  const dressed = plan.steps.find((row) => row.step === 'cream/dress')!;
  const mixed = dressed.start - 150 + late;
  const begun = new Map([['cream/mix', { start: mixed - 10, minutes: 10, way: null }]]);
  const model = compileModel(creamDinner, { now: mixed, begun, served: new Map() });
  const { board } = new Search(model, 1);
  const { members, starts } = recallPlan(board, plan);
  const served = board.serve.slice();
  lengthenPause(board, members, starts);
  const at = (name: string) =>
    starts[members.findIndex((i) => model.activities[i]!.name === name)]! - model.zero;
  const later = board.serve.map((slot, c) => slot - served[c]!);
  const holds = board.tighten(Int32Array.from(members), members.length);
  return {
    later: Array.from(later),
    holds,
    at,
    dressed: dressed.start,
    soup: plan.steps.find((r) => r.step === 'soup/stir')!,
  };
}

test('a pause grows by as little as what is late asks for, and what comes after the plates before goes with it', () => {
  const { later, holds, at, dressed, soup } = creamLate(6);
  expect(holds).toBe(true);
  expect(later[0]).toBe(0);
  expect(later[1]).toBeGreaterThan(0);
  expect(later[1]).toBeLessThanOrEqual(6);
  expect(at('cream/dress')).toBe(dressed + later[1]!);
  expect(at('soup/stir')).toBe(soup.start);
});

test('pauses stay as they are where they hold, and where no pause is long enough', () => {
  expect(creamLate(0)).toMatchObject({ later: [0, 0], holds: true });
  expect(creamLate(120)).toMatchObject({ later: [0, 0], holds: false });
});
