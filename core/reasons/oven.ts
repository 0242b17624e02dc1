import { ovenRange, placedSteps, type Dinner, type Use } from '../dinner';

/** A step in the oven: `dish/step`, and between which temperatures, in °C. */
export interface OvenWish {
  readonly step: string;
  readonly dish: string;
  readonly celsius: number;
  readonly from: number;
  readonly to: number;
  readonly shelves: number;
}

/** Two dishes and whether one oven can have them at the same time. */
export interface OvenPair {
  readonly one: OvenWish;
  readonly other: OvenWish;
  /** The range of temperatures that both bear, null for none. */
  readonly common: readonly [number, number] | null;
  /** False where no oven of the kitchen has shelves for both. */
  readonly hasRoom: boolean;
}

type OvenUse = Extract<Use, { oven: unknown }>;
const isOven = (use: Use): use is OvenUse => 'oven' in use;

/** What the steps of the dinner want of an oven, as they are written (their first way). */
export function ovenWishes(dinner: Dinner): OvenWish[] {
  return placedSteps(dinner).flatMap(({ name, dish, step }) =>
    (step.uses ?? []).filter(isOven).map((use) => {
      const [from, to] = ovenRange(use);
      return { step: name, dish: dish.name, celsius: use.oven, from, to, shelves: use.shelves };
    }),
  );
}

/** Each two steps of different dishes that want an oven. */
export function ovenPairs(dinner: Dinner): OvenPair[] {
  const wishes = ovenWishes(dinner);
  const most = Math.max(0, ...dinner.kitchen.ovens.map((oven) => oven.shelves));
  return wishes.flatMap((one, k) =>
    wishes
      .slice(k + 1)
      .filter((other) => other.step.split('/')[0] !== one.step.split('/')[0])
      .map((other): OvenPair => {
        const from = Math.max(one.from, other.from);
        const to = Math.min(one.to, other.to);
        return {
          one,
          other,
          common: from <= to ? [from, to] : null,
          hasRoom: one.shelves + other.shelves <= most,
        };
      }),
  );
}
