import { withoutDish } from '../compose';
import { applyChanges } from '../explain';
import { afterLinks, placedSteps, type Dinner, type Style } from '../dinner';
import { DAY_WINDOW, type Plan, type Terms } from '../plan';
import { Random } from '../planner';
import { minutesWithin } from './busiest';

/** What a cook wants to know of an evening at a glance. */
export interface EveningFigures {
  readonly cost: number;
  readonly terms: Terms;
  /** Hands-on minutes of all cooks, plating and clearing included. */
  readonly handsMinutes: number;
  /** Those of them that lie before the twelve hours before sitting down. */
  readonly aheadMinutes: number;
  /** Hands-on minutes of cooks who eat while plates are on the table. */
  readonly awayMinutes: number;
  /** First hands-on minute within the twelve hours before sitting down, and of all; relative to sitting down. */
  readonly firstOnDay: number;
  readonly first: number;
}

/** Plans a dinner; null where no plan was found. */
export type PlanOf = (dinner: Dinner) => Plan | null;

/** The evening with and without something. `figures` is null where no plan was found. */
export interface Comparison<Key> {
  readonly key: Key;
  readonly figures: EveningFigures | null;
}

/** A stretch of one cook's hands: minutes relative to sitting down; `step` is null for plating and clearing. */
export interface HandsSpan {
  readonly from: number;
  readonly to: number;
  readonly cook: string;
  readonly step: string | null;
}

/** Everything that hands do in a plan, in no order. */
export function handsSpans(plan: Plan): HandsSpan[] {
  const service = plan.courses
    .flatMap((c) => [c.plating, c.clearing])
    .filter((span) => span !== null && span.cook !== null && span.to > span.from) as HandsSpan[];
  return [
    ...plan.steps.flatMap((row) =>
      row.hands.map(({ from, to, cook }) => ({ from, to, cook, step: row.step })),
    ),
    ...service.map(({ from, to, cook }) => ({ from, to, cook, step: null })),
  ];
}

/** Hands-on minutes that a plan has for one dish. */
export function handsOfDish(plan: Plan, dish: string): number {
  return handsSpans(plan)
    .filter((span) => span.step?.startsWith(`${dish}/`))
    .reduce((sum, span) => sum + span.to - span.from, 0);
}

/** Hands-on minutes of cooks who eat while a course is on the table. */
export function awayDuring(dinner: Dinner, plan: Plan, course: string): number {
  const eaters = new Set(dinner.cooks.filter((c) => c.eats).map((c) => c.id));
  const down = plan.courses.find((c) => c.id === course)?.serve ?? 0;
  const up = down + (dinner.courses.find((c) => c.id === course)?.eating ?? 0);
  return minutesWithin(
    handsSpans(plan).filter(({ cook }) => eaters.has(cook)),
    down,
    up,
  );
}

export function figuresOf(dinner: Dinner, plan: Plan): EveningFigures {
  const spans = handsSpans(plan);
  const awayMinutes = plan.courses.reduce((sum, { id }) => sum + awayDuring(dinner, plan, id), 0);
  const onDay = spans.filter((s) => s.to > -DAY_WINDOW).map((s) => Math.max(s.from, -DAY_WINDOW));
  return {
    cost: plan.cost!,
    terms: plan.terms!,
    handsMinutes: spans.reduce((sum, s) => sum + s.to - s.from, 0),
    aheadMinutes: minutesWithin(spans, -Infinity, -DAY_WINDOW),
    awayMinutes,
    firstOnDay: Math.min(0, ...onDay),
    first: Math.min(0, ...spans.map((s) => s.from)),
  };
}

function compare<Key>(keys: readonly Key[], make: (key: Key) => Dinner, planOf: PlanOf): Comparison<Key>[] {
  return keys.map((key) => {
    const dinner = make(key);
    const plan = planOf(dinner);
    return { key, figures: plan ? figuresOf(dinner, plan) : null };
  });
}

/** The evening without each dish that a course lists, if more than one does. */
export function withoutEachDish(dinner: Dinner, planOf: PlanOf): Comparison<string>[] {
  const listed = dinner.dishes.filter((d) => dinner.courses.some((c) => c.dishes.includes(d.id)));
  if (listed.length < 2) return [];
  return compare(
    listed.map((d) => d.id),
    (id) => withoutDish(dinner, id),
    planOf,
  );
}

export const STYLES: readonly Style[] = ['ahead', 'even', 'fresh'];

