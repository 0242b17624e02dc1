import type { Ref } from 'vue';
import type { Evening } from '../../core/live';
import { cutPanes, layOutStrip, yOf, type StripMeasure } from '../../core/strip';

/** Where the columns of a strip lie; pixels. */
export interface StripColumns {
  readonly gutter: number;
  /** Width of a lane beside the hands, and of one that has room for words. */
  readonly lane: number;
  readonly hasWords: boolean;
  readonly edge: number;
  readonly isNarrow: boolean;
  readonly isCompact: boolean;
}

const FINGER = 44;
/** Pixels above the panes of the whole view. */
const ABOVE_WHOLE = 225;
const GAP = 12;
/** From this width on a strip has room for words in its lanes; below the second it is a narrow one. */
const ROOMY = 1000;
const NARROW = 700;
/** Average width of a character, and what stands beside the text on a line: bar, time, sign, length. */
const CHARACTER = 8.1;
const BESIDE = 178;
const BESIDE_NARROW = 118;
const CHARACTER_COMPACT = 6.6;
const BESIDE_COMPACT = 84;

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
  const cookCount = computed(() => evening.value.dinner.cooks.length);
  const paneCount = computed(() => {
    if (!isWhole.value) return 1;
    const least = cookCount.value > 1 ? 520 : 390;
    return Math.max(1, Math.min(3, Math.floor(width.value / least)));
  });
  const columns = computed((): StripColumns => {
    const isNarrow = width.value < NARROW;
    const isRoomy = width.value >= ROOMY && !isWhole.value;
    return {
      gutter: isWhole.value ? 8 : isNarrow ? 44 : 58,
      lane: isRoomy ? 26 : isWhole.value ? 7 : isNarrow ? 9 : 16,
      hasWords: isRoomy,
      edge: isRoomy ? 26 : 7,
      isNarrow,
      isCompact: isWhole.value,
    };
  });

  /** Lanes beside the hands, from a layout for which the width of texts is no matter. */
  const lanes = computed(() => {
    const { dinner, plan } = evening.value;
    const layout = layOutStrip(dinner, plan, measureFor(40));
    const heat = layout.ovens.reduce((sum, oven) => sum + oven.count, layout.rings.count);
    return { heat, ovens: layout.ovens.length, waiting: layout.waiting.count };
  });
  const MOST_HEAT = 210;
  const MOST_WAITING = 230;
  const sides = computed(() => {
    const { lane, edge } = columns.value;
    const { heat, ovens, waiting } = lanes.value;
    return {
      heat: Math.min(MOST_HEAT, heat * lane + ovens * (edge + 8)),
      waiting: Math.min(MOST_WAITING, waiting * lane),
    };
  });
  const handsWidth = computed(() => {
    const pane = (width.value - GAP * 2 * (paneCount.value - 1)) / paneCount.value;
    const left = pane - columns.value.gutter - sides.value.heat - sides.value.waiting;
    return Math.max(120, (left - GAP * (cookCount.value + 1)) / cookCount.value);
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
    const { isCompact, isNarrow } = columns.value;
    if (isCompact) return Math.floor((handsWidth.value - BESIDE_COMPACT) / CHARACTER_COMPACT);
    const beside = isNarrow ? BESIDE_NARROW : BESIDE;
    return Math.max(10, Math.floor((handsWidth.value - beside) / CHARACTER));
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
  const y = (minute: number) => yOf(layout.value.scale, minute);

  return { layout, columns, sides, panes, y };
}
