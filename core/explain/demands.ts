import { minutesInWords, toInstant, toWall, weekdayOf } from '../clock';
import { inWords, keepName, placedSteps, toolNames, type Dinner, type Step, type Use } from '../dinner';
import {
  withoutHands,
  withoutHost,
  withoutKeeping,
  withoutLooks,
  withoutStay,
  withoutUses,
  withoutWaits,
  withoutWho,
  withSteps,
} from './less';
import {
  handsOf,
  hostOf,
  inARow,
  keepingOf,
  looksOf,
  minutesOfHands,
  stayOf,
  untilNext,
  waitOf,
  whoseOf,
  type Party,
} from './parties';

/** One kind of thing that a dinner asks for, and the dinner without it. */
export interface Demand {
  readonly kind: string;
  readonly without: (dinner: Dinner) => Dinner;
  /** The dinner in which this step alone does not ask for it; none where it is not steps that ask. */
  readonly withoutFor?: (dinner: Dinner, step: string) => Dinner;
  /** Whether a step asks for it. */
  readonly concerns: (party: Party, dinner: Dinner) => boolean;
  /** What is asked, in a cook's words, of the steps that ask for it. */
  readonly tell: (parties: readonly Party[], dinner: Dinner) => string;
  /** The same where there are too many to tell one by one. */
  readonly sumUp?: (parties: readonly Party[], dinner: Dinner) => string;
  /** Whether that says how long the step takes, too, or that it cannot be done in any time. */
  readonly tellsTime?: (party: Party, dinner: Dinner) => boolean;
}

/** More windows of free time than this are not told one by one. */
const MOST_WINDOWS = 3;

/** Days before sitting down in which even the longest dish can be made, one step after the other. */
function daysNeeded(dinner: Dinner): number {
  const longest = ({ minutes }: { minutes: number | { long: number } }) =>
    typeof minutes === 'number' ? minutes : minutes.long;
  const total = dinner.dishes.map((dish) => dish.steps.reduce((sum, step) => sum + longest(step), 0));
  return Math.ceil(total.reduce((a, b) => a + b, 0) / 1440) + 1;
}

/** A demand that steps make: the step without it, what a step asks, and what is told where steps are not told one by one. */
function stepDemand(
  kind: string,
  change: (step: Step) => Step,
  ask: (party: Party, dinner: Dinner) => string | null,
  general: (dinner: Dinner) => string,
): Demand {
  return {
    kind,
    without: (dinner) => withSteps(dinner, () => true, change),
    withoutFor: (dinner, step) => withSteps(dinner, (name) => name === step, change),
    concerns: (party, dinner) => ask(party, dinner) !== null,
    tell: (parties, dinner) =>
      parties.flatMap((party) => ask(party, dinner) ?? []).join('; ') || general(dinner),
  };
}

/** What a step uses of one sort in the first of its ways that does, and whether that stays taken. */
function usesOf<U extends Use>({ ways }: Party, is: (use: Use) => use is U) {
  const found = ways
    .map(({ uses, keepsIn }) => ({
      uses: uses.filter(is),
      isKept: uses.some((use) => is(use) && keepsIn.includes(keepName(use) ?? '')),
    }))
    .find(({ uses }) => uses.length > 0);
  return found ?? { uses: [], isKept: false };
}

const isOven = (use: Use): use is Extract<Use, { oven: number }> => 'oven' in use;
const isRing = (use: Use): use is Extract<Use, { ring: number }> => 'ring' in use;
const isTool =
  (tool: string) =>
  (use: Use): use is Extract<Use, { tool: string }> =>
    'tool' in use && use.tool === tool;

/** Something of the kitchen that steps use. */
interface Stock<U extends Use> {
  readonly kind: string;
  readonly is: (use: Use) => use is U;
  readonly wants: (use: U) => string;
  readonly thereIs: (dinner: Dinner) => string;
  /** Whether a step wants more of it than there ever is. */
  readonly isLacking: (use: U, kitchen: Dinner['kitchen']) => boolean;
}

