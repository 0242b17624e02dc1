import { toInstant } from '../clock';
import {
  afterLinks,
  checkCount,
  effectiveStep,
  hostName,
  keepName,
  ovenRange,
  placedSteps,
  platingMinutes,
  toolNames,
  type Dinner,
  type PlacedStep,
  type StepWay,
} from '../dinner';
import { WEIGHTS } from '../plan';
import { fillBits, makeBits, type Bits } from './bits';
import { MAX_PAUSE, MAX_PIECES, NO_LIMIT } from './limits';
import type { Activity, CourseModel, Mode, Model, Progress, Thing } from './model';
import { lasting, minutesAsItWas, offsetAsItWas, servedPause, withStays } from './progress';

const HALF = 2;
/** Minutes kept clear at either end of the horizon, so that shifts stay inside. */
const MARGIN = 64;
/** Hands' minutes longer ago than this are left out of the horizon. */
const FARTHEST_HANDS = 31 * 1440;
/** How far before the first free minute steps that need no hands may begin. */
const FARTHEST_BACK = 14 * 1440;

function limitOf(most: number | null | undefined): number {
  return most === null ? NO_LIMIT : (most ?? -1);
}

function compileMode(
  dinner: Dinner,
  placed: PlacedStep,
  way: StepWay | null,
  thingIndex: ReadonlyMap<string, number>,
): Mode {
  const step = effectiveStep(dinner, placed.dish, placed.step, way);
  const { duration, check, keeps } = step;
  const isMoment = duration === 0;
  const ovenUse = isMoment ? undefined : step.uses.find((u) => 'oven' in u);
  const oven =
    ovenUse && 'oven' in ovenUse
      ? (ovenUse as { oven: number; give: number | [number, number]; shelves: number })
      : null;
  const [coldest, hottest] = oven ? ovenRange(oven) : [0, 0];
  const counts = new Map<string, number>();
  for (const use of isMoment ? [] : step.uses) {
    const name = keepName(use);
    const count = 'ring' in use ? (use.ring as number) : 'tool' in use ? (use.count as number) : 0;
    if (name !== null) counts.set(name, (counts.get(name) ?? 0) + count);
  }
  return {
    way: way?.id ?? null,
    isHands: step.attention === 'hands',
    duration,
    hands: isMoment ? 0 : step.hands,
    touchIn: step.touch.in,
    touchOut: step.touch.out,
    checks: check && check.takes > 0 ? checkCount(duration, check.every) : 0,
    every: check?.every ?? 1,
    takes: check?.takes ?? 1,
    slack: check?.slack ?? 0,
    pausable: step.pausable && duration >= 10,
    stay: step.stay && !isMoment,
    most: keeps?.most ?? NO_LIMIT,
    best: keeps?.best ?? 0,
    gainsUntil: keeps?.gains?.until ?? 0,
    gainsPoints: keeps?.gains?.points ?? 0,
    points: step.points,
    usesOven: oven !== null,
    celsius: oven?.oven ?? 0,
    coldest,
    hottest,
    shelves: (oven?.shelves ?? 0) * HALF,
    things: [...counts].map(([name, count]) => ({
      thing: thingIndex.get(name)!,
      count,
      kept: step.keepsIn.includes(name),
    })),
  };
}

function stretchesNeeded(mode: Mode): number {
  if (mode.isHands) return mode.hands * (mode.pausable ? MAX_PIECES : 1);
  return mode.checks + (mode.touchIn > 0 ? 1 : 0) + (mode.touchOut > 0 ? 1 : 0);
}

/**
 * Turns a dinner that was read without mistakes into the planner's model. With `progress` what has begun is
 * pinned to when it did, and lasts as long as is now known; the rest lies ahead.
 */
