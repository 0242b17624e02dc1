export { isTimeZone, isWallTime, toInstant, toWall, weekdayOf, type EpochMinutes } from './zone';
