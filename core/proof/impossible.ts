import type { Configuration, Model } from '../model';
import { Prover } from './prove';

/**
 * True where what is narrowed before anything is parted leaves no plan, however dear, in any of the choices of ways. False says nothing. It costs some
 * milliseconds for each choice until one may be possible, or `isOver`.
 */
export function isImpossible(
  model: Model,
  configs: readonly Configuration[],
  isOver: () => boolean,
): boolean {
  return configs.every((config) => !isOver() && isShut(model, config));
}

function isShut(model: Model, config: Configuration): boolean {
  const settle = () => ({ cost: Infinity, isLeast: false });
  return new Prover(model, [config], { target: Infinity, work: 0, settle }).isDone;
}