/** A demand for it: what each step wants of it, and what there is. */
function useDemand<U extends Use>({ kind, is, wants, thereIs, isLacking }: Stock<U>): Demand {
  const ask = (party: Party, dinner: Dinner) => {
    const { uses, isKept } = usesOf(party, is);
    const kept = isKept ? `, kept ${untilNext(party, dinner)}` : '';
    return uses.length === 0 ? null : `${party.words} wants ${inARow(uses.map(wants))}${kept}`;
  };
  return {
    ...stepDemand(kind, (step) => withoutUses(step, is), ask, thereIs),
    tell: (parties, dinner) => [...parties.map((party) => ask(party, dinner)), thereIs(dinner)].join('; '),
    tellsTime: (party, { kitchen }) => usesOf(party, is).uses.some((use) => isLacking(use, kitchen)),
  };
}

/** When a cook has time, with the day where it is not the dinner's. */
function timeOf({ name, free }: Dinner['cooks'][number], { sitDown }: Dinner): string {
  if (free.length === 0) return `${name} has no time`;
  if (free.length > MOST_WINDOWS) return `${name} has time only now and then`;
  const told = (wall: string) =>
    wall.slice(0, 10) === sitDown.slice(0, 10) ? wall.slice(11) : `${weekdayOf(wall)} ${wall.slice(11)}`;
  return `${name} has time only ${inARow(free.map(({ from, to }) => `from ${told(from)} to ${told(to)}`))}`;
}

const nobody = () => false;

/** Everything that may be in the way of a plan, what seldom is first: of that much can be set aside at once. */
export function demandsOf(dinner: Dinner): Demand[] {
  return [...OF_STEPS, ...ofTheKitchen(dinner), ...OF_THE_TABLE, ...ofTheCook(dinner), ...OF_COOKS, KEEPING];
}

const KEEPING = stepDemand(
  'keeping',
  withoutKeeping,
  keepingOf,
  () => 'what is made may not wait any longer',
);

const OF_STEPS: readonly Demand[] = [
  stepDemand('looks', withoutLooks, looksOf, () => 'some steps are looked at again and again'),
  stepDemand('within', withoutHost, hostOf, () => 'some steps are done during others'),
  stepDemand('stay', withoutStay, stayOf, () => 'some steps are not left alone while the cooks eat'),
  stepDemand('waiting', withoutWaits, waitOf, () => 'some steps wait for what comes before to rest'),
  stepDemand('who', withoutWho, whoseOf, () => 'some steps are done by one cook alone'),
];

function oneAtATime({ cooks }: Dinner): string {
  return `${inARow(cooks.map(({ name }) => name))} ${cooks.length === 1 ? 'does' : 'do'} one thing at a time`;
}

const OF_COOKS: readonly Demand[] = [
  {
    kind: 'time',
    without: (d) => {
      const day = (days: number) => toWall(toInstant(d.sitDown, d.timeZone) + days * 1440, d.timeZone);
      const always = [{ from: day(-daysNeeded(d)), to: day(1) }];
      return { ...d, cooks: d.cooks.map((cook) => ({ ...cook, free: always })) };
    },
    concerns: nobody,
    tell: (_, d) => d.cooks.map((cook) => timeOf(cook, d)).join('; '),
  },
  {
    ...stepDemand('hands', withoutHands, handsOf, () => ''),
    without: (d) => ({
      ...withSteps(d, () => true, withoutWho),
      cooks: [...d.cooks, ...d.cooks.map((cook) => ({ ...cook, id: `${cook.id}-again` }))],
    }),
    tell: (parties, dinner) => [...parties.map(handsOf), oneAtATime(dinner)].join('; '),
    sumUp: (parties, dinner) =>
      `${parties.length} steps need hands for ${minutesInWords(minutesOfHands(parties))} in all; ${oneAtATime(dinner)}`,
    tellsTime: ({ ways }) => ways.every(({ attention }) => attention === 'hands'),
  },
];

const OF_THE_TABLE: readonly Demand[] = [
  {
    kind: 'table',
    without: (d) => ({
      ...d,
      away: 1000,
      courses: d.courses.map((course) => ({ ...course, sitThrough: undefined })),
    }),
    concerns: nobody,
    tell: (_, { away, courses }) => {
      const held = courses.filter(({ sitThrough }) => sitThrough).map(({ name }) => name);
      const most = `a cook may be away from the table for no more than ${minutesInWords(away)} in a course`;
      return [most, ...held.map((name) => `nobody leaves the table during ${name}`)].join('; ');
    },
  },
  {
    kind: 'pauses',
    without: (d) => ({
      ...d,
      courses: d.courses.map((c) => ({ ...c, pause: { ...c.pause, most: c.pause.most + 120 } })),
    }),
    concerns: nobody,
    tell: (_, { courses }) =>
      courses
        .slice(1)
        .map(({ name, pause }) => `the pause before ${name} is ${minutesInWords(pause.most)} at most`)
        .join('; '),
  },
];

