import { singular } from '../amounts';
import { verbOf } from './verbs';

const STOP = new Set(
  `the a an of with in into on onto to for until till from and or then it them its their all each everything both
  some any more rest half well very over under about after before while when as if by at up out off down back
  through minute minutes min mins hour hours hr hrs h quarter overnight second seconds sec day days night least
  most low medium high heat gentle cold hot warm lukewarm large small big wide heavy deep shallow little plenty
  oven fridge freezer pan pot bowl saucepan frying tin tray dish casserole blender mixer processor foil lid paper
  plate plates spoon knife skewer fork bag cup cups glasses glass jar side sides piece pieces slice slices thin
  thick fine finely thinly roughly golden brown tender soft smooth crisp pale set done ready just gently quickly
  slowly constantly often occasionally time times now meanwhile first last end next other another again also only
  without g kg ml l dl cl tbsp tsp oz lb cm mm room temperature boil simmer point place top bottom middle inside
  outside cooked chopped sliced diced grated crushed melted whipped beaten peeled softened dried fresh ground
  lined buttered covered uncovered mixture ingredients serving completely remaining work fan degrees mark gas not
  be is are no good ones one give given left best sure way kind amount around enough handle spoonful handful sheet
  sheets parchment rack wire board two three four five six eight ten twelve together teaspoon tablespoon sharp
  third thirds centre center edge edges pinch knob splash bit`.split(/\s+/),
);
/** In many dishes at once: alone they tie nothing together, unless "the" stands before them. */
export const COMMON = new Set(
  'oil butter salt pepper sugar water flour cream milk egg eggs yolk stock garlic juice lemon wine'.split(
    ' ',
  ),
);

/** What stands for others: "the vegetables" are the carrots and the onion. */
const KINDS: readonly (readonly [string, ReadonlySet<string>])[] = [
  [
    'meat',
    new Set('veal lamb beef pork chicken duck belly shoulder cheek fillet steak leg chop joint'.split(' ')),
  ],
  ['fish', new Set('trout cod salmon haddock fillet mackerel herring hake'.split(' '))],
  [
    'vegetable',
    new Set(
      'carrot onion celery leek fennel parsnip courgette pepper potato mushroom spinach cabbage cauliflower bean pea radish shallot celeriac'.split(
        ' ',
      ),
    ),
  ],
  [
    'herb',
    new Set(
      'parsley mint dill chive basil coriander tarragon chervil thyme rosemary sage oregano'.split(' '),
    ),
  ],
  ['bread', new Set('baguette loaf ciabatta'.split(' '))],
  ['nut', new Set('walnut hazelnut almond pecan pistachio'.split(' '))],
  ['fruit', new Set('apple pear plum cherry peach berry strawberry raspberry quince rhubarb'.split(' '))],
];
const kindsOf = (name: string) => KINDS.flatMap(([kind, names]) => (names.has(name) ? [kind] : []));

export interface Thing {
  readonly name: string;
  /** "the cream" is one that was there before. */
  readonly isKnown: boolean;
  readonly at: number;
}

/** Things that end like what one is doing. */
const NOT_DOING =
  /^(?:dressing|filling|topping|stuffing|icing|dumpling|pudding|herring|pickling|coating|seasoning|string)s?$/;
/** What was cut or shaped: "the slices". */
const SHAPES = /^(?:slices?|cubes?|balls?)$/;
/** Things that are also something to do. */
const EITHER = /^(?:butter|flour|oil|cream|dress|stock|crumble)$/;

/** "While the broth simmers," is about when. */
const LEAD = /^\W*(?:while|when|once|as soon as|after|before|\p{L}+ (?:minutes|hours) before)\b[^,]*,/iu;
/** A text without its clause of time; places stay. */
export const withoutLead = (text: string): string => text.replace(LEAD, (lead) => ' '.repeat(lead.length));

/** "Blend all the ingredients for the paste": from the larder. */
export const ALL_LISTED = /\ball (?:of )?the (?:\p{L}+ )?ingredients(?: for the \p{L}+)?/iu;

