import { wordsOf } from '../amounts';
import { afterLinks, type Dinner, type Dish, type Step } from '../dinner';
import { plannedSteps } from '../live';
import type { Plan } from '../plan';
import { waitingOf } from '../strip';
import { shelfOf } from './shelves';

/** Something that stands at room temperature for long in the plan. */
export interface Standing {
  /** `dish/step`. */
  readonly step: string;
  readonly does: string;
  readonly dish: string;
  readonly minutes: number;
}

/** At room temperature two hours at most for what can spoil: USDA FSIS (from memory). */
const MOST = 120;
const SPOILS = new Set(['meat', 'fish', 'dairy', 'frozen']);

/** What a step handles: its own words, and those of all of its dish that it comes after. */
function wordsUpTo(dish: Dish, step: Step): Set<string> {
  const words = new Set(wordsOf(step.does));
  const seen = new Set([step.id]);
  const open = [step];
  for (const at of open) {
    for (const { from } of afterLinks(dish, at)) {
      const before = dish.steps.find((s) => `${dish.id}/${s.id}` === from);
      if (!before || seen.has(before.id)) continue;
      seen.add(before.id);
      open.push(before);
      for (const word of wordsOf(before.does)) words.add(word);
    }
  }
  return words;
}

/** Whether there is something in it that can spoil: by name, or where no step of the dish names what could. */
function canSpoil(dish: Dish, step: Step): boolean {
  const perishable = dish.ingredients.filter((i) => SPOILS.has(shelfOf(i.item, i.group)));
  const speaksOf = (words: ReadonlySet<string>, item: string) => wordsOf(item).some((w) => words.has(w));
  const here = wordsUpTo(dish, step);
  const anywhere = new Set(dish.steps.flatMap((s) => wordsOf(s.does)));
  return perishable.some(({ item }) => speaksOf(here, item) || !speaksOf(anywhere, item));
}

/** What can spoil and stands at room temperature for longer than two hours, its own standing and its waiting together. */
export function longAtRoom(dinner: Dinner, plan: Plan): Standing[] {
  const waiting = new Map(waitingOf(dinner, plan).map((w) => [w.step, w]));
  return plannedSteps(dinner, plan).flatMap(({ row, step, placed, as }): Standing[] => {
    if (as.keeps?.how !== 'room' || !canSpoil(placed.dish, step)) return [];
    const isStanding = as.attention === 'alone' && as.uses.length === 0;
    const wait = waiting.get(row.step);
    const minutes = (isStanding ? row.end - row.start : 0) + (wait ? wait.to - wait.from : 0);
    return minutes > MOST ? [{ step: row.step, does: step.does, dish: placed.dish.name, minutes }] : [];
  });
}
