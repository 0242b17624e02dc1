import { expose } from 'comlink';
import { applyChanges } from '../../core/explain';
import { readDinner, type Dinner } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { nudgedPlan, planDinner, replanDinner } from '../../core/planner';
import {
  badnessOf,
  figuresOf,
  impossiblePins,
  offersFor,
  roomOf,
  shortOf,
  weakSpots,
  whyHere,
  withoutEachPin,
  type EveningFigures,
  type Offer,
  type Room,
  type WeakSpot,
  type Why,
  type Wish,
} from '../../core/reasons';
import { readAgain } from './read-again';

const now = () => performance.now();
/** For one evening that is only tried. */
const options = { seconds: 0.25, seed: 1, now };
const QUICK = { seconds: 0.1, seed: 1, now };
/** Rounds of the search for one place of a step, and milliseconds for all of them. */
const ROOM_ROUNDS = 500;
const ROOM_TIME = 2500;
/** Rises of the cost for which the room is told. */
const RISES = [1, 5, 20];

const read = (file: unknown): Dinner => readAgain(file).dinner;

/** A change that was tried: what it did to what was asked for, and to the evening. */
export interface Tried {
  readonly offer: Offer;
  readonly before: number;
  readonly after: number;
  readonly figures: EveningFigures;
}

/** Tries every offer on a dinner; tells of those that make `measure` smaller, and how many are done. */
async function tryAll(
  file: unknown,
  plan: Plan,
  measure: (dinner: Dinner, plan: Plan) => number,
  tell: (done: number, all: number, tried: Tried | null) => void,
): Promise<void> {
  const dinner = read(file);
  const before = measure(dinner, plan);
  const offers = offersFor(dinner);
  for (const [k, offer] of offers.entries()) {
    const result = readDinner(applyChanges(file, offer.change));
    const other = result.ok ? nudgedPlan(result.dinner, plan, QUICK, true) : null;
    const after = result.ok && other ? measure(result.dinner, other) : Infinity;
    const tried =
      result.ok && other && after < before
        ? { offer, before, after, figures: figuresOf(result.dinner, other) }
        : null;
    await tell(k + 1, offers.length, tried);
  }
}

const api = {
  /** Why each step stands where it does, and where the evening is tight. */
  reasons(file: unknown, plan: Plan): { whys: Why[]; weak: WeakSpot[] } {
    const dinner = read(file);
    const whys = whyHere(dinner, plan) ?? [];
    return { whys, weak: weakSpots(dinner, plan, whys) };
  },

  /** How far a step can move with all else free to move, for some rises of the cost. */
  room(file: unknown, plan: Plan, step: string): Room[] {
    const end = now() + ROOM_TIME;
    return roomOf(read(file), plan, step, RISES, {
      seed: 1,
      rounds: ROOM_ROUNDS,
      isOver: () => now() >= end,
    });
  },

  /** Changes that bring the evening nearer to a wish. */
  ask: (
    file: unknown,
    plan: Plan,
    wish: Wish,
    tell: (done: number, all: number, tried: Tried | null) => void,
  ) => tryAll(file, plan, (dinner, other) => shortOf(wish, dinner, other), tell),

  /** Changes that make a weak spot stronger. */
  help: (
    file: unknown,
    plan: Plan,
    spot: WeakSpot,
    tell: (done: number, all: number, tried: Tried | null) => void,
  ) =>
    tryAll(file, plan, (dinner, other) => badnessOf(spot, dinner, other, whyHere(dinner, other) ?? []), tell),

  /** What each pin costs: the evening without it. */
  pins(file: unknown, plan: Plan): { step: string; figures: EveningFigures | null }[] {
    const replanned = (dinner: Dinner) => {
      const other = replanDinner(dinner, [], plan, options);
      return other.feasible ? other : null;
    };
    return withoutEachPin(read(file), replanned).map(({ key, figures }) => ({ step: key, figures }));
  },

  /** Pins that cannot hold together; null where they are not what stands in the way. */
  hardPins: (file: unknown): string[] | null =>
    impossiblePins(read(file), (dinner) => planDinner(dinner, [], options).feasible),

  /** Another evening: the dinner with changes made to it, planned from the one before where that makes sense. */
  variant(
    file: unknown,
    plan: Plan,
    changes: Offer['change'],
    seconds: number,
  ): { file: unknown; plan: Plan } | null {
    const changed = applyChanges(file, changes);
    const result = readDinner(changed);
    if (!result.ok) return null;
    // Another style is another evening: one made over from the old would look like it.
    const isAnew = changes.some((change) => change.path === 'style');
    const how = { ...options, seconds };
    const other = isAnew
      ? planDinner(result.dinner, result.notices, how)
      : replanDinner(result.dinner, result.notices, plan, how);
    return other.feasible ? { file: changed, plan: other } : null;
  },
};

export type ReasonsWorker = typeof api;

expose(api);
