import { toInstant, toWall } from '../clock';
import { withoutDish } from '../compose';
import { allUses, inWords, pathOf, placedSteps, toolNames, type Dinner } from '../dinner';
import type { Change } from '../plan';

/** Minutes that a look may come earlier or later than it may now. */
const MORE_SLACK = 2;
/** A change that a cook could make, to the dinner file. */
export interface Candidate {
  readonly change: Change[];
  readonly text: string;
  /** True where it is one dish fewer. */
  readonly leavesOut?: boolean;
  /** True where it mostly helps, so that it is worth a longer look. */
  readonly isLikely?: boolean;
  /** Where the one before it of the same series helps, it is not tried. */
  readonly series?: string;
}

/** A moment on the clock, so many minutes later. */
export function shifted(wall: string, minutes: number, timeZone: string): string {
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

/** The dinner at another time. */
export function sitDownCandidates(dinner: Dinner, minutes: readonly number[]): Candidate[] {
  return minutes.map((later) => {
    const sitDown = shifted(dinner.sitDown, later, dinner.timeZone);
    const text = `Sit down ${later} minutes later, at ${sitDown.slice(11)}.`;
    return { change: [{ path: 'sitDown', value: sitDown }], text };
  });
}

/** Changes that a cook could make before the evening begins. */
export function candidateChanges(dinner: Dinner): Candidate[] {
  return [
    ...sitDownCandidates(dinner, [30, 60, 120]),
    ...earlierCandidates(dinner),
    ...tableCandidates(dinner),
    ...decidedCandidates(dinner),
    ...looksCandidates(dinner, [MORE_SLACK]),
    ...ovenCandidates(dinner),
    ...kitchenCandidates(dinner),
    ...fewerCandidates(dinner),
  ];
}

/** Cooks who begin earlier. */
function earlierCandidates(dinner: Dinner): Candidate[] {
  const { timeZone } = dinner;
  const list: Candidate[] = [];
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
  return list;
}

/** One more cook, longer pauses, more time away from the table. */
export function tableCandidates(dinner: Dinner): Candidate[] {
  const list: Candidate[] = [];
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
  return list;
}

/** What the cook decided left to the plan, but for what has been done so. */
export function decidedCandidates(
  dinner: Dinner,
  isDone: (name: string) => boolean = () => false,
): Candidate[] {
  const list: Candidate[] = [];
  dinner.pins.forEach((pin, p) => {
    if (isDone(pin.step)) return;
    list.push({
      change: [{ path: 'pins', value: dinner.pins.filter((_, k) => k !== p) }],
      text: `Unpin ${named(dinner, pin.step)}.`,
    });
  });
  for (const key of Object.keys(dinner.choices)) {
    if (isDone(key)) continue;
    const { [key]: _dropped, ...others } = dinner.choices;
    list.push({
      change: [{ path: 'choices', value: others }],
      text: `Let the plan choose the way of ${named(dinner, key)}.`,
    });
  }
  return list;
}

/** One dish fewer, of those that may go. */
export function fewerCandidates(
  dinner: Dinner,
  mayGo: (dish: Dinner['dishes'][number]) => boolean = () => true,
): Candidate[] {
  if (dinner.dishes.length < 2) return [];
  return dinner.dishes
    .filter((dish) => mayGo(dish) && dinner.courses.some(({ dishes }) => dishes.includes(dish.id)))
    .map((dish) => ({
      change: leavingOut(dinner, dish.id),
      text: `Leave out ${dish.name}.`,
      leavesOut: true,
    }));
}

/** Looks at a pot that may come so many minutes earlier or later than they may now. */
export function looksCandidates(dinner: Dinner, minutes: readonly number[]): Candidate[] {
  return placedSteps(dinner).flatMap((placed) => {
    const { check } = placed.step;
    if (!check) return [];
    const path = `${pathOf(placed)}.check.slack`;
    return minutes.map((more) => ({
      change: [{ path, value: check.slack + more }],
      text: `Look at ${inWords(placed)} up to ${check.slack + more} minutes earlier or later.`,
      series: path,
    }));
  });
}

/** The smallest widening that the contract's `give` offers: ten degrees either side. */
export function ovenCandidates(dinner: Dinner): Candidate[] {
  return placedSteps(dinner).flatMap((placed) =>
    (placed.step.uses ?? []).flatMap((use, u) => {
      if (!('oven' in use)) return [];
      const give = use.give as number | [number, number];
      const wider = typeof give === 'number' ? give + 10 : [give[0] + 10, give[1] + 10];
      const path = `${pathOf(placed)}.uses[${u}].give`;
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
export function kitchenCandidates(dinner: Dinner): Candidate[] {
  const { rings, tools } = dinner.kitchen;
  const ofTools = toolNames(dinner).map((tool) => ({
    change: [{ path: `kitchen.tools[${JSON.stringify(tool)}]`, value: (tools[tool] ?? 1) + 1 }],
    text: `One more ${tool}.`,
  }));
  if (!allUses(dinner).some((use) => 'ring' in use)) return ofTools;
  return [{ change: [{ path: 'kitchen.rings', value: rings + 1 }], text: 'One more ring.' }, ...ofTools];
}