const noneOrOne = (count: number) => (count === 0 ? 'no' : 'one');

/** So many of a tool; how several of it are called nobody knows. */
const countOf = (tool: string, count: number) =>
  count > 1 ? `${count} x ${tool}` : `${noneOrOne(count)} ${tool}`;

function ofTheKitchen(dinner: Dinner): Demand[] {
  return [RINGS, ...toolNames(dinner).map(toolDemand), OVENS];
}

const RINGS = useDemand({
  kind: 'rings',
  is: isRing,
  wants: ({ ring }) => (ring === 1 ? 'a ring' : `${ring} rings`),
  thereIs: ({ kitchen: { rings } }) =>
    rings > 1 ? `there are ${rings} rings` : `there is ${noneOrOne(rings)} ring`,
  isLacking: ({ ring }, { rings }) => ring > rings,
});

const toolDemand = (tool: string) =>
  useDemand({
    kind: 'tool',
    is: isTool(tool),
    wants: ({ count }) => countOf(tool, count),
    thereIs: ({ kitchen }) => `the kitchen has ${countOf(tool, kitchen.tools[tool] ?? 1)}`,
    isLacking: ({ count }, { tools }) => count > (tools[tool] ?? 1),
  });

const shelvesInWords = (count: number) => `${count} ${count === 1 ? 'shelf' : 'shelves'}`;

const OVENS = useDemand({
  kind: 'oven',
  is: isOven,
  wants: ({ oven, shelves }) => `${shelves > 1 ? `${shelvesInWords(shelves)} of ` : ''}an oven at ${oven} °C`,
  thereIs: ({ kitchen: { ovens } }) => {
    if (ovens.length === 0) return 'there is no oven';
    const told = ovens.map(({ name, shelves }) => `${name}, ${shelvesInWords(shelves)}`);
    return `the kitchen has ${inARow(told)}, cold at first`;
  },
  isLacking: (use, { ovens }) => ovens.every(({ shelves }) => shelves < use.shelves),
});

/** What the cook has decided by hand. */
function ofTheCook(dinner: Dinner): Demand[] {
  const demands: Demand[] = [];
  if (dinner.pins.length > 0) {
    const startOf = ({ placed }: Party) => dinner.pins.find((pin) => pin.step === placed.name)?.start;
    demands.push({
      kind: 'pins',
      without: (d) => ({ ...d, pins: [] }),
      withoutFor: (d, step) => ({ ...d, pins: d.pins.filter((pin) => pin.step !== step) }),
      concerns: (party) => startOf(party) !== undefined,
      tell: (parties) =>
        parties.map((party) => `${party.words} is pinned to ${startOf(party)!.slice(11)}`).join('; ') ||
        'the pinned steps start at their times',
    });
  }
  if (Object.keys(dinner.choices).length > 0) {
    demands.push({
      kind: 'choices',
      without: (d) => ({ ...d, choices: {} }),
      concerns: ({ placed }) => placed.name in dinner.choices || placed.dish.id in dinner.choices,
      tell: () => chosenInWords(dinner).join('; '),
    });
  }
  return demands;
}

/** Which ways the cook has chosen. */
function chosenInWords(dinner: Dinner): string[] {
  const label = (ways: readonly { id: string; label: string }[], chosen: string | null) =>
    ways.find(({ id }) => id === chosen)?.label ?? 'as usual';
  const dishes = dinner.dishes.map(({ id, name, ways }) => ({ key: id, words: name, ways }));
  const steps = placedSteps(dinner).map((placed) => ({
    key: placed.name,
    words: inWords(placed),
    ways: placed.step.ways,
  }));
  return [...dishes, ...steps]
    .filter(({ key }) => key in dinner.choices)
    .map(({ key, words, ways }) => `the way of ${words} is chosen: ${label(ways, dinner.choices[key]!)}`);
}
