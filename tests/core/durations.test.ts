import { changeover, effectiveStep, participants, platingMinutes } from '../../core/dinner';
import { dinnerFile, read, step } from '../builders/dinner';

type StepFile = Parameters<typeof dinnerFile>[0][number];

function durationOf(s: StepFile, more: Parameters<typeof dinnerFile>[1] = {}, way = -1): number {
  const dinner = read(dinnerFile([s], more));
  const placed = dinner.dishes[0]!.steps[0]!;
  return effectiveStep(dinner, dinner.dishes[0]!, placed, placed.ways[way] ?? null).duration;
}

describe('durations (section 3)', () => {
  test('caution goes a share of the way from usual to long', () => {
    const s = step('a', 0, { minutes: { short: 8, usual: 10, long: 20 } });
    expect(durationOf(s, { caution: 0 })).toBe(10);
    expect(durationOf(s, { caution: 0.25 })).toBe(13);
    expect(durationOf(s, { caution: 1 })).toBe(20);
  });

  test('scales by portions, by a share, and by batches', () => {
    const base = { guests: 6 };
    expect(durationOf(step('a', 10, { scale: 'portions' }), base)).toBe(15);
    expect(durationOf(step('a', 10, { scale: 0.5 }), base)).toBe(13);
    expect(durationOf(step('a', 10, { scale: { batch: 4 } }), base)).toBe(20);
    expect(durationOf(step('a', 10, { scale: 'fixed' }), base)).toBe(10);
  });

  test('pace stretches hands only', () => {
    expect(durationOf(step('a', 10), { pace: 1.2 })).toBe(12);
    expect(durationOf(step('a', 10, { attention: 'alone' }), { pace: 1.2 })).toBe(10);
  });

  test('decimals are reckoned as fractions before rounding up', () => {
    // In floating point 10 x 1.1 is 11.000000000000002, which would round up to 12.
    expect(durationOf(step('a', 10), { pace: 1.1 })).toBe(11);
    expect(durationOf(step('a', 100, { scale: 'portions' }), { pace: 1.1 })).toBe(110);
  });

  test('what usually takes time takes at least a minute', () => {
    expect(durationOf(step('a', 1), { pace: 0.1 })).toBe(1);
    expect(durationOf(step('a', 0))).toBe(0);
  });

  test('a way that turns a step into hands drops touch and check', () => {
    const file = dinnerFile([
      step('a', 20, {
        attention: 'minded',
        check: { every: 5 },
        touch: { in: 2, out: 2 },
        ways: [{ id: 'w', label: 'W', attention: 'hands' }],
      }),
    ]);
    const dinner = read(file);
    const s = dinner.dishes[0]!.steps[0]!;
    expect(effectiveStep(dinner, dinner.dishes[0]!, s, s.ways[0]!)).toMatchObject({
      check: null,
      touch: { in: 0, out: 0 },
      hands: 1,
    });
  });

  test('plating and changing over an oven round up', () => {
    const dinner = read(dinnerFile([step('a', 5)], { guests: 5 }));
    expect(platingMinutes(dinner, 0)).toBe(4);
    expect(changeover(160, 215, { heats: 10, cools: 4 })).toBe(6);
    expect(changeover(215, 160, { heats: 10, cools: 4 })).toBe(14);
  });
});

describe('who takes part', () => {
  const file = dinnerFile([], {
    dishes: [
      {
        id: 'dish',
        name: 'D',
        serves: 4,
        ways: [
          { id: 'full', label: 'F' },
          { id: 'plain', label: 'P' },
        ],
        steps: [step('sauce', 3, { in: ['full'], after: ['stock/boil'] }), step('cook', 5)],
      },
      { id: 'stock', name: 'S', serves: 4, steps: [step('cut', 2), step('boil', 9, { after: ['cut'] })] },
    ],
  });
  test('a component falls out with the last step that needs it', () => {
    const dinner = read(file);
    expect([...participants(dinner, new Map([['dish', 'full']]))].sort()).toEqual([
      'dish/cook',
      'dish/sauce',
      'stock/boil',
      'stock/cut',
    ]);
    expect([...participants(dinner, new Map([['dish', 'plain']]))]).toEqual(['dish/cook']);
  });
});
