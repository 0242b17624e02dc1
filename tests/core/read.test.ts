import fc from 'fast-check';
import { readDinner, readDinnerText } from '../../core/dinner';
import { DEMOS, demoText, dinnerFile, mistakes, read, step } from '../builders/dinner';

describe('reading a dinner file', () => {
  test('fills in every default of the contract', () => {
    const dinner = read(dinnerFile([step('cut', 5)]));
    expect(dinner).toMatchObject({
      timeZone: 'UTC',
      arrive: 30,
      style: 'even',
      caution: 0.25,
      pace: 1,
      away: 10,
      pins: [],
      choices: {},
    });
    expect(dinner.kitchen).toMatchObject({ rings: 4, tools: {}, wash: 3 });
    expect(dinner.kitchen.ovens[0]).toMatchObject({ shelves: 2, fan: true, heats: 10, cools: 4 });
    expect(dinner.courses[0]).toMatchObject({
      eating: 20,
      pause: { least: 5, ideal: 10, most: 25 },
      plating: { base: 1, perGuest: 0.5 },
      clearing: 3,
    });
    expect(dinner.cooks[0]!.eats).toBe(true);
  });

  test.each(DEMOS)('reads the demo dinner %s without a notice', (name) => {
    const result = readDinnerText(demoText(name));
    expect(result).toMatchObject({ ok: true, notices: [] });
  });

  test('keeps unknown fields at every depth', () => {
    const file = dinnerFile([step('cut', 5, { 'x-mood': 'calm' } as object)], {
      'x-table': { legs: 3 },
    } as object);
    const dinner = read(file) as unknown as { 'x-table': object; dishes: { steps: object[] }[] };
    expect(dinner['x-table']).toEqual({ legs: 3 });
    expect(dinner.dishes[0]!.steps[0]).toMatchObject({ 'x-mood': 'calm' });
  });

  test('tells of a tool that the kitchen does not list', () => {
    const result = readDinner(dinnerFile([step('blend', 5, { uses: [{ tool: 'blender' }] })]));
    expect(result).toMatchObject({ ok: true, notices: [expect.stringContaining('blender')] });
  });

  test('reads again what it wrote', () => {
    const once = read(JSON.parse(demoText('first-frost')));
    expect(read(JSON.parse(JSON.stringify(once)))).toEqual(once);
  });

  test('text that is no JSON is one mistake', () => {
    expect(readDinnerText('{"format":')).toMatchObject({
      ok: false,
      problems: [{ path: '', expected: 'JSON' }],
    });
  });

  test('whatever is thrown at it, it answers', () => {
    let refused = 0;
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const result = readDinner(value);
        if (!result.ok) refused += result.problems.length > 0 ? 1 : 0;
        return result.ok || result.problems.length > 0;
      }),
      { seed: 7, numRuns: 300 },
    );
    expect(refused).toBe(300);
  });

  test('a demo dinner with one value replaced is read or refused with a path', () => {
    const text = demoText('home-at-six');
    const values = text.match(/: (?:"[^"]*"|[\d.]+)/g)!.length;
    let refused = 0;
    fc.assert(
      fc.property(fc.nat(values - 1), fc.oneof(fc.jsonValue(), fc.constant('x/y')), (which, value) => {
        let count = 0;
        const changed = text.replace(/: (?:"[^"]*"|[\d.]+)/g, (all) =>
          count++ === which ? `: ${JSON.stringify(value)}` : all,
        );
        const result = readDinnerText(changed);
        if (!result.ok) {
          refused += 1;
          return result.problems.every((p) => p.expected.length > 0 && p.found.length > 0);
        }
        return true;
      }),
      { seed: 11, numRuns: 400 },
    );
    expect(refused).toBeGreaterThan(200);
  });
});

