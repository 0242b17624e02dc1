import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { chainOf } from '../../core/compose';

type Steps = Parameters<typeof chainOf>[0];
const hands = (id: string, minutes: number, after: Steps[number]['after'] = []): Steps[number] => ({
  id,
  does: `Do ${id}`,
  attention: 'hands',
  minutes,
  after,
});
const cards = JSON.parse(readFileSync('demo/cards.json', 'utf8')) as { dish: { steps: Steps } }[];
const blocksOf = (steps: Steps) => new Map(chainOf(steps).blocks.map((b) => [b.id, b]));

test('branches that meet stand in columns beside each other and end above what they meet in', () => {
  const steps = [hands('dough', 20), hands('filling', 20), hands('bake', 40, ['dough', 'filling'])];
  const blocks = blocksOf(steps);
  expect(blocks.get('dough')!.lane).not.toBe(blocks.get('filling')!.lane);
  for (const id of ['dough', 'filling']) {
    expect(blocks.get(id)!.bottom).toBeLessThan(blocks.get('bake')!.top);
  }
  expect(chainOf(steps).threads).toContainEqual({ from: 'bake', to: null });
});

test('a chain stays in one column, and a longer step is drawn longer', () => {
  const blocks = blocksOf([hands('a', 60), hands('b', 15, ['a']), hands('c', 4, ['b'])]);
  expect([...blocks.values()].map((b) => b.lane)).toEqual([0, 0, 0]);
  const [a, b, c] = ['a', 'b', 'c'].map((id) => blocks.get(id)!.bottom - blocks.get(id)!.top);
  expect(a).toBeGreaterThan(b!);
  expect(b).toBeGreaterThan(c!);
});

test('a step inside another is drawn beside it, within its length', () => {
  const steps: Steps = [
    { ...hands('stew', 90), attention: 'alone' },
    { ...hands('peas', 1), within: { step: 'stew', before: 15 } },
  ];
  const blocks = blocksOf(steps);
  expect(blocks.get('peas')!.lane).not.toBe(blocks.get('stew')!.lane);
  expect(blocks.get('peas')!.top).toBeGreaterThanOrEqual(blocks.get('stew')!.top);
  expect(blocks.get('peas')!.bottom).toBeLessThanOrEqual(blocks.get('stew')!.bottom + 1e-9);
});

test('keeping is a length; without limit it reaches the plate, untold it is not drawn', () => {
  const steps: Steps = [
    { ...hands('short', 5), keeps: { most: 10 } },
    { ...hands('long', 5), keeps: { most: null } },
    hands('none', 5),
    hands('meet', 5, ['short', 'long', 'none']),
  ];
  const blocks = blocksOf(steps);
  const { height } = chainOf(steps);
  expect(blocks.get('short')!.keepsTo).toBeLessThan(height);
  expect(blocks.get('long')!.keepsTo).toBe(height);
  expect(blocks.get('none')!.keepsTo).toBeNull();
});

const randomSteps = fc.array(
  fc.record({ minutes: fc.integer({ min: 0, max: 900 }), after: fc.array(fc.nat(11), { maxLength: 3 }) }),
  { minLength: 1, maxLength: 12 },
);

test('whatever the links, even in a ring: no two blocks overlap, all lie above the plate', () => {
  fc.assert(
    fc.property(randomSteps, (list) => {
      const steps = list.map(({ minutes, after }, k) =>
        hands(
          `s${k}`,
          minutes,
          [...new Set(after)].filter((a) => a < list.length && a !== k).map((a) => `s${a}`),
        ),
      );
      const { blocks, height, lanes } = chainOf(steps);
      for (const a of blocks) {
        expect(a.bottom).toBeLessThan(height);
        expect(a.lane).toBeLessThan(lanes);
        for (const b of blocks) {
          if (a === b || a.lane !== b.lane) continue;
          expect(a.bottom <= b.top + 1e-9 || b.bottom <= a.top + 1e-9).toBe(true);
        }
      }
    }),
  );
});

test('every dish of the demo is drawn with each step above those that come after it', () => {
  for (const { dish } of cards) {
    const blocks = blocksOf(dish.steps);
    for (const step of dish.steps) {
      for (const link of step.after ?? []) {
        const before = blocks.get(typeof link === 'string' ? link : link.step);
        if (before) expect(before.bottom).toBeLessThan(blocks.get(step.id)!.top);
      }
    }
  }
});
