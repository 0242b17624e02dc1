import { afterLinks, checkCount, effectiveStep, placedSteps, readDinner, type Dinner } from '../dinner';
import { dinnerOfCard, PLAIN_KITCHEN, type CardFile } from './card';

/** What a dish asks of a cook, by itself, each step in its usual way. All in minutes. */
export interface DishFacts {
  /** Hands-on minutes. */
  readonly hands: number;
  /** From the first minute to the plate at the quickest: the longest chain of steps. */
  readonly total: number;
  /** Hands-on minutes that can be behind one twelve hours before the plate. */
  readonly ahead: number;
  readonly usesOven: boolean;
}

const LONG_AHEAD = 720;

/** The facts of a card for so many at table; null where the card cannot be read. */
export function factsOf(card: CardFile, guests: number): DishFacts | null {
  const read = readDinner(dinnerOfCard(card, PLAIN_KITCHEN, guests));
  return read.ok ? factsOfDinner({ ...read.dinner, caution: 0 }) : null;
}

function factsOfDinner(dinner: Dinner): DishFacts {
  const steps = placedSteps(dinner).map(({ name, dish, step }) => {
    const effective = effectiveStep(dinner, dish, step, null);
    const { attention, duration, touch, check, hands } = effective;
    const checks = check ? checkCount(duration, check.every) * check.takes : 0;
    return {
      name,
      duration,
      keeps: effective.keeps,
      links: afterLinks(dish, step),
      work: attention === 'hands' ? duration * hands : touch.in + touch.out + checks,
      usesOven: effective.uses.some((use) => 'oven' in use),
      plated: step.plated,
    };
  });
  /** For each step, from its end to the plate: the least and the most minutes. */
  const toPlate = new Map<string, readonly [number, number]>();
  const find = (name: string): readonly [number, number] => {
    const known = toPlate.get(name);
    if (known) return known;
    const step = steps.find((s) => s.name === name)!;
    const own = step.keeps?.most ?? Infinity;
    const followers = steps.flatMap((later) =>
      later.links.filter((link) => link.from === name).map((link) => ({ later, link })),
    );
    let least = 0;
    let most = followers.length === 0 ? own : Infinity;
    if (step.plated) most = Math.min(most, step.plated.most === null ? Infinity : (step.plated.most ?? own));
    for (const { later, link } of followers) {
      const [low, high] = find(later.name);
      least = Math.max(least, link.least + later.duration + low);
      most = Math.min(most, (link.most === null ? Infinity : (link.most ?? own)) + later.duration + high);
    }
    const both = [least, most] as const;
    toPlate.set(name, both);
    return both;
  };
  return {
    hands: steps.reduce((sum, s) => sum + s.work, 0),
    total: Math.max(0, ...steps.map((s) => s.duration + find(s.name)[0])),
    ahead: steps.reduce((sum, s) => sum + (find(s.name)[1] >= LONG_AHEAD ? s.work : 0), 0),
    usesOven: steps.some((s) => s.usesOven),
  };
}
