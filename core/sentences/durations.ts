/** A duration told in words: whole minutes, and where in the text it was told. */
export interface ToldDuration {
  readonly short: number;
  readonly usual: number;
  readonly long: number;
  readonly from: number;
  readonly to: number;
}

const NUMBER = String.raw`(?:\d+\s+\d+\s*\/\s*\d+|\d+\s*\/\s*\d+|\d+\s*[¼½¾⅓⅔]|[¼½¾⅓⅔]|\d+(?:[.,]\d+)?|(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|sixty)(?![a-z]))`;
const UNIT = String.raw`(?:hours?|hrs?|h|minutes?|mins?|min|m|seconds?|secs?|s|days?|nights?)\b\.?`;
/** "5 more minutes", "a further 10 minutes". */
const MORE = String.raw`(?:\s+(?:more|further|extra|additional|good|full))?`;
const BETWEEN = String.raw`\s*(?:to|or|-|–|—)\s*`;
const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  another: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  forty: 40,
  sixty: 60,
};
const PARTS: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
};

/** A number as recipes write it: "1 1/2", "¾", "2.5", "two". NaN for anything else. */
export function numberOf(text: string): number {
  const plain = text.trim().toLowerCase().replace(',', '.');
  if (plain in WORDS) return WORDS[plain]!;
  const part = /^(\d+)?\s*([¼½¾⅓⅔])$/.exec(plain);
  if (part) return Number(part[1] ?? 0) + PARTS[part[2]!]!;
  const mixed = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
  if (mixed) return Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]);
  return Number(plain === '' ? Number.NaN : plain);
}

function minutesIn(unit: string): number {
  if (/^(h|hr|hour)/.test(unit)) return 60;
  if (unit.startsWith('d')) return 1440;
  if (unit.startsWith('n')) return 600;
  return unit.startsWith('s') ? 1 / 60 : 1;
}

/** Thirty days: what is told to take longer is no duration of a step. */
const LONGEST = 43_200;
/** Over night, where something is put away on the evening before. Common practice. */
export const OVERNIGHT = { short: 480, usual: 600, long: 720 };
const whole = (minutes: number) => Math.max(1, Math.round(minutes));

const PATTERN = new RegExp(
  [
    String.raw`(?<night>\bovernight\b)`,
    String.raw`(?<hourHalf>\ban? hour and an? half\b)`,
    String.raw`(?<half>\bhalf an hour\b)`,
    String.raw`(?<quarter>\b(?:a )?quarter of an hour\b)`,
    String.raw`(?<three>\bthree quarters of an hour\b)`,
    String.raw`(?<![\w.])(?<low>${NUMBER})(?:\s*(?<lowUnit>${UNIT}))?${BETWEEN}(?<high>${NUMBER})${MORE}\s*(?<highUnit>${UNIT})`,
    String.raw`(?<![\w.])(?<hours>${NUMBER})\s*(?:hours?|hrs?|h)\b\.?,?\s*(?:and\s*)?(?<rest>\d+)\s*(?:minutes?|mins?|min|m)\b\.?`,
    String.raw`(?<![\w.])(?!an? second\b)(?<one>${NUMBER}|another)${MORE}\s*(?<oneUnit>${UNIT})`,
  ].join('|'),
  'giu',
);

/** All durations that a text tells, in order. Ranges become short, middle and long; "about" widens by a fifth. */
export function durationsIn(text: string): ToldDuration[] {
  return [...text.matchAll(PATTERN)].flatMap((match) => {
    const g = match.groups!;
    const place = { from: match.index, to: match.index + match[0].length };
    if (g['night']) return [{ ...OVERNIGHT, ...place }];
    const fixed = g['hourHalf'] ? 90 : g['half'] ? 30 : g['three'] ? 45 : g['quarter'] ? 15 : 0;
    if (fixed > 0) return [{ short: fixed, usual: fixed, long: fixed, ...place }];
    if (g['low']) {
      const unit = minutesIn(g['highUnit']!.toLowerCase());
      const low = numberOf(g['low']) * (g['lowUnit'] ? minutesIn(g['lowUnit'].toLowerCase()) : unit);
      const high = numberOf(g['high']!) * unit;
      if (!(low > 0 && high >= low && high <= LONGEST)) return [];
      return [{ short: whole(low), usual: whole((low + high) / 2), long: whole(high), ...place }];
    }
    const minutes = g['hours']
      ? 60 * numberOf(g['hours']) + Number(g['rest'])
      : numberOf(g['one']!) * minutesIn(g['oneUnit']!.toLowerCase());
    if (!(minutes > 0 && minutes <= LONGEST)) return [];
    const isRough = /\b(about|around|roughly|ca\.?|approximately)\s*$/i.test(text.slice(0, match.index));
    const isLeast = /\bat least\s*$/i.test(text.slice(0, match.index));
    const short = isRough ? minutes * 0.8 : minutes;
    const long = isRough ? minutes * 1.2 : isLeast ? minutes * 1.25 : minutes;
    return [{ short: whole(short), usual: whole(minutes), long: whole(long), ...place }];
  });
}
