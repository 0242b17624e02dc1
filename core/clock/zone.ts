/**
 * Wall-clock times and instants. An instant is a whole number of minutes since
 * 1970-01-01T00:00Z; a wall-clock time is the text `YYYY-MM-DDTHH:MM` as it stands in a dinner file.
 */

/** Minutes since 1970-01-01T00:00Z. */
export type EpochMinutes = number;

const WALL = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/;
const DAY = 1440;

const formats = new Map<string, Intl.DateTimeFormat>();

function formatFor(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-US', {
      timeZone,
      calendar: 'gregory',
      numberingSystem: 'latn',
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      era: 'short',
    });
    formats.set(timeZone, format);
  }
  return format;
}

/** True where the platform knows `timeZone` as an IANA name. */
export function isTimeZone(timeZone: string): boolean {
  if (!/^[A-Za-z][A-Za-z0-9_+\-/]*$/.test(timeZone)) return false;
  try {
    formatFor(timeZone);
    return true;
  } catch {
    return false;
  }
}

/** The wall time's own minutes, read as if it were UTC; null where the text is no calendar time. */
function parseWall(wall: string): number | null {
  const m = WALL.exec(wall);
  if (!m) return null;
  const [year, month, day, hour, minute] = m.slice(1).map(Number) as [number, number, number, number, number];
  if (month < 1 || month > 12 || hour > 23 || minute > 59 || day < 1) return null;
  const ms = Date.UTC(year, month - 1, day, hour, minute);
  const back = new Date(ms);
  if (year < 1000 || back.getUTCMonth() !== month - 1 || back.getUTCDate() !== day) return null;
  return ms / 60000;
}

/** True where `wall` is a real calendar time of the form `YYYY-MM-DDTHH:MM`. */
export function isWallTime(wall: string): boolean {
  return parseWall(wall) !== null;
}

function wallMinutesAt(instant: EpochMinutes, timeZone: string): number {
  const parts: Record<string, string> = {};
  for (const { type, value } of formatFor(timeZone).formatToParts(instant * 60000)) {
    parts[type] = value;
  }
  return (
    Date.UTC(
      Number(parts.year),
      Number(parts.month) - 1,
      Number(parts.day),
      Number(parts.hour) % 24,
      Number(parts.minute),
    ) / 60000
  );
}

function offsetAt(instant: EpochMinutes, timeZone: string): number {
  return wallMinutesAt(instant, timeZone) - instant;
}

/**
 * The instant of a wall-clock time. A time that occurs twice is the first of the two; one that is
 * skipped takes the offset before the jump. Throws a RangeError for text that is no calendar time.
 */
export function toInstant(wall: string, timeZone: string): EpochMinutes {
  const local = parseWall(wall);
  if (local === null) throw new RangeError(`not a clock time: ${wall}`);
  const before = offsetAt(local - DAY, timeZone);
  const early = local - before;
  if (offsetAt(early, timeZone) === before) return early;
  const late = local - offsetAt(local + DAY, timeZone);
  return wallMinutesAt(late, timeZone) === local ? late : early;
}

/** The wall-clock time `YYYY-MM-DDTHH:MM` shown in `timeZone` at an instant. */
export function toWall(instant: EpochMinutes, timeZone: string): string {
  return new Date(wallMinutesAt(instant, timeZone) * 60000).toISOString().slice(0, 16);
}
