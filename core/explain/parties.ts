import { minutesInWords } from '../clock';
import {
  afterLinks,
  checkCount,
  effectiveStep,
  followersOf,
  hostName,
  inWords,
  placedSteps,
  quoted,
  type Dinner,
  type EffectiveStep,
  type PlacedStep,
} from '../dinner';

/** A step that has a part in a conflict. */
export interface Party {
  readonly placed: PlacedStep;
  /** The step as a cook names it, with its dish where steps of several are told of. */
  readonly words: string;
  /** What it is in each way in which it may be done. */
  readonly ways: readonly EffectiveStep[];
}

/** "a", "a and b", "a, b and c". */
export function inARow(parts: readonly string[]): string {
  return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
}

/** The steps of these names as parties, with the ways that the dinner leaves them. */
export function partiesOf(dinner: Dinner, names: ReadonlySet<string>): Party[] {
  const chosen = placedSteps(dinner).filter(({ name }) => names.has(name));
  const isOfOneDish = onlyDishOf(chosen) !== null;
  return chosen.map((placed) => {
    const way = dinner.choices[placed.name];
    const all = [null, ...placed.step.ways];
    const open = way === undefined ? all : all.filter((other) => (other?.id ?? null) === way);
    const ways = open.map((other) => effectiveStep(dinner, placed.dish, placed.step, other));
    return { placed, words: isOfOneDish ? quoted(placed) : inWords(placed), ways };
  });
}

/** The name of the dish that all of these steps belong to; null where they are of several. */
export function onlyDishOf(steps: readonly PlacedStep[]): string | null {
  const [first] = steps;
  return first && steps.every(({ dish }) => dish.id === first.dish.id) ? first.dish.name : null;
}

/** Another step as a cook names it beside one of the same dish, or of another. */
function beside({ dish }: PlacedStep, other: PlacedStep): string {
  return other.dish.id === dish.id ? quoted(other) : inWords(other);
}

/** The same by its name. */
function namesBeside(placed: PlacedStep, dinner: Dinner): (name: string) => string {
  const others = new Map(placedSteps(dinner).map((other) => [other.name, other]));
  return (name) => {
    const other = others.get(name);
    return other ? beside(placed, other) : name;
  };
}

/** Until when it keeps a pan or a ring that stays taken. */
export function untilNext({ placed }: Party, dinner: Dinner): string {
  const hasNext = followersOf(placedSteps(dinner)).get(placed.name)!.length > 0;
  return hasNext ? 'until what follows begins' : 'until plating';
}

/** How long it takes at least. */
export function timeOf({ words, ways }: Party): string {
  return `${words} takes ${minutesInWords(Math.min(...ways.map((way) => way.duration)))}`;
}

/** What it has to wait for; null where nothing. */
export function waitOf({ placed, words }: Party, dinner: Dinner): string | null {
  const named = namesBeside(placed, dinner);
  const waits = afterLinks(placed.dish, placed.step).filter(({ least }) => least > 0);
  if (waits.length === 0) return null;
  return waits
    .map(({ from, least }) => `${words} begins no sooner than ${minutesInWords(least)} after ${named(from)}`)
    .join(', ');
}

/** During which other step it is done, and when; null where it is a step of its own. */
export function hostOf({ placed, words }: Party, dinner: Dinner): string | null {
  const { within: inside } = placed.step;
  if (!inside) return null;
  const host = namesBeside(placed, dinner)(hostName(placed.dish, placed.step)!);
  const when =
    inside.at === undefined
      ? `${minutesInWords(inside.before ?? 0)} before its end`
      : `${minutesInWords(inside.at)} after its start`;
  return `${words} is done during ${host}, ${when}`;
}

/** How often it is looked at; null where it is not. */
export function looksOf({ words, ways }: Party): string | null {
  const check = ways.find((way) => way.check)?.check;
  if (!check) return null;
  const give = check.slack === 0 ? 'to the minute' : `give or take ${minutesInWords(check.slack)}`;
  return `${words} is looked at every ${minutesInWords(check.every)}, ${give}`;
}

/** How soon what follows it, or it itself, has to begin; null where that is as late as one likes. */
export function keepingOf(party: Party, dinner: Dinner): string | null {
  const { placed, words, ways } = party;
  const most = Math.max(...ways.map((way) => way.keeps?.most ?? Infinity));
  const plated = mostToPlating(placed, most, dinner);
  const parts = [
    ...followersWithin(placed, most, dinner).map((next) => soon(`${next} begins`, most, words)),
    ...afterLinks(placed.dish, placed.step)
      .filter((link) => typeof link.most === 'number')
      .map((link) => soon(`${words} begins`, link.most!, namesBeside(placed, dinner)(link.from))),
    ...(plated === Infinity ? [] : [soon(`plating begins`, plated, words)]),
  ];
  return parts.length === 0 ? null : parts.join(', ');
}

/** What begins after the step within the minutes that what it makes keeps. */
function followersWithin(placed: PlacedStep, most: number, dinner: Dinner): string[] {
  if (most === Infinity) return [];
  return placedSteps(dinner)
    .filter(({ dish, step }) =>
      afterLinks(dish, step).some((link) => link.from === placed.name && link.most === undefined),
    )
    .map((next) => beside(placed, next));
}

/** How long what it makes, which keeps for `most` minutes, may wait for the plate; Infinity where that is as long as one likes. */
function mostToPlating({ name, step }: PlacedStep, most: number, dinner: Dinner): number {
  if (step.plated?.most !== undefined) return step.plated.most ?? Infinity;
  const isLast = !step.within && followersOf(placedSteps(dinner)).get(name)!.length === 0;
  return step.plated || isLast ? most : Infinity;
}

const soon = (what: string, most: number, words: string) =>
  most === 0 ? `${what} right after ${words}` : `${what} within ${minutesInWords(most)} after ${words}`;

/** What hands it needs; null where it runs by itself. */
export function handsOf({ words, ways }: Party): string | null {
  const told = ways.map((way) => {
    if (way.attention === 'hands') {
      const whose = way.hands === 1 ? 'hands' : `${way.hands} cooks`;
      return `${words} needs ${whose} for ${minutesInWords(way.duration)}`;
    }
    const when = [
      ...(way.touch.in > 0 ? ['as it begins'] : []),
      ...(way.touch.out > 0 ? ['as it ends'] : []),
      ...(way.check ? [`every ${minutesInWords(way.check.every)}`] : []),
    ];
    return when.length === 0 ? null : `${words} needs hands ${inARow(when)}`;
  });
  return told.find((text) => text !== null) ?? null;
}

/** Minutes of hands that they need in all, each in the way that needs the fewest. */
export function minutesOfHands(parties: readonly Party[]): number {
  const ofWay = ({ attention, duration, hands, touch, check }: EffectiveStep) => {
    if (attention === 'hands') return duration * hands;
    return touch.in + touch.out + (check ? checkCount(duration, check.every) * check.takes : 0);
  };
  return parties.reduce((sum, { ways }) => sum + Math.min(...ways.map(ofWay)), 0);
}

/** Whose it is; null where anyone may do it. */
export function whoseOf({ placed, words }: Party, dinner: Dinner): string | null {
  const { who } = placed.step;
  if (who === undefined) return null;
  return `${words} is done by ${dinner.cooks.find(({ id }) => id === who)?.name ?? who} alone`;
}

/** Whether someone has to stay with it; null where nobody has to. */
export function stayOf({ words, ways }: Party): string | null {
  return ways.some((way) => way.stay) ? `${words} is not left alone while the cooks eat` : null;
}
