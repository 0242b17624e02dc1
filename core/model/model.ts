import type { Dinner } from '../dinner';
import type { TermName } from '../plan';
import type { Bits } from './bits';
import type { f64 } from './machine';

/**
 * The dinner as the planner sees it: activities with modes, time lags, renewable resources and
 * calendars. Times are slots: whole minutes from the start of the horizon; `zero` is sitting down.
 */

/** One way to do an activity. */
export interface Mode {
  readonly way: string | null;
  readonly isHands: boolean;
  readonly duration: number;
  readonly hands: number;
  readonly touchIn: number;
  readonly touchOut: number;
  readonly checks: number;
  readonly every: number;
  readonly takes: number;
  readonly slack: number;
  readonly pausable: boolean;
  readonly stay: boolean;
  /** Maximum time lag to what comes after, NO_LIMIT for none. */
  readonly most: number;
  readonly best: number;
  readonly gainsUntil: number;
  readonly gainsPoints: f64;
  readonly points: f64;
  readonly usesOven: boolean;
  readonly celsius: f64;
  readonly coldest: f64;
  readonly hottest: f64;
  /** In half shelves. */
  readonly shelves: number;
  /** Renewable resources taken, by index into `Model.things`. */
  readonly things: readonly ThingUse[];
}

export interface ThingUse {
  readonly thing: number;
  readonly count: number;
  /** Stays taken after the activity ends. */
  readonly kept: boolean;
}

/** A renewable resource: the rings (index 0), or a tool. */
export interface Thing {
  readonly name: string;
  readonly capacity: number;
  /** Minutes out of use between two different dishes. */
  readonly wash: number;
  /** Activities that use it in some mode. */
  readonly users: readonly number[];
}

/** A time lag from the end of `from` to the start of `to`. */
export interface Link {
  readonly from: number;
  readonly to: number;
  readonly least: number;
  /** The link's own limit, NO_LIMIT for none, -1 where the earlier activity's mode says. */
  readonly most: number;
}

export interface Activity {
  readonly index: number;
  readonly name: string;
  readonly dish: number;
  /** The course whose plating follows it, or -1 for a component. */
  readonly course: number;
  readonly role: 'step' | 'plating' | 'clearing';
  readonly modes: readonly Mode[];
  readonly minDuration: number;
  /** Longest it may take from start to end, pauses included. */
  readonly maxDuration: number;
  readonly who: number;
  readonly pin: number;
  /** It cannot start before this slot. */
  readonly notBefore: number;
  readonly hasPlated: boolean;
  /** Own limit to plating: NO_LIMIT for none, -1 where the mode says. */
  readonly platedMost: number;
  /** The activity it happens inside, or -1. */
  readonly host: number;
  /** Whether it is placed from the host's end backwards. */
  readonly fromEnd: boolean;
  readonly offset: number;
  readonly slack: number;
  /** First of its places in the table of hands stretches, and how many it may have. */
  readonly firstStretch: number;
  readonly maxStretches: number;
}

export interface CourseModel {
  readonly eating: number;
  readonly plating: number;
  readonly clearing: number;
  readonly least: number;
  readonly ideal: number;
  readonly most: number;
  /** The most minutes that a cook who eats may be away from the table during it. */
  readonly away: number;
  /** Indices of the activities that plate and clear it. */
  readonly platingActivity: number;
  readonly clearingActivity: number;
}

export interface OvenModel {
  readonly id: string;
  /** In half shelves. */
  readonly shelves: number;
  readonly heats: f64;
  readonly cools: f64;
}

/** What has happened by a moment in the evening. Minutes are relative to sitting down; names are `dish/step`. */
export interface Progress {
  /** Nothing that has not begun begins before this. */
  readonly now: number;
  /** When each step that has begun did so, and how long it took or is now thought to take, pauses left out. */
  readonly begun: ReadonlyMap<
    string,
    { readonly start: number; readonly minutes: number; readonly way: string | null }
  >;
  /** When courses that are on the table came there, by id. */
  readonly served: ReadonlyMap<string, number>;
}

/** What takes part, and how it is linked, for one choice of the dishes' ways. */
export interface Configuration {
  /** Index of the chosen way for each dish, -1 for a dish without ways. */
  readonly ways: readonly number[];
  readonly points: f64;
  readonly active: Uint8Array;
  readonly members: readonly number[];
  readonly before: readonly (readonly Link[])[];
  readonly after: readonly (readonly Link[])[];
  /** Limit of the lag to plating: -2 no plating follows, -1 the mode says, NO_LIMIT for none. */
  readonly plates: Int32Array;
  /** Host of each activity that happens inside another that takes part, else -1. */
  readonly hosts: Int32Array;
  readonly guests: readonly (readonly number[])[];
  /** Earliest and latest start of each activity by time lags and calendars alone. */
  readonly earliest: Int32Array;
  readonly latest: Int32Array;
  /** False where time lags and calendars alone leave no plan. */
  readonly possible: boolean;
}

export interface Model {
  readonly dinner: Dinner;
  readonly slots: number;
  readonly words: number;
  readonly zero: number;
  readonly arrive: number;
  readonly weights: Readonly<Record<TermName, number>>;
  /** The steps in the order of the file, then plating and clearing of each course. */
  readonly activities: readonly Activity[];
  readonly stepCount: number;
  readonly courses: readonly CourseModel[];
  readonly ovens: readonly OvenModel[];
  readonly things: readonly Thing[];
  readonly ovenUsers: readonly number[];
  readonly cookCount: number;
  readonly eats: readonly boolean[];
  /** Free windows of each cook. */
  readonly calendars: readonly Bits[];
  /** The slot before which nothing begins any more; 0 where the evening has not begun. */
  readonly now: number;
  /** Slots at which cooks' free windows begin and end. */
  readonly sessionStarts: readonly number[];
  readonly sessionEnds: readonly number[];
  /** Minutes in which a cook who does not eat is free. */
  readonly watched: Bits;
  /** Slot of the first minute in which any cook is free. */
  readonly firstFree: number;
  /** Indices of the ways each dish may be made in. */
  readonly dishWays: readonly (readonly number[])[];
  readonly stretchCount: number;
  /** Pairs (earlier * stepCount + later) where later comes directly after earlier. */
  readonly directly: ReadonlySet<number>;
}
