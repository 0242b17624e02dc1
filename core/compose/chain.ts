import type { DinnerFile } from '../dinner';
import { namedStep } from './remove';

type StepFile = DinnerFile['dishes'][number]['steps'][number];

/** A step in the drawing of a dish by itself. Lengths are logarithmic: a minute and a night stand side by side. */
export interface Block {
  readonly id: string;
  /** Columns from the left; steps that can run beside each other have different ones. */
  readonly lane: number;
  readonly top: number;
  readonly bottom: number;
  /** How far down what it made may wait; null where no keeping is told, `height` where without limit. */
  readonly keepsTo: number | null;
}

/** A line from the end of one step to the start of another; `to` null: to the plate. */
export interface Thread {
  readonly from: string;
  readonly to: string | null;
}

export interface Chain {
  readonly blocks: readonly Block[];
  readonly threads: readonly Thread[];
  readonly lanes: number;
  readonly height: number;
}

const LEAST = 2;
const GAP = 0.7;
const length = (minutes: number) => Math.log2(1 + minutes);
const usualOf = (step: StepFile) => (typeof step.minutes === 'number' ? step.minutes : step.minutes.usual);
const lagOf = (link: NonNullable<StepFile['after']>[number]) =>
  typeof link === 'string' ? 0 : (link.least ?? 0);

/**
 * Draws a dish as branches that meet: time downward, each step as late as what comes after it lets it be, the plate
 * at `height`. Links to steps of other dishes are left out. A dish in which steps wait for each other in a ring is
 * drawn as far as it can be.
 */
export function chainOf(steps: readonly StepFile[]): Chain {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const next = new Map<string, { step: StepFile; lag: number }[]>(steps.map((s) => [s.id, []]));
  for (const step of steps) {
    for (const link of step.after ?? []) next.get(namedStep(link))?.push({ step, lag: lagOf(link) });
  }
  // Distances up from the plate.
  const ends = new Map<string, { bottom: number; top: number }>();
  const open = new Set<string>();
  const place = (step: StepFile): { bottom: number; top: number } => {
    const known = ends.get(step.id);
    if (known || open.has(step.id)) return known ?? { bottom: 0, top: 0 };
    open.add(step.id);
    const host = step.within && step.within.step !== step.id ? byId.get(step.within.step) : undefined;
    const size = Math.max(LEAST, length(usualOf(step)));
    let bottom: number;
    if (host) {
      const around = place(host);
      const { at, before } = step.within!;
      const share = Math.min(1, (at ?? usualOf(host) - (before ?? 0)) / Math.max(1, usualOf(host)));
      bottom = around.top - Math.max(0, share) * (around.top - around.bottom) - size;
      bottom = Math.max(bottom, around.bottom);
    } else {
      const above = next.get(step.id)!.map(({ step: s, lag }) => place(s).top + length(lag) + GAP);
      bottom = Math.max(GAP, ...above);
    }
    const found = { bottom, top: bottom + size };
    ends.set(step.id, found);
    return found;
  };
  for (const step of steps) place(step);

  const height = Math.max(0, ...[...ends.values()].map((e) => e.top));
  const lanes: { top: number; bottom: number }[][] = [];
  const laneOf = new Map<string, number>();
  // From the plate up; where several end alike, the longest branch first, so that it is the leftmost.
  const reach = new Map<string, number>();
  for (const step of [...steps].sort((a, b) => ends.get(b.id)!.top - ends.get(a.id)!.top)) {
    reach.set(step.id, Math.max(ends.get(step.id)!.top, reach.get(step.id) ?? 0));
    for (const n of next.get(step.id)!) {
      reach.set(n.step.id, Math.max(reach.get(n.step.id) ?? 0, reach.get(step.id)!));
    }
  }
  const inOrder = [...steps].sort(
    (a, b) => ends.get(a.id)!.bottom - ends.get(b.id)!.bottom || reach.get(b.id)! - reach.get(a.id)!,
  );
  for (const step of inOrder) {
    const { top, bottom } = ends.get(step.id)!;
    const isFree = (lane: number) =>
      (lanes[lane] ?? []).every((other) => other.bottom >= top || other.top <= bottom);
    const wanted = next.get(step.id)!.map((n) => laneOf.get(n.step.id) ?? 0);
    const lane = [...wanted, ...Array.from({ length: lanes.length + 1 }, (_, k) => k)].find(isFree)!;
    (lanes[lane] ??= []).push({ top, bottom });
    laneOf.set(step.id, lane);
  }
  const keepsTo = (step: StepFile, bottom: number) => {
    if (!step.keeps || step.keeps.most === undefined) return null;
    return step.keeps.most === null ? height : Math.min(height, height - bottom + length(step.keeps.most));
  };
  return {
    blocks: steps.map((step) => {
      const { top, bottom } = ends.get(step.id)!;
      return {
        id: step.id,
        lane: laneOf.get(step.id)!,
        top: height - top,
        bottom: height - bottom,
        keepsTo: keepsTo(step, bottom),
      };
    }),
    threads: steps.flatMap((step): Thread[] => {
      const followers = next.get(step.id)!.map((n) => ({ from: step.id, to: n.step.id }));
      const toPlate = (followers.length === 0 && !step.within) || step.plated !== undefined;
      return toPlate ? [...followers, { from: step.id, to: null }] : followers;
    }),
    lanes: lanes.length,
    height,
  };
}
