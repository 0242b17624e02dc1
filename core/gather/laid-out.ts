import { neededFor, wordsOf, type System } from '../amounts';
import type { Dinner } from '../dinner';
import { plannedSteps } from '../live';
import type { Plan } from '../plan';

/** A bowl, a board, a jug: what is laid out for one step, with tonight's amounts. */
export interface LaidOut {
  readonly step: string;
  readonly does: string;
  readonly dish: string;
  readonly course: string | null;
  /** When it is needed, in plan minutes. */
  readonly at: number;
  readonly things: readonly {
    readonly amount: string;
    readonly item: string;
    readonly to: string | undefined;
  }[];
}

/** How well a step's words fit a thing: its last word counts most, then others of its words. */
function fit(does: string, item: string): number {
  const words = new Set(wordsOf(does));
  const [last, ...others] = wordsOf(item).reverse();
  return (last && words.has(last) ? 2 : 0) + others.filter((w) => words.has(w)).length;
}

/**
 * What is measured out for which step, in the order in which it is needed. A thing goes to the first step of its dish
 * that speaks of it; what no step names stands ready for the dish's first.
 */
export function laidOut(dinner: Dinner, plan: Plan, system: System): LaidOut[] {
  const steps = plannedSteps(dinner, plan);
  return dinner.dishes
    .flatMap((dish): LaidOut[] => {
      const own = steps.filter((s) => s.placed.dish.id === dish.id).sort((a, b) => a.row.start - b.row.start);
      if (own.length === 0) return [];
      const factor = (dish.portions ?? dinner.guests) / dish.serves;
      const bowls = new Map<string, LaidOut['things'][number][]>();
      for (const ingredient of dish.ingredients) {
        const fits = own.map((s) => fit(s.step.does, ingredient.item));
        const best = Math.max(...fits);
        const step = own[best > 0 ? fits.indexOf(best) : 0]!;
        const { amount, item, to } = neededFor(ingredient, factor, system);
        bowls.set(step.row.step, [...(bowls.get(step.row.step) ?? []), { amount, item, to }]);
      }
      return own.flatMap((s) => {
        const things = bowls.get(s.row.step);
        return things
          ? [
              {
                step: s.row.step,
                does: s.step.does,
                dish: dish.name,
                course: s.course,
                at: s.row.start,
                things,
              },
            ]
          : [];
      });
    })
    .sort((a, b) => a.at - b.at);
}
