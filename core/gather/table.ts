import type { Dinner, DinnerFile } from '../dinner';
import { freeId } from '../dinner';

/** What lies and stands at a place. Cutlery is used from the outside in. Common practice; tables differ. */
export const PIECES = [
  'soup spoon',
  'small fork',
  'small knife',
  'fish fork',
  'fish knife',
  'fork',
  'knife',
  'dessert spoon',
  'dessert fork',
  'water glass',
  'white wine glass',
  'red wine glass',
  'small glass',
] as const;
export type Piece = (typeof PIECES)[number];

export interface CoursePlace {
  readonly course: string;
  readonly name: string;
  readonly pieces: readonly Piece[];
  /** Why, in a line. */
  readonly reason: string;
  /** Plates that wait in a warm oven, or glasses and bowls that wait in the cold. */
  readonly plates: 'warm' | 'cold' | 'as they are';
  readonly vessel: 'plate' | 'bowl' | 'glass';
}

export interface TablePlace {
  readonly courses: readonly CoursePlace[];
  /** From the outside to the plate. */
  readonly left: readonly Piece[];
  readonly right: readonly Piece[];
  /** Above the plate, dessert's own. */
  readonly above: readonly Piece[];
  readonly glasses: readonly Piece[];
}

const SOUP = /\b(soup|broth|consommé|chowder|bisque)\b/i;
const FISH = /\b(fish|trout|cod|salmon|haddock|mackerel|herring|char|pike|sole|hake)\b/i;
const SWEET =
  /\b(cake|tart|crumble|cobbler|crisp|cream|custard|jelly|mousse|parfait|ice cream|sorbet|compote|trifle|pudding|pears?|plums?|figs|apples?|chocolate|meringue|strudel|dumplings? with fruit)\b/i;
const DRINK = /\b(punch|cordial|cider|aperitif|spritz|hot apple|drink|juice|wine)\b/i;
const MEAT_RED = /\b(beef|lamb|duck|venison|veal|game|stew|braised|pork)\b/i;
const IN_GLASS = /\b(glass|glasses|mousse|jelly|parfait|set cream|cream, set|trifle)\b/i;

/** What one course wants, by what is on it; the cook's own word in `course.place` comes first. */
function placeOf(dinner: Dinner, at: number): CoursePlace {
  const course = dinner.courses[at]!;
  const dishes = course.dishes.flatMap((id) => dinner.dishes.find((d) => d.id === id) ?? []);
  const words = [course.name, ...dishes.map((d) => d.name)].join(', ');
  const isLast = at === dinner.courses.length - 1 && at > 0;
  const endsHot = dishes.some((d) => {
    const last = d.steps.at(-1);
    const isHeated = (last?.uses ?? []).some((u) => 'oven' in u || 'ring' in u);
    return isHeated || last?.keeps?.how === 'hot';
  });
  const endsCold = dishes.some(
    (d) => d.steps.at(-1)?.keeps?.how === 'fridge' || d.steps.at(-1)?.keeps?.how === 'freezer',
  );
  const inGlass =
    IN_GLASS.test(words) || dishes.some((d) => d.steps.some((s) => /\bglass(?:es)?\b/i.test(s.does)));
  const plates = endsHot ? 'warm' : endsCold ? 'cold' : 'as they are';
  const base = { course: course.id, name: course.name, plates } as const;
  const own = (course as { place?: unknown }).place;
  if (Array.isArray(own)) {
    const pieces = own.filter((p): p is Piece => PIECES.includes(p as Piece));
    return {
      ...base,
      pieces,
      reason: 'as you have laid it',
      vessel: inGlass ? 'glass' : SOUP.test(words) ? 'bowl' : 'plate',
    };
  }
  if (
    DRINK.test(course.name) ||
    (DRINK.test(words) && dishes.length === 1 && /\b(welcome|drink|aperitif)\b/i.test(course.name))
  ) {
    return {
      ...base,
      pieces: ['small glass'],
      reason: 'a drink wants a glass and no cutlery',
      vessel: 'glass',
    };
  }
  if (SOUP.test(words))
    return {
      ...base,
      pieces: ['soup spoon'],
      reason: 'soup is eaten with a round spoon, laid on the right',
      vessel: 'bowl',
    };
  if (isLast && (SWEET.test(words) || /dessert|sweet/i.test(course.name))) {
    return {
      ...base,
      pieces: ['dessert spoon', 'dessert fork'],
      reason: 'dessert’s own lie above the plate, out of the way until then',
      vessel: inGlass ? 'glass' : 'plate',
    };
  }
  if (FISH.test(words))
    return {
      ...base,
      pieces: ['fish fork', 'fish knife', 'white wine glass'],
      reason: 'fish comes apart with a blunt knife',
      vessel: 'plate',
    };
  const isMain = /main/i.test(course.name) || dinner.courses.length === 1 || at === dinner.courses.length - 2;
  if (isMain) {
    const glass = MEAT_RED.test(words) ? 'red wine glass' : 'white wine glass';
    return {
      ...base,
      pieces: ['fork', 'knife', glass],
      reason: 'the large knife and fork lie next to the plate',
      vessel: 'plate',
    };
  }
  return {
    ...base,
    pieces: ['small fork', 'small knife'],
    reason: 'what comes first lies outermost',
    vessel: 'plate',
  };
}

const LEFT = new Set<Piece>(['small fork', 'fish fork', 'fork']);
const ABOVE = new Set<Piece>(['dessert spoon', 'dessert fork']);
const isGlass = (piece: Piece) => piece.endsWith('glass');

/** A place at the table, from the menu: each course's cutlery from the outside in, glasses above the knives. */
export function tablePlace(dinner: Dinner): TablePlace {
  const courses = dinner.courses.map((_, at) => placeOf(dinner, at));
  const pieces = courses.flatMap((c) => c.pieces);
  return {
    courses,
    left: pieces.filter((p) => LEFT.has(p)),
    right: pieces.filter((p) => !LEFT.has(p) && !ABOVE.has(p) && !isGlass(p)),
    above: pieces.filter((p) => ABOVE.has(p)),
    glasses: [...new Set<Piece>(['water glass', ...pieces.filter(isGlass)])],
  };
}

const BASE_MINUTES = 6;
const MINUTES_A_PLACE = 1.5;
const LAID = 'the-table';

/** Whether laying the table is a step of the evening already. */
export function isTableLaid(file: DinnerFile): boolean {
  return file.dishes.some(
    (d) => d.id.startsWith(LAID) || d.steps.some((s) => /\blay the table\b/i.test(s.does)),
  );
}

/** The dinner with laying the table as work of the evening, before the first course; it can be done in pieces. */
export function withTableLaid(file: DinnerFile): DinnerFile {
  const [first] = file.courses;
  if (!first || isTableLaid(file)) return file;
  const id = freeId(LAID, new Set(file.dishes.map((d) => d.id)));
  const minutes = Math.ceil(BASE_MINUTES + MINUTES_A_PLACE * file.guests);
  return {
    ...file,
    courses: file.courses.map((c) => (c === first ? { ...c, dishes: [...c.dishes, id] } : c)),
    dishes: [
      ...file.dishes,
      {
        id,
        name: 'The table',
        serves: file.guests,
        steps: [
          {
            id: 'lay',
            does: 'Lay the table.',
            attention: 'hands',
            minutes,
            pausable: minutes >= 10,
            keeps: { best: 1440, most: null, how: 'room' },
          },
        ],
      },
    ],
  };
}
