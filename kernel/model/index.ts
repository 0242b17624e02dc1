import { Bits } from './bits';
import { Model } from './model';

export { Arena, room } from './arena';
export {
  allBits,
  andShifted,
  Bits,
  copyOf,
  countBits,
  fillBits,
  hasBit,
  makeBits,
  nextBit,
  nextGap,
  previousBit,
  previousGap,
} from './bits';
export { changeMinutes, checkFrom, checkTo, ovenReady, StartFinder } from './calendar';
export { gainsLost } from './gains';
export { LEAST_PIECE, MAX_PAUSE, MAX_PIECES, NO_LIMIT } from './limits';
export { exponential, fixed, power, trailingZeros, whole } from './machine';
export { Activity, Configuration, CourseModel, Link, Mode, Model, OvenModel, Thing, ThingUse } from './model';
export { serviceShift, Windows } from './propagate';

/** They come with the model: the calendars are looked at before the kernel is asked. */
export function calendarStartsOf(model: Model): StaticArray<Bits> {
  return model.calendarStarts;
}
