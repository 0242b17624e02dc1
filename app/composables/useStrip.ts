import type { Ref } from 'vue';
import type { Evening } from '../../core/live';
import { cutPanes, layOutStrip, type StripMeasure } from '../../core/strip';

/** Where the columns of a strip lie; pixels. */
export interface StripColumns {
  readonly gutter: number;
  /** Width of a lane beside the hands. */
  readonly lane: number;
  /** An oven's name stands beside its temperature. */
  readonly hasWords: boolean;
  readonly edge: number;
  readonly isNarrow: boolean;
  readonly isCompact: boolean;
  readonly hasLength: boolean;
  readonly hasRoomForLoad: boolean;
  /** Only one cook is shown at a time. */
  readonly oneCook: boolean;
}

const FINGER = 44;
/** Pixels above the panes of the whole view. */
const ABOVE_WHOLE = 225;
const GAP = 12;
/** How wide things beside the hands are, from roomy to narrow; the first that leaves the hands enough is taken. */
const SIZES = [
  { gutter: 58, lane: 26, edge: 26 },
  { gutter: 58, lane: 16, edge: 8 },
  { gutter: 50, lane: 9, edge: 7 },
  { gutter: 8, lane: 7, edge: 5 },
] as const;
const COMPACT = { gutter: 8, lane: 7, edge: 7 };
const MOST_HEAT = 210;
const MOST_WAITING = 230;
/** Beside hands that have no room to spare. */
const MOST_SIDE_NARROW = 50;
/** Width of a cook's column that is enough; with a smaller one, first the load goes and then the lengths. */
const ENOUGH = 300;
/** Share of the strip that hands have at least. */
const LEAST_SHARE = 0.5;
const ENOUGH_FOR_LENGTH = 290;
const ENOUGH_FOR_LOAD = 320;
/** Below this width there is room for one cook at a time. */
const ONE_COOK = 560;
/** Average width of a character; what stands beside the text on a line: bar, time, sign; length; load. */
const CHARACTER = 8.1;
const BESIDE = 116;
const LENGTH = 60;
const LOAD = 30;
const CHARACTER_COMPACT = 6.6;
const BESIDE_COMPACT = 84;

/** For a layout of which only the lanes count. */
const ANY: StripMeasure = {
  perMinute: 1,
  fold: 10,
  characters: 40,
  mostLines: 1,
  line: 1,
  around: 0,
  leastLabel: 0,
  courseLabel: 0,
};

interface Look {
  readonly width: Ref<number>;
  readonly perMinute: Ref<number>;
  readonly isWhole: Ref<boolean>;
  readonly isTouch: Ref<boolean>;
  /** Height of the window, which the whole view fills where that makes it better to read. */
  readonly windowHeight: Ref<number>;
}

/** Everything that the strip draws, for the width there is; no decision is left to the drawing. */
export function useStrip(evening: Ref<Evening>, { width, perMinute, isWhole, isTouch, windowHeight }: Look) {
  const cookCount = computed(() =>
    width.value < ONE_COOK && !isWhole.value ? 1 : evening.value.dinner.cooks.length,
  );
  const paneCount = computed(() => {
    if (!isWhole.value) return 1;
    const least = cookCount.value > 1 ? 520 : 390;
    return Math.max(1, Math.min(3, Math.floor(width.value / least)));
  });

  /** Lanes beside the hands, from a layout for which the width of texts is no matter. */
  const lanes = computed(() => {
    const { dinner, plan } = evening.value;
    const { ovens, rings, waiting } = layOutStrip(dinner, plan, ANY);
    const heat = ovens.reduce((sum, oven) => sum + oven.count, rings.count);
    return { heat, ovens: ovens.length, waiting: waiting.count };
  });
  const sizes = computed(() => {
    const pane = (width.value - GAP * 2 * (paneCount.value - 1)) / paneCount.value;
    const { heat, ovens, waiting } = lanes.value;
    const withSize = (size: { gutter: number; lane: number; edge: number }, isLast: boolean) => {
      const sides = {
        heat: Math.min(isLast ? MOST_SIDE_NARROW : MOST_HEAT, heat * size.lane + ovens * (size.edge + 8)),
        waiting: Math.min(isLast ? MOST_SIDE_NARROW : MOST_WAITING, waiting * size.lane),
      };
      const gap = isLast ? 4 : GAP;
      const left = pane - size.gutter - sides.heat - sides.waiting - gap * (cookCount.value + 1);
      return { ...size, sides, hands: left / cookCount.value };
    };
    if (isWhole.value) return withSize(COMPACT, false);
    const tried = SIZES.map((size, k) => withSize(size, k === SIZES.length - 1));
    const isEnough = (hands: number) => hands >= ENOUGH && hands * cookCount.value >= pane * LEAST_SHARE;
    return tried.find((size) => isEnough(size.hands)) ?? tried.at(-1)!;
  });
  const sides = computed(() => sizes.value.sides);
  const columns = computed((): StripColumns => {
    const { gutter, lane, edge, hands } = sizes.value;
    return {
      gutter,
      lane,
      edge,
      hasWords: lane === SIZES[0].lane,
      isNarrow: !isWhole.value && gutter === SIZES.at(-1)!.gutter,
      isCompact: isWhole.value,
      hasLength: !isWhole.value && hands >= ENOUGH_FOR_LENGTH,
      hasRoomForLoad: !isWhole.value && hands >= ENOUGH_FOR_LOAD,
      oneCook: cookCount.value < evening.value.dinner.cooks.length,
    };
  });

  function measureFor(characters: number, mostLines = 1): StripMeasure {
    if (isWhole.value) {
      return {
        perMinute: 1,
        fold: 30,
        characters,
        mostLines,
        line: 17,
        around: 1,
        leastLabel: 0,
        courseLabel: 22,
      };
    }
    return {
      perMinute: perMinute.value,
      fold: 72,
      characters,
      mostLines: 3,
      line: 20,
      around: 8,
      leastLabel: isTouch.value ? FINGER : 0,
      courseLabel: columns.value.isNarrow ? 52 : 36,
    };
  }
  const characters = computed(() => {
    const { isCompact, hasLength, hasRoomForLoad } = columns.value;
    const { hands } = sizes.value;
    if (isCompact) return Math.floor((hands - BESIDE_COMPACT) / CHARACTER_COMPACT);
    const beside = BESIDE + (hasLength ? LENGTH : 0) + (hasRoomForLoad ? LOAD : 0);
    return Math.max(10, Math.floor((hands - beside) / CHARACTER));
  });
  /** The whole view lets labels have two lines where it still fits the window so. */
  const drawn = computed(() => {
    const { dinner, plan } = evening.value;
    const draw = (mostLines: number) => {
      const laidOut = layOutStrip(dinner, plan, measureFor(characters.value, mostLines));
      return { layout: laidOut, panes: cutPanes(laidOut.scale, paneCount.value) };
    };
    if (!isWhole.value) return draw(1);
    const roomy = draw(2);
    const tallest = Math.max(...roomy.panes.map((p) => p.bottom - p.top));
    return tallest <= windowHeight.value - ABOVE_WHOLE ? roomy : draw(1);
  });
  const layout = computed(() => drawn.value.layout);
  const panes = computed(() => drawn.value.panes);

  return { layout, columns, sides, panes };
}
