import { readDinner } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import {
  badnessOf,
  chainFrom,
  differencesOf,
  firstOfDay,
  handsSpans,
  offersFor,
  shortOf,
  variantsFor,
  weakSpots,
  whyHere,
} from '../../core/reasons';
import { DEMOS, demoText, dinnerFile, planOf, read, step } from '../builders/dinner';

describe('what makes the evening begin when it does', () => {
  const roast = read(
    dinnerFile([
      step('season', 5, { keeps: { most: 5 } }),
      step('roast', 60, {
        attention: 'alone',
        touch: { in: 1, out: 1 },
        uses: [{ oven: 180 }],
        after: ['season'],
        keeps: { best: 5, most: 15 },
      }),
      step('carve', 5, { after: [{ step: 'roast', least: 10 }], keeps: { most: 5 } }),
    ]),
  );

  test('the chain leads from the first work to the plate', () => {
    const plan = planOf(roast);
    const chain = chainFrom(firstOfDay(plan)!, whyHere(roast, plan)!);
    expect(chain.map((link) => link.step)).toEqual(['dish/season', 'dish/roast', 'dish/carve']);
    expect(chain.at(-1)!.holds).toMatchObject({ kind: 'plating' });
  });

  test.each(DEMOS)('%s: every link holds the one before it, and none comes twice', (name) => {
    const dinner = read(JSON.parse(demoText(name)));
    const plan = planOf(dinner, 800);
    const chain = chainFrom(firstOfDay(plan)!, whyHere(dinner, plan)!);
    const first = Math.min(...handsSpans(plan).flatMap((s) => (s.from >= -720 ? [s.from] : [])));
    expect(chain[0]!.start).toBeLessThanOrEqual(first + 1);
    expect(new Set(chain.map((l) => l.step)).size).toBe(chain.length);
    chain.slice(0, -1).forEach((link, k) => {
      expect(link.holds).toMatchObject({ step: chain[k + 1]!.step });
    });
  });
});

describe('tight places', () => {
  const unsure = (long: number) =>
    read(
      dinnerFile(
        [
          step('bake', 20, { minutes: { short: 18, usual: 20, long }, keeps: { most: 5 } }),
          step('carve', 5, { after: [{ step: 'bake', most: 5 }], keeps: { most: 5 } }),
        ],
        { caution: 0 },
      ),
    );
  const spots = (long: number) => {
    const dinner = unsure(long);
    const plan = planOf(dinner);
    return weakSpots(dinner, plan, whyHere(dinner, plan)!).filter((s) => s.kind === 'tight');
  };

  test('what may take longer than there is room for is tight, by as much', () => {
    expect(spots(32)).toEqual([expect.objectContaining({ step: 'dish/bake', over: 12 })]);
    expect(spots(20)).toEqual([]);
  });

  test('allowed for in full, it is tight no more', () => {
    const dinner = { ...unsure(32), caution: 1 };
    const plan = planOf(dinner);
    const whys = whyHere(dinner, plan)!;
    const [spot] = spots(32);
    expect(badnessOf(spot!, dinner, plan, whys)).toBe(0);
  });

  test('a half hour without a free hand is a peak', () => {
    const dinner = read(dinnerFile([step('chop', 40, { keeps: { most: 30 } })]));
    const plan = planOf(dinner);
    expect(weakSpots(dinner, plan, whyHere(dinner, plan)!)).toContainEqual(
      expect.objectContaining({ kind: 'peak', minutes: 30 }),
    );
  });

  test('two dishes that want one oven otherwise are pressed by it', () => {
    const bake = (id: string, oven: number) =>
      step(id, 30, {
        attention: 'alone',
        touch: { in: 1, out: 1 },
        uses: [{ oven, give: 5 }],
        keeps: { most: 90 },
      });
    const dinner = read(dinnerFile([bake('bread', 220), bake('custard', 150)]));
    const plan = planOf(dinner);
    const spot = weakSpots(dinner, plan, whyHere(dinner, plan)!).find((s) => s.kind === 'oven')!;
    expect(spot).toMatchObject({ steps: ['dish/bread', 'dish/custard'] });
  });
});

describe('what could be otherwise', () => {
  const file = JSON.parse(demoText('walnut-harvest'));
  const dinner = read(file);
  const plan = planOf(dinner, 500);

  test('every offer and every variant is a change that makes a dinner', () => {
    const offers = [...offersFor(dinner), ...variantsFor(dinner, plan)];
    expect(offers.length).toBeGreaterThan(20);
    for (const { change, text } of offers) {
      const result = readDinner(applyChanges(file, change));
      expect([text, result.ok]).toEqual([text, true]);
    }
    expect(new Set(offersFor(dinner).map((o) => o.text)).size).toBe(offersFor(dinner).length);
  });

  test('a wish is met by nothing done: hands only before the first course', () => {
    const early = read(dinnerFile([step('cook', 20, { keeps: { most: 300 } })]));
    const cooked = planOf(early);
    expect(shortOf({ kind: 'sit', course: early.courses[0]!.id }, early, cooked)).toBe(0);
    expect(shortOf({ kind: 'start' }, early, cooked)).toBe(-firstMinute(cooked));
  });
  const firstMinute = (of: typeof plan) => Math.min(...handsSpans(of).map((s) => s.from));

  test('the helper for an hour comes where there is most to do', () => {
    const helper = variantsFor(dinner, plan).find((v) => v.text.includes('for an hour'))!;
    const cooks = helper.change[0]!.value as typeof dinner.cooks;
    expect(cooks).toHaveLength(dinner.cooks.length + 1);
    expect(helper.text).toContain(cooks.at(-1)!.free[0]!.from.slice(11));
  });

  test('what differs between two evenings is told for both sides', () => {
    const moved = {
      ...plan,
      steps: plan.steps.slice(1).map((row, k) => (k === 0 ? { ...row, start: row.start + 5 } : row)),
    };
    expect([...differencesOf(moved, plan)]).toEqual([[plan.steps[1]!.step, { kind: 'moved', by: 5 }]]);
    expect(differencesOf(plan, moved).get(plan.steps[0]!.step)).toEqual({ kind: 'only' });
    expect(differencesOf(plan, plan).size).toBe(0);
  });
});
