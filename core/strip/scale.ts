/** A vertical scale of the evening: minutes to pixels, true to scale where something happens, folded where nothing does. */

export interface Span {
  readonly from: number;
  readonly to: number;
}

export interface Segment extends Span {
  readonly top: number;
  readonly height: number;
  readonly isFolded: boolean;
}

export interface Scale {
  readonly segments: readonly Segment[];
  readonly height: number;
}

/** Minutes kept open before and after anything that happens. */
const AIR = 6;
/** A stretch with nothing in it is folded where it is longer than this. */
const LONGEST_IDLE = 40;

/** Builds a scale over `busy` spans; `perMinute` and `fold` in pixels. */
export function makeScale(busy: readonly Span[], perMinute: number, fold: number): Scale {
  const open: { from: number; to: number }[] = [];
  for (const { from, to } of [...busy].sort((a, b) => a.from - b.from)) {
    const last = open.at(-1);
    if (last && from - AIR - last.to <= LONGEST_IDLE) last.to = Math.max(last.to, to + AIR);
    else open.push({ from: from - AIR, to: to + AIR });
  }
  const segments: Segment[] = [];
  let top = 0;
  const add = (from: number, to: number, height: number, isFolded: boolean) => {
    segments.push({ from, to, top, height, isFolded });
    top += height;
  };
  open.forEach(({ from, to }, k) => {
    const before = open[k - 1];
    if (before) add(before.to, from, fold, true);
    add(from, to, (to - from) * perMinute, false);
  });
  return { segments, height: top };
}

/** Pixels from the top for a minute; what lies outside is put at the nearest end. */
export function yOf(scale: Scale, minute: number): number {
  const { segments } = scale;
  for (const s of segments) {
    if (minute < s.from) return s.top;
    if (minute <= s.to) return s.top + ((minute - s.from) / (s.to - s.from)) * s.height;
  }
  return scale.height;
}

/** The minute at a distance from the top, the inverse of `yOf`. */
export function minuteAt(scale: Scale, y: number): number {
  const { segments } = scale;
  const s = segments.find((segment) => y <= segment.top + segment.height) ?? segments.at(-1);
  if (!s) return 0;
  return s.from + (Math.max(0, y - s.top) / s.height) * (s.to - s.from);
}

/**
 * Tops for labels of the given heights that would like to stand at `wanted` (ascending): none
 * overlaps the one before, and each stays as near to its place as the ones around it let it.
 */
export function spreadLabels(wanted: readonly number[], heights: readonly number[]): number[] {
  interface Block {
    top: number;
    height: number;
    count: number;
  }
  const blocks: Block[] = [];
  wanted.forEach((want, i) => {
    let block: Block = { top: want, height: heights[i]!, count: 1 };
    for (let last = blocks.at(-1); last && last.top + last.height > block.top; last = blocks.at(-1)) {
      blocks.pop();
      const count = last.count + block.count;
      const top = (last.top * last.count + (block.top - last.height) * block.count) / count;
      block = { top: Math.max(0, top), height: last.height + block.height, count };
    }
    blocks.push(block);
  });
  const tops: number[] = [];
  let i = 0;
  for (const block of blocks) {
    let top = block.top;
    for (let k = 0; k < block.count; k++) {
      tops.push(top);
      top += heights[i++]!;
    }
  }
  return tops;
}

/** Gives spans that overlap different lanes; returns the lane of each and how many there are. */
export function assignLanes(spans: readonly Span[]): { lanes: number[]; count: number } {
  const ends: number[] = [];
  const lanes: number[] = [];
  const order = spans.map((_, i) => i).sort((a, b) => spans[a]!.from - spans[b]!.from || spans[a]!.to - spans[b]!.to);
  for (const i of order) {
    const span = spans[i]!;
    let lane = ends.findIndex((end) => end <= span.from);
    if (lane < 0) lane = ends.length;
    ends[lane] = span.to;
    lanes[i] = lane;
  }
  return { lanes, count: ends.length };
}
