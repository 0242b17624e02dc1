import { NO_LIMIT, type f64, type Model } from '../model';
import { CookTimes } from './cook-times';
import type { Branch, Option } from './options';
import { handsAtEnd, leadsTo, leastLoss, lossAt, placeOf } from './queue-order';

/**
 * Steps that hang on one thing and whose last hands cannot all lie right before it: whatever their order, what they lose by
 * waiting costs no less than `least` in all.
 */
export interface Queue {
  readonly members: readonly number[];
  /** In any part of the space of plans. */
  readonly least: f64;
}

/** More steps than these are not looked at in every order. */
const MOST_MEMBERS = 8;
const WORTH = 0.01;

/** The queues of a tree, one for each thing that several steps with hands at their end lead to, by themselves or through other work. */
export function queuesOf(
  model: Model,
  branches: readonly Branch[],
  options: readonly (readonly Option[])[],
): Queue[] {
  const byParent = new Map<string, number[]>();
  branches.forEach(({ kind, parent }, i) => {
    if (kind !== 'after' && kind !== 'plate') return;
    if (model.activities[i]!.pin !== -1 || handsAtEnd(options[i]!) === 0) return;
    const key = `${kind} ${parent}`;
    byParent.set(key, [...(byParent.get(key) ?? []), i]);
  });
  const queues: Queue[] = [];
  // Parts of the space of plans may lie where there are no more cooks than this.
  const { fewest } = new CookTimes(model);
  for (const key of [...byParent.keys()].sort(byDepth(branches))) {
    const all = byParent.get(key);
    if (!all) continue;
    const members = all
      .map((i) => ({ i, loss: lossAt(options[i]!, branches[i]!.least + 10) }))
      .sort((a, b) => b.loss - a.loss)
      .slice(0, MOST_MEMBERS)
      .map(({ i }) => i);
    // Two cooks may be at what leads to a member and at what lies between at once.
    if (model.cookCount === 1) addBefore(members, byParent, options);
    const places = members.map((i) =>
      placeOf(options[i]!, branches[i]!.least, NO_LIMIT, leadsTo(branches[i]!, members)),
    );
    const alone = places.reduce((sum, { loss, low }) => sum + loss(low), 0);
    const most = leastLoss(places, fewest);
    if (most === Infinity || most <= alone + WORTH) continue;
    queues.push({ members, least: leastLoss(places, model.cookCount) });
  }
  return queues;
}

/** Adds what leads to members that are work throughout, as far as there is room; it stands in no other queue then. */
function addBefore(
  members: number[],
  byParent: Map<string, number[]>,
  options: readonly (readonly Option[])[],
): void {
  for (const i of members) {
    const before = byParent.get(`after ${i}`);
    if (!before || !options[i]!.every(isOnlyWork) || members.length + before.length > MOST_MEMBERS) continue;
    byParent.delete(`after ${i}`);
    members.push(...before);
  }
}

/** Puts what leads to something after what that leads to. */
function byDepth(branches: readonly Branch[]) {
  const depth = (key: string): number => {
    let steps = key.startsWith('plate') ? 0 : 1;
    if (steps === 0) return 0;
    let { kind, parent } = branches[Number(key.split(' ')[1])]!;
    for (; kind === 'after' || kind === 'inside'; { kind, parent } = branches[parent]!) steps += 1;
    return steps;
  };
  return (a: string, b: string) => depth(a) - depth(b);
}

/** True where it is one cook's work from its first minute to its last. */
function isOnlyWork({ mode, reach }: Option): boolean {
  return mode.isHands && mode.hands > 0 && reach === 0;
}
