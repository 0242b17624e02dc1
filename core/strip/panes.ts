import type { Scale } from './scale';

/** A piece of the strip, in pixels from its top. */
export interface Pane {
  readonly top: number;
  readonly bottom: number;
}

/** Cuts a strip into `count` panes to stand side by side, between its blocks, the tallest as short as can be. */
export function cutPanes(scale: Scale, count: number): Pane[] {
  const ends = scale.segments.map((s) => s.top + s.height);
  const fits = (most: number): Pane[] => {
    const panes: Pane[] = [];
    let top = 0;
    for (const [k, end] of ends.entries()) {
      const next = ends[k + 1];
      if (next === undefined || next - top > most) {
        panes.push({ top, bottom: end });
        top = end;
      }
    }
    return panes;
  };
  let low = scale.height / count;
  let high = scale.height;
  // The height of the tallest pane to within a pixel.
  while (high - low > 1) {
    const middle = (low + high) / 2;
    const isEnough = fits(middle).every((p) => p.bottom - p.top <= middle) && fits(middle).length <= count;
    if (isEnough) high = middle;
    else low = middle;
  }
  return fits(high);
}
