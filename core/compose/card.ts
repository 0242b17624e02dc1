import * as z from 'zod';
import { problemsOf, readDinner, type DinnerFile, type Problem } from '../dinner';
import { dishSchema } from '../dinner/schema';
import { componentsOf, withoutDish } from './remove';

/** Where on a menu a dish usually goes. */
export const PLACES = ['starter', 'main', 'side', 'sauce', 'dessert', 'drink', 'else'] as const;
export type Place = (typeof PLACES)[number];

/** A dish of the card file: the dish as in a dinner file, and the components that it needs. */
export const cardSchema = z.looseObject({
  format: z.literal('zeitlauf/dish'),
  version: z.literal(1),
  goes: z.enum(PLACES).default('else'),
  tags: z.array(z.string().min(1)).default([]),
  dish: dishSchema,
  with: z.array(dishSchema).default([]),
});

export type CardFile = z.input<typeof cardSchema>;
export type Card = z.output<typeof cardSchema>;

export type ReadCard =
  { readonly ok: true; readonly card: Card } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Long before any dish has to be begun; the dinner around a card is only there to read it. */
const SIT_DOWN = '2026-01-10T19:00';
const FREE = { from: '2026-01-08T08:00', to: '2026-01-10T23:59' };

/** A dinner of one course with the one dish: the card planned alone. Tools and ovens are the given kitchen's. */
export function dinnerOfCard(card: CardFile, kitchen: DinnerFile['kitchen'], guests?: number): DinnerFile {
  return {
    format: 'zeitlauf/dinner',
    version: 1,
    title: card.dish.name,
    sitDown: SIT_DOWN,
    guests: guests ?? Math.min(24, Math.max(1, Math.round(card.dish.serves))),
    kitchen,
    cooks: [{ id: 'cook', name: 'Cook', free: [FREE] }],
    courses: [{ id: 'course', name: 'Course', dishes: [card.dish.id] }],
    dishes: [card.dish, ...(card.with ?? [])],
  };
}

/** A kitchen with one oven, in which every card can be read. */
export const PLAIN_KITCHEN: DinnerFile['kitchen'] = { ovens: [{ id: 'oven', name: 'Oven' }] };

/** Reads a dish file from parsed JSON: the schema first, then the rules of a dinner around it. */
export function readCard(value: unknown): ReadCard {
  const parsed = cardSchema.safeParse(value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error.issues, value) };
  const around = readDinner(dinnerOfCard(value as CardFile, PLAIN_KITCHEN));
  if (around.ok) return { ok: true, card: parsed.data };
  const problems = around.problems.map((problem) => ({
    ...problem,
    path: problem.path.replace(/^dishes\[(\d+)\]/, (_, k: string) =>
      k === '0' ? 'dish' : `with[${Number(k) - 1}]`,
    ),
  }));
  return { ok: false, problems };
}

/**
 * A dish of a dinner as a card, with its components, without what it took from other dishes of courses and without
 * what belongs to that evening: portions, and who does a step.
 */
export function cardOf(file: DinnerFile, id: string, goes: Place, tags: string[] = []): CardFile {
  // What is made for other dishes stands by itself on its card, as if it went onto a plate.
  const isListed = file.courses.some((c) => c.dishes.includes(id));
  const shown: DinnerFile = isListed
    ? file
    : { ...file, courses: file.courses.map((c, k) => (k === 0 ? { ...c, dishes: [...c.dishes, id] } : c)) };
  const components = componentsOf(shown, id);
  const kept = new Set([id, ...components.map((d) => d.id)]);
  const alone = shown.dishes
    .filter((d) => !kept.has(d.id))
    .reduce(
      (left, dish) => (left.dishes.some((d) => d.id === dish.id) ? withoutDish(left, dish.id) : left),
      shown,
    );
  const dishes = alone.dishes.map(({ portions: _portions, ...dish }) => ({
    ...dish,
    steps: dish.steps.map(({ who: _who, ...step }) => step),
  })) as DinnerFile['dishes'];
  const dish = dishes.find((d) => d.id === id)!;
  const others = dishes.filter((d) => d.id !== id);
  return {
    format: 'zeitlauf/dish',
    version: 1,
    goes,
    tags,
    dish: dish as CardFile['dish'],
    ...(others.length > 0 && { with: others }),
  };
}
