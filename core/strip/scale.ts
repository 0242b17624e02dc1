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

/** Something written beside a minute, and how many pixels it needs. */
export interface LabelNeed {
  readonly at: number;
  readonly height: number;
}

/** Minutes kept open before and after anything that happens. */
const AIR = 6;
/** A stretch with nothing in it is folded where it is longer than this. */
const LONGEST_IDLE = 40;
/** An open stretch is cut into blocks of this many minutes, each as dense as its labels need. */
const BLOCK = 15;

/**
 * Builds a scale over `busy` spans: `perMinute` pixels for a minute, more in blocks whose labels need
 * it, `fold` pixels for a stretch with nothing in it. Blocks end at `cuts` as well. `columns` are
 * lists of labels side by side; no block is shorter than any of its columns.
 */
export function makeScale(
  busy: readonly Span[],
  perMinute: number,
  fold: number,
  columns: readonly (readonly LabelNeed[])[] = [],
  cuts: readonly number[] = [],
): Scale {
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
  const needed = (from: number, to: number) =>
    Math.max(
      0,
      ...columns.map((labels) =>
        labels.filter((l) => from <= l.at && l.at < to).reduce((sum, l) => sum + l.height, 0),
      ),
    );
  open.forEach(({ from, to }, k) => {
    const before = open[k - 1];
    if (before) add(before.to, from, fold, true);
    const ends = new Set([to, ...cuts.filter((c) => from < c && c < to)]);
    for (let m = Math.ceil((from + 1) / BLOCK) * BLOCK; m < to; m += BLOCK) ends.add(m);
    let start = from;
    for (const end of [...ends].sort((a, b) => a - b)) {
      add(start, end, Math.max((end - start) * perMinute, needed(start, end)), false);
      start = end;
    }
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
 * Tops (or lefts) for labels of the given sizes that would like to stand at `wanted` (ascending)
 * between `low` and `high`: none overlaps the one before, and each stays as near to its place as
 * the ones around it let it.
 */
export function spreadLabels(
  wanted: readonly number[],
  sizes: readonly number[],
  low: number,
  high: number,
): number[] {
  const places: number[] = [];
  let next = low;
  wanted.forEach((want, i) => {
    const place = Math.max(next, want);
    places.push(place);
    next = place + sizes[i]!;
  });
  let limit = high;
  for (let i = places.length - 1; i >= 0; i--) {
    places[i] = Math.max(low, Math.min(places[i]!, limit - sizes[i]!));
    limit = places[i]!;
  }
  return places;
}

/** Places labels on a scale, block by block, so that none leaves the block its minute is in. */
export function placeLabels(scale: Scale, labels: readonly LabelNeed[]): number[] {
  const tops: number[] = new Array<number>(labels.length).fill(0);
  const order = labels.map((_, i) => i).sort((a, b) => labels[a]!.at - labels[b]!.at);
  for (const block of scale.segments) {
    const inside = order.filter((i) => block.from <= labels[i]!.at && labels[i]!.at < block.to);
    const places = spreadLabels(
      inside.map((i) => yOf(scale, labels[i]!.at)),
      inside.map((i) => labels[i]!.height),
      block.top,
      block.top + block.height,
    );
    inside.forEach((i, k) => (tops[i] = places[k]!));
  }
  return tops;
}

/** Gives spans that overlap different lanes; returns the lane of each and how many there are. */
export function assignLanes(spans: readonly Span[]): { lanes: number[]; count: number } {
  const ends: number[] = [];
  const lanes: number[] = [];
  const order = spans
    .map((_, i) => i)
    .sort((a, b) => spans[a]!.from - spans[b]!.from || spans[a]!.to - spans[b]!.to);
  for (const i of order) {
    const span = spans[i]!;
    let lane = ends.findIndex((end) => end <= span.from);
    if (lane < 0) lane = ends.length;
    ends[lane] = span.to;
    lanes[i] = lane;
  }
  return { lanes, count: ends.length };
}
