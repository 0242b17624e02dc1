import { DAY_WINDOW, type Plan } from '../plan';
import { handsSpans } from './compare';
import type { Obstacle } from './obstacles';
import type { Why } from './why';

/** One link of the chain that makes an evening start when it does. */
export interface ChainLink {
  /** `dish/step`. */
  readonly step: string;
  readonly start: number;
  /** What it pushes against: why it cannot be later. Null where only the cost keeps it there. */
  readonly holds: Obstacle | null;
}

/** Links that lead on from a step, the closest first: what follows, then what takes its place. */
const LEADING: readonly Obstacle['kind'][] = [
  'before',
  'plating',
  'inside',
  'hands',
  'oven',
  'thing',
  'shelf',
];

/** The step that hands take up first on the day (or at all, where nothing is done on the day). */
export function firstOfDay(plan: Plan): string | null {
  const spans = handsSpans(plan)
    .filter((s) => s.step !== null)
    .sort((a, b) => a.from - b.from);
  return (spans.find((s) => s.from >= -DAY_WINDOW) ?? spans[0])?.step ?? null;
}

/**
 * Why a step cannot be later, followed from step to step until a course is plated or nothing more is in the way:
 * the chain that makes the evening start where it does. `reasons` are all the reasons of the plan (`whyHere`).
 */
export function chainFrom(step: string, reasons: readonly Why[]): ChainLink[] {
  const byStep = new Map(reasons.map((why) => [why.step, why]));
  const chain: ChainLink[] = [];
  const seen = new Set<string>();
  for (let at = byStep.get(step); at && !seen.has(at.step);) {
    seen.add(at.step);
    const { obstacles } = at.later;
    const leading = LEADING.flatMap((kind) => obstacles.filter((o) => o.kind === kind));
    const holds = leading.find((o) => !('step' in o) || !seen.has(o.step)) ?? leading[0] ?? null;
    chain.push({ step: at.step, start: at.start, holds });
    at = holds && 'step' in holds ? byStep.get(holds.step) : undefined;
  }
  return chain;
}
