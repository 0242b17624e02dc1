import { toInstant } from '../clock';
import {
  afterLinks,
  effectiveStep,
  hostName,
  inWords,
  pathOf,
  placedSteps,
  type Dinner,
  type PlacedStep,
} from '../dinner';
import type { Progress } from '../model';
import {
  decidedCandidates,
  fewerCandidates,
  kitchenCandidates,
  looksCandidates,
  ovenCandidates,
  shifted,
  sitDownCandidates,
  tableCandidates,
  type Candidate,
} from './candidates';

/** Minutes by which guests, and cooks, can be asked to wait once the evening has begun. */
const LATER = [5, 10, 15, 30, 60];
const LONGER = [15, 30, 60];
/** Minutes by which a look may come earlier or later than it may now. */
const MORE_SLACK = [2, 5];
/** A limit that is up in so many minutes is told to be extended, by so many more than have gone by. */
const SOON = 15;
const EXTRA = [2, 10];

/** Changes that a cook could make in the midst of the evening: what is past cannot be otherwise. */
export function lateCandidates(dinner: Dinner, progress: Progress): Candidate[] {
  const { begun, served } = progress;
  const later = served.size > 0 ? [] : sitDownCandidates(dinner, LATER);
  const isDone = ({ id, steps }: Dinner['dishes'][number]) => steps.every((s) => begun.has(`${id}/${s.id}`));
  return [
    ...later.map((candidate) => ({ ...candidate, series: 'sitDown', isLikely: true })),
    ...overdueCandidates(dinner, progress),
    ...overduePlates(dinner, progress),
    ...missedCandidates(dinner, progress),
    ...stayCandidates(dinner, progress),
    ...decidedCandidates(dinner, (name) => begun.has(name)),
    ...looksCandidates(dinner, MORE_SLACK),
    ...tableCandidates(dinner),
    ...ovenCandidates(dinner),
    ...kitchenCandidates(dinner),
    ...fewerCandidates(dinner, (dish) => !isDone(dish)),
  ];
}

/** Cooks who stay longer than they meant to, where their time is up soon or just was. */
function stayCandidates(dinner: Dinner, { now }: Progress): Candidate[] {
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  const nowAt = zero + now;
  return dinner.cooks.flatMap((cook, c) => {
    const k = cook.free.findLastIndex(({ from }) => toInstant(from, dinner.timeZone) <= nowAt);
    const window = cook.free[k];
    if (!window) return [];
    return LONGER.map((longer) => {
      const to = shifted(window.to, longer, dinner.timeZone);
      return {
        change: [{ path: `cooks[${c}].free[${k}].to`, value: to }],
        text: `${cook.name} stays ${longer} minutes longer, until ${to.slice(11)}.`,
        series: `stay ${cook.id}`,
      };
    });
  });
}

/** What waits already, and should have gone on by now or soon: it waits longer than it keeps, so it has to be looked at. */
function overdueCandidates(dinner: Dinner, progress: Progress): Candidate[] {
  const steps = placedSteps(dinner);
  return steps.flatMap((placed) => {
    if (progress.begun.has(placed.name)) return [];
    return afterLinks(placed.dish, placed.step).flatMap((link, k) => {
      const before = steps.find(({ name }) => name === link.from);
      const limit = before && limitNear(dinner, before, link.most, progress);
      if (!limit) return [];
      const told = placed.step.after[k]!;
      const asLink = typeof told === 'string' ? { step: told, least: 0 } : told;
      const path = `${pathOf(placed)}.after[${k}]`;
      return EXTRA.map((extra) => ({
        change: [{ path, value: { ...asLink, most: limit.least + extra } }],
        text: `${inWords(placed)} comes ${laterThan(limit, extra)}: look first whether ${inWords(before)} still holds.`,
        series: path,
      }));
    });
  });
}

/** What waits for the plates already, and keeps hardly longer. */
function overduePlates(dinner: Dinner, progress: Progress): Candidate[] {
  const steps = placedSteps(dinner);
  const followed = new Set(steps.flatMap(({ dish, step }) => afterLinks(dish, step).map(({ from }) => from)));
  const isServed = (course: number | null) =>
    course === null || progress.served.has(dinner.courses[course]!.id);
  return steps.flatMap((placed) => {
    const { name, step, courseIndex } = placed;
    if (isServed(courseIndex) || (followed.has(name) && !step.plated)) return [];
    const limit = limitNear(dinner, placed, step.plated?.most, progress);
    if (!limit) return [];
    const way = step.ways.findIndex(({ id, keeps }) => keeps && id === progress.begun.get(name)!.way);
    const own = way < 0 ? 'keeps' : `ways[${way}].keeps`;
    const field = step.plated?.most === undefined ? own : 'plated';
    const path = `${pathOf(placed)}.${field}.most`;
    return EXTRA.map((extra) => ({
      change: [{ path, value: limit.least + extra }],
      text: `${inWords(placed)} goes on the plate ${laterThan(limit, extra)}: look first whether it still holds.`,
      series: path,
    }));
  });
}

const laterThan = ({ least, limit }: Limit, extra: number) =>
  `up to ${least + extra - limit} minutes later than it should`;

/** What should have been done inside a step that goes on, or is to be soon, comes later. */
function missedCandidates(dinner: Dinner, { now, begun }: Progress): Candidate[] {
  return placedSteps(dinner).flatMap((placed) => {
    const { name, dish, step } = placed;
    const host = begun.get(hostName(dish, step) ?? '');
    if (!host || !step.within || begun.has(name)) return [];
    const { at, before, slack } = step.within;
    const due = before === undefined ? host.start + (at ?? 0) : host.start + host.minutes - before;
    const late = now - due;
    if (slack > late + SOON) return [];
    const path = `${pathOf(placed)}.within.slack`;
    return EXTRA.map((extra) => Math.max(slack, late) + extra).map((more) => ({
      change: [{ path, value: more }],
      text: `${inWords(placed)} comes up to ${more} minutes later than it should.`,
      series: path,
    }));
  });
}

interface Limit {
  /** Minutes that what a step made may wait. */
  readonly limit: number;
  /** The same, or what it has waited already, where that is more. */
  readonly least: number;
}

/** How long what a step made may wait, where that is up soon or was; null where it is not. */
function limitNear(
  dinner: Dinner,
  { name, dish, step }: PlacedStep,
  ofLink: number | null | undefined,
  { now, begun }: Progress,
): Limit | null {
  const row = begun.get(name);
  if (!row) return null;
  const way = step.ways.find(({ id }) => id === row.way) ?? null;
  const limit = ofLink === undefined ? (effectiveStep(dinner, dish, step, way).keeps?.most ?? null) : ofLink;
  const waited = now - row.start - row.minutes;
  return limit === null || limit > waited + SOON ? null : { limit, least: Math.max(limit, waited) };
}
