import type { DinnerFile } from '../dinner';

type Attention = DinnerFile['dishes'][number]['steps'][number]['attention'];

/**
 * What a verb of the kitchen is about: `light` moves things to where the next work happens, `finish` ends what was
 * before it, `serve` is plating, `preheat` is the oven's business; the others are work or waiting of their own.
 */
export type VerbKind =
  'light' | 'finish' | 'serve' | 'preheat' | 'prep' | 'hob' | 'simmer' | 'oven' | 'cold' | 'rest' | 'cook';

export interface Verb {
  readonly kind: VerbKind;
  readonly attention: Attention;
  /** A guess where no words tell. */
  readonly minutes: number;
  readonly how?: 'room' | 'fridge' | 'freezer';
}

const verb = (kind: VerbKind, attention: Attention, minutes: number, how?: Verb['how']): Verb => ({
  kind,
  attention,
  minutes,
  ...(how && { how }),
});

const LEXICON: readonly (readonly [Verb, string])[] = [
  [
    verb('light', 'hands', 2),
    'add pour put place transfer tip scatter spoon lay arrange cover uncover return bring lower turn heat raise set sit drizzle brush sprinkle ladle move flip throw drop fill line wrap top spread push bury open close prick stick slide look check dust strew nestle submerge dip plunge reserve scrape weigh rain tie',
  ],
  [verb('finish', 'hands', 1), 'drain remove lift season taste skim discard unwrap switch'],
  [verb('serve', 'hands', 0), 'serve eat enjoy decorate garnish'],
  [verb('preheat', 'hands', 0), 'preheat'],
  [
    verb('prep', 'hands', 5),
    'peel trim wash dry pat rinse clean chop slice dice cut cube quarter halve core stone pit seed grate shred crush mince mash zest squeeze juice break tear pick pluck score rub salt mix combine whisk whip beat fold stir blend puree purée process pound roll shape form layer thread stuff press strain sift sieve toss dress coat dissolve crack separate joint bone cream pipe assemble divide fluff crumble measure grease skewer swirl knead stretch stamp mould deseed fillet scale scrub butterfly pulse slip slash flake snip shell pod carve slit stud thin dredge refresh shake loosen unmould knock pull run shave whizz whiz blitz',
  ],
  [
    verb('hob', 'hands', 6),
    'fry sear brown sweat toast melt caramelise caramelize saute sauté blanch warm deglaze baste grill stir-fry scramble soften char griddle crisp flambé dry-fry wilt pop',
  ],
  [
    verb('simmer', 'minded', 20),
    'simmer stew braise poach boil hard-boil soft-boil steam bubble reduce reheat thicken parboil',
  ],
  [verb('oven', 'alone', 35), 'bake roast'],
  [verb('cold', 'alone', 120, 'fridge'), 'chill refrigerate marinate cure brine pickle'],
  [verb('cold', 'alone', 360, 'freezer'), 'freeze'],
  [
    verb('rest', 'alone', 20, 'room'),
    'rest stand cool leave let churn spin soak infuse steep rise prove proof draw swell ferment take allow keep',
  ],
  [verb('cook', 'minded', 15), 'cook'],
];

const VERBS = new Map<string, Verb>(
  LEXICON.flatMap(([meaning, words]) => words.split(' ').map((word): [string, Verb] => [word, meaning])),
);

/** Minutes that some verbs usually take, where no words tell: guesses. */
const USUAL: Readonly<Record<string, number>> = {
  knead: 10,
  peel: 8,
  soak: 60,
  marinate: 120,
  cure: 1440,
  rise: 60,
  prove: 60,
  proof: 60,
  toss: 2,
  fold: 3,
  season: 1,
  drizzle: 1,
};

/** What a word means as a verb in the imperative; null for any other word. Words are in small letters. */
export function verbOf(word: string): Verb | null {
  return VERBS.get(word) ?? null;
}

/** A guess at how many minutes a verb takes where no words tell. */
export function usualMinutes(word: string): number {
  return USUAL[word] ?? VERBS.get(word)?.minutes ?? 4;
}
