import { auditPlan } from '../../core/audit';
import type { DinnerFile } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import { readPlan } from '../../core/plan';
import { nudgedPlan } from '../../core/planner';
import { alongWithCourse, bendsOf, costByPausesOf, courseAt, differencesOf, pinAt } from '../../core/reasons';
import { countingClock, demoText, dinnerFile, planOf, read, step } from '../builders/dinner';

const file = JSON.parse(demoText('home-at-six')) as DinnerFile;
const dinner = read(file);
const plan = planOf(dinner, 1500);
const options = () => ({ seconds: 20, seed: 1, rounds: 200, now: countingClock(1) });
const startOf = (of: typeof plan, step: string) => of.steps.find((row) => row.step === step)!.start;

describe('a step that is moved', () => {
  const step = 'semolina/dust';
  const target = startOf(plan, step) - 4;
  const bent = read(applyChanges(file, pinAt(dinner, step, target)));

  test('stands where it was put, all rules hold, and little else moves', () => {
    const nudged = nudgedPlan(bent, plan, options())!;
    expect(startOf(nudged, step)).toBe(target);
    expect(auditPlan(bent, nudged).breaches).toEqual([]);
    expect(differencesOf(nudged, plan).size).toBeLessThanOrEqual(4);
  });

  test('moved again, it has one pin; let go, it has none', () => {
    const again = read(applyChanges(bent, pinAt(bent, step, target - 1)));
    expect(again.pins).toHaveLength(1);
    const [bend] = bendsOf(again);
    expect(bend).toMatchObject({ kind: 'pin', of: step });
    expect(bendsOf(read(applyChanges(again, bend!.letGo)))).toEqual([]);
  });

  test('where it cannot be there is no plan, and no long search for one', () => {
    const impossible = read(applyChanges(file, pinAt(dinner, step, 400)));
    expect(nudgedPlan(impossible, plan, options())).toBeNull();
  });
});

describe('a course line that is moved', () => {
  const [first, second] = dinner.courses;

  test('the first moves sitting down', () => {
    expect(courseAt(file, dinner, plan, first!.id, 10)).toEqual([
      { path: 'sitDown', value: '2026-10-20T19:50' },
    ]);
  });

  test('a later one fixes the pause before it, which comes back when it is let go', () => {
    const serve = plan.courses[1]!.serve + 3;
    const moved = applyChanges(file, courseAt(file, dinner, plan, second!.id, serve));
    const later = read(moved);
    const nudged = nudgedPlan(later, plan, options())!;
    expect(nudged.courses[1]!.serve).toBe(serve);
    const twice = applyChanges(moved, courseAt(moved, later, nudged, second!.id, serve + 1));
    const bend = bendsOf(read(twice)).find((b) => b.kind === 'course')!;
    expect(JSON.parse(JSON.stringify(applyChanges(twice, bend.letGo)))).toEqual(file);
  });

  test('with time to look, it is found from a plan that does not fit at all', () => {
    for (const by of [4, 8]) {
      const serve = plan.courses[1]!.serve + by;
      const later = read(applyChanges(file, courseAt(file, dinner, plan, second!.id, serve)));
      const nudged = nudgedPlan(later, { ...plan, feasible: false }, options(), true);
      expect([by, nudged && auditPlan(later, nudged).breaches]).toEqual([by, []]);
    }
  });

  test('it costs what the pause costs by the wishes that there were', () => {
    expect(costByPausesOf(dinner, plan).cost).toBeCloseTo(plan.cost!, 1);
    const serve = plan.courses[1]!.serve + 6;
    const later = read(applyChanges(file, courseAt(file, dinner, plan, second!.id, serve)));
    const nudged = nudgedPlan(later, alongWithCourse(later, plan, second!.id, 6), options())!;
    expect(nudged.terms!.wait).toBe(0);
    expect(costByPausesOf(dinner, nudged).terms!.wait).toBe(
      20 * Math.max(0, nudged.courses[1]!.wait! - second!.pause.ideal),
    );
  });

  test('what is done for it moves along, so that a plan is found at once', () => {
    for (const by of [-2, 2, 5]) {
      const serve = plan.courses[1]!.serve + by;
      const later = read(applyChanges(file, courseAt(file, dinner, plan, second!.id, serve)));
      const nudged = nudgedPlan(later, alongWithCourse(later, plan, second!.id, by), options());
      expect([by, nudged && auditPlan(later, nudged).breaches]).toEqual([by, []]);
    }
  });

  test('it cannot come before the one before it is eaten', () => {
    const changes = courseAt(file, dinner, plan, second!.id, -500);
    expect(changes[0]!.value).toMatchObject({ least: 0, ideal: 0, most: 0 });
  });
});

describe('a course that is sat through', () => {
  const two = dinnerFile([], {
    courses: [
      { id: 'one', name: 'Soup', eating: 20, dishes: ['soup'] },
      { id: 'two', name: 'Fish', pause: { least: 5, ideal: 5, most: 25 }, dishes: ['fish'] },
    ],
    dishes: [
      { id: 'soup', name: 'Soup', serves: 4, steps: [step('heat', 5, { keeps: { most: 10 } })] },
      { id: 'fish', name: 'Fish', serves: 4, steps: [step('sauce', 9, { keeps: { most: 5 } })] },
    ],
  });
  const quiet = read(applyChanges(two, [{ path: 'courses[0].sitThrough', value: true }]));

  test('no hand leaves the table, the guests wait instead, and the audit knows the rule', () => {
    const loose = planOf(read(two), 300);
    const kept = planOf(quiet, 300);
    expect(loose.terms!.away).toBeGreaterThan(0);
    expect(kept.terms).toMatchObject({ away: 0, trips: 0 });
    expect(kept.terms!.wait).toBeGreaterThan(0);
    expect(auditPlan(quiet, kept).breaches).toEqual([]);
    expect(auditPlan(quiet, loose).breaches).toContainEqual(expect.objectContaining({ rule: 'table' }));
  });

  test('another field of that name is none of ours and is kept', () => {
    const other = applyChanges(file, [{ path: 'courses[0].sitThrough', value: 'yes' }]);
    expect(read(other).courses[0]!.sitThrough).toBeUndefined();
  });
});

test('a plan is read back as it was written, and anything else is none', () => {
  expect(readPlan(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
  expect(readPlan({ ...plan, steps: [{ step: 'x' }] })).toBeNull();
  expect(readPlan({ ...plan, feasible: false })).toBeNull();
  expect(readPlan('plan')).toBeNull();
});
