export {
  allBits,
  andShifted,
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
export { changeMinutes, checkWindow, COLD, LEAST_PIECE, ovenReady, StartFinder } from './calendar';
export { compileModel, MAX_PAUSE, MAX_PIECES } from './compile';
export { configure, serveWindows, serviceShift } from './configure';
export {
  NO_LIMIT,
  type Activity,
  type Configuration,
  type CourseModel,
  type Mode,
  type Model,
  type Progress,
  type Thing,
  type ThingUse,
} from './model';
export { CALENDAR, COURSE, Windows } from './propagate';
