import { add, ceiling, divide, fraction, multiply, subtract, type Fraction } from '../exact';
import type { Dinner, Dish, Keeps, Step, StepWay, Use } from './schema';

/** What a step is once its way is chosen: all that the contract lets a way replace, with defaults. */
export interface EffectiveStep {
  readonly attention: 'hands' | 'minded' | 'alone';
  /** Whole minutes, scaled, with caution and pace (section 3). */
  readonly duration: number;
  readonly hands: number;
  readonly touch: { readonly in: number; readonly out: number };
  readonly check: { readonly every: number; readonly takes: number; readonly slack: number } | null;
  readonly pausable: boolean;
  readonly stay: boolean;
  readonly uses: readonly Use[];
  readonly keepsIn: readonly string[];
  readonly keeps: Keeps | null;
  readonly points: number;
}

const ONE = fraction(1);

/** portions / serves, exactly. */
function dishScale(dinner: Dinner, dish: Dish): Fraction {
  return divide(fraction(dish.portions ?? dinner.guests), fraction(dish.serves));
}

function scaleFactor(scale: NonNullable<Step['scale']>, dinner: Dinner, dish: Dish): Fraction {
  if (scale === 'fixed') return ONE;
  const f = dishScale(dinner, dish);
  if (scale === 'portions') return f;
  if (typeof scale === 'number') {
    const grows = fraction(scale);
    return add(subtract(ONE, grows), multiply(grows, f));
  }
  const portions = fraction(dish.portions ?? dinner.guests);
  return fraction(ceiling(divide(portions, fraction(scale.batch))));
}

/** Minutes that a step takes: usual, a share `caution` of the way to long, scaled, times the pace for hands. */
function durationOf(
  minutes: Step['minutes'],
  scale: NonNullable<Step['scale']>,
  isHands: boolean,
  dinner: Dinner,
  dish: Dish,
): number {
  const { usual, long } = typeof minutes === 'number' ? { usual: minutes, long: minutes } : minutes;
  const spread = multiply(fraction(dinner.caution), fraction(long - usual));
  let exact = multiply(add(fraction(usual), spread), scaleFactor(scale, dinner, dish));
  if (isHands) exact = multiply(exact, fraction(dinner.pace));
  return Math.max(usual > 0 ? 1 : 0, ceiling(exact));
}

/** The name that a use has in `keepsIn`: "ring", or the tool's own; an oven cannot be kept. */
export function keepName(use: Use): string | null {
  if ('ring' in use) return 'ring';
  return 'tool' in use ? (use.tool as string) : null;
}

/** The step as it is done in `way` (null: its base way). */
export function effectiveStep(dinner: Dinner, dish: Dish, step: Step, way: StepWay | null): EffectiveStep {
  const attention = way?.attention ?? step.attention;
  const isHands = attention === 'hands';
  const touch = isHands ? undefined : (way?.touch ?? step.touch);
  const check = attention === 'minded' ? (way?.check ?? step.check) : undefined;
  const uses = way?.uses ?? step.uses ?? [];
  const keepsIn = (way?.keepsIn ?? step.keepsIn ?? []).filter((name) =>
    uses.some((use) => keepName(use) === name),
  );
  return {
    attention,
    duration: durationOf(
      way?.minutes ?? step.minutes,
      way?.scale ?? step.scale ?? 'fixed',
      isHands,
      dinner,
      dish,
    ),
    hands: isHands ? (way?.hands ?? step.hands ?? 1) : 0,
    touch: { in: touch?.in ?? 0, out: touch?.out ?? 0 },
    check: check ?? null,
    pausable: isHands && (way?.pausable ?? step.pausable ?? false),
    stay: way?.stay ?? step.stay ?? false,
    uses,
    keepsIn,
    keeps: way?.keeps ?? step.keeps ?? null,
    points: way?.points ?? 0,
  };
}

/** How many checks a minded step of `duration` minutes has. */
export function checkCount(duration: number, every: number): number {
  return Math.max(0, Math.ceil(duration / every) - 1);
}

/** Hands-on minutes of plating a course. */
export function platingMinutes(dinner: Dinner, courseIndex: number): number {
  const { base, perGuest } = dinner.courses[courseIndex]!.plating;
  return ceiling(add(fraction(base), multiply(fraction(perGuest), fraction(dinner.guests))));
}

/** Minutes between two oven settings; `from` and `to` in °C, `heats` and `cools` in °C a minute. */
export function changeover(
  from: number,
  to: number,
  oven: { readonly heats: number; readonly cools: number },
): number {
  const difference = subtract(fraction(to), fraction(from));
  if (difference.num === 0n) return 0;
  return difference.num > 0n
    ? ceiling(divide(difference, fraction(oven.heats)))
    : ceiling(divide({ num: -difference.num, den: difference.den }, fraction(oven.cools)));
}

/** The range of oven settings, in °C, that an oven use bears. */
export function ovenRange(use: { oven: number; give: number | [number, number] }): [number, number] {
  const [colder, hotter] = typeof use.give === 'number' ? [use.give, use.give] : use.give;
  return [use.oven - colder, use.oven + hotter];
}
