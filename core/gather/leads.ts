import { toInstant, toWall } from '../clock';
import type { Dinner } from '../dinner';
import { plannedSteps } from '../live';
import type { Plan } from '../plan';
import { isStaple } from './shelves';

/** Something that has to happen before the day, or long before it is used. */
export interface Lead {
  readonly kind: 'buy' | 'thaw' | 'start' | 'wait';
  /** By when, in plan minutes. */
  readonly by: number;
  readonly text: string;
  readonly dish: string;
  /** `dish/step`, where it is a step of the plan. */
  readonly step: string | null;
}

export interface LeadDay {
  /** The local day, YYYY-MM-DD. */
  readonly day: string;
  readonly leads: readonly Lead[];
}

/** What waits longer than this by itself is worth knowing days before. */
const LONG = 120;
const THAWS = 1440;
/** Shops are open until then on the day before: things are bought by noon of the day on which they are used. */
const SHOP_BEFORE = 180;
const FROZEN = /\bfrozen\b|\bto (?:be )?thaw(?:ed)?\b/i;

const dayOf = (dinner: Dinner, minute: number) =>
  toWall(toInstant(dinner.sitDown, dinner.timeZone) + minute, dinner.timeZone).slice(0, 10);

/**
 * What has to be bought, thawed, begun or set by when: a list for each day, from the plan. Things of a dish are
 * bought some hours before its first step; what is frozen thaws for a day in the fridge before that.
 */
export function leadDays(dinner: Dinner, plan: Plan): LeadDay[] {
  const steps = plannedSteps(dinner, plan);
  const leads: Lead[] = [];
  for (const dish of dinner.dishes) {
    const own = steps.filter((s) => s.placed.dish.id === dish.id);
    if (own.length === 0) continue;
    const first = Math.min(...own.map((s) => s.row.start));
    const items = dish.ingredients.map((i) => i.item).filter((item) => !isStaple(item));
    if (items.length > 0) {
      leads.push({
        kind: 'buy',
        by: first - SHOP_BEFORE,
        text: `Have at home: ${items.join(', ')}`,
        dish: dish.name,
        step: null,
      });
    }
    for (const i of dish.ingredients.filter((x) => FROZEN.test(`${x.item} ${x.to ?? ''}`))) {
      leads.push({
        kind: 'thaw',
        by: first - THAWS,
        text: `Put into the fridge to thaw: ${i.item}`,
        dish: dish.name,
        step: null,
      });
    }
  }
  const lastDay = dayOf(dinner, 0);
  for (const { row, step, placed, as } of steps) {
    const isDayBefore = dayOf(dinner, row.start) < lastDay;
    const isLong = as.attention !== 'hands' && row.end - row.start >= LONG;
    if (!isDayBefore && !isLong) continue;
    leads.push({
      kind: isLong ? 'wait' : 'start',
      by: row.start,
      text: step.does,
      dish: placed.dish.name,
      step: row.step,
    });
  }
  const days = [...new Set(leads.map((l) => dayOf(dinner, l.by)))].sort();
  return days.map((day) => ({
    day,
    leads: leads
      .filter((l) => dayOf(dinner, l.by) === day)
      .sort((a, b) => a.by - b.by || a.text.localeCompare(b.text)),
  }));
}