export function compileModel(dinner: Dinner, progress?: Progress): Model {
  const steps = placedSteps(dinner);
  const instantZero = toInstant(dinner.sitDown, dinner.timeZone);
  const moment = (wall: string) => toInstant(wall, dinner.timeZone) - instantZero;
  const index = new Map(steps.map((s, i) => [s.name, i]));
  const tools = toolNames(dinner);
  const thingIndex = new Map([['ring', 0], ...tools.map((t, i): [string, number] => [t, i + 1])]);

  const guestsOf = (host: string) =>
    steps.filter(({ dish, step }) => hostName(dish, step) === host).map(({ name }) => name);
  const modes = steps.map((placed) => {
    const begun = progress?.begun.get(placed.name);
    const chosen = begun ? begun.way : dinner.choices[placed.name];
    const minutes = progress && begun ? minutesAsItWas(progress, begun, guestsOf(placed.name)) : 0;
    return [null, ...placed.step.ways]
      .filter((way) => chosen === undefined || (way?.id ?? null) === chosen)
      .map((way) => compileMode(dinner, placed, way, thingIndex))
      .map((mode) => (begun ? lasting(mode, minutes) : mode));
  });

  const inHand = steps.flatMap(({ name }, i) =>
    progress?.begun.has(name) ? [{ name, mode: modes[i]![0]! }] : [],
  );
  const windows = dinner.cooks.map(({ free }) => {
    const meant = free.map((w) => [moment(w.from), moment(w.to)] as const);
    return progress ? withStays(meant, progress, inHand) : meant;
  });
  const firstFree = Math.max(-FARTHEST_HANDS, Math.min(0, ...windows.flat().map(([from]) => from)));
  const reach = (list: readonly Mode[]) => Math.max(...list.map((m) => m.duration));
  const handless = modes.filter((list) =>
    list.some((m) => !m.isHands && m.touchIn + m.touchOut + m.checks === 0),
  );
  const back =
    handless.reduce((sum, list) => sum + reach(list), 0) + (handless.length > 0 ? leastSum(steps) : 0);
  const pins = dinner.pins.map((pin) => moment(pin.start));
  const origin = Math.min(firstFree, ...pins) - Math.min(back, FARTHEST_BACK) - MARGIN;
  const lastServe = dinner.courses.reduce(
    (sum, course, c) => sum + course.eating + (c > 0 ? course.pause.most : 0),
    0,
  );
  const longest = Math.max(0, ...modes.map(reach));
  const slots = lastServe + Math.max(0, ...dinner.courses.map((c) => c.clearing)) - origin + MARGIN;
  const words = ((slots + longest + MARGIN) >> 5) + 4;

  let stretch = 0;
  const activities = steps.map((placed, i): Activity => {
    const list = modes[i]!;
    const maxStretches = Math.max(0, ...list.map(stretchesNeeded));
    const firstStretch = stretch;
    stretch += maxStretches;
    const { step, dish } = placed;
    const begun = progress?.begun.get(placed.name);
    const host = index.get(hostName(dish, step) ?? '') ?? -1;
    const fromEnd = step.within?.before !== undefined;
    const asItWas =
      progress && host >= 0
        ? offsetAsItWas(progress, placed.name, steps[host]!.name, modes[host]![0]!.duration, fromEnd)
        : null;
    const pinned = begun
      ? [begun.start - origin]
      : dinner.pins.filter((p) => p.step === placed.name).map((p) => moment(p.start) - origin);
    return {
      index: i,
      name: placed.name,
      dish: placed.dishIndex,
      course: placed.courseIndex ?? -1,
      role: 'step',
      modes: list,
      minDuration: Math.min(...list.map((m) => m.duration)),
      maxDuration: Math.max(...list.map((m) => m.duration + (m.pausable ? MAX_PAUSE : 0))),
      who: step.who === undefined ? -1 : dinner.cooks.findIndex((c) => c.id === step.who),
      pin: pinned.length === 0 ? -1 : pinned.every((p) => p === pinned[0]) ? pinned[0]! : -2,
      notBefore: progress && !begun ? progress.now - origin : 0,
      hasPlated: step.plated !== undefined,
      platedMost: limitOf(step.plated?.most),
      host,
      fromEnd,
      offset: asItWas ?? step.within?.at ?? step.within?.before ?? 0,
      slack: step.within?.slack ?? 0,
      firstStretch,
      maxStretches,
    };
  });
  const courses = dinner.courses.map((course, c): CourseModel => {
    const plating = platingMinutes(dinner, c);
    const clearing = c === dinner.courses.length - 1 ? 0 : course.clearing;
    const served = progress?.served.get(course.id);
    const service = (role: 'plating' | 'clearing', minutes: number, after: number): number => {
      const at = activities.length;
      const pin = served === undefined ? -1 : served + after - origin;
      // What is not on the table by now is not served before.
      const notBefore = progress && served === undefined ? progress.now + after - origin : 0;
      activities.push({ ...serviceActivity(at, role, c, minutes, stretch++), pin, notBefore });
      return at;
    };
    const platingActivity = service('plating', plating, -plating);
    const clearingActivity = service('clearing', clearing, course.eating);
    const pause = servedPause(dinner, c, progress) ?? course.pause;
    const away = course.sitThrough ? 0 : dinner.away;
    return { eating: course.eating, plating, clearing, ...pause, away, platingActivity, clearingActivity };
  });

  const calendars = windows.map((list) => {
    const bits: Bits = makeBits(words * 32);
    for (const [from, to] of list)
      fillBits(bits, Math.max(0, from - origin), Math.min(slots, Math.max(0, to - origin)), true);
    return bits;
  });
  const watched = makeBits(words * 32);
  dinner.cooks.forEach((cook, c) => {
    if (!cook.eats) calendars[c]!.forEach((word, w) => (watched[w]! |= word));
  });
  const usersOf = (uses: (mode: Mode) => boolean) =>
    activities.filter((a) => a.modes.some(uses)).map((a) => a.index);
  const things = ['ring', ...tools].map((name, t): Thing => ({
    name,
    capacity: t === 0 ? dinner.kitchen.rings : (dinner.kitchen.tools[name] ?? 1),
    wash: t === 0 ? 0 : dinner.kitchen.wash,
    users: usersOf((mode) => mode.things.some((use) => use.thing === t)),
  }));
  const directly = new Set<number>();
  steps.forEach((placed, i) => {
    for (const link of afterLinks(placed.dish, placed.step))
      directly.add(index.get(link.from)! * steps.length + i);
  });
  return {
    dinner,
    slots,
    words,
    zero: -origin,
    arrive: dinner.arrive,
    weights: WEIGHTS[dinner.style],
    activities,
    stepCount: steps.length,
    courses,
    ovens: dinner.kitchen.ovens.map((o) => ({
      id: o.id,
      shelves: o.shelves * HALF,
      heats: o.heats,
      cools: o.cools,
    })),
    things,
    ovenUsers: usersOf((mode) => mode.usesOven),
    cookCount: dinner.cooks.length,
    eats: dinner.cooks.map((c) => c.eats),
    calendars,
    now: progress ? Math.max(0, progress.now - origin) : 0,
    sessionStarts: sessionBounds(windows.flat().map(([from]) => from - origin)),
    sessionEnds: sessionBounds(windows.flat().map(([, to]) => to - origin)),
    watched,
    firstFree: Math.min(...windows.flat().map(([from]) => from)) - origin,
    dishWays: dinner.dishes.map((dish) =>
      dish.ways.flatMap((way, w) =>
        dinner.choices[dish.id] === undefined || dinner.choices[dish.id] === way.id ? [w] : [],
      ),
    ),
    stretchCount: stretch,
    directly,
  };
}

