import fc from 'fast-check';
import {
  assignLanes,
  makeScale,
  minuteAt,
  placeLabels,
  spreadLabels,
  waitingOf,
  yOf,
} from '../../core/strip';
import { demoText, dinnerFile, planOf, read, step } from '../builders/dinner';

const SPANS = fc.array(
  fc
    .tuple(fc.integer({ min: -1500, max: 100 }), fc.integer({ min: 1, max: 60 }))
    .map(([from, length]) => ({ from, to: from + length })),
  { minLength: 1, maxLength: 40 },
);

test('the scale never runs backwards, and a minute is found again from its place', () => {
  fc.assert(
    fc.property(SPANS, (spans) => {
      const scale = makeScale(spans, 5, 60);
      let last = -1;
      for (let m = scale.segments[0]!.from; m <= scale.segments.at(-1)!.to; m += 7) {
        const y = yOf(scale, m);
        if (y < last || Math.abs(minuteAt(scale, y) - m) > 1e-6) return false;
        last = y;
      }
      return true;
    }),
    { seed: 3, numRuns: 200 },
  );
});

test('an idle night folds to the given height; a short pause does not', () => {
  const scale = makeScale(
    [
      { from: -1000, to: -990 },
      { from: -30, to: 0 },
      { from: 20, to: 30 },
    ],
    5,
    60,
  );
  expect(scale.segments.filter((s) => s.isFolded)).toEqual([
    expect.objectContaining({ from: -984, to: -36, height: 60 }),
  ]);
});

test('labels never overlap and stay in the block of their minute', () => {
  let crowded = 0;
  fc.assert(
    fc.property(SPANS, (spans) => {
      const labels = spans.map((s) => ({ at: s.from, height: 24 })).sort((a, b) => a.at - b.at);
      const scale = makeScale(spans, 5, 60, [labels]);
      const tops = placeLabels(scale, labels);
      const order = tops.map((top, i) => ({ top, at: labels[i]!.at })).sort((a, b) => a.top - b.top);
      if (order.some((o, i) => i > 0 && o.top - order[i - 1]!.top < 30)) crowded += 1;
      return order.every((o, i) => i === 0 || o.top - order[i - 1]!.top >= 24 - 1e-6);
    }),
    { seed: 5, numRuns: 200 },
  );
  expect(crowded).toBeGreaterThan(30);
});

test('labels stay at their places where there is room', () => {
  expect(spreadLabels([0, 50, 90], [20, 20, 20], 0, 200)).toEqual([0, 50, 90]);
  expect(spreadLabels([80, 90, 95], [20, 20, 20], 0, 100)).toEqual([40, 60, 80]);
});

test('what overlaps stands in different lanes', () => {
  fc.assert(
    fc.property(SPANS, (spans) => {
      const { lanes } = assignLanes(spans);
      return spans.every((a, i) =>
        spans.every((b, k) => i >= k || lanes[i] !== lanes[k] || a.to <= b.from || b.to <= a.from),
      );
    }),
    { seed: 9, numRuns: 200 },
  );
});

test('what waits is shown from its end to what takes it, with the moment past which it is spoilt', () => {
  const dinner = read(JSON.parse(demoText('home-at-six')));
  const plan = planOf(dinner, 200);
  const row = plan.steps.find((s) => s.step === 'lentils/dress')!;
  const waits = waitingOf(dinner, plan).find((w) => w.step === 'lentils/dress');
  const plating = plan.courses[1]!.plating.from;
  if (plating === row.end) expect(waits).toBeUndefined();
  else
    expect(waits).toMatchObject({
      from: row.end,
      to: plating,
      bestUntil: row.end + 10,
      spoiltAt: row.end + 30,
      how: 'hot',
    });
});

test('what is taken at once does not limit what waits on', () => {
  const file = dinnerFile([
    step('sear', 10, { keeps: { most: 60 } }),
    step('roast', 20, { attention: 'alone', after: [{ step: 'sear', most: 0 }] }),
    step('sauce', 5, { after: [{ step: 'sear', least: 5 }] }),
    step('dress', 2, { after: ['roast', 'sauce'] }),
  ]);
  const dinner = read(file);
  const plan = planOf(dinner, 200);
  const at = (id: string) => plan.steps.find((s) => s.step.endsWith(`/${id}`))!;
  expect(at('roast').start).toBe(at('sear').end);
  expect(at('sauce').start).toBeGreaterThan(at('sear').end);
  expect(waitingOf(dinner, plan).find((w) => w.step === at('sear').step)).toMatchObject({
    from: at('sear').end,
    to: at('sauce').start,
    spoiltAt: at('sear').end + 60,
  });
});
