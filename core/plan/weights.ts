import type { Style } from '../dinner';
import type { TermName } from './types';

/** What one unit of each term costs in each school of cooking (section 6 of the contract). */
export const WEIGHTS: Readonly<Record<Style, Readonly<Record<TermName, number>>>> = {
  ahead: {
    wait: 20,
    rushed: 5,
    away: 12,
    trips: 15,
    held: 2,
    gains: 1,
    sameDay: 0.5,
    welcome: 5,
    day: 0.05,
    ways: 1,
  },
  even: {
    wait: 20,
    rushed: 5,
    away: 8,
    trips: 10,
    held: 4,
    gains: 1,
    sameDay: 0,
    welcome: 2,
    day: 0.2,
    ways: 1,
  },
  fresh: {
    wait: 20,
    rushed: 5,
    away: 4,
    trips: 5,
    held: 8,
    gains: 1,
    sameDay: 0,
    welcome: 1,
    day: 0.4,
    ways: 1,
  },
};
