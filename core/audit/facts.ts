import { toInstant } from '../clock';
import {
  afterLinks,
  effectiveStep,
  hostName,
  participants,
  placedSteps,
  type Dinner,
  type EffectiveStep,
  type PlacedStep,
} from '../dinner';
import type { Plan, PlanStep } from '../plan';

/** What the audit knows of one step: what the dinner asks for and what the plan says. */
export interface StepFacts {
  readonly placed: PlacedStep;
  readonly asked: EffectiveStep;
  readonly planned: PlanStep;
}

/** A link from one step to what comes after it: another step or a plating. */
export interface LinkFacts {
  readonly from: StepFacts;
  readonly to: StepFacts | { readonly course: number };
  readonly least: number;
  /** null: no limit. */
  readonly most: number | null;
  /** Where what comes after starts. */
  readonly start: number;
}

export interface HandsFact {
  readonly cook: string | null;
  readonly from: number;
  readonly to: number;
  readonly what: string;
  readonly course: number | null;
  readonly kind: 'step' | 'plating' | 'clearing';
}

/** The dinner and the plan laid side by side, so that each rule is a short question. */
export interface Facts {
  readonly dinner: Dinner;
  readonly plan: Plan;
  readonly steps: readonly StepFacts[];
  readonly byName: ReadonlyMap<string, StepFacts>;
  readonly links: readonly LinkFacts[];
  readonly hands: readonly HandsFact[];
  /** For each cook, merged free windows in plan minutes. */
  readonly free: ReadonlyMap<string, readonly (readonly [number, number])[]>;
  /** For each course [plates down, last fork down). */
  readonly eating: readonly (readonly [number, number])[];
  readonly missing: readonly string[];
}

function freeWindows(dinner: Dinner): Map<string, [number, number][]> {
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  return new Map(
    dinner.cooks.map((cook) => {
      const merged: [number, number][] = [];
      const windows = cook.free
        .map((w): [number, number] => [
          toInstant(w.from, dinner.timeZone) - zero,
          toInstant(w.to, dinner.timeZone) - zero,
        ])
        .sort((a, b) => a[0] - b[0]);
      for (const [from, to] of windows) {
        const last = merged.at(-1);
        if (last && from <= last[1]) last[1] = Math.max(last[1], to);
        else merged.push([from, to]);
      }
      return [cook.id, merged];
    }),
  );
}

function linksOf(plan: Plan, byName: ReadonlyMap<string, StepFacts>): LinkFacts[] {
  const links: LinkFacts[] = [];
  const followed = new Set<string>();
  for (const to of byName.values()) {
    for (const link of afterLinks(to.placed.dish, to.placed.step)) {
      const from = byName.get(link.from);
      if (!from) continue;
      followed.add(link.from);
      const most = link.most === undefined ? (from.asked.keeps?.most ?? null) : link.most;
      links.push({ from, to, least: link.least, most, start: to.planned.start });
    }
  }
  for (const from of byName.values()) {
    const { step, dish, courseIndex, name } = from.placed;
    const host = hostName(dish, step);
    const insideAnother = host !== null && byName.has(host);
    const plates = step.plated !== undefined || (!followed.has(name) && !insideAnother);
    const course = courseIndex === null ? undefined : plan.courses[courseIndex];
    if (!plates || courseIndex === null || !course) continue;
    const own = step.plated?.most;
    const most = own === undefined ? (from.asked.keeps?.most ?? null) : own;
    links.push({ from, to: { course: courseIndex }, least: 0, most, start: course.plating.from });
  }
  return links;
}

/** Lays the plan beside the dinner. Steps that take part and are not planned stand in `missing`. */
export function gatherFacts(dinner: Dinner, plan: Plan): Facts {
  const ways = new Map(plan.dishes.map((d) => [d.dish, d.way]));
  const partOf = participants(dinner, ways);
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const byName = new Map<string, StepFacts>();
  const missing: string[] = [];
  for (const placed of placedSteps(dinner)) {
    if (!partOf.has(placed.name)) continue;
    const row = planned.get(placed.name);
    if (!row) {
      missing.push(placed.name);
      continue;
    }
    const way = placed.step.ways.find((w) => w.id === row.way) ?? null;
    byName.set(placed.name, {
      placed,
      asked: effectiveStep(dinner, placed.dish, placed.step, way),
      planned: row,
    });
  }
  const hands: HandsFact[] = [];
  for (const { planned: row, placed } of byName.values()) {
    for (const h of row.hands) {
      hands.push({ ...h, what: row.step, course: placed.courseIndex, kind: 'step' });
    }
  }
  plan.courses.forEach((course, c) => {
    for (const kind of ['plating', 'clearing'] as const) {
      const span = course[kind];
      if (span && span.to > span.from) hands.push({ ...span, what: `${kind} ${course.id}`, course: c, kind });
    }
  });
  return {
    dinner,
    plan,
    steps: [...byName.values()],
    byName,
    links: linksOf(plan, byName),
    hands,
    free: freeWindows(dinner),
    eating: dinner.courses.map((course, c) => {
      const serve = plan.courses[c]?.serve ?? 0;
      return [serve, serve + course.eating];
    }),
    missing,
  };
}
