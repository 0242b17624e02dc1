import { toInstant, toWall } from '../clock';
import { withoutDish } from '../compose';
import { allUses, inWords, placedSteps, toolNames, type Dinner } from '../dinner';
import type { Change, Remedy } from '../plan';
import { applyChanges } from './change';

/** Minutes that a look may come earlier or later than it may now. */
const MORE_SLACK = 2;
/** Where no change helps by itself, so many pairs are enough. */
const ENOUGH_PAIRS = 3;
/** The share of the time that is left which each pair gets. */
const SHARE_OF_PAIR = 0.1;

interface Candidate {
  readonly change: Change[];
  readonly text: string;
  /** True where it is one dish fewer. */
  readonly leavesOut?: boolean;
}

/** The cost of a plan of the dinner, or null where none was found in this share of the time that is left. */
export type CostOf = (dinner: Dinner, share: number) => number | null;

function shifted(wall: string, minutes: number, timeZone: string): string {
  return toWall(toInstant(wall, timeZone) + minutes, timeZone);
}

/** A step or a dish in a cook's words, by the name that the file has for it. */
function named(dinner: Dinner, name: string): string {
  const step = placedSteps(dinner).find((s) => s.name === name);
  if (step) return inWords(step);
  return dinner.dishes.find((dish) => dish.id === name)?.name ?? name;
}

/** The change to a dinner file that leaves out a dish, with all that speaks of it. */
export function leavingOut(dinner: Dinner, dish: string): Change[] {
  const { courses, dishes, pins, choices } = withoutDish(dinner, dish);
  return Object.entries({ courses, dishes, pins, choices }).map(([path, value]) => ({ path, value }));
}

/** Changes that a cook could make, each as a change to the dinner file. */
export function candidateChanges(dinner: Dinner): Candidate[] {
  const { timeZone } = dinner;
  const list: Candidate[] = [];
  for (const later of [30, 60, 120]) {
    const sitDown = shifted(dinner.sitDown, later, timeZone);
    list.push({
      change: [{ path: 'sitDown', value: sitDown }],
      text: `Sit down ${later} minutes later, at ${sitDown.slice(11)}.`,
    });
  }
  dinner.cooks.forEach((cook, c) => {
    const first = cook.free[0];
    if (first) {
      for (const earlier of [60, 180]) {
        const from = shifted(first.from, -earlier, timeZone);
        list.push({
          change: [{ path: `cooks[${c}].free[0].from`, value: from }],
          text: `${cook.name} begins ${earlier / 60} ${earlier === 60 ? 'hour' : 'hours'} earlier, at ${from.slice(11)}.`,
        });
      }
    }
    const eve = shifted(dinner.sitDown, -1440, timeZone).slice(0, 10);
    list.push({
      change: [
        { path: `cooks[${c}].free`, value: [{ from: `${eve}T18:00`, to: `${eve}T22:00` }, ...cook.free] },
      ],
      text: `${cook.name} begins the evening before, from 18:00 to 22:00.`,
    });
  });
  const helper = {
    id: 'helper',
    name: 'A second pair of hands',
    eats: true,
    free: dinner.cooks.flatMap((c) => c.free),
  };
  if (!dinner.cooks.some((c) => c.id === helper.id)) {
    list.push({
      change: [{ path: 'cooks', value: [...dinner.cooks, helper] }],
      text: 'A second pair of hands helps.',
    });
  }
  dinner.courses.forEach((course, c) => {
    if (c === 0) return;
    list.push({
      change: [{ path: `courses[${c}].pause`, value: { ...course.pause, most: course.pause.most + 20 } }],
      text: `The pause before ${course.name} may be 20 minutes longer.`,
    });
  });
  dinner.courses.forEach((course, c) => {
    if (!course.sitThrough) return;
    list.push({
      change: [{ path: `courses[${c}].sitThrough`, value: false }],
      text: `Let the cook leave the table during ${course.name} after all.`,
    });
  });
  if (dinner.away < 60) {
    list.push({
      change: [{ path: 'away', value: dinner.away + 10 }],
      text: 'A cook may be away from the table 10 minutes longer.',
    });
  }
  dinner.pins.forEach((pin, p) =>
    list.push({
      change: [{ path: 'pins', value: dinner.pins.filter((_, k) => k !== p) }],
      text: `Unpin ${named(dinner, pin.step)}.`,
    }),
  );
  for (const key of Object.keys(dinner.choices)) {
    const { [key]: _dropped, ...others } = dinner.choices;
    list.push({
      change: [{ path: 'choices', value: others }],
      text: `Let the plan choose the way of ${named(dinner, key)}.`,
    });
  }
  list.push(...looksCandidates(dinner), ...ovenCandidates(dinner), ...kitchenCandidates(dinner));
  for (const dish of dinner.dishes) {
    if (dinner.dishes.length < 2 || !dinner.courses.some((c) => c.dishes.includes(dish.id))) continue;
    list.push({
      change: leavingOut(dinner, dish.id),
      text: `Leave out ${dish.name}.`,
      leavesOut: true,
    });
  }
  return list;
}

