import type { Dinner } from '../dinner';
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

/** What can spoil and stands at room temperature for longer than two hours, its own standing and its waiting together. */
export function longAtRoom(dinner: Dinner, plan: Plan): Standing[] {
  const waiting = new Map(waitingOf(dinner, plan).map((w) => [w.step, w]));
  return plannedSteps(dinner, plan).flatMap(({ row, step, placed, attention }): Standing[] => {
    const how = (step.ways.find((w) => w.id === row.way)?.keeps ?? step.keeps)?.how;
    const canSpoil = placed.dish.ingredients.some((i) => SPOILS.has(shelfOf(i.item, i.group)));
    if (how !== 'room' || !canSpoil) return [];
    const isStanding = attention === 'alone' && (step.uses ?? []).length === 0;
    const wait = waiting.get(row.step);
    const minutes = (isStanding ? row.end - row.start : 0) + (wait ? wait.to - wait.from : 0);
    return minutes > MOST ? [{ step: row.step, does: step.does, dish: placed.dish.name, minutes }] : [];
  });
}
