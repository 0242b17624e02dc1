/** What a cup weighs, in grams, and where the figure is from. */
interface CupWeight {
  readonly words: RegExp;
  readonly grams: number;
  readonly source: string;
}

const CUP = 236.588_236_5;
const PRACTICE = 'common practice; published tables differ';

/** The first that fits counts: "brown sugar" stands before "sugar". */
const CUPS: readonly CupWeight[] = [
  { words: /\bbrown sugar\b/, grams: 216, source: PRACTICE },
  { words: /\b(icing|powdered) sugar\b/, grams: 120, source: PRACTICE },
  { words: /\bsugar\b/, grams: 200, source: PRACTICE },
  { words: /\bflour\b/, grams: 125, source: PRACTICE },
  { words: /\bbutter\b(?!milk)/, grams: 227, source: PRACTICE },
  { words: /\brice\b/, grams: 190, source: PRACTICE },
  { words: /\bgrated\b.*\bcheese\b|\bparmesan\b/, grams: 100, source: PRACTICE },
  { words: /\b(water|milk|stock|buttermilk)\b/, grams: 240, source: PRACTICE },
];

export interface Weighed {
  readonly grams: number;
  readonly source: string;
}

/** The weight of so many millilitres of an ingredient; null where no figure is known. */
export function gramsOf(item: string, millilitres: number): Weighed | null {
  const known = CUPS.find(({ words }) => words.test(item.toLowerCase()));
  return known ? { grams: Math.round((known.grams * millilitres) / CUP), source: known.source } : null;
}
