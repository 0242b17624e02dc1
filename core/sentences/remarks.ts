import { isWaiting, type Act } from './clauses';
import { durationsIn } from './durations';
import { looksIn } from './signs';

/** Sentences that are no steps: about the oven, the step before, how long it took, or the plates. */

const PREHEAT =
  /\b(?:pre-?heat|heat|turn on|turn|switch on|set|warm|lower|raise|reduce|increase|oven to|oven:)\b/i;
/** "Transfer the lamb to a plate; pour off the fat": the end of what was done with it. */
const SET_DOWN =
  /\b(?:to|onto|on) (?:an? (?:\p{L}+ )?(?:plate|board|rack)|(?:kitchen )?paper)\b|\bpour off\b|^\W*set aside\b/iu;
const PRONOUN = /^\W*\p{L}+ (?:it|them|these|everything)\b/iu;

/** Whether a sentence only says how hot the oven is to be. */
export function ovenOnly(words: string, acts: readonly Act[]): boolean {
  const aboutOven = /(?<!\bdutch )\boven\b|\bgas\b|\b\d{3}\s*(?:°|º|C\b|F\b)/i.test(words);
  if (!aboutOven) return false;
  if (acts.length === 0) return /\b(?:oven|gas)\b/i.test(words) && durationsIn(words).length === 0;
  const isHeated = acts.some((a) => a.verb.kind === 'preheat' || a.word === 'heat');
  return acts.every(
    (a) =>
      a.verb.kind === 'preheat' ||
      (a.verb.kind === 'light' && (PREHEAT.test(a.word) || (isHeated && a.word !== 'line'))),
  );
}

/** "Allow a quarter of an hour for the herbs": how long what was told takes. */
const TAKES = /^\W*(?:allow|reckon|count|plan)\b[^.;]*\bfor (?:this|that|it|the|all)\b/i;
/** Whether a sentence only says how long something takes. */
export const isRemark = (words: string): boolean =>
  TAKES.test(words) || (/^\W*check\b/i.test(words) && durationsIn(words).length === 0);

/** "Stir every half hour": how something that waits is looked after. */
export const LOOKS = new Set('stir turn baste look check skim shake toss top brush rotate'.split(' '));

/** A light sentence about what was just made: "Set them on a tray." It goes with the step before. */
export const goesBack = (acts: readonly Act[], words: string) =>
  (looksIn(words) !== null && acts.every((a) => LOOKS.has(a.word))) ||
  (durationsIn(words).length === 0 &&
    (acts.every((a) => a.verb.kind === 'finish' || a.word === 'take') ||
      (acts.every((a) => a.verb.kind === 'light' && a.word !== 'cover') &&
        (PRONOUN.test(words) || SET_DOWN.test(words)))));

const ON_PLATES =
  /\b(?:on|onto|into|between|among|over) (?:[\p{L}\d]+ ){0,3}(?:plates|bowls)\b|\b(?:spread|arrange|lay)\b[^.]*\bon a (?:\p{L}+ )?(?:plate|platter)\b|\bbefore serving\b|\bto serve\b|\bon each\b/iu;
const AT_TABLE = /\b(?:at|to) the table\b/i;
const STREWN = /^\W*(?:fill|spread|scatter|sprinkle|top|finish|decorate|garnish|dust|drizzle|dot) with\b/i;
/** A light sentence about what comes onto the plates: it is plating, not a step. */
export const isPlating = (acts: readonly Act[], words: string) =>
  acts.every(
    (a) => ['serve', 'finish', 'light'].includes(a.verb.kind) || (!isWaiting(a) && AT_TABLE.test(words)),
  ) &&
  durationsIn(words).length === 0 &&
  (acts.every((a) => a.verb.kind === 'serve') ||
    (acts.at(-1)?.word === 'serve' && acts.slice(0, -1).every((a) => a.verb.kind === 'finish')) ||
    ON_PLATES.test(words) ||
    AT_TABLE.test(words) ||
    STREWN.test(words));
