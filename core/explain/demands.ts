import { toInstant, toWall } from '../clock';
import type { Dinner } from '../dinner';

/** One kind of thing that a dinner asks for, and the dinner without it. */
export interface Demand {
  readonly kind: string;
  readonly text: string;
  readonly without: (dinner: Dinner) => Dinner;
}

const PLENTY = 99;
/** Days before sitting down in which even the longest dish can be made, one step after the other. */
function daysNeeded(dinner: Dinner): number {
  const longest = ({ minutes }: { minutes: number | { long: number } }) =>
    typeof minutes === 'number' ? minutes : minutes.long;
  const total = dinner.dishes.map((dish) => dish.steps.reduce((sum, step) => sum + longest(step), 0));
  return Math.ceil(total.reduce((a, b) => a + b, 0) / 1440) + 1;
}

function mapSteps(
  dinner: Dinner,
  change: (step: Dinner['dishes'][number]['steps'][number]) => object,
): Dinner {
  return {
    ...dinner,
    dishes: dinner.dishes.map((dish) => ({
      ...dish,
      steps: dish.steps.map((step) => ({ ...step, ...change(step) }) as typeof step),
    })),
  };
}

function withoutKeeping(dinner: Dinner): Dinner {
  return mapSteps(dinner, (step) => ({
    keeps: step.keeps ? { ...step.keeps, most: null } : undefined,
    plated: step.plated ? { most: null } : undefined,
    ways: step.ways.map((way) => (way.keeps ? { ...way, keeps: { ...way.keeps, most: null } } : way)),
    after: step.after.map((link) => (typeof link === 'string' ? link : { ...link, most: null })),
  }));
}

function withoutUses(dinner: Dinner, name: (use: object) => boolean): Dinner {
  return mapSteps(dinner, (step) => ({
    uses: (step.uses ?? []).filter((use) => !name(use)),
    ways: step.ways.map((way) => (way.uses ? { ...way, uses: way.uses.filter((use) => !name(use)) } : way)),
  }));
}

/** Everything that may be in the way of a plan, told in a cook's words. */
export function demandsOf(dinner: Dinner): Demand[] {
  const demands: Demand[] = [
    {
      kind: 'keeping',
      text: 'what is made may not wait any longer',
      without: withoutKeeping,
    },
    {
      kind: 'hands',
      text: 'there are no more hands than the cooks have',
      without: (d) => ({
        ...d,
        cooks: [...d.cooks, ...d.cooks.map((cook) => ({ ...cook, id: `${cook.id}-again` }))],
      }),
    },
    {
      kind: 'time',
      text: 'the cooks are free only in their own times',
      without: (d) => {
        const day = (days: number) => toWall(toInstant(d.sitDown, d.timeZone) + days * 1440, d.timeZone);
        const always = [{ from: day(-daysNeeded(d)), to: day(1) }];
        return { ...d, cooks: d.cooks.map((cook) => ({ ...cook, free: always })) };
      },
    },
    {
      kind: 'table',
      text: `a cook may be away from the table for no more than ${dinner.away} minutes, and hot fat is not left alone`,
      without: (d) => ({
        ...d,
        away: 1000,
        cooks: d.cooks.map((cook) => ({ ...cook, eats: false })),
        courses: d.courses.map((course) => ({ ...course, sitThrough: undefined })),
      }),
    },
    {
      kind: 'pauses',
      text: 'the pauses between courses are no longer than the table likes',
      without: (d) => ({
        ...d,
        courses: d.courses.map((c) => ({ ...c, pause: { ...c.pause, most: c.pause.most + 120 } })),
      }),
    },
    {
      kind: 'oven',
      text: 'the oven has only so many shelves, and one temperature at a time',
      without: (d) => withoutUses(d, (use) => 'oven' in use),
    },
    {
      kind: 'rings',
      text: `there are ${dinner.kitchen.rings} rings`,
      without: (d) => ({ ...d, kitchen: { ...d.kitchen, rings: PLENTY } }),
    },
    ...toolNames(dinner).map((tool) => ({
      kind: 'tool',
      text: `there are ${dinner.kitchen.tools[tool] ?? 1} of: ${tool}`,
      without: (d: Dinner) => withoutUses(d, (use) => 'tool' in use && use.tool === tool),
    })),
  ];
  if (dinner.pins.length > 0) {
    demands.push({
      kind: 'pins',
      text: 'the pinned steps start at their times',
      without: (d) => ({ ...d, pins: [] }),
    });
  }
  if (Object.keys(dinner.choices).length > 0) {
    demands.push({
      kind: 'choices',
      text: 'the ways that were chosen are kept',
      without: (d) => ({ ...d, choices: {} }),
    });
  }
  return demands;
}

function toolNames(dinner: Dinner): string[] {
  const names = new Set<string>();
  for (const use of dinner.dishes.flatMap((d) => d.steps.flatMap((s) => s.uses ?? []))) {
    if ('tool' in use) names.add(use.tool as string);
  }
  return [...names];
}
