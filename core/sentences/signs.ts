import { celsiusOf, celsiusOfGasMark, withFan, withoutFan } from '../amounts';
import type { Stretch } from './clauses';
import { durationsIn } from './durations';

/** Parts of a text that tell something about a step. Places are in the text that was given. */
export interface Told<Value> {
  readonly value: Value;
  readonly from: number;
  readonly to: number;
}

const told = <Value>(value: Value, match: RegExpExecArray | RegExpMatchArray): Told<Value> => ({
  value,
  from: match.index!,
  to: match.index! + match[0].trimEnd().length,
});

/** For which kind of oven a temperature is wanted. */
export interface HeatContext {
  readonly hasFan: boolean;
}

const DEGREES =
  /\b(\d{2,3})\s*(?:°\s*|º\s*|degrees\s*)?(C|F|celsius|fahrenheit)?\b(?:\s*\/\s*(\d{2,3})\s*(?:°|º)?\s*(C|F)?)?(\s*fan)?/gi;
const GAS = /\bgas(?: mark)?\s*([1-9]|½|¼)/i;
const FAN_BESIDE =
  /\b(\d{2,3})\s*(?:°|º)?\s*C?\s*(?:with (?:the |a )?fan|fan)\b|\bfan(?: oven)?:?\s*(\d{2,3})(?=\s*(?:°|º|C\b|degrees))/i;
const COLDEST = 80;
const HOTTEST = 320;

/**
 * The oven setting that a text tells, in °C for the kitchen's kind of oven: of two that stand beside each other, the
 * one that is said to be for it; a gas mark is for an oven without a fan; °C and °F are taken as they stand.
 */
export function settingIn(text: string, context: HeatContext): Told<number> | null {
  const gas = GAS.exec(text);
  const degrees = [...text.matchAll(DEGREES)].find((m) => {
    const hasUnit = /°|º|degrees|C\b|F\b|fan/i.test(m[0].replace(/^\d+/, ''));
    return hasUnit || /^\s*(?:°|fan)/i.test(text.slice(m.index + m[0].length));
  });
  const fan = FAN_BESIDE.exec(text);
  if (fan && context.hasFan) return told(Number(fan[1] ?? fan[2]), fan);
  if (degrees) {
    const [, number, unit] = degrees;
    const isFahrenheit = /^f/i.test(unit ?? '');
    const celsius = isFahrenheit ? 5 * Math.round(celsiusOf(Number(number)) / 5) : Number(number);
    const isOnlyFan = fan !== null && fan.index === degrees.index;
    const asSaid = isOnlyFan && !context.hasFan ? withoutFan(celsius) : celsius;
    return asSaid >= COLDEST && asSaid <= HOTTEST ? told(asSaid, degrees) : null;
  }
  if (!gas) return null;
  const celsius = celsiusOfGasMark(gas[1]!)!;
  return told(context.hasFan ? withFan(celsius) : celsius, gas);
}

/** Into, or in, the oven; a pot may be called one. */
export const IN_OVEN = /\b(?:in|into|to) (?:the|a|an) (?!dutch)(?:\w+ )?oven\b/i;
export const OFF_HEAT = /\boff the heat\b/i;

const PROBE = /\b(\d{2,3})\s*(?:°|º|degrees)?\s*(C|F)\b|\b(\d{2,3})\s*(?:°|º|degrees)/i;

/** A temperature in the middle of something, in °C, between 40 and 100. */
export function probeIn(text: string): Told<number> | null {
  const match = PROBE.exec(text);
  if (!match) return null;
  const number = Number(match[1] ?? match[3]);
  const celsius = match[2]?.toUpperCase() === 'F' ? Math.round(celsiusOf(number)) : number;
  return celsius >= 40 && celsius <= 100 ? told(celsius, match) : null;
}

const EVERY =
  /\bevery\s+(?:(half|quarter|hour)(?: an| of an)?(?: hour)?|(\d+|few)\s*(minutes?|mins?|min|seconds?|secs?)?)(?![\w])/i;
const SPANS: Readonly<Record<string, number>> = { half: 30, quarter: 15, hour: 60 };
const OFTEN =
  /\b(?:stirr?|turn|toss|bast|shak|look|skimm|check|rotat|brush)\w*[^.;]*?\b(?:occasionally|often|from time to time|now and then|once or twice|(?<!at )once|twice|(?:three|several) times|frequently|halfway(?: through)?|half way(?: through)?|regularly)\b|\b(?:often|occasionally) stirr?ing\b|\bladle by ladle\b/i;
const ALWAYS =
  /\b(?:stirring|stir|whisking|whisk)(?: (?:constantly|continuously|all the time|without stopping))?(?=[,.;]|\s*(?:constantly|continuously|all the time|over|until|for)|$)/i;
const FEW = 5;
const A_DAY = 1440;

