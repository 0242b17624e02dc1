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
import { demoText, planOf, read } from '../builders/dinner';

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
