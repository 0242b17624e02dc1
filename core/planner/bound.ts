import type { Activity, Configuration, Mode, Model } from '../model';
import { DAY_WINDOW } from '../plan';
import type { Board } from './board';

/** More choices of dish ways than this are not looked through. */
const MOST_CONFIGURATIONS = 64;

/** Hands-on minutes of a mode, of all the cooks it takes. */
function handsMinutes(mode: Mode): number {
  if (mode.isHands) return mode.duration * mode.hands;
  return mode.touchIn + mode.touchOut + mode.checks * mode.takes;
}

const fewest = (activity: Activity, value: (mode: Mode) => number) => Math.min(...activity.modes.map(value));

/**
 * What the terms must cost at least when dishes are made as in `config`: time lags and calendars say
 * which work cannot leave the last hours before sitting down; hands beyond that are not contended for.
 */
function boundOf(model: Model, config: Configuration): number {
  const { zero, weights, arrive } = model;
  const from = zero - DAY_WINDOW;
  let ways = config.points;
  let onTheDay = 0;
  let before = 0;
  let firstWork = zero;
  let atTheDoor = 0;
  for (const i of config.members) {
    const activity = model.activities[i]!;
    ways += fewest(activity, (mode) => mode.points);
    const minutes = fewest(activity, handsMinutes);
    if (minutes === 0 || config.earliest[i]! < from) continue;
    const isBefore = config.latest[i]! + activity.maxDuration <= zero;
    if (isBefore) {
      before += minutes;
      onTheDay += minutes;
      const isPlating = activity.role === 'plating' && activity.course === 0;
      if (config.earliest[i]! >= zero - arrive && !isPlating) atTheDoor += minutes;
    }
    // Only what begins with hands shows by its start when work begins.
    const beginsWithHands = activity.modes.every((mode) => mode.isHands || mode.touchIn > 0);
    if (beginsWithHands) firstWork = Math.min(firstWork, Math.max(from, config.latest[i]!));
  }
  const day = Math.max(zero - firstWork, before / model.cookCount);
  let pauses = 0;
  model.courses.forEach(({ least, ideal, most }, c) => {
    if (c === 0) return;
    pauses += weights.wait * Math.max(0, least - ideal) + weights.rushed * Math.max(0, ideal - most);
  });
  return (
    pauses +
    weights.ways * ways +
    weights.day * day +
    weights.sameDay * onTheDay +
    weights.welcome * atTheDoor
  );
}

/** A proven lower bound of the cost of any plan, or null where there are too many ways to look through. */
export function lowerBound(board: Board): number | null {
  const { model } = board;
  const choices = model.dishWays.map((ways) => (ways.length === 0 ? [-1] : ways));
  if (choices.reduce((count, list) => count * list.length, 1) > MOST_CONFIGURATIONS) return null;
  const combinations = choices.reduce<number[][]>(
    (list, ways) => list.flatMap((chosen) => ways.map((w) => [...chosen, w])),
    [[]],
  );
  let bound = Infinity;
  for (const ways of combinations) {
    const config = board.configurationFor(ways);
    if (config.possible) bound = Math.min(bound, boundOf(model, config));
  }
  return bound === Infinity ? null : bound;
}
