import { gainsLost, NO_LIMIT, type Configuration, type Mode, type Model } from '../model';
import { HELD_POINTS } from '../plan';
import type { Branch, Piece, Side } from './options';

/** Slopes that differ by less are the same. */
const SAME = 1e-12;

/** Loses `slope` for each minute by which waiting is longer than `best`. */
interface Line {
  readonly best: number;
  readonly slope: number;
}

/** What step `i` leads to beside its branch, and within how many minutes, -1 where its way says so. */
function linksBeside(
  model: Model,
  config: Configuration,
  i: number,
  { kind, parent }: Branch,
): { to: number; most: number }[] {
  const links = config.after[i]!.map(({ to, most }) => ({ to, most }));
  const others = links.filter(({ to }) => kind !== 'after' || to !== parent);
  const most = config.plates[i]!;
  if (most !== -2 && kind !== 'plate')
    others.push({ to: model.courses[model.activities[i]!.course]!.platingActivity, most });
  return others;
}

/** The links of step `i`, made in `mode`, beside its branch by which it may lose by being held. */
export function sidesOf(model: Model, config: Configuration, i: number, mode: Mode, branch: Branch): Side[] {
  return linksBeside(model, config, i, branch).flatMap(({ to, most }): Side[] => {
    const limit = most >= 0 ? most : mode.most;
    const slope = slopeUpTo(model, mode, limit);
    return slope > 0 ? [{ to, best: mode.best, most: limit, slope }] : [];
  });
}

/** What step `i` leads to beside its branch that may begin before what the branch leads to, where it gains by waiting for the first. */
export function gainSidesOf(
  model: Model,
  config: Configuration,
  i: number,
  mode: Mode,
  branch: Branch,
): number[] {
  if (mode.gainsPoints === 0 || model.weights.gains === 0) return [];
  const { kind, parent } = branch;
  return linksBeside(model, config, i, branch)
    .map(({ to }) => to)
    .filter((to) => kind !== 'after' || leastBetween(model, config, parent, to) < 0);
}

/** What each minute of waiting loses from where waiting begins to lose up to a limit; 0 where nothing is lost. */
function slopeUpTo(model: Model, mode: Mode, limit: number): number {
  return limit < NO_LIMIT && limit > mode.best ? (model.weights.held * HELD_POINTS) / (limit - mode.best) : 0;
}

/**
 * The cost of waiting for what the branch leads to, as pieces: what is held, what gains, and the limits of the lag. What is led
 * to by a side link and comes after that has waited as much and all that lies between, and the dearer of the two counts.
 */
export function waitingPieces(
  model: Model,
  config: Configuration,
  mode: Mode,
  { kind, parent, least, most }: Branch,
  sides: readonly Side[],
): Piece[] {
  let limit = most >= 0 ? most : mode.most;
  const lines: Line[] = [{ best: mode.best, slope: slopeUpTo(model, mode, limit) }];
  for (const side of kind === 'after' ? sides : []) {
    const between = leastBetween(model, config, parent, side.to);
    if (between < 0) continue;
    lines.push({ best: side.best - between, slope: side.slope });
    limit = Math.min(limit, side.most - between);
  }
  if (limit < least) return [];
  const losing = lines.filter(({ slope }) => slope > 0);
  const heldAt = (h: number) => Math.max(0, ...losing.map(({ best, slope }) => slope * (h - best)));
  const gains = model.weights.gains > 0 && mode.gainsPoints > 0;
  const otherAt = (h: number) => (gains ? model.weights.gains * gainsLost(mode, h) : 0);
  const corners = cornersOf(losing, [least, limit, ...(gains ? [mode.gainsUntil] : [])])
    .filter((h) => h >= least && h <= limit)
    .sort((a, b) => a - b);
  const ends = corners.length === 1 ? [limit] : corners.slice(1);
  return joined(
    ends.map((to, k) => {
      const from = corners[k]!;
      const [heldBase, heldSlope] = through(from, heldAt(from), to, heldAt(to));
      const [otherBase, otherSlope] = through(from, otherAt(from), to, otherAt(to));
      const base = heldBase + otherBase;
      const slope = heldSlope + otherSlope;
      return { from, to, base, slope, heldBase, heldSlope, otherBase, otherSlope };
    }),
  );
}

/** Makes one piece of those that go on as the one before does: many links lead to many marks, few of which are corners. */
function joined(pieces: readonly Piece[]): Piece[] {
  const all: Piece[] = [];
  for (const piece of pieces) {
    const before = all.at(-1);
    const isAlike =
      before &&
      Math.abs(before.heldSlope - piece.heldSlope) < SAME &&
      Math.abs(before.otherSlope - piece.otherSlope) < SAME;
    if (isAlike) all.splice(-1, 1, { ...before, to: piece.to });
    else all.push(piece);
  }
  return all;
}

/** Whole minutes between which the dearest of `lines` is one and the same, and others. */
function cornersOf(lines: readonly Line[], others: readonly number[]): number[] {
  const marks = new Set(others);
  for (const { best } of lines) marks.add(best);
  lines.forEach((one, k) => {
    for (const other of lines.slice(k + 1)) {
      if (one.slope === other.slope) continue;
      const at = (one.slope * one.best - other.slope * other.best) / (one.slope - other.slope);
      marks.add(Math.floor(at));
      marks.add(Math.ceil(at));
    }
  });
  return [...marks];
}

/** Base and slope of the line through two points. */
function through(from: number, low: number, to: number, high: number): [number, number] {
  const slope = to === from ? 0 : (high - low) / (to - from);
  return [low - slope * from, slope];
}

/** The cost of waiting with or without what is lost by being held, and what is lost by not waiting. */
export function partOf(pieces: readonly Piece[], withHeld: boolean, withOther: boolean): Piece[] {
  return joined(
    pieces.map((piece) => {
      const [heldBase, heldSlope] = withHeld ? [piece.heldBase, piece.heldSlope] : [0, 0];
      const [otherBase, otherSlope] = withOther ? [piece.otherBase, piece.otherSlope] : [0, 0];
      const base = heldBase + otherBase;
      const slope = heldSlope + otherSlope;
      return { from: piece.from, to: piece.to, base, slope, heldBase, heldSlope, otherBase, otherSlope };
    }),
  );
}

/**
 * The least minutes from the start of one activity to that of another which it leads to; -1 where it does not. `known` keeps what
 * was found on the way: there may be very many ways there.
 */
export function leastBetween(
  model: Model,
  config: Configuration,
  from: number,
  to: number,
  known = new Map<number, number>(),
): number {
  if (from === to) return 0;
  const before = known.get(from);
  if (before !== undefined) return before;
  const { modes, course } = model.activities[from]!;
  const shortest = Math.min(...modes.map(({ duration }) => duration));
  const isPlated = config.plates[from] !== -2 && model.courses[course]?.platingActivity === to;
  let most = isPlated ? shortest : -1;
  for (const link of config.after[from]!) {
    const rest = leastBetween(model, config, link.to, to, known);
    if (rest >= 0) most = Math.max(most, shortest + link.least + rest);
  }
  known.set(from, most);
  return most;
}
