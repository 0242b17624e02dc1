import { celsiusOf, celsiusOfGasMark } from '../amounts';
import type { DinnerFile } from '../dinner';
import { durationsIn, type ToldDuration } from './durations';

type StepFile = DinnerFile['dishes'][number]['steps'][number];

/** Words of the sentence and what they were taken for. */
export interface Mark {
  readonly field: 'minutes' | 'attention' | 'check' | 'uses' | 'keeps' | 'probe' | 'cue';
  readonly from: number;
  readonly to: number;
}

/** A sentence as a step without an id; `guessed` names what no words told. */
export interface Understood {
  readonly step: Omit<StepFile, 'id'>;
  readonly marks: readonly Mark[];
}

interface Verb {
  readonly words: RegExp;
  readonly attention: StepFile['attention'];
  readonly minutes: number;
  readonly needs?: 'oven' | 'ring';
  readonly how?: 'room' | 'fridge' | 'freezer';
}

/** What verbs mean where nothing else is said; the first that fits counts. The minutes are guesses. */
const VERBS: readonly Verb[] = [
  { words: /\b(freeze)\b/, attention: 'alone', minutes: 360, how: 'freezer' },
  { words: /\b(chill|refrigerate|cool in the fridge)\b/, attention: 'alone', minutes: 120, how: 'fridge' },
  { words: /\b(set)\b(?! (aside|the oven|out))/, attention: 'alone', minutes: 180, how: 'fridge' },
  { words: /\b(marinate|cure|brine)\b/, attention: 'alone', minutes: 60, how: 'fridge' },
  { words: /\b(soak)\b/, attention: 'alone', minutes: 60, how: 'room' },
  {
    words: /\b(prove|rise|rest|stand|infuse|steep|cool|draw)\b/,
    attention: 'alone',
    minutes: 20,
    how: 'room',
  },
  { words: /\b(bake|roast)\b/, attention: 'alone', minutes: 35, needs: 'oven' },
  {
    words: /\b(simmer|stew|braise|poach|reduce|boil|steam)\b/,
    attention: 'minded',
    minutes: 20,
    needs: 'ring',
  },
  {
    words: /\b(fry|sear|sweat|brown|toast|melt|caramelise|caramelize|saute|sauté)\b/,
    attention: 'hands',
    minutes: 8,
    needs: 'ring',
  },
  { words: /\b(knead)\b/, attention: 'hands', minutes: 10 },
  { words: /\b(peel|chop|slice|dice|cut|grate|shred|wash|trim)\b/, attention: 'hands', minutes: 6 },
  { words: /./, attention: 'hands', minutes: 4 },
];

const EVERY = /\bevery\s+(\d+|few)\s*(minutes?|mins?|min)?\b/i;
const HEAT = /\b(\d{2,3})\s*°?\s*(C|F)\b|\bgas(?: mark)?\s*(\d)\b/i;
const DEGREES = /\b(\d{2,3})\s*(?:°|degrees)(?!\s*[CF]\b)/i;
const UNTIL = /\buntil\s+([^.;,]+)/i;
const DEFAULT_OVEN = 180;
const FEW = 5;

function heatIn(text: string): { celsius: number; from: number; to: number } | null {
  const match = HEAT.exec(text) ?? DEGREES.exec(text);
  if (!match) return null;
  const [all, degrees, unit, mark] = match;
  const celsius = mark
    ? celsiusOfGasMark(mark)
    : unit?.toUpperCase() === 'F'
      ? 5 * Math.round(celsiusOf(Number(degrees)) / 5)
      : Number(degrees);
  return celsius === null ? null : { celsius, from: match.index, to: match.index + all.length };
}

/** Takes one sentence of a recipe for one step of a dish. Any text at all gives a step. */
export function understand(sentence: string): Understood {
  const text = sentence.trim();
  const low = text.toLowerCase();
  const marks: Mark[] = [];
  const guessed: string[] = [];
  const verb = VERBS.find(({ words }) => words.test(low)) ?? VERBS.at(-1)!;
  const verbAt = verb.words.exec(low);
  if (verbAt && verbAt[0].length > 1) {
    marks.push({ field: 'attention', from: verbAt.index, to: verbAt.index + verbAt[0].length });
  } else guessed.push('attention');

  const every = EVERY.exec(text);
  const isInEvery = (d: ToldDuration) =>
    every !== null && d.from >= every.index && d.from < every.index + every[0].length;
  const told = durationsIn(text).find((d) => !isInEvery(d));
  if (told) marks.push({ field: 'minutes', from: told.from, to: told.to });
  else guessed.push('minutes');
  const { short, usual, long } = told ?? { short: verb.minutes, usual: verb.minutes, long: verb.minutes };
  const minutes = short === usual && usual === long ? usual : { short, usual, long };

  let { attention } = verb;
  if (every) {
    marks.push({ field: 'check', from: every.index, to: every.index + every[0].length });
    attention = 'minded';
  }
  const isMinded = attention === 'minded';
  const check = isMinded
    ? {
        every: every
          ? every[1] === 'few'
            ? FEW
            : Math.max(1, Number(every[1]))
          : Math.min(10, Math.max(2, Math.ceil(usual / 3))),
      }
    : undefined;
  if (isMinded && !every) guessed.push('check');

  const heat = heatIn(text);
  const isOven = verb.needs === 'oven' || (heat !== null && /\boven\b/.test(low));
  const uses: NonNullable<StepFile['uses']> = [];
  if (isOven) {
    uses.push({ oven: heat?.celsius ?? DEFAULT_OVEN });
    if (!heat) guessed.push('uses');
  } else if (verb.needs === 'ring') uses.push({ ring: 1 });
  if (heat && isOven) marks.push({ field: 'uses', from: heat.from, to: heat.to });

  const until = UNTIL.exec(text);
  if (until) marks.push({ field: 'cue', from: until.index, to: until.index + until[0].length });
  const probe = heat && !isOven && heat.celsius >= 40 && heat.celsius <= 100 ? heat.celsius : undefined;
  if (probe !== undefined) marks.push({ field: 'probe', from: heat!.from, to: heat!.to });

  return {
    step: {
      does: text.charAt(0).toUpperCase() + text.slice(1),
      attention,
      minutes,
      ...(attention !== 'hands' && usual >= 4 && { touch: { in: 1, out: verb.how ? 0 : 1 } }),
      ...(check && { check }),
      ...(uses.length > 0 && { uses }),
      ...(verb.how && { keeps: { most: null, how: verb.how } }),
      ...(until && { cue: `${until[1]!.trim().charAt(0).toUpperCase()}${until[1]!.trim().slice(1)}.` }),
      ...(probe !== undefined && { probe }),
      ...(guessed.length > 0 && { guessed }),
    },
    marks,
  };
}