/** The evening in each style. Costs of different styles weigh different things: compare minutes, not costs. */
export function inEachStyle(dinner: Dinner, planOf: PlanOf): Comparison<Style>[] {
  return compare(STYLES, (style) => ({ ...dinner, style }), planOf);
}

/** The evening without each pin. */
export function withoutEachPin(dinner: Dinner, planOf: PlanOf): Comparison<string>[] {
  return compare(
    dinner.pins.map((pin) => pin.step),
    (step) => ({ ...dinner, pins: dinner.pins.filter((pin) => pin.step !== step) }),
    planOf,
  );
}

/**
 * Pins that cannot hold together, where the dinner cannot be planned with all of them and could without:
 * leave any one out and it can. Null where the pins are not what stands in the way.
 */
export function impossiblePins(dinner: Dinner, isFeasible: (dinner: Dinner) => boolean): string[] | null {
  const withPins = (pins: Dinner['pins']) => ({ ...dinner, pins });
  if (isFeasible(dinner) || !isFeasible(withPins([]))) return null;
  let kept = dinner.pins;
  for (const pin of dinner.pins) {
    const fewer = kept.filter((p) => p !== pin);
    if (!isFeasible(withPins(fewer))) kept = fewer;
  }
  return kept.map((pin) => pin.step);
}

/** Orders of dishes that are tried at most. */
const MOST_ORDERS = 24;

/**
 * The evening with each dish cooked in one go: no dish is begun before the one before it is done, up to what
 * plating asks; components are made when they are needed. The best of several orders, chosen by `seed`; null
 * where none was found to be possible.
 */
export function dishByDish(dinner: Dinner, planOf: PlanOf, seed: number): EveningFigures | null {
  const listed = dinner.dishes.filter((d) => dinner.courses.some((c) => c.dishes.includes(d.id)));
  let best: EveningFigures | null = null;
  for (const order of someOrders(
    listed.map((d) => d.id),
    new Random(seed),
  )) {
    const inOrder = oneAfterAnother(dinner, order);
    const plan = planOf(inOrder);
    if (!plan) continue;
    const figures = figuresOf(inOrder, plan);
    if (!best || figures.cost < best.cost) best = figures;
  }
  return best;
}

/** As served, the other way round, and others at random; all there are where they are few. */
function someOrders(ids: readonly string[], random: Random): string[][] {
  const all = ids.reduce((count, _, k) => count * (k + 1), 1);
  const orders = new Map<string, string[]>();
  const add = (order: readonly string[]) => orders.set(order.join(), [...order]);
  add(ids);
  add([...ids].reverse());
  for (let tries = 0; orders.size < Math.min(all, MOST_ORDERS) && tries < 40 * MOST_ORDERS; tries++) {
    const order = [...ids];
    for (let k = order.length - 1; k > 0; k--) {
      const other = random.below(k + 1);
      [order[k], order[other]] = [order[other]!, order[k]!];
    }
    add(order);
  }
  return [...orders.values()];
}

/** The dinner with links from the last steps of each dish to the first steps of the next in `order`. */
function oneAfterAnother(dinner: Dinner, order: readonly string[]): Dinner {
  const placed = placedSteps(dinner);
  const linked = new Set(placed.flatMap((s) => afterLinks(s.dish, s.step).map((l) => l.from)));
  const changes = order.slice(1).flatMap((id, k) => {
    const d = dinner.dishes.findIndex((dish) => dish.id === id);
    const before = dinner.dishes.find((dish) => dish.id === order[k])!;
    const ends = before.steps.filter((s) => !linked.has(`${before.id}/${s.id}`) && !s.within);
    return dinner.dishes[d]!.steps.flatMap((step, s) =>
      step.within || afterLinks(dinner.dishes[d]!, step).some((l) => l.from.startsWith(`${id}/`))
        ? []
        : [
            {
              path: `dishes[${d}].steps[${s}].after`,
              value: [
                ...step.after,
                ...ends.map((end) => ({ step: `${before.id}/${end.id}`, least: 0, most: null })),
              ],
            },
          ],
    );
  });
  // What ends a dish goes on its plate as before, though another dish now comes after it.
  const plated = dinner.dishes.flatMap((dish, d) =>
    dish.steps.flatMap((step, s) => {
      const isEnd = !linked.has(`${dish.id}/${step.id}`) && !step.within && !step.plated;
      const isListed = dinner.courses.some((c) => c.dishes.includes(dish.id));
      return isEnd && isListed ? [{ path: `dishes[${d}].steps[${s}].plated`, value: {} }] : [];
    }),
  );
  return applyChanges(dinner, [...changes, ...plated]);
}
