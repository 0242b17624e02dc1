export {
  allBits,
  andShifted,
  copyOf,
  countBits,
  fillBits,
  hasBit,
  makeBits,
  nextBit,
  nextGap,
  previousBit,
  previousGap,
  type Bits,
} from './bits';
export { Arena, room } from './arena';
export { changeMinutes, checkFrom, checkTo, COLD, ovenReady, StartFinder } from './calendar';
export { calendarStarts, calendarStartsOf, kitchenHolds } from './calendar-starts';
export { compileModel } from './compile';
export { configure, serveWindows } from './configure';
export { gainsLost } from './gains';
export { openKernel, type KernelMemory } from './kernel/load';
export { packModel, Row } from './kernel/pack';
export { exponential, fixed, power, trailingZeros, whole, type f64 } from './machine';
export { LEAST_PIECE, MAX_PAUSE, MAX_PIECES, NO_LIMIT } from './limits';
export {
  type Activity,
  type Configuration,
  type CourseModel,
  type Link,
  type Mode,
  type Model,
  type OvenModel,
  type Progress,
  type Thing,
  type ThingUse,
} from './model';
export { progressSeenFrom } from './progress';
export { CALENDAR, COURSE, serviceShift, Windows } from './propagate';
