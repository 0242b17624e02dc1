import { effectiveStep, placedSteps, type Dinner } from '../dinner';
import { DAY_WINDOW, type Plan } from '../plan';
import { busiestOf } from './busiest';
import { handsSpans } from './compare';
import { HALF_HOUR } from './verdict';
import type { Why } from './why';

/** Where an evening is tight. Minutes relative to sitting down. */
export type WeakSpot =
  /** If `step` takes as long as it may, `over` minutes more than planned, it runs `short` minutes into what follows. */
  | {
      readonly kind: 'tight';
      readonly step: string;
      readonly from: number;
      readonly to: number;
      readonly over: number;
      readonly short: number;
    }
  /** The half hour in which a cook has most to do. */
  | {
      readonly kind: 'peak';
      readonly cook: string;
      readonly from: number;
      readonly to: number;
      readonly minutes: number;
    }
  /** Steps that stand where they do because of what else is in the oven. */
  | { readonly kind: 'oven'; readonly steps: readonly string[]; readonly from: number; readonly to: number };

/** Minutes of a half hour from which on a cook has no hand free. */
const FULL = 26;
const MOST_TIGHT = 3;
const LEAST_SHORT = 2;

/** Minutes that a step takes beyond what is planned, where it takes as long as it may. */
function minutesOver(dinner: Dinner, plan: Plan, step: string): number {
  const placed = placedSteps(dinner).find((s) => s.name === step);
  const row = plan.steps.find((s) => s.step === step);
  if (!placed || !row) return 0;
  const way = placed.step.ways.find((w) => w.id === row.way) ?? null;
  const lasting = (caution: number) =>
    effectiveStep({ ...dinner, caution }, placed.dish, placed.step, way).duration;
  return lasting(1) - lasting(dinner.caution);
}

function tightSpots(dinner: Dinner, plan: Plan, reasons: readonly Why[]): WeakSpot[] {
  return reasons
    .flatMap((why) => {
      const row = plan.steps.find((s) => s.step === why.step);
      const over = minutesOver(dinner, plan, why.step);
      const short = over - (why.later.until - why.start);
      // Long before the evening an hour more is no matter.
      if (!row || why.later.obstacles.length === 0 || short < LEAST_SHORT || row.end <= -DAY_WINDOW)
        return [];
      return [{ kind: 'tight' as const, step: why.step, from: row.start, to: row.end, over, short }];
    })
    .sort((a, b) => b.short - a.short || a.from - b.from)
    .slice(0, MOST_TIGHT);
}

function peakOf(plan: Plan, cook: string): Extract<WeakSpot, { kind: 'peak' }>[] {
  const spans = handsSpans(plan).filter((s) => s.cook === cook && s.to > -DAY_WINDOW);
  const { from, minutes } = busiestOf(spans, HALF_HOUR);
  return minutes < FULL ? [] : [{ kind: 'peak', cook, from, to: from + HALF_HOUR, minutes }];
}

function ovenSpot(plan: Plan, reasons: readonly Why[]): Extract<WeakSpot, { kind: 'oven' }>[] {
  const pressed = reasons.filter(({ earlier, later }) =>
    [...earlier.obstacles, ...later.obstacles].some((o) => o.kind === 'oven' || o.kind === 'shelf'),
  );
  const rows = plan.steps.filter((row) => pressed.some((why) => why.step === row.step));
  if (rows.length < 2) return [];
  return [
    {
      kind: 'oven',
      steps: rows.map((row) => row.step),
      from: Math.min(...rows.map((row) => row.start)),
      to: Math.max(...rows.map((row) => row.end)),
    },
  ];
}

/** Where a plan is tight, where a cook has no hand free, and where the oven is the bottleneck. */
export function weakSpots(dinner: Dinner, plan: Plan, reasons: readonly Why[]): WeakSpot[] {
  return [
    ...tightSpots(dinner, plan, reasons),
    ...dinner.cooks.flatMap((cook) => peakOf(plan, cook.id)),
    ...ovenSpot(plan, reasons),
  ];
}

/** How bad a weak spot is in another plan of the dinner: less is better, 0 is gone. */
export function badnessOf(spot: WeakSpot, dinner: Dinner, plan: Plan, reasons: readonly Why[]): number {
  switch (spot.kind) {
    case 'tight': {
      const why = reasons.find((w) => w.step === spot.step);
      // Without the step the evening is another one, and no answer.
      if (!why) return Infinity;
      return Math.max(0, minutesOver(dinner, plan, spot.step) - (why.later.until - why.start));
    }
    case 'peak':
      return peakOf(plan, spot.cook)[0]?.minutes ?? 0;
    case 'oven':
      return ovenSpot(plan, reasons)[0]?.steps.length ?? 0;
  }
}
