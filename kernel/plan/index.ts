export { DAY_WINDOW, HELD_POINTS } from './measures';

/** The terms of a plan's cost, unweighted. */
export class Terms {
  wait: f64 = 0;
  rushed: f64 = 0;
  away: f64 = 0;
  trips: f64 = 0;
  held: f64 = 0;
  gains: f64 = 0;
  sameDay: f64 = 0;
  welcome: f64 = 0;
  day: f64 = 0;
  ways: f64 = 0;
}
