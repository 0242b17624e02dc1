import { DAY_WINDOW, HELD_POINTS, TERM_NAMES, WEIGHTS, type Terms } from '../plan';
import type { Facts } from './facts';

const overlap = (a: number, b: number, c: number, d: number) => Math.max(0, Math.min(b, d) - Math.max(a, c));

/** Minutes and number of trips away from the table, over all cooks who eat and all courses. */
export function awayByCook(facts: Facts): { cook: string; course: number; minutes: number; trips: number }[] {
  const rows = [];
  for (const cook of facts.dinner.cooks.filter((c) => c.eats)) {
    for (const [course, [down, up]] of facts.eating.entries()) {
      const inside = facts.hands
        .filter((h) => h.cook === cook.id)
        .map((h) => [Math.max(h.from, down), Math.min(h.to, up)] as const)
        .filter(([from, to]) => to > from)
        .sort((a, b) => a[0] - b[0]);
      let minutes = 0;
      let trips = 0;
      let end = -Infinity;
      for (const [from, to] of inside) {
        minutes += to - from;
        if (from - end > 1) trips += 1;
        end = Math.max(end, to);
      }
      rows.push({ cook: cook.id, course, minutes, trips });
    }
  }
  return rows;
}

function heldTerm(facts: Facts): number {
  let sum = 0;
  for (const step of facts.steps) {
    let worst = 0;
    for (const link of facts.links) {
      const best = step.asked.keeps?.best ?? 0;
      if (link.from !== step || link.most === null || link.most <= best) continue;
      const held = link.start - step.planned.end;
      worst = Math.max(worst, Math.min(1, Math.max(0, held - best) / (link.most - best)));
    }
    sum += HELD_POINTS * worst;
  }
  return sum;
}

function gainsTerm(facts: Facts): number {
  let sum = 0;
  for (const step of facts.steps) {
    const gains = step.asked.keeps?.gains;
    const next = facts.links.filter((l) => l.from === step).map((l) => l.start);
    if (!gains || next.length === 0) continue;
    sum += gains.points * Math.max(0, 1 - (Math.min(...next) - step.planned.end) / gains.until);
  }
  return sum;
}

/** The terms of the cost, weighted, reckoned from the plan's own rows (section 6). */
export function costTerms(facts: Facts): Terms {
  const { dinner, plan } = facts;
  const raw = Object.fromEntries(TERM_NAMES.map((name) => [name, 0])) as Terms;
  dinner.courses.forEach((course, c) => {
    const wait = plan.courses[c]?.wait ?? null;
    if (c === 0 || wait === null) return;
    raw.wait += Math.max(0, wait - course.pause.ideal);
    raw.rushed += Math.max(0, course.pause.ideal - wait);
  });
  for (const row of awayByCook(facts)) {
    raw.away += row.minutes;
    raw.trips += row.trips;
  }
  raw.held = heldTerm(facts);
  raw.gains = gainsTerm(facts);
  let first = 0;
  for (const h of facts.hands) {
    raw.sameDay += overlap(h.from, h.to, -DAY_WINDOW, 0);
    if (h.kind !== 'plating' || h.course !== 0) raw.welcome += overlap(h.from, h.to, -dinner.arrive, 0);
    if (overlap(h.from, h.to, -DAY_WINDOW, 0) > 0) first = Math.min(first, Math.max(h.from, -DAY_WINDOW));
  }
  raw.day = -first;
  for (const { asked } of facts.steps) raw.ways += asked.points;
  for (const { dish, way } of plan.dishes) {
    const ways = dinner.dishes.find((d) => d.id === dish)?.ways ?? [];
    raw.ways += ways.find((w) => w.id === way)?.points ?? 0;
  }
  const weights = WEIGHTS[dinner.style];
  return Object.fromEntries(TERM_NAMES.map((name) => [name, raw[name] * weights[name]])) as Terms;
}
