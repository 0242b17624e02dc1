import { convert, unitOf } from '../amounts';
import { numberOf } from './durations';
import { namesOf } from './things';
import { usualMinutes } from './verbs';

/** Work of the hands that takes longer the more there is of a thing; the rest of a recipe does not. */
const GROWS = new Set(
  'peel chop slice dice cut grate wash trim core stone pit shred pick scrub clean shape roll stuff thread halve quarter cube pod shell flake score shuck'.split(
    ' ',
  ),
);

/** Whether the time of a verb grows with the portions. */
export const growsWithPortions = (word: string): boolean => GROWS.has(word);

const AMOUNT = /(\d+(?:[.,]\d+)?|\d+\s*\/\s*\d+|[¼½¾⅓⅔])\s*(kg|g|lb|lbs|oz)\b/i;
const COUNT = /^\W*(\d{1,2})\s+(?!g\b|kg\b|ml\b|l\b|cm\b|min)/;
/** What a cook prepares in the usual minutes of a verb. Common practice. */
const USUAL_GRAMS = 400;
const USUAL_PIECES = 4;
const [LEAST, MOST] = [0.5, 3];

function shareIn(text: string): number | null {
  const mass = AMOUNT.exec(text);
  const unit = mass && unitOf(mass[2]!);
  if (mass && unit) return convert(numberOf(mass[1]!), unit, unitOf('g')!) / USUAL_GRAMS;
  const count = COUNT.exec(text);
  return count ? Number(count[1]) / USUAL_PIECES : null;
}

/**
 * A guess at the minutes of some work that no words tell, from its verb and from how much there is: as the sentence
 * says it, else as the lines of ingredients that it speaks of. Half of the usual at least, three times at most.
 */
export function guessedMinutes(word: string, text: string, ingredients: readonly string[]): number {
  const usual = usualMinutes(word);
  if (!GROWS.has(word)) return usual;
  const things = namesOf([text]);
  const lines = ingredients.filter((line) => [...namesOf([line])].some((name) => things.has(name)));
  const listed = lines.flatMap((line) => shareIn(line) ?? []);
  const share = shareIn(text) ?? (listed.length > 0 ? listed.reduce((sum, s) => sum + s, 0) : 1);
  return Math.max(1, Math.round(usual * Math.min(MOST, Math.max(LEAST, share))));
}