describe('mistakes name the place, what was found and what is expected', () => {
  const cases: [string, unknown, string][] = [
    ['a missing field', { ...dinnerFile([]), guests: undefined }, 'guests: found nothing, expected a number'],
    ['too many guests', dinnerFile([], { guests: 25 }), 'guests: found 25, expected a number of at most 24'],
    [
      'an unknown time zone',
      dinnerFile([], { timeZone: 'Mars/Base' }),
      'timeZone: found "Mars/Base", expected the IANA name',
    ],
    [
      'a day that is not',
      dinnerFile([], { sitDown: '2026-02-30T19:00' }),
      'sitDown: found "2026-02-30T19:00", expected a clock time',
    ],
    [
      'an unknown style',
      dinnerFile([], { style: 'slow' as never }),
      'style: found "slow", expected one of "ahead", "even", "fresh"',
    ],
    [
      'short above usual',
      dinnerFile([step('a', 5, { minutes: { short: 9, usual: 5, long: 7 } })]),
      'dishes[0].steps[0].minutes.short: found 9, expected at most usual (5)',
    ],
    [
      'long below usual',
      dinnerFile([step('a', 5, { minutes: { short: 1, usual: 5, long: 3 } })]),
      'dishes[0].steps[0].minutes.long: found 3, expected at least usual (5)',
    ],
    [
      'a duration that is text',
      dinnerFile([step('a', '5' as never)]),
      'dishes[0].steps[0].minutes: found "5", expected whole minutes, or {short, usual, long}',
    ],
    [
      'a wrong use',
      dinnerFile([step('a', 5, { uses: [{ oven: 'hot' }] as never })]),
      'dishes[0].steps[0].uses[0].oven: found "hot", expected a number',
    ],
    [
      'a touch on a hands step',
      dinnerFile([step('a', 5, { touch: { in: 1 } })]),
      'dishes[0].steps[0].touch: found {"in":1,"out":0}, expected no touch',
    ],
    [
      'a touch longer than the step',
      dinnerFile([step('a', 3, { attention: 'alone', touch: { in: 2, out: 2 } })]),
      'dishes[0].steps[0].touch: found {"in":2,"out":2}, expected no longer than the step (3 minutes)',
    ],
    [
      'a minded step without check',
      dinnerFile([step('a', 5, { attention: 'minded' })]),
      'dishes[0].steps[0].check: found nothing, expected {every, takes, slack}',
    ],
    [
      'a check on the wrong kind',
      dinnerFile([step('a', 5, { attention: 'alone', check: { every: 2 } })]),
      'no check on a step whose attention is "alone"',
    ],
    [
      'a pause on the wrong kind',
      dinnerFile([step('a', 5, { attention: 'alone', pausable: true })]),
      'dishes[0].steps[0].pausable: found true',
    ],
    [
      'an unknown step',
      dinnerFile([step('a', 5, { after: ['b'] })]),
      'dishes[0].steps[0].after[0]: found "b", expected a step of this dinner',
    ],
    [
      'a circle',
      dinnerFile([step('a', 5, { after: ['b'] }), step('b', 5, { after: ['a'] })]),
      'expected an order without a circle',
    ],
    [
      'most below least',
      dinnerFile([step('a', 5), step('b', 5, { after: [{ step: 'a', least: 9, most: 4 }] })]),
      'after[0].most: found 4, expected at least "least" (9)',
    ],
    [
      'within without a place',
      dinnerFile([step('a', 9), step('b', 1, { within: { step: 'a' } })]),
      'expected either "at" or "before"',
    ],
    [
      'a condition without within',
      dinnerFile([step('a', 9, { if: 'it browns' })]),
      'dishes[0].steps[0].if: found "it browns"',
    ],
    [
      'something kept that is not used',
      dinnerFile([step('a', 9, { keepsIn: ['wok'] })]),
      'dishes[0].steps[0].keepsIn[0]: found "wok"',
    ],
    ['an unknown cook', dinnerFile([step('a', 9, { who: 'bob' })]), 'dishes[0].steps[0].who: found "bob"'],
    [
      'an unknown way',
      dinnerFile([step('a', 9, { in: ['fast'] })]),
      'dishes[0].steps[0].in[0]: found "fast"',
    ],
    [
      'a pin on nothing',
      dinnerFile([step('a', 9)], { pins: [{ step: 'dish/z', start: '2026-10-17T18:00' }] }),
      'pins[0].step: found "dish/z"',
    ],
    [
      'a choice of nothing',
      dinnerFile([step('a', 9)], { choices: { 'dish/a': 'fast' } }),
      'choices["dish/a"]: found "fast"',
    ],
    [
      'a dish listed twice',
      dinnerFile([step('a', 9)], { courses: [{ id: 'c', name: 'C', dishes: ['dish', 'dish'] }] }),
      'courses[0].dishes[1]: found "dish"',
    ],
    [
      'a component that leads nowhere',
      dinnerFile([step('a', 9)], { courses: [{ id: 'c', name: 'C', dishes: [] }] }),
      'expected a step that leads to a dish of a course',
    ],
    [
      'a window that ends first',
      dinnerFile([], {
        cooks: [{ id: 'x', name: 'X', free: [{ from: '2026-10-17T19:00', to: '2026-10-17T18:00' }] }],
      }),
      'cooks[0].free[0].to',
    ],
  ];
  test.each(cases)('%s', (_name, file, line) => {
    expect(mistakes(JSON.parse(JSON.stringify(file))).join('\n')).toContain(line);
  });

  test('a window across the night the clocks go back is no mistake, one inside the lost hour is', () => {
    const free = (from: string, to: string) =>
      dinnerFile([step('a', 5)], {
        timeZone: 'Europe/Vienna',
        sitDown: '2026-10-25T19:00',
        cooks: [{ id: 'x', name: 'X', free: [{ from, to }] }],
      });
    expect(mistakes(free('2026-10-25T02:30', '2026-10-25T03:00'))).toEqual([]);
    const lost = dinnerFile([step('a', 5)], {
      timeZone: 'Europe/Vienna',
      sitDown: '2026-03-29T19:00',
      cooks: [{ id: 'x', name: 'X', free: [{ from: '2026-03-29T02:30', to: '2026-03-29T03:30' }] }],
    });
    expect(mistakes(lost)).toHaveLength(1);
  });

  test('all mistakes are told at once', () => {
    const lines = mistakes(
      dinnerFile([step('a', 5, { who: 'bob', after: ['zz'] }), step('a', 5, { in: ['q'] })]),
    );
    expect(lines).toHaveLength(4);
  });
});