/** How often something is looked at; null minutes where only that it is. */
export function looksIn(text: string): Told<number | null> | null {
  const every = EVERY.exec(text);
  if (every) {
    const span = SPANS[every[1]?.toLowerCase() ?? ''];
    if (span) return told(span, every);
    const isSeconds = /^s/i.test(every[3] ?? '');
    const number = every[2] === 'few' ? FEW : Math.min(A_DAY, Math.max(1, Number(every[2])));
    return told(isSeconds ? 0 : number, every);
  }
  const often = OFTEN.exec(text);
  return often ? told(null, often) : null;
}

/** Stirred all the time: hands have to stay. */
export function isStirredAlways(text: string): boolean {
  const constantly = /\b(?:constantly|continuously|all the time|without stopping)\b/i.test(text);
  return constantly || (ALWAYS.test(text) && !EVERY.test(text) && !OFTEN.test(text));
}

const UNTIL = /\b(?:until|till)\s+([^.;,()]+)/i;

/** The sign by which it is seen that something is done. */
export function signIn(text: string): Told<string> | null {
  const until = UNTIL.exec(text);
  if (!until) return null;
  // A duration after the sign is not part of it: "until golden 20 minutes".
  const sign = until[1]!.trim();
  return sign ? { value: sign, from: until.index, to: until.index + until[0].trimEnd().length } : null;
}

const SIDES = /\b(?:a|per|each|on each|on both) sides?\b|\bboth sides\b/i;
const BATCHES = /\bin (\d|two|three|four) batches\b/i;
const NUMBERS: Readonly<Record<string, number>> = { two: 2, three: 3, four: 4 };

/** How many times a told duration is spent: once for each side, once for each batch. */
export function timesIn(text: string): number {
  const batches = BATCHES.exec(text)?.[1];
  const isInAll = /\bin (?:all|total)\b/i.test(text);
  return (SIDES.test(text) ? 2 : 1) * (batches && !isInAll ? (NUMBERS[batches] ?? Number(batches)) : 1);
}

/** Something done inside a step that runs, and when in it, in minutes. */
export interface Inside {
  readonly at?: number;
  readonly before?: number;
  /** Half of the time of what it is done in has passed. */
  readonly isHalfway?: boolean;
  readonly duration: Stretch;
}

const HALFWAY = /\bhalf ?way(?: through)?(?: the (?:cooking|baking|simmering)(?: time)?)?(?=[.;,]|$)/i;

/** "for the last 15 minutes", "after 20 minutes", "10 minutes before the end". */
export function insideIn(text: string): Inside | null {
  for (const duration of durationsIn(text)) {
    const lead = text.slice(0, duration.from);
    const rest = text.slice(duration.to);
    if (/\bfor the (?:last|final)\s*$/i.test(lead) || /^\s*before the end\b/i.test(rest)) {
      return { before: duration.usual, duration };
    }
    if (/\bafter\s*(?:about|ca\.?)?\s*$/i.test(lead)) return { at: duration.usual, duration };
  }
  const half = HALFWAY.exec(text);
  return half && !OFTEN.test(text)
    ? { isHalfway: true, duration: { from: half.index, to: half.index + half[0].length } }
    : null;
}

/** Where something is to be kept until it is wanted, without a word on how long. */
export function keptIn(text: string): 'hot' | 'fridge' | null {
  const kept = /^\W*keep\b[^.;]*?\b(warm|hot|cold|cool|chilled|in the fridge|in the refrigerator)\b/i.exec(
    text,
  );
  if (!kept) return null;
  return /warm|hot/i.test(kept[1]!) ? 'hot' : 'fridge';
}

const KEEPS = /\b(?:keeps?|(?:can|may) (?:be )?(?:kept?|made|stand|wait))\b/i;
const DAY = 1440;

/** How long something keeps, and where, as a sentence of its own tells it. */
export function keepingIn(
  text: string,
): Told<{ most: number; how?: 'hot' | 'room' | 'fridge' | 'freezer' }> | null {
  if (
    /\b(?:at once|immediately|straight ?away|right away)\b/i.test(text) &&
    /\b(?:serve|eat)\b/i.test(text)
  ) {
    const match = /\b(?:serve|eat)[^.;]*(?:at once|immediately|straight ?away|right away)/i.exec(text);
    return match ? told({ most: 5 }, match) : null;
  }
  const keeps = KEEPS.exec(text);
  if (!keeps) return null;
  const week = /\ba week\b/i.exec(text);
  const duration = durationsIn(text)[0];
  const most = duration?.long ?? (week ? 7 * DAY : undefined);
  if (most === undefined) return null;
  const how = /\bfridge|refrigerat/i.test(text)
    ? 'fridge'
    : /\bfreez/i.test(text)
      ? 'freezer'
      : /\bwarm|hot|under foil/i.test(text)
        ? 'hot'
        : undefined;
  const to = duration?.to ?? week!.index + week![0].length;
  return { value: { most, ...(how && { how }) }, from: keeps.index, to: Math.max(to, keeps.index + 1) };
}
