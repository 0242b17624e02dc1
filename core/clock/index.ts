export { isTimeZone, isWallTime, toInstant, toWall, type EpochMinutes } from './zone';
