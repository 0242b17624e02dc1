export { minutesInWords, weekdayOf } from './words';
export { isTimeZone, isWallTime, toInstant, toWall, type EpochMinutes } from './zone';
