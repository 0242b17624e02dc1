import type { DinnerFile } from '../dinner';
import { isWaiting, isWeighty, type Act } from './clauses';
import { durationsIn, type ToldDuration } from './durations';
import {
  IN_OVEN,
  insideIn,
  isStirredAlways,
  looksIn,
  OFF_HEAT,
  probeIn,
  settingIn,
  signIn,
  timesIn,
  type HeatContext,
} from './signs';
import { usualMinutes, verbOf, type Verb } from './verbs';

export type StepFile = DinnerFile['dishes'][number]['steps'][number];

/** Words of a text and what they were taken for. */
export interface Mark {
  readonly field: 'minutes' | 'attention' | 'check' | 'uses' | 'keeps' | 'probe' | 'cue' | 'after';
  readonly from: number;
  readonly to: number;
}

/** What words say about one step, without its name and its place among others. */
export interface Fields {
  readonly step: Pick<StepFile, 'attention' | 'minutes'> &
    Partial<Pick<StepFile, 'touch' | 'check' | 'uses' | 'keeps' | 'cue' | 'probe' | 'guessed'>>;
  readonly marks: readonly Mark[];
  /** Heat that was told or is usual: where the step is done. */
  readonly place: 'oven' | 'ring' | 'none';
}

export interface FieldContext extends HeatContext {
  /** What the oven was set to before, and the words that said so. */
  readonly oven: { readonly celsius: number; readonly from: number; readonly to: number } | null;
}

const DEFAULT_OVEN = 180;
/** The longest that a dinner file allows. */
const MOST_MINUTES = 100_000;
const IN_FREEZER = /\b(?:in|to|into) the freezer\b/i;
const IN_FRIDGE = /\b(?:in|to|into) the (?:fridge|refrigerator)\b/i;
const OUT_OF_FRIDGE = /\bout of the (?:fridge|refrigerator)\b|^\W*take (?:(?:it|them) )?out\b/i;
/** Only kept warm there. */
const KEPT_WARM = /\bkeep (?:it |them )?(?:warm|hot)\b[^.;,]*/i;
const OVER_HEAT =
  /\b(?:over|on) (?:a |the )?(?:very )?(?:low|medium|high|gentle|lowest|moderate|pan|simmering)\b|\b(?:low|medium|gentle) heat\b|\bsimmering water\b|\bboiling water\b/i;

/** Brought to the boil, and nothing put in after that. */
const BROUGHT =
  /\b(?:bring|heat)\b[^.;]*?\b(?:to|below) (?:the |a )?(?:\p{L}+ )?(?:boil|simmer|boiling point|boiling)\b(?![^.;]*\b(?:pour|stir|add))/iu;

/** Minutes until a pot boils, where none are told. Common practice. */
const TO_THE_BOIL = 8;
/** What softens under a lid for so many minutes is looked after, not stood over. */
const UNDER_LID = /\blid on\b|\bcovered\b|\bunder a lid\b/i;
const LONG_ENOUGH = 5;
/** Work that goes on in the pot while it comes to the boil. */
const STIRRED = new Set(['salt', 'stir', 'mix', 'whisk']);

/** The act that a step is about: the last that has a told time, else the weightiest. */
export function coreOf(acts: readonly Act[], text: string, offset: number): Act | undefined {
  const weighty = acts.filter(isWeighty);
  const timed = weighty.filter((a) => durationsIn(text.slice(a.from - offset, a.to - offset)).length > 0);
  const waiting = weighty.filter(isWaiting);
  const heated = acts.find((a) => a.word === 'bring' || a.word === 'heat');
  const last = acts.findLast((a) => a.word !== 'keep');
  const isBrought = last?.word === 'bring' && BROUGHT.test(text.slice(last.at - offset));
  if (isBrought && weighty.every((a) => a.word === 'keep' || STIRRED.has(a.word))) return last;
  return timed.at(-1) ?? waiting.at(-1) ?? weighty[0] ?? heated ?? acts.at(-1);
}

/** A verb in the light of the words around it: "put in the oven" bakes, "take out of the fridge" lets stand. */
function meaningOf(act: Act | undefined, text: string): Verb {
  const plain = act?.verb ?? { kind: 'prep', attention: 'hands', minutes: 4 };
  if (['light', 'cook', 'rest', 'hob'].includes(plain.kind) && IN_OVEN.test(text)) return verbOf('bake')!;
  const hasTime = durationsIn(text).length > 0;
  if (OUT_OF_FRIDGE.test(text) && hasTime) return verbOf('stand')!;
  if (act?.word === 'keep' && hasTime && IN_FRIDGE.test(text)) return verbOf('chill')!;
  if (act?.word === 'take' || act?.word === 'keep') {
    const isHot = act.word === 'keep' && /\b(?:hot|warm)\b/i.test(text);
    return verbOf(isHot ? 'simmer' : 'remove')!;
  }
  if (plain.kind === 'light' && hasTime && IN_FREEZER.test(text)) return verbOf('freeze')!;
  if (plain.kind === 'light' && hasTime && IN_FRIDGE.test(text))
    return { ...verbOf('stand')!, how: 'fridge' };
  if (plain.kind === 'rest' && IN_FRIDGE.test(text)) return verbOf('chill')!;
  const isOnlyBrought = act?.word === 'bring' && BROUGHT.test(text);
  if (isOnlyBrought || (act?.word === 'bring' && /\bwater\b/i.test(text))) return verbOf('boil')!;
  return plain;
}

interface Spent {
  readonly short: number;
  readonly usual: number;
  readonly long: number;
  readonly told: ToldDuration | null;
}

/** "1 minute a side, about 20 minutes altogether". */
const ALTOGETHER = /^\s*(?:altogether|in all|in total)\b/i;

