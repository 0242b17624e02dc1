import { applyChanges, lateCandidates } from '../../core/explain';
import { toInstant } from '../../core/clock';
import type { Dinner } from '../../core/dinner';
import { compileModel, progressSeenFrom, type Progress } from '../../core/model';
import { planSeenFrom, type Plan } from '../../core/plan';
import { planDinner, replanDinner, Search } from '../../core/planner';
import { behindAfter } from '../builders/behind';
import { countingClock, dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const options = (rounds = 200) => ({ seconds: 20, seed: 1, rounds, now: countingClock(0.05) });
const rowOf = (plan: Plan, name: string) => plan.steps.find(({ step }) => step === name)!;
const byEnd = (plan: Plan) => [...plan.steps].sort((a, b) => a.end - b.end);

/** Minutes of a cook that are taken twice. */
function twice(plan: Plan): number[] {
  const spans = plan.steps.flatMap(({ hands }) => hands);
  const minutes = spans.flatMap(({ cook, from, to }) =>
    Array.from({ length: to - from }, (_, k) => `${cook} ${from + k}`),
  );
  const seen = new Set<string>();
  return minutes.filter((m) => seen.size === seen.add(m).size).map((m) => Number(m.split(' ')[1]));
}

/** An evening gone on with in a dinner changed in the midst of it. */
function goneOn(changed: Dinner, asked: Dinner, old: Plan, progress: Progress): Plan {
  const later = toInstant(changed.sitDown, changed.timeZone) - toInstant(asked.sitDown, asked.timeZone);
  return replanDinner(changed, [], planSeenFrom(old, later), options(), progressSeenFrom(progress, later));
}

test('what has happened may have been at once; what is to come is not, and nothing begins in the past', () => {
  let atOnce = 0;
  let planned = 0;
  for (let seed = 1; seed <= 8; seed++) {
    const dinner = read(generateDinner(seed, 'medium'));
    const old = planOf(dinner, 300);
    for (const part of [0.33, 0.5, 0.7]) {
      const rows = byEnd(old);
      const progress = behindAfter(old, rows[Math.floor(rows.length * part)]!, 6);
      const plan = replanDinner(dinner, [], old, options(), progress);
      if (!plan.feasible) continue;
      planned += 1;
      const taken = twice(plan);
      atOnce += taken.length > 0 ? 1 : 0;
      expect(taken.filter((minute) => minute >= progress.now)).toEqual([]);
      for (const row of plan.steps) {
        const begun = progress.begun.get(row.step);
        if (begun) expect(row.start).toBe(begun.start);
        else expect(row.start).toBeGreaterThanOrEqual(progress.now);
      }
    }
  }
  expect(planned).toBeGreaterThan(12);
  expect(atOnce).toBeGreaterThan(3);
});

/** The evening gone on with from its plan, and planned anew from where it stands. */
function goneOnOrAnew(dinner: Dinner, old: Plan, progress: Progress): Plan[] {
  return [replanDinner(dinner, [], old, options(), progress), planDinner(dinner, [], options(), progress)];
}

describe('a look at a pot while something else took longer', () => {
  /** The chopping goes on over the second look at what simmers. */
  const evening = (keeps: number, late: number) => {
    const steps = [
      step('simmer', 44, {
        attention: 'minded',
        check: { every: 20, takes: 2, slack: 0 },
        touch: { in: 1, out: 1 },
        keeps: { most: 60 },
      }),
      step('chop', 15, { keeps: { most: 60 } }),
      step('fry', 8, { after: ['simmer', 'chop'], keeps: { most: keeps } }),
    ];
    const pins = [
      { step: 'dish/simmer', start: '2026-10-17T18:00' },
      { step: 'dish/chop', start: '2026-10-17T18:24' },
    ];
    const dinner = read(dinnerFile(steps, { pins }));
    const old = planOf(dinner, 50);
    return { dinner, old, progress: behindAfter(old, rowOf(old, 'dish/chop'), late) };
  };

  test('was taken somehow, though no proof knows how', () => {
    const { dinner, old, progress } = evening(30, 4);
    const model = compileModel(dinner, progress);
    expect(new Search(model, 1).isProvenImpossible(() => false, 12)).toBe(true);
    const search = new Search(model, 1);
    search.recallBegun(old);
    expect(search.isProvenImpossible(() => false, 12)).toBe(false);
    expect(replanDinner(dinner, [], old, options(), progress).feasible).toBe(true);
  });

  test('was taken, too, where guests have to sit down later', () => {
    const { dinner, old, progress } = evening(3, 15);
    const plan = replanDinner(dinner, [], old, options(), progress);
    expect(plan.feasible).toBe(false);
    expect(plan.remedies!.map(({ text }) => text)).toContain('Sit down 5 minutes later, at 19:05.');
  });
});

describe('what turned out otherwise than it was meant', () => {
  test('who is in the midst of something as her time is up stays until it is done', () => {
    const cooks = [
      {
        id: 'ada',
        name: 'Ada',
        free: [
          { from: '2026-10-17T15:00', to: '2026-10-17T16:00' },
          { from: '2026-10-17T18:30', to: '2026-10-17T22:00' },
        ],
      },
    ];
    const steps = [
      step('knead', 30, { keeps: { most: 300 } }),
      step('dress', 5, { after: ['knead'], keeps: { most: 30 } }),
    ];
    const pins = [{ step: 'dish/knead', start: '2026-10-17T15:30' }];
    const dinner = read(dinnerFile(steps, { cooks, pins }));
    const old = planOf(dinner, 50);
    const progress = behindAfter(old, rowOf(old, 'dish/knead'), 10);
    for (const plan of goneOnOrAnew(dinner, old, progress)) {
      expect(plan.feasible).toBe(true);
      expect(rowOf(plan, 'dish/knead').end).toBe(-170);
    }
  });

  test('what is done inside another step was done when it was, however long that takes', () => {
    const steps = [
      step('simmer', 30, { attention: 'alone', touch: { in: 1, out: 1 }, keeps: { most: 60 } }),
      step('add', 2, { within: { step: 'simmer', before: 8, slack: 0 } }),
      step('dress', 5, { after: ['simmer'], keeps: { most: 30 } }),
    ];
    const dinner = read(dinnerFile(steps, { pins: [{ step: 'dish/simmer', start: '2026-10-17T18:10' }] }));
    const old = planOf(dinner, 100);
    const last = rowOf(old, 'dish/simmer');
    for (const plan of goneOnOrAnew(dinner, old, behindAfter(old, last, 6))) {
      expect(plan.feasible).toBe(true);
      expect(rowOf(plan, 'dish/add').start).toBe(rowOf(old, 'dish/add').start);
      expect(rowOf(plan, 'dish/simmer').end).toBe(last.end + 6);
    }
  });

  test('a table cleared while something took longer is cleared', () => {
    const courses = [
      { id: 'first', name: 'First', dishes: ['soup'], eating: 20, clearing: 4 },
      { id: 'second', name: 'Second', dishes: ['dish'], pause: { least: 5, ideal: 15, most: 40 } },
    ];
    const dishes = [
      { id: 'soup', name: 'Soup', serves: 4, steps: [step('warm', 5, { keeps: { most: 30 } })] },
      {
        id: 'dish',
        name: 'Dish',
        serves: 4,
        steps: [step('carve', 5, { keeps: { most: 40 } }), step('dress', 5, { after: ['carve'] })],
      },
    ];
    const pins = [{ step: 'dish/carve', start: '2026-10-17T19:13' }];
    const dinner = read(dinnerFile([], { courses, dishes, pins, away: 30 }));
    const old = planOf(dinner, 100);
    const progress = behindAfter(old, rowOf(old, 'dish/carve'), 5);
    expect([...progress.served.keys()]).toEqual(['first']);
    const plan = replanDinner(dinner, [], old, options(), progress);
    expect(plan.feasible).toBe(true);
    expect(plan.courses[0]!.clearing).toMatchObject({ from: 20, to: 24 });
    expect(rowOf(plan, 'dish/dress').start).toBeGreaterThanOrEqual(24);
  });
});

describe('what helps in the midst of an evening', () => {
  /** Done one soon after the other, up to the plates. */
  const inARow = read(
    dinnerFile([
      step('chop', 20, { keeps: { most: 5 } }),
      step('fry', 10, { after: ['chop'], keeps: { most: 5 } }),
    ]),
  );
  const old = planOf(inARow, 50);
  const progress = behindAfter(old, rowOf(old, 'dish/chop'), 8);

  test('guests sit down later, by no more than is needed, and what has begun stays where it is on the clock', () => {
    const plan = replanDinner(inARow, [], old, options(), progress);
    expect(plan.feasible).toBe(false);
    const texts = plan.remedies!.map(({ text }) => text);
    expect(texts).toContain('Sit down 10 minutes later, at 19:10.');
    expect(texts.filter((text) => text.startsWith('Sit down'))).toHaveLength(1);
    const changed = applyChanges(inARow, plan.remedies!.find(({ text }) => text.startsWith('Sit'))!.change);
    const after = goneOn(changed, inARow, old, progress);
    expect(rowOf(after, 'dish/chop').start).toBe(rowOf(old, 'dish/chop').start - 10);
    expect(rowOf(after, 'dish/fry').start).toBeGreaterThanOrEqual(rowOf(after, 'dish/chop').end);
  });

  test('nobody begins earlier any more, and who sits at the table is not asked to sit down later', () => {
    const before = lateCandidates(inARow, progress).map(({ text }) => text);
    expect(before.filter((text) => text.includes('earlier, at') || text.includes('evening before'))).toEqual(
      [],
    );
    const eating = { ...progress, served: new Map([['only', 0]]) };
    const texts = lateCandidates(inARow, eating).map(({ text }) => text);
    expect(texts.filter((text) => text.startsWith('Sit down'))).toEqual([]);
  });

  test('who has to leave stays a little longer', () => {
    const free = [
      { from: '2026-10-17T15:00', to: '2026-10-17T16:00' },
      { from: '2026-10-17T18:50', to: '2026-10-17T22:00' },
    ];
    const steps = [
      step('knead', 30, { keeps: { most: 300 } }),
      step('wrap', 10, { after: [{ step: 'knead', most: 30 }], keeps: { most: 300 } }),
    ];
    const dinner = read(dinnerFile(steps, { cooks: [{ id: 'ada', name: 'Ada', free }] }));
    const plan = planOf(dinner, 50);
    const late = behindAfter(plan, rowOf(plan, 'dish/knead'), 25);
    const again = replanDinner(dinner, [], plan, options(), late);
    expect(again.remedies!.map(({ text }) => text)).toContain('Ada stays 30 minutes longer, until 16:30.');
  });

  test('what should have gone on at once goes on a little later, and is looked at first', () => {
    const steps = [
      step('rest', 20, { attention: 'alone', touch: { in: 1, out: 0 }, keeps: { most: 2 } }),
      step('chop', 15, { keeps: { most: 120 } }),
      step('fold', 4, { after: ['rest', 'chop'], keeps: { most: 60 } }),
    ];
    const pins = [
      { step: 'dish/rest', start: '2026-10-17T18:20' },
      { step: 'dish/chop', start: '2026-10-17T18:24' },
    ];
    const dinner = read(dinnerFile(steps, { pins }));
    const plan = planOf(dinner, 200);
    // Four minutes after what rests is ready.
    const again = replanDinner(dinner, [], plan, options(), behindAfter(plan, rowOf(plan, 'dish/chop'), 5));
    expect(again.feasible).toBe(false);
    expect(again.remedies!.map(({ text }) => text)).toContain(
      '"Do fold" (Dish) comes up to 4 minutes later than it should: look first whether "Do rest" (Dish) still holds.',
    );
  });

  test('what was pinned to a time that is past is let go, unless it has begun', () => {
    const pins = [
      { step: 'dish/chop', start: '2026-10-17T18:10' },
      { step: 'dish/whip', start: '2026-10-17T18:20' },
    ];
    const steps = [step('chop', 10, { keeps: { most: 120 } }), step('whip', 5, { keeps: { most: 60 } })];
    const dinner = read(dinnerFile(steps, { pins }));
    const plan = planOf(dinner, 50);
    const late = behindAfter(plan, rowOf(plan, 'dish/chop'), 8);
    const again = replanDinner(dinner, [], plan, options(), late);
    expect(again.feasible).toBe(false);
    const texts = again.remedies!.map(({ text }) => text);
    expect(texts.filter((text) => text.startsWith('Unpin'))).toEqual(['Unpin "Do whip" (Dish).']);
  });

  test('what waits for the plates waits a little longer, unless it is on the table', () => {
    const keeping = [
      { most: 6, over: {} },
      { most: 30, over: { plated: { most: 6 } } },
      { most: 6, over: { ways: [{ id: 'thin', label: 'Thinly', keeps: { most: 4 } }] }, way: 'thin' },
    ];
    for (const { most, over, way } of keeping) {
      const dinner = read(dinnerFile([step('slice', 4, { keeps: { most }, ...over }), step('whip', 6)]));
      const begun = new Map([['dish/slice', { start: -12, minutes: 4, way: way ?? null }]]);
      const late = { now: -6, begun, served: new Map<string, number>() };
      const isOfPlates = ({ text }: { text: string }) => text.includes('goes on the plate');
      const [first] = lateCandidates(dinner, late).filter(isOfPlates);
      expect(first!.text).toBe(
        '"Do slice" (Dish) goes on the plate up to 2 minutes later than it should: look first whether it still holds.',
      );
      const { keeps, plated, ways } = applyChanges(dinner, first!.change).dishes[0]!.steps[0]!;
      expect(ways[0]?.keeps?.most ?? plated?.most ?? keeps!.most).toBe(way ? 6 : 8);
      const served = new Map([['only', 0]]);
      expect(lateCandidates(dinner, { ...late, served }).filter(isOfPlates)).toEqual([]);
    }
  });

  test('what should have gone into a pot by now goes in late', () => {
    const steps = [
      step('braise', 45, { attention: 'alone', touch: { in: 1, out: 1 }, keeps: { most: 60 } }),
      step('add', 2, { within: { step: 'braise', before: 20, slack: 2 } }),
      step('chop', 14, { keeps: { most: 120 } }),
    ];
    const pins = [
      { step: 'dish/braise', start: '2026-10-17T18:00' },
      { step: 'dish/chop', start: '2026-10-17T18:10' },
    ];
    const dinner = read(dinnerFile(steps, { pins }));
    const plan = planOf(dinner, 100);
    // Six minutes after it should have been added.
    const again = replanDinner(dinner, [], plan, options(), behindAfter(plan, rowOf(plan, 'dish/chop'), 7));
    expect(again.feasible).toBe(false);
    expect(again.remedies!.map(({ text }) => text)).toContain(
      '"Do add" (Dish) comes up to 8 minutes later than it should.',
    );
  });

  test('whatever is late, what is said to help does', () => {
    let helped = 0;
    let without = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const dinner = read(generateDinner(seed, 'small'));
      const old = planOf(dinner, 200);
      const rows = byEnd(old);
      for (const part of [0.33, 0.6, 0.8]) {
        const progress = behindAfter(old, rows[Math.floor(rows.length * part)]!, 8);
        const plan = replanDinner(dinner, [], old, options(), progress);
        if (plan.feasible) continue;
        without += plan.remedies!.length === 0 ? 1 : 0;
        for (const { change, text } of plan.remedies!.slice(0, 3)) {
          const after = goneOn(applyChanges(dinner, change), dinner, old, progress);
          expect([seed, part, text, after.feasible]).toEqual([seed, part, text, true]);
          helped += 1;
        }
      }
    }
    expect(helped).toBeGreaterThan(8);
    expect(without).toBe(0);
  });
});
