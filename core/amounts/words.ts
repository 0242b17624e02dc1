/** Endings of English plurals; the first that fits counts. */
const PLURALS: readonly (readonly [RegExp, string])[] = [
  [/ies$/, 'y'],
  [/(?<=(?:ch|sh|x|o))es$/, ''],
  [/(?<!s)s$/, ''],
];

/** A word in the singular, as far as its ending tells: "carrots" is "carrot", "glass" stays. */
export function singular(word: string): string {
  const rule = word.length > 3 ? PLURALS.find(([ending]) => ending.test(word)) : undefined;
  return rule ? word.replace(rule[0], rule[1]) : word;
}

/** A word that is no unit (a sprig, a bunch) in the number that goes with `amount`. */
export function inNumber(word: string, amount: number): string {
  if (!word || amount <= 1 || word.endsWith('s')) return word;
  return /(ch|sh|x)$/.test(word) ? `${word}es` : `${word}s`;
}

/** The words of a text in small letters and in the singular, without the shortest. */
export function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 2)
    .map(singular);
}
