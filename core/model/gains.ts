import type { f64 } from './machine';
import type { Mode } from './model';

/** The points that what gains by waiting misses when it has waited so many minutes. */
export function gainsLost(mode: Mode, waited: number): f64 {
  const minutes: f64 = waited;
  return mode.gainsPoints * Math.max(0, 1 - minutes / mode.gainsUntil);
}
