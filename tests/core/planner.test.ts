import { auditPlan } from '../../core/audit';
import { planDinner } from '../../core/planner';
import { countingClock, DEMOS, demoText, dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner, type Size } from '../builders/generate-dinner';

describe('plans', () => {
  test.each(DEMOS)('the demo dinner %s is planned and every rule holds', (name) => {
    const dinner = read(JSON.parse(demoText(name)));
    const plan = planOf(dinner, 1500);
    expect(plan.feasible).toBe(true);
    expect(auditPlan(dinner, plan).breaches).toEqual([]);
  });

  test.each<[Size, number]>([
    ['small', 150],
    ['medium', 60],
    ['large', 10],
  ])('%s generated dinners: each of %d has a plan that the audit passes', (size, count) => {
    const broken: string[] = [];
    for (let seed = 1; seed <= count; seed++) {
      const dinner = read(generateDinner(seed, size));
      const plan = planOf(dinner, 120, 1, 60);
      if (!plan.feasible) broken.push(`${seed}: no plan`);
      else {
        if (plan.bound !== null && plan.bound > plan.cost!)
          broken.push(`${seed}: bound ${plan.bound} above ${plan.cost}`);
        broken.push(...auditPlan(dinner, plan).breaches.map((b) => `${seed}: ${b.rule}: ${b.text}`));
      }
    }
    expect(broken).toEqual([]);
  });

  test('the same file, seed and rounds give the same plan', () => {
    const dinner = read(generateDinner(3, 'medium'));
    expect(planOf(dinner, 300, 5)).toEqual(planOf(dinner, 300, 5));
  });

  test('the cost never rises while the search goes on', () => {
    const costs: number[] = [];
    planDinner(read(generateDinner(4, 'medium')), [], {
      seconds: 20,
      seed: 1,
      rounds: 800,
      now: countingClock(),
      onBetter: (p) => costs.push(p.cost!),
    });
    expect(costs.length).toBeGreaterThan(2);
    expect(costs).toEqual([...costs].sort((a, b) => b - a));
  });

  test('it can be cancelled', () => {
    let asked = 0;
    const plan = planDinner(read(generateDinner(4, 'medium')), [], {
      seconds: 20,
      seed: 1,
      now: countingClock(),
      isCancelled: () => (asked += 1) > 6,
    });
    expect(asked).toBeLessThan(200);
    expect(plan.format).toBe('zeitlauf/plan');
  });
});

describe('bounds', () => {
  test('where lags and calendars leave no choice, the bound is the cost and the plan is optimal', () => {
    const plan = planOf(read(dinnerFile([step('cut', 20)], { arrive: 0 })));
    // 20 minutes of work and 3 of plating, 0.2 a minute.
    expect(plan).toMatchObject({ cost: 4.6, bound: 4.6, optimal: true });
  });
});

describe('single rules', () => {
  const startOf = (plan: ReturnType<typeof planOf>, name: string) => plan.steps.find((s) => s.step === name)!;

  test('a pin holds, and a pin that cannot hold is said as such', () => {
    const pinned = read(
      dinnerFile([step('cut', 5)], { pins: [{ step: 'dish/cut', start: '2026-10-17T17:00' }] }),
    );
    expect(startOf(planOf(pinned), 'dish/cut').start).toBe(-120);
    const night = read(
      dinnerFile([step('cut', 5)], { pins: [{ step: 'dish/cut', start: '2026-10-17T03:00' }] }),
    );
    const plan = planOf(night);
    expect(plan.feasible).toBe(false);
    expect(plan.conflict!.length).toBeGreaterThan(0);
  });

  test('the pan that must not be washed stays taken until the sauce begins in it', () => {
    const dinner = read(
      dinnerFile([
        step('sear', 5, { uses: [{ tool: 'pan' }], keepsIn: ['pan'] }),
        step('sauce', 5, { after: [{ step: 'sear', least: 30 }], uses: [{ tool: 'pan' }] }),
        step('egg', 4, { uses: [{ tool: 'pan' }] }),
      ]),
    );
    const plan = planOf(dinner);
    const [sear, sauce, egg] = ['dish/sear', 'dish/sauce', 'dish/egg'].map((n) => startOf(plan, n));
    expect(egg!.end <= sear!.start || egg!.start >= sauce!.end).toBe(true);
    expect(auditPlan(dinner, plan).breaches).toEqual([]);
  });

  test('two dishes that share no temperature wait for the oven to change over', () => {
    const bake = (id: string, oven: number) => step(id, 20, { attention: 'alone', uses: [{ oven }] });
    const dinner = read(dinnerFile([bake('hot', 220), bake('mild', 160)]));
    const plan = planOf(dinner);
    const [hot, mild] = [startOf(plan, 'dish/hot'), startOf(plan, 'dish/mild')];
    const gap = Math.max(hot.start - mild.end, mild.start - hot.end);
    expect(gap).toBeGreaterThanOrEqual(6);
  });

  test('a paused step is cut into pieces of five minutes and more by the same cook', () => {
    const dinner = read(
      dinnerFile(
        [
          step('peel', 20, { pausable: true, keeps: { best: 30, most: 30 } }),
          step('stir', 4, { keeps: { most: 15 } }),
        ],
        {
          pins: [
            { step: 'dish/stir', start: '2026-10-17T18:40' },
            { step: 'dish/peel', start: '2026-10-17T18:30' },
          ],
        },
      ),
    );
    const plan = planOf(dinner);
    expect(startOf(plan, 'dish/peel').pieces).toEqual([
      [-30, -20],
      [-16, -6],
    ]);
    expect(auditPlan(dinner, plan).breaches).toEqual([]);
  });

  test('what sets for three hours is begun before anything else of its day (common practice)', () => {
    const dinner = read(JSON.parse(demoText('first-frost')));
    const plan = planOf(dinner, 1500);
    const today = plan.steps
      .filter((s) => s.hands.length > 0 && s.start >= -720)
      .sort((a, b) => a.start - b.start);
    expect(today[0]!.step.startsWith('cream/')).toBe(true);
  });
});

describe('what cannot be', () => {
  test('a custard that sets for four hours cannot be begun two hours before: the way out is offered', () => {
    const dinner = read(
      dinnerFile([step('set', 240, { attention: 'alone', touch: { in: 1 } })], {
        cooks: [{ id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T17:00', to: '2026-10-17T23:00' }] }],
      }),
    );
    const plan = planOf(dinner);
    expect(plan).toMatchObject({ feasible: false, steps: [], cost: null });
    expect(plan.conflict!.map((c) => c.kind)).toEqual(['time', 'duration']);
    expect(plan.conflict![0]!.steps).toEqual(['dish/set']);
    const costs = plan.remedies!.map((r) => r.cost);
    expect(costs.length).toBeGreaterThan(1);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    expect(plan.remedies!.map((r) => r.text).join()).toContain('evening before');
  });

  test('two roasts at once in an oven with one shelf', () => {
    const roast = (id: string) =>
      step(id, 60, { attention: 'alone', uses: [{ oven: 180 }], keeps: { most: 5 } });
    const dinner = read(
      dinnerFile([roast('a'), roast('b')], { kitchen: { ovens: [{ id: 'o', name: 'O', shelves: 1 }] } }),
    );
    const plan = planOf(dinner, 400, 1, 4);
    expect(plan.conflict!.map((c) => c.kind).sort()).toEqual(['duration', 'keeping', 'oven']);
  });
});
