import type { Dinner } from '../dinner';
import { DAY_WINDOW, type Plan } from '../plan';
import { busiestOf } from './busiest';
import { figuresOf, handsSpans, type EveningFigures } from './compare';

/** Minutes in which a cook who has work all through has no hand free. */
export const HALF_HOUR = 30;

/** The first thing that hands do in a stretch of work with a night or a long pause before it. */
export interface BeginBy {
  /** Minutes relative to sitting down. */
  readonly minute: number;
  /** `dish/step`, null for plating or clearing. */
  readonly step: string | null;
}

/** What a cook has to know before saying yes to an evening. Minutes are relative to sitting down. */
export interface Verdict {
  readonly figures: EveningFigures;
  readonly last: number;
  /** Where the half hour with the most hands-on minutes begins, and how many it has. */
  readonly busiest: { readonly from: number; readonly minutes: number };
  /** When work begins each time, after a pause of at least four hours. */
  readonly beginBy: readonly BeginBy[];
}

const LONG_PAUSE = 240;

export function verdictOf(dinner: Dinner, plan: Plan): Verdict {
  const spans = handsSpans(plan).sort((a, b) => a.from - b.from || a.to - b.to);
  const beginBy: BeginBy[] = [];
  let until = -Infinity;
  for (const { from, to, step } of spans) {
    if (from - until >= LONG_PAUSE) beginBy.push({ minute: from, step });
    until = Math.max(until, to);
  }
  return {
    figures: figuresOf(dinner, plan),
    last: Math.max(0, until),
    busiest: busiestOf(
      spans.filter((span) => span.to > -DAY_WINDOW),
      HALF_HOUR,
    ),
    beginBy,
  };
}
