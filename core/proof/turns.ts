import { LEAST_PIECE, type Configuration } from '../model';
import type { Apart } from './apart';
import type { Option } from './options';
import type { Priced } from './tree';

/** So many sets of options that take turns are priced at most. */
const MOST_SETS = 8;

/**
 * Where two options cannot overlap and no resource of which there is one says so (heats that one oven cannot have at once),
 * prices the turn: of a set of options of which no two overlap one at most is on in any minute. And where of a resource there
 * is one, what must pass before anybody else has it belongs to the use: washing, or the oven's change of heat.
 */
export function priceTurns(options: readonly Option[], apart: readonly Apart[], priced: Priced[]): void {
  const gaps = new Gaps(apart);
  const covered = new Set<number>();
  for (const { one, other } of apart) if (sharesOne(one, other, priced)) cover(covered, one, other);
  let sets = 0;
  for (const { one, other } of apart) {
    if (covered.has(pairOf(one, other)) || sets === MOST_SETS) continue;
    sets += 1;
    const set = [one, other];
    for (const next of options) if (set.every((o) => gaps.between(o, next) !== undefined)) set.push(next);
    set.forEach((a, x) => set.slice(x + 1).forEach((b) => cover(covered, a, b)));
    const resource = priced.length;
    priced.push({ capacity: 1, cook: -1, isOrder: false });
    for (const option of set)
      option.uses.push({ resource, count: 1, kept: false, worked: false, lead: 0, rest: 0 });
  }
  for (const option of options) {
    for (const use of option.uses) {
      if (priced[use.resource]!.capacity === 1 && !use.kept)
        use.rest = restAfter(option, use.resource, options, gaps);
    }
  }
}

/** Has a step take one of a resource while hands are at it: in single minutes where it may pause or is touched and looked at. */
export function takeInWork({ uses, reach, mode }: Option, resource: number): void {
  const worked = reach > 0 || !mode.isHands;
  uses.push({ resource, count: 1, kept: false, worked, lead: 0, rest: 0 });
}

/** So many pots are priced at most. */
const MOST_CORES = 6;

/** A stretch of hands of a pot, in minutes from its start: when it begins at the soonest and at the latest, and how long it takes. */
interface Look {
  readonly low: number;
  readonly high: number;
  readonly takes: number;
}

/** A part of what is on by itself in which some works have no place. */
interface Core {
  readonly pot: Option;
  readonly lead: number;
  readonly rest: number;
  readonly works: readonly Option[];
  readonly weight: number;
}

/**
 * Where there is one cook: longer work than lies between two looks at a pot has no place from the first look to the last, and what
 * must come before the pot or after it has none either. For each such pot the turn is priced: the pot is on, or one of these works.
 */
export function priceCores(config: Configuration, options: readonly Option[], priced: Priced[]): void {
  const works = options.filter(({ mode }) => mode.isHands && mode.hands > 0);
  const cores = options.flatMap((pot) => coreOf(config, pot, works) ?? []);
  cores.sort((a, b) => b.weight - a.weight);
  for (const { pot, lead, rest, works } of cores.slice(0, MOST_CORES)) {
    const resource = priced.length;
    priced.push({ capacity: 1, cook: -1, isOrder: false });
    pot.uses.push({ resource, count: 1, kept: false, worked: false, lead, rest });
    for (const work of works) takeInWork(work, resource);
  }
}

/** The stretch between two looks of a pot, and the works that have no place in it, which together take most; null where there is none. */
function coreOf(config: Configuration, pot: Option, works: readonly Option[]): Core | null {
  const looks = looksOf(pot);
  const others = works.filter(
    ({ activity }) => activity !== pot.activity && config.hosts[activity] !== pot.activity,
  );
  const related = inLineWith(config, pot.activity);
  let best: Core | null = null;
  for (let first = 0; first < looks.length; first++) {
    let gap = 0;
    for (let last = first + 1; last < looks.length; last++) {
      gap = Math.max(gap, looks[last]!.high - looks[last - 1]!.low - looks[last - 1]!.takes);
      const lead = looks[first]!.high;
      const rest = looks[last]!.low + looks[last]!.takes - pot.mode.duration;
      const length = pot.mode.duration + rest - lead;
      const long = others.filter((work) => shortestPiece(work) > gap).length;
      if (length <= 0 || long === 0 || (best && length * long <= best.weight)) continue;
      const kept = others.filter((work) => shortestPiece(work) > gap || related.has(work.activity));
      best = { pot, lead, rest, works: kept, weight: length * long };
    }
  }
  return best;
}

/** The least of it that is done in one go. */
const shortestPiece = ({ mode, reach }: Option) => (reach > 0 ? LEAST_PIECE : mode.duration);

function looksOf({ mode, checks }: Option): Look[] {
  if (mode.isHands) return [];
  const { touchIn, touchOut, takes, duration } = mode;
  const out = duration - touchOut;
  return [
    ...(touchIn > 0 ? [{ low: 0, high: 0, takes: touchIn }] : []),
    ...checks.map(({ low, high }) => ({ low, high, takes })),
    ...(touchOut > 0 ? [{ low: out, high: out, takes: touchOut }] : []),
  ];
}

/** All that must come before an activity or after it. */
function inLineWith({ before, after }: Configuration, i: number): ReadonlySet<number> {
  const line = new Set<number>();
  const follow = (next: (j: number) => readonly number[]) => {
    const open = [...next(i)];
    for (let j = open.pop(); j !== undefined; j = open.pop()) {
      if (line.has(j)) continue;
      line.add(j);
      open.push(...next(j));
    }
  };
  follow((j) => before[j]!.map(({ from }) => from));
  follow((j) => after[j]!.map(({ to }) => to));
  return line;
}

/** The least that must pass after `option` before any other step has the resource. */
function restAfter(option: Option, resource: number, options: readonly Option[], gaps: Gaps): number {
  let least = Infinity;
  for (const other of options) {
    if (other.activity === option.activity || !other.uses.some((use) => use.resource === resource)) continue;
    least = Math.min(least, gaps.between(option, other) ?? 0);
  }
  return least === Infinity ? 0 : least;
}

function sharesOne(one: Option, other: Option, priced: readonly Priced[]): boolean {
  return one.uses.some(
    ({ resource }) => priced[resource]!.capacity === 1 && other.uses.some((use) => use.resource === resource),
  );
}

/** A number for a pair of options, whichever comes first; there are fewer than 2^16 options. */
function pairOf(one: Option, other: Option): number {
  return Math.min(one.number, other.number) * 65536 + Math.max(one.number, other.number);
}

function cover(pairs: Set<number>, one: Option, other: Option): void {
  pairs.add(pairOf(one, other));
}

/** The minutes that must lie between the end of one option and the start of another. */
class Gaps {
  private readonly byPair = new Map<number, number>();

  constructor(apart: readonly Apart[]) {
    for (const { one, other, gap, gapBack } of apart) {
      this.byPair.set(one.number * 65536 + other.number, gap);
      this.byPair.set(other.number * 65536 + one.number, gapBack);
    }
  }

  /** Undefined where they may overlap. */
  between(one: Option, other: Option): number | undefined {
    return this.byPair.get(one.number * 65536 + other.number);
  }
}
