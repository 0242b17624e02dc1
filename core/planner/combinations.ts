import type { Configuration, Model } from '../model';
import type { Board } from './board';

/** More choices of dish ways than this are not looked through one by one. */
const MOST_CONFIGURATIONS = 64;

/** The configurations of all choices of the dishes' ways; null where there are too many to look through. */
export function allConfigurations(board: Board): Configuration[] | null {
  const combinations = allWays(board.model);
  return combinations && combinations.map((ways) => board.configurationFor(ways));
}

function allWays(model: Model): number[][] | null {
  const choices = model.dishWays.map((ways) => (ways.length === 0 ? [-1] : ways));
  if (choices.reduce((count, list) => count * list.length, 1) > MOST_CONFIGURATIONS) return null;
  return choices.reduce<number[][]>(
    (list, ways) => list.flatMap((chosen) => ways.map((w) => [...chosen, w])),
    [[]],
  );
}
