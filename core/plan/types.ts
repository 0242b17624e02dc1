/** The plan file, version 1. Moments are whole minutes relative to `sitDown`; intervals are half-open. */

export const TERM_NAMES = [
  'wait',
  'rushed',
  'away',
  'trips',
  'held',
  'gains',
  'sameDay',
  'welcome',
  'day',
  'ways',
] as const;

export type TermName = (typeof TERM_NAMES)[number];
export type Terms = Record<TermName, number>;

export interface CookSpan {
  from: number;
  to: number;
  /** null where the span is empty: a moment without a cook. */
  cook: string | null;
}

export interface PlanCourse {
  id: string;
  serve: number;
  /** Minutes from the end of eating the course before; null for the first course. */
  wait: number | null;
  plating: CookSpan;
  clearing: CookSpan | null;
}

export interface HandsSpan {
  from: number;
  to: number;
  cook: string;
  why: 'work' | 'in' | 'out' | 'check';
}

export interface PlanStep {
  /** `dish/step`. */
  step: string;
  start: number;
  end: number;
  way: string | null;
  oven: string | null;
  /** Only for hands steps. */
  pieces?: [number, number][];
  hands: HandsSpan[];
}

export interface OvenSetting {
  from: number;
  to: number;
  celsius: number;
}

export interface Notice {
  kind: string;
  text: string;
}

export interface Conflict {
  kind: string;
  /** Names of the steps involved. */
  steps: string[];
  text: string;
}

export interface Change {
  /** A path into the dinner file, as in an error message. */
  path: string;
  value: unknown;
}

export interface Remedy {
  change: Change[];
  text: string;
  /** The cost of the plan that the change makes possible. */
  cost: number;
}

export interface Plan {
  format: 'zeitlauf/plan';
  version: 1;
  title: string;
  sitDown: string;
  feasible: boolean;
  optimal: boolean;
  cost: number | null;
  /** A proven lower bound of the cost, or null. */
  bound: number | null;
  terms: Terms | null;
  courses: PlanCourse[];
  dishes: { dish: string; way: string }[];
  steps: PlanStep[];
  ovens: { id: string; programme: OvenSetting[] }[];
  notices: Notice[];
  /** Only where no plan is possible. */
  conflict?: Conflict[];
  remedies?: Remedy[];
}