/** Looks at a pot that may come a little earlier or later than they should. */
function looksCandidates(dinner: Dinner): Candidate[] {
  return placedSteps(dinner).flatMap((placed) => {
    const { check } = placed.step;
    if (!check) return [];
    const path = `dishes[${placed.dishIndex}].steps[${placed.stepIndex}].check.slack`;
    return [
      {
        change: [{ path, value: check.slack + MORE_SLACK }],
        text: `Look at ${inWords(placed)} up to ${check.slack + MORE_SLACK} minutes earlier or later.`,
      },
    ];
  });
}

/** The smallest widening that the contract's `give` offers: ten degrees either side. */
function ovenCandidates(dinner: Dinner): Candidate[] {
  return placedSteps(dinner).flatMap((placed) =>
    (placed.step.uses ?? []).flatMap((use, u) => {
      if (!('oven' in use)) return [];
      const give = use.give as number | [number, number];
      const wider = typeof give === 'number' ? give + 10 : [give[0] + 10, give[1] + 10];
      const path = `dishes[${placed.dishIndex}].steps[${placed.stepIndex}].uses[${u}].give`;
      return [
        {
          change: [{ path, value: wider }],
          text: `Let the oven be 10 degrees hotter or cooler for ${inWords(placed)}.`,
        },
      ];
    }),
  );
}

/** One more of what steps use: a ring beside the stove, a pan from the neighbours. */
function kitchenCandidates(dinner: Dinner): Candidate[] {
  const { rings, tools } = dinner.kitchen;
  const ofTools = toolNames(dinner).map((tool) => ({
    change: [{ path: `kitchen.tools[${JSON.stringify(tool)}]`, value: (tools[tool] ?? 1) + 1 }],
    text: `One more ${tool}.`,
  }));
  if (!allUses(dinner).some((use) => 'ring' in use)) return ofTools;
  return [{ change: [{ path: 'kitchen.rings', value: rings + 1 }], text: 'One more ring.' }, ...ofTools];
}

/**
 * Changes that were tried and do make the dinner possible, cheapest first; where none does by itself, two together. In slices, one for each
 * that is tried, until it `isOver`.
 */
export function* findRemedies(
  dinner: Dinner,
  costOf: CostOf,
  isOver: () => boolean,
): Generator<void, Remedy[]> {
  const changes = candidateChanges(dinner);
  const tries = { dinner, costOf, isOver };
  const remedies: Remedy[] = [];
  for (const [k, candidate] of changes.entries()) {
    remedies.push(...(yield* tried(candidate, tries, 1 / (changes.length - k + 1))));
  }
  if (remedies.length === 0) remedies.push(...(yield* pairsOf(changes, tries)));
  return remedies.sort((a, b) => a.cost - b.cost);
}

interface Tries {
  readonly dinner: Dinner;
  readonly costOf: CostOf;
  readonly isOver: () => boolean;
}

function* tried(
  { change, text }: Candidate,
  { dinner, costOf, isOver }: Tries,
  share: number,
): Generator<void, Remedy[]> {
  yield;
  const cost = isOver() ? null : costOf(applyChanges(dinner, change), share);
  return cost === null ? [] : [{ change, text, cost }];
}

/** Two changes that help together, a few of them. */
function* pairsOf(changes: readonly Candidate[], tries: Tries): Generator<void, Remedy[]> {
  const pairs = new Map<string, Remedy>();
  // What is in the way twice is mostly so in two dishes.
  for (const one of changes.toSorted((a, b) => Number(b.leavesOut ?? false) - Number(a.leavesOut ?? false))) {
    for (const other of candidateChanges(applyChanges(tries.dinner, one.change))) {
      if (tries.isOver() || pairs.size >= ENOUGH_PAIRS) return [...pairs.values()];
      const text = [one.text, other.text].sort().join(' ');
      if (pairs.has(text)) continue;
      const pair = { change: [...one.change, ...other.change], text };
      for (const found of yield* tried(pair, tries, SHARE_OF_PAIR)) pairs.set(text, found);
    }
  }
  return [...pairs.values()];
}
