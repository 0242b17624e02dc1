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
    priced.push({ capacity: 1 });
    for (const option of set) option.uses.push({ resource, count: 1, kept: false, lead: 0, rest: 0 });
  }
  for (const option of options) {
    for (const use of option.uses) {
      if (priced[use.resource]!.capacity === 1 && !use.kept)
        use.rest = restAfter(option, use.resource, options, gaps);
    }
  }
}

/** So many steps that are seen to again and again are priced at most. */
const MOST_CORES = 6;

/**
 * Where there is one cook: longer work than lies between two looks at a pot has no place from the first look to the last. For
 * each such pot the turn is priced: the pot is on, or one of the long pieces of work.
 */
export function priceCores(options: readonly Option[], priced: Priced[]): void {
  const cores = options.flatMap((pot) => {
    const { checks, mode } = pot;
    if (checks.length < 2) return [];
    const gap = Math.max(...checks.slice(1).map(({ high }, n) => high - checks[n]!.low - mode.takes));
    const lead = checks[0]!.high;
    const rest = checks.at(-1)!.low + mode.takes - mode.duration;
    const long = options.filter(
      ({ mode: other, reach }) => other.isHands && other.hands > 0 && reach === 0 && other.duration > gap,
    );
    const length = mode.duration + rest - lead;
    return length > 0 && long.length > 0 ? [{ pot, lead, rest, long, length }] : [];
  });
  cores.sort((a, b) => b.length * b.long.length - a.length * a.long.length);
  for (const { pot, lead, rest, long } of cores.slice(0, MOST_CORES)) {
    const resource = priced.length;
    priced.push({ capacity: 1 });
    pot.uses.push({ resource, count: 1, kept: false, lead, rest });
    for (const option of long) option.uses.push({ resource, count: 1, kept: false, lead: 0, rest: 0 });
  }
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
