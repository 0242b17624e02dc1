import { effectiveStep, type Dinner, type Dish } from '../dinner';
import { neededFor, type System } from '../amounts';

/** One thing of a dish: as it is written, for tonight, and in proportion to the others. */
export interface ReckonedLine {
  readonly item: string;
  readonly to: string | undefined;
  readonly written: string;
  readonly tonight: string;
  /** How many parts, where the least of the things that are measured alike is one; null where it is not measured so. */
  readonly ratio: number | null;
}

/** A step whose minutes, batches or room in the oven change with the portions. */
export interface ReckonedStep {
  readonly does: string;
  readonly written: number;
  readonly tonight: number;
  /** How many goes it takes; 1 where it is done at once. */
  readonly batches: number;
  /** Shelves that so much would fill, and how many the oven has; null where it fits or no oven is used. */
  readonly shelves: { readonly wanted: number; readonly has: number } | null;
  /** A vessel that was enough for the written amount and may not be for so much. */
  readonly vessel: string | null;
}

export interface Reckoned {
  readonly factor: number;
  readonly lines: readonly ReckonedLine[];
  readonly steps: readonly ReckonedStep[];
}

/** From so much more on, what filled a pan or a tin well is too much for it. Common practice. */
const FULL = 1.5;
const HOLDS = /\b(pan|pot|casserole|tin|dish|tray|wok|steamer)\b/i;

/** What cooking a dish for `portions` instead of as written does to its amounts and its steps. */
export function reckon(dinner: Dinner, dish: Dish, portions: number, system: System): Reckoned {
  const factor = portions / dish.serves;
  const first = dish.ingredients.find((i) => typeof i.amount === 'number' && i.amount > 0);
  const alike = dish.ingredients.flatMap((i) =>
    typeof i.amount === 'number' && i.amount > 0 && (i.unit ?? '') === (first?.unit ?? '') ? [i.amount] : [],
  );
  const least = Math.min(...alike);
  const lines = dish.ingredients.map((i): ReckonedLine => {
    const isAlike =
      typeof i.amount === 'number' && alike.length > 1 && (i.unit ?? '') === (first?.unit ?? '');
    const written = neededFor(i, 1, system);
    return {
      item: i.item,
      to: i.to,
      written: written.amount,
      tonight: neededFor(i, factor, system).amount,
      ratio: isAlike ? (i.amount as number) / least : null,
    };
  });
  const minutes = (step: Dish['steps'][number], n: number) =>
    effectiveStep(dinner, { ...dish, portions: n }, step, null).duration;
  const has = Math.max(0, ...dinner.kitchen.ovens.map((o) => o.shelves));
  const steps = dish.steps.flatMap((step): ReckonedStep[] => {
    const [written, tonight] = [minutes(step, dish.serves), minutes(step, portions)];
    const size = typeof step.scale === 'object' ? step.scale.batch : null;
    const batches = size === null ? 1 : Math.ceil(portions / (size as number));
    const uses = step.uses ?? [];
    const oven = uses.find((u) => 'oven' in u);
    const wanted = oven && size === null ? Math.ceil(2 * (oven.shelves as number) * factor) / 2 : 0;
    const shelves = oven && wanted > has && factor > 1 ? { wanted, has } : null;
    const tool = uses.flatMap((u) =>
      'tool' in u && HOLDS.test(u.tool as string) ? [u.tool as string] : [],
    )[0];
    const vessel = factor >= FULL && size === null && tool ? tool : null;
    const isSame = written === tonight && batches === 1 && !shelves && !vessel;
    return isSame ? [] : [{ does: step.does, written, tonight, batches, shelves, vessel }];
  });
  return { factor, lines, steps };
}
