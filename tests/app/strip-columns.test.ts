import type { Evening } from '../../core/live';
import { demoText, planOf, read } from '../builders/dinner';
import { makePage } from './page';

makePage();
const { useStrip } = await import('../../app/composables/useStrip');

const eveningOf = (name: 'first-frost' | 'walnut-harvest'): Evening => {
  const dinner = read(JSON.parse(demoText(name)));
  return { dinner, plan: planOf(dinner, 300), zero: 0 };
};
const ALONE = eveningOf('first-frost');
const TOGETHER = eveningOf('walnut-harvest');

/** The strip in a frame of some width, and how wide a cook's column is. */
function strip(evening: Evening, width: number, more: { isWhole?: boolean; isTouch?: boolean } = {}) {
  const made = useStrip(shallowRef(evening), {
    width: ref(width),
    perMinute: ref(3),
    isWhole: ref(more.isWhole ?? false),
    isTouch: ref(more.isTouch ?? false),
    windowHeight: ref(800),
  });
  const cooks = made.columns.value.oneCook ? 1 : evening.dinner.cooks.length;
  const sides = made.sides.value.heat + made.sides.value.waiting;
  const frame = (width - 24 * (made.panes.value.length - 1)) / made.panes.value.length;
  return { ...made, hands: (frame - made.columns.value.gutter - sides) / cooks };
}

test.each([360, 390, 560, 640, 768, 900, 1024, 1240, 1600])(
  'at %i pixels hands have room to be read, and nothing is wider than the frame',
  (width) => {
    for (const evening of [ALONE, TOGETHER]) {
      const { hands, sides, columns } = strip(evening, width);
      expect(hands).toBeGreaterThan(200);
      expect(sides.value.heat + sides.value.waiting + columns.value.gutter).toBeLessThan(width / 2);
    }
  },
);

test('on a phone two cooks are shown one at a time, on a tablet side by side', () => {
  expect(strip(TOGETHER, 390).columns.value.oneCook).toBe(true);
  expect(strip(ALONE, 390).columns.value.oneCook).toBe(false);
  expect(strip(TOGETHER, 768).columns.value.oneCook).toBe(false);
});

test('with less room first the words beside the hands go, then the load, then the lengths', () => {
  const has = (width: number) => {
    const { hasWords, hasRoomForLoad, hasLength } = strip(TOGETHER, width).columns.value;
    return [hasWords, hasRoomForLoad, hasLength];
  };
  expect(has(1600)).toEqual([true, true, true]);
  expect(has(400)).toEqual([false, false, false]);
  const widths = Array.from({ length: 60 }, (_, k) => 400 + 20 * k);
  const first = (k: number) => widths.find((width) => has(width)[k])!;
  expect(first(2)).toBeLessThanOrEqual(first(1));
  expect(first(1)).toBeLessThan(first(0));
});

test('the whole evening stands in as many panes as there is room for', () => {
  const panes = (evening: Evening, width: number) =>
    strip(evening, width, { isWhole: true }).panes.value.length;
  expect([panes(ALONE, 390), panes(ALONE, 900), panes(ALONE, 1240)]).toEqual([1, 2, 3]);
  expect(panes(TOGETHER, 1240)).toBe(2);
  expect(strip(ALONE, 1240, { isWhole: true }).columns.value.oneCook).toBe(false);
});

test('for fingers each line is as high as a fingertip', () => {
  const heights = (isTouch: boolean) =>
    strip(ALONE, 768, { isTouch }).layout.value.hands.flatMap((c) => c.labels.map((l) => l.height));
  expect(Math.min(...heights(true))).toBeGreaterThanOrEqual(44);
  expect(Math.min(...heights(false))).toBeLessThan(44);
});