/** Plating or clearing: hands-on, at a time that its course gives. */
function serviceActivity(
  index: number,
  role: 'plating' | 'clearing',
  course: number,
  minutes: number,
  firstStretch: number,
): Activity {
  const mode: Mode = {
    way: null,
    isHands: true,
    duration: minutes,
    hands: minutes > 0 ? 1 : 0,
    touchIn: 0,
    touchOut: 0,
    checks: 0,
    every: 1,
    takes: 1,
    slack: 0,
    pausable: false,
    stay: false,
    most: NO_LIMIT,
    best: 0,
    gainsUntil: 0,
    gainsPoints: 0,
    points: 0,
    usesOven: false,
    celsius: 0,
    coldest: 0,
    hottest: 0,
    shelves: 0,
    things: [],
  };
  return {
    index,
    name: `${role} ${course}`,
    dish: -1,
    course,
    role,
    modes: [mode],
    minDuration: minutes,
    maxDuration: minutes,
    who: -1,
    pin: -1,
    notBefore: 0,
    hasPlated: false,
    platedMost: -1,
    host: -1,
    fromEnd: false,
    offset: 0,
    slack: 0,
    firstStretch,
    maxStretches: 1,
  };
}

function sessionBounds(slots: readonly number[]): number[] {
  return [...new Set(slots.filter((slot) => slot >= 0))].sort((a, b) => a - b);
}

function leastSum(steps: readonly PlacedStep[]): number {
  return steps.reduce(
    (sum, { dish, step }) => sum + Math.max(0, ...afterLinks(dish, step).map((l) => l.least)),
    0,
  );
}