const BEFORE_IT = /^\s*before the\b/i;
/** "An hour before serving, slice ...": a moment; "rest for 10 minutes before serving" is not. */
const BEFORE_SERVING = /^\s*before (?:serving|eating|you)\b/i;

function spentIn(text: string, isInEvery: (d: ToldDuration) => boolean, guess: number): Spent {
  const inside = insideIn(text)?.duration;
  // "Ten minutes before the rice is done" is a moment, unless something is taken out of the cold by then.
  const isMoment = (d: ToldDuration) => {
    const rest = text.slice(d.to);
    const isFirst = /^\W*(?:about )?$/i.test(text.slice(0, d.from));
    const isBefore = BEFORE_IT.test(rest) || (isFirst && BEFORE_SERVING.test(rest));
    return isBefore && !/\bfridge|freezer|take\b/i.test(text);
  };
  const all = durationsIn(text).filter((d) => !isInEvery(d) && !isMoment(d) && d.from !== inside?.from);
  const told = all.find((d) => ALTOGETHER.test(text.slice(d.to))) ?? all[0];
  if (!told) return { short: guess, usual: guess, long: guess, told: null };
  const times = timesIn(text);
  const [short, long] = [told.short, told.long].map((m) => Math.min(MOST_MINUTES, m * times)) as [
    number,
    number,
  ];
  // Rounded once: 4 to 5 minutes a side are 9.
  const usual = times > 1 ? Math.round((short + long) / 2) : told.usual;
  return { short, usual, long, told };
}

/**
 * What a stretch of text says about a step whose core act is `act`. `offset` is where the stretch begins in the whole
 * text, in which the marks are.
 */
export function fieldsOf(text: string, offset: number, act: Act | undefined, context: FieldContext): Fields {
  const marks: Mark[] = [];
  const mark = (field: Mark['field'], at: { from: number; to: number }) =>
    marks.push({ field, from: offset + at.from, to: offset + at.to });
  const guessed: string[] = [];

  const verb = meaningOf(act, act?.word === 'keep' ? text : text.replace(KEPT_WARM, ''));
  if (act) marks.push({ field: 'attention', from: act.at, to: act.till });
  else guessed.push('attention');

  const looks = looksIn(text);
  const isInEvery = (d: ToldDuration) => looks !== null && d.from >= looks.from && d.from < looks.to;
  const isBrought = act?.word === 'bring' && verb.kind === 'simmer';
  const usual = isBrought ? TO_THE_BOIL : act ? usualMinutes(act.word) : verb.minutes;
  const spent = spentIn(text, isInEvery, usual);
  if (spent.told) mark('minutes', spent.told);
  else guessed.push('minutes');
  const minutes =
    spent.short === spent.usual && spent.usual === spent.long
      ? spent.usual
      : { short: spent.short, usual: spent.usual, long: spent.long };

  let { attention } = verb;
  const waits = verb.kind === 'rest' || verb.kind === 'cold';
  if (looks && !waits) {
    mark('check', looks);
    attention = looks.value === 0 ? 'hands' : 'minded';
  }
  if (isStirredAlways(text) && !waits && verb.kind !== 'oven') attention = 'hands';
  if (verb.kind === 'hob' && UNDER_LID.test(text) && spent.usual >= LONG_ENOUGH) attention = 'minded';
  const every = looks?.value ?? null;
  const check =
    attention === 'minded'
      ? { every: every ?? Math.min(10, Math.max(2, Math.ceil(spent.usual / 3))) }
      : undefined;
  if (check && every === null) guessed.push('check');

  const heat = settingIn(text, context);
  const isOven =
    verb.kind === 'oven' ||
    (heat !== null &&
      /\boven\b/i.test(text) &&
      !/\bpre-?heat\b|\bheat (?:the|your) oven\b/i.test(text) &&
      verb.kind !== 'hob');
  const isRing =
    !isOven &&
    !/\bmicrowave\b/i.test(text) &&
    (['simmer', 'hob', 'cook'].includes(verb.kind) ||
      act?.word === 'bring' ||
      (act?.word === 'heat' && !/\boven\b/i.test(text)) ||
      (verb.attention === 'hands' && OVER_HEAT.test(text))) &&
    !(OFF_HEAT.test(text) && verb.kind === 'prep');
  const uses: NonNullable<StepFile['uses']> = [];
  if (isOven) {
    uses.push({ oven: heat?.value ?? context.oven?.celsius ?? DEFAULT_OVEN });
    if (heat) mark('uses', heat);
    else if (context.oven) marks.push({ field: 'uses', from: context.oven.from, to: context.oven.to });
    else guessed.push('uses');
  } else if (isRing) uses.push({ ring: 1 });

  const sign = signIn(text);
  if (sign) mark('cue', sign);
  const probe = heat && isOven && heat.value > 100 ? null : probeIn(text);
  if (probe) mark('probe', probe);
  const how = verb.how;
  const hasTouch = attention !== 'hands' && spent.usual >= 4 && spent.short >= 2;

  return {
    place: isOven ? 'oven' : isRing ? 'ring' : 'none',
    marks,
    step: {
      attention,
      minutes,
      ...(hasTouch && { touch: { in: 1, out: how ? 0 : 1 } }),
      ...(check && { check }),
      ...(uses.length > 0 && { uses }),
      ...(how && { keeps: { most: null, how } }),
      ...(sign && { cue: sentenceOf(sign.value) }),
      ...(probe && { probe: probe.value }),
      ...(guessed.length > 0 && { guessed }),
    },
  };
}

/** Words as a sentence of their own. */
export function sentenceOf(words: string): string {
  const text = words.trim().replace(/[\s,;:.]+$/, '');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