/** Things that a text speaks of. */
export function thingsIn(text: string): Thing[] {
  // What something is to look like is no thing: "until doubled"; nor is what it is served with.
  const plain = withoutLead(text)
    .toLowerCase()
    .replace(ALL_LISTED, (list) => ' '.repeat(list.length))
    .replace(/\b(?:until|till|so that)\b[^.;,]*|(?<=\p{L}.*)\b(?:and|then) serve\b[^.;]*/gu, (sign) =>
      ' '.repeat(sign.length),
    );
  const words = [...plain.matchAll(/[\p{L}][\p{L}'-]*/gu)];
  return words.flatMap((match, k) => {
    const word = match[0];
    const isShape = SHAPES.test(word) && /^(?:the|each|every)$/.test(words[k - 1]?.[0] ?? '');
    if (
      (STOP.has(word) && !isShape) ||
      word.length < 3 ||
      (/ly$/.test(word) && word !== 'jelly') ||
      (/ing$/.test(word) && !NOT_DOING.test(word))
    )
      return [];
    const isEither = EITHER.test(word);
    // "Butter a tin": what is done, not what it is done to.
    if (isEither && k === 0 && /^(?:a|an|the|each)$/.test(words[1]?.[0] ?? '')) return [];
    const isVerb = verbOf(word) !== null && !isEither;
    const before = words.slice(Math.max(0, k - 2), k).map((w) => w[0]);
    const isKnown = before.includes('the') || before.includes('this');
    if (isVerb && !isShape && before.at(-1) !== 'the') return [];
    return [{ name: singular(word), isKnown, at: match.index }];
  });
}

/** What is made of several things has a name of its own. */
const MADE: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\bbake\b/i, ['cake', 'loaf', 'bread', 'tart', 'pie', 'pudding']],
  [/\bseparate\b/i, ['white', 'yolk']],
  [/\btoast\b/i, ['toast']],
  [/\bmash\b/i, ['mash']],
  [/\bpress\b[^.]*\b(?:tin|dish)\b/i, ['base', 'case']],
  [/\bslice\b/i, ['slice']],
  [/\bdice\b|\bcubes\b/i, ['cube']],
  [/\bsugar\b[^.]*\b(?:boil|water)\b/i, ['syrup']],
  [/\b(?:knead|rub|pulse|bring together|yeast)\b/i, ['dough', 'pastry', 'crumb']],
  [
    /\b(?:whisk|beat|fold|mix|stir|combine)\b/i,
    [
      'batter',
      'mixture',
      'dressing',
      'sauce',
      'marinade',
      'custard',
      'cure',
      'rub',
      'glaze',
      'filling',
      'stuffing',
      'paste',
    ],
  ],
  [/\b(?:line|fill|roll out)\b/i, ['case', 'base', 'shell']],
  [/\b(?:reduce|simmer|deglaze|strain)\b/i, ['sauce', 'soup', 'stew', 'broth', 'stock', 'gravy']],
  [/\b(?:blend|puree|purée)\b/i, ['soup', 'sauce', 'puree']],
  [/\b(?:blend|pound|grind|crush)\b/i, ['paste']],
  [/\b(?:sear|brown|roast|braise|cook)\b/i, ['juice']],
];

/** The names of things in a list of ingredients, as steps may speak of them. */
export function namesOf(lines: readonly string[]): Set<string> {
  return new Set(lines.flatMap((line) => thingsIn(line).flatMap((t) => [t.name, ...kindsOf(t.name)])));
}

/** What is made of a piece of meat is not that piece. */
const MADE_OF = /(?<!on the )\bbones?\b|\b(?:stock|broth|fat|gravy|sausages?)\b/i;
/** What else a piece of meat or a fish is called. */
const PIECE = ['bird', 'joint', 'skin'];
/** Other names of a thing in a list of ingredients: "2 racks of lamb" are racks and lamb. */
export type Aliases = ReadonlyMap<string, readonly string[]>;
export function aliasesOf(lines: readonly string[]): Aliases {
  const pieces = lines
    .filter((line) => !MADE_OF.test(line))
    .map((line) => thingsIn(line.replace(/[,(].*$/, '')).map((t) => t.name))
    .filter((names) =>
      names.some((name) => kindsOf(name).some((kind) => kind === 'meat' || kind === 'fish')),
    );
  const [only, ...others] = pieces;
  const called = only && others.length === 0 ? PIECE.map((word) => [word, only] as const) : [];
  return new Map([
    ...called,
    ...pieces.flatMap((names) =>
      names.map((name) => [name, [...names.filter((n) => n !== name), ...PIECE]] as const),
    ),
  ]);
}

/** What a step holds that speaks of these things. "A leek" is also a vegetable, which is not to speak of vegetables. */
export const heldNames = (things: readonly Thing[], aliases: Aliases): string[] =>
  things.flatMap(({ name }) => [
    name,
    ...[...kindsOf(name), ...(aliases.get(name) ?? [])].map((other) => `a ${other}`),
  ]);

/** Whether a step holds a thing by its name or as one of a kind. */
export const isOfKind = (held: ReadonlySet<string>, name: string) =>
  held.has(name) || held.has(`a ${name}`) || kindsOf(name).some((kind) => held.has(kind));

/** Whether a step holds a thing: by its name, a part of its name ("crumbs" of "breadcrumbs"), or as one of a kind. */
export const holdsThing = (held: ReadonlySet<string>, name: string) =>
  isOfKind(held, name) ||
  (name.length > 4 &&
    [...held].some((h) => (h.endsWith(name) || (h.length >= 4 && name.endsWith(h))) && !isOther(h, name)));

/** Cornflour is no flour. */
const isOther = (a: string, b: string) => a !== b && (COMMON.has(a) || COMMON.has(b));

/** Names of what is made by what a step tells to do. Whites and cream that are whipped are not a sauce. */
export function madeIn(text: string): string[] {
  if (/\bwhites\b|\bcream (?:to|until|lightly|softly)\b/i.test(text)) return [];
  return MADE.filter(([words]) => words.test(text)).flatMap(([, names]) => names.map(singular));
}

/** Names of many things at once. */
export const COLLECTIVE = new Set(['vegetable', 'herb', 'nut', 'fruit']);
/** What is made of several things and named by what it is for. */
export const GENERIC = new Set([
  'topping',
  'filling',
  'stuffing',
  'coating',
  'crumble',
  'glaze',
  'paste',
  'dressing',
  'marinade',
  'ragu',
  'salad',
  'crust',
  'curry',
  'stew',
  'gravy',
  'salsa',
  'pesto',
]);
