import {
  checkFrom,
  checkTo,
  MAX_PAUSE,
  NO_LIMIT,
  type Activity,
  type Configuration,
  type f64,
  type Mode,
  type Model,
} from '../model';
import { gainSidesOf, partOf, sidesOf, waitingPieces } from './losses';

/**
 * A cost of waiting that is linear over [from, to] minutes: base + slope x minutes. What is lost by being held is told apart,
 * since a queue may pay for a share of it.
 */
export interface Piece {
  readonly from: number;
  readonly to: number;
  base: f64;
  slope: f64;
  readonly heldBase: f64;
  readonly heldSlope: f64;
  readonly otherBase: f64;
  readonly otherSlope: f64;
}

/** A priced resource that a step takes, from when and until when. */
export interface Use {
  readonly resource: number;
  readonly count: number;
  /** Minutes after the start from which it is taken. */
  readonly lead: number;
  /** True where it stays taken until what the branch leads to begins. */
  readonly kept: boolean;
  /** True where it is taken in minutes of hands only, of work that may pause, of touches and looks; then it has no `lead` and no `rest`. */
  readonly worked: boolean;
  /**
   * Minutes after the end in which nobody else can have it: it is washed, or the oven changes its heat. Below nothing where
   * it is free again before the end.
   */
  rest: number;
}

/** A look at a pot: it begins `low` to `high` minutes after the step does, and in the part in hand in slots [from, to]. */
export interface Check {
  readonly low: number;
  readonly high: number;
  /** Its place among all checks. */
  readonly number: number;
  from: number;
  to: number;
}

/** One mode of one activity with the starts that are still open to it. */
export interface Option {
  readonly activity: number;
  readonly index: number;
  /** Its place among all options. */
  readonly number: number;
  readonly mode: Mode;
  readonly reach: number;
  /** Minutes of pause, least and most, in the part in hand. */
  shortest: number;
  longest: number;
  /** First start, and how many starts from there on. */
  readonly low: number;
  readonly count: number;
  /** Where its starts begin in the domain. */
  readonly at: number;
  /** First and last start that is open, counted from `low`; last below first where none is. */
  first: number;
  last: number;
  /** The widest run of starts between them that are closed, [gapFrom, gapTo): a night. Beyond `last` where none is wide. */
  gapFrom: number;
  gapTo: number;
  readonly uses: Use[];
  /** True where some of them stays taken. */
  readonly keeps: boolean;
  readonly checks: readonly Check[];
  /** What it costs to wait for what the branch leads to. */
  readonly pieces: readonly Piece[];
  readonly sides: readonly Side[];
  /** What else it leads to beside its branch and may begin first, where it gains by waiting for the first. */
  readonly gainSides: readonly number[];
  /** Where there are any: the cost of waiting without what is lost by being held, without what is lost by not waiting, and without either. */
  readonly plainPieces: readonly Piece[];
  readonly heldPieces: readonly Piece[];
  readonly barePieces: readonly Piece[];
  /** Cost of each start with all that leads to it, and with the rest of the evening too. */
  readonly up: Float64Array;
  readonly total: Float64Array;
  /** `up` by end, from `low + duration` on; the same array where it does not pause. */
  readonly ends: Float64Array;
}

/** A link of a step beside its branch: what is made waits for this, too, and loses by the longer wait, `slope` in each minute from `best` to `most`. */
export interface Side {
  /** The step, or the plating, that it leads to. */
  readonly to: number;
  readonly best: number;
  readonly most: number;
  readonly slope: f64;
}

/** Where an activity hangs in the tree: on the start of a later one, inside a host, on a course's plating, nowhere. */
export interface Branch {
  readonly kind: 'after' | 'inside' | 'plate' | 'none';
  readonly parent: number;
  readonly least: number;
  readonly most: number;
}

export const NO_BRANCH: Branch = { kind: 'none', parent: -1, least: 0, most: NO_LIMIT };

/**
 * The branch of each step in a tree that leads to the courses. Of several links forward the one whose
 * waiting can cost the most is kept; the others only narrow windows.
 */
export function branchOf(config: Configuration, activity: Activity): Branch {
  const i = activity.index;
  if (config.hosts[i]! >= 0) return { kind: 'inside', parent: config.hosts[i]!, least: 0, most: NO_LIMIT };
  const limitOf = (most: number) => (most >= 0 ? most : Math.max(...activity.modes.map((mode) => mode.most)));
  let best = NO_BRANCH;
  const offer = (branch: Branch) => {
    if (best === NO_BRANCH || limitOf(branch.most) < limitOf(best.most)) best = branch;
  };
  for (const link of config.after[i]!)
    offer({ kind: 'after', parent: link.to, least: link.least, most: link.most });
  const plates = config.plates[i]!;
  if (plates !== -2) offer({ kind: 'plate', parent: activity.course, least: 0, most: plates });
  return best;
}

/** True where it leads to something that what is made may have to wait for. */
function isLed({ kind }: Branch): boolean {
  return kind === 'after' || kind === 'plate';
}

/** How many things come after the step, plating included. */
export function followers(config: Configuration, i: number): number {
  return config.after[i]!.length + (config.plates[i] !== -2 ? 1 : 0);
}

export function makeOption(
  model: Model,
  config: Configuration,
  activity: Activity,
  index: number,
  branch: Branch,
  number: number,
  at: number,
  firstCheck: number,
  priced: ReadonlyMap<number, number>,
  oven: readonly number[],
): Option {
  const mode = activity.modes[index]!;
  const i = activity.index;
  const low = config.earliest[i]!;
  const count = config.latest[i]! - low + 1;
  const reach = mode.pausable ? MAX_PAUSE : 0;
  const mayKeep = isLed(branch) && followers(config, i) === 1;
  const uses = mode.things.flatMap((use): Use[] => {
    const resource = priced.get(use.thing);
    return resource === undefined
      ? []
      : [{ resource, count: use.count, kept: use.kept && mayKeep, worked: false, lead: 0, rest: 0 }];
  });
  for (const resource of oven)
    uses.push({ resource, count: mode.shelves, kept: false, worked: false, lead: 0, rest: 0 });
  const sides = isLed(branch) ? sidesOf(model, config, i, mode, branch) : [];
  const gainSides = isLed(branch) ? gainSidesOf(model, config, i, mode, branch) : [];
  const pieces = isLed(branch) ? waitingPieces(model, config, mode, branch, sides) : [];
  const up = new Float64Array(count);
  return {
    activity: i,
    index,
    number,
    mode,
    reach,
    shortest: 0,
    longest: reach,
    low,
    count,
    at,
    first: 0,
    last: count - 1,
    gapFrom: count,
    gapTo: count,
    uses,
    keeps: uses.some((use) => use.kept),
    checks: Array.from({ length: mode.checks }, (_, m) => ({
      low: checkFrom(mode, m + 1),
      high: checkTo(mode, m + 1),
      number: firstCheck + m,
      from: 0,
      to: model.slots,
    })),
    pieces,
    sides,
    gainSides,
    plainPieces: sides.length > 0 ? partOf(pieces, false, true) : [],
    heldPieces: gainSides.length > 0 ? partOf(pieces, true, false) : [],
    barePieces: sides.length > 0 && gainSides.length > 0 ? partOf(pieces, false, false) : [],
    up,
    total: new Float64Array(count),
    ends: reach > 0 ? new Float64Array(count + reach) : up,
  };
}
