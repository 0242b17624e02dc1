import { parseIngredient } from 'parse-ingredient';
import { singular, unitOf } from '../amounts';
import type { DinnerFile } from '../dinner';

type IngredientFile = NonNullable<DinnerFile['dishes'][number]['ingredients']>[number];

const ROUGH = /^(?:ca\.?|circa|about|approx\.?|approximately|roughly|around|generous|scant|heaped|level)\s+/i;
const BULLET = /^\s*(?:[-*•–—·▢☐]|\d{1,2}[.)](?=\s))\s*/;
/** "a knob of butter", "a few sprigs of thyme": one, of a unit that is a word. */
const WORDED =
  /^(?:an?|a few|some)\s+(?:(?:good|large|small|big|little|generous)\s+)?(knob|pinch|handful|splash|dash|drop|bunch|sprig|sprigs|stick|slice|piece|glass|squeeze|drizzle|bit|sheet|leaf|clove|tin|packet|jar)\s+of\s+(.+)$/i;
const PACK =
  /^(?:x\s*)?\(?(\d+(?:[.,]\d+)?)\s?(g|kg|ml|l|cl|oz|lb)\)?\s+(tins?|cans?|packets?|packs?|jars?|bottles?|bags?|tubs?|blocks?|bars?)\s+(?:of\s+)?(.+)$/i;
const PART = /^(?:the\s+)?(juice|zest|grated zest|rind|peel)(?:\s+and\s+(juice|zest))?\s+of\s+(.+)$/i;
const TASTE = /,?\s*(?:to taste|as needed|as you like|for (?:frying|greasing|dusting|serving))\s*$/i;
/** An amount that is none: "some cinnamon". */
const SOME = /^(?:some|a little|a bit of|plenty of)\s+/i;
const HALF = /^half an?\s+/i;
const WHOLE = /^(?:eggs?|tins?|cans?|packets?|jars?)\b/i;
const WORDS_FOR_SIZE = /^(?:large|small|medium|big|ripe|fresh)\s+/i;

/** Splits "carrots, peeled and diced" and "carrots (diced)" into what to buy and what is done with it. */
function itemAndWork(text: string): { item: string; to?: string } {
  const bracket = /^(.*?)\s*\(([^()]*)\)\s*(.*)$/.exec(text);
  const plain = bracket ? `${bracket[1]} ${bracket[3]}`.trim() : text;
  const [item = '', ...work] = plain.split(/,\s*/);
  const to = [...(bracket?.[2] ? [bracket[2]] : []), ...work]
    .map((w) => w.trim())
    .filter(Boolean)
    .join(', ');
  return { item: item.trim(), ...(to && { to }) };
}

/** A unit by its usual short name; a word that is no measure (a clove, a bunch) as it is. */
const unitName = (word: string) => unitOf(word)?.name ?? singular(word.toLowerCase().replace(/\.$/, ''));

/**
 * Reads one line of a list of ingredients: "1 ½ tbsp olive oil", "2-3 carrots, diced", "1 (400 g) tin of tomatoes",
 * "a knob of butter", "juice of half a lemon", "salt, to taste". Null for a line in which no thing is named.
 */
export function readIngredient(line: string): IngredientFile | null {
  const text = line
    .replace(BULLET, '')
    .replace(/[*_`]+/g, '')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/[.;]$/, '')
    .slice(0, 300);
  if (!/\p{L}/u.test(text)) return null;
  if (TASTE.test(text) || !/[\d¼½¾⅓⅔⅛]|^(?:an?|half|one|two|three|four|some|juice|zest)\b/i.test(text)) {
    return named(itemAndWork(text.replace(TASTE, '').replace(SOME, '')));
  }
  const part = PART.exec(text);
  if (part) {
    const rest = readIngredient(part[3]!.replace(HALF, '½ '));
    const what = [part[1], part[2]].filter(Boolean).join(' and ').toLowerCase();
    return rest && { ...rest, to: [`${what} only`, rest.to].filter(Boolean).join(', ') };
  }
  const worded = WORDED.exec(text);
  if (worded) return named({ ...itemAndWork(worded[2]!), amount: 1, unit: unitName(worded[1]!) });
  const [parsed] = parseIngredient(
    text
      .replace(ROUGH, '')
      .replace(HALF, '½ ')
      .replace(/(\d)\s*-\s*(?=\d)/g, '$1-'),
  );
  if (!parsed) return null;
  const { quantity, quantity2, unitOfMeasure, description } = parsed;
  if (quantity === null || !Number.isFinite(quantity)) return named(itemAndWork(text.replace(SOME, '')));
  const pack = PACK.exec(description);
  if (pack) {
    const unit = unitName(pack[3]!);
    const { item, to } = itemAndWork(pack[4]!);
    const size = `${pack[1]} ${pack[2]}`;
    return named({
      item,
      to: [`${size} each`, to].filter(Boolean).join(', '),
      amount: quantity,
      unit,
      whole: true,
    });
  }
  const unit = unitOfMeasure ? unitName(unitOfMeasure) : '';
  const what = itemAndWork(description.replace(/^of\s+/i, '').replace(WORDS_FOR_SIZE, (w) => w));
  return named({
    ...what,
    amount: quantity2 !== null && quantity2 > quantity ? [quantity, quantity2] : quantity,
    ...(unit && { unit }),
    ...(!unit && WHOLE.test(what.item) && { whole: true }),
  });
}

const named = (ingredient: IngredientFile): IngredientFile | null =>
  /\p{L}/u.test(ingredient.item) ? ingredient : null;

const MEASURED =
  /^\s*(?:[-*•–·▢☐]\s*)?(?:ca\.?\s*|about\s+)?(?:\d|[¼½¾⅓⅔⅛]|an?\s+(?:knob|pinch|handful|splash|bunch|few|sprig|glass)|juice of|zest of|half an?\b)/i;

/** Whether a line looks like one of a list of ingredients: an amount first, and no sentence. */
export function looksLikeIngredient(line: string): boolean {
  const text = line.replace(BULLET, '').trim();
  return MEASURED.test(text) && text.length < 90 && !/[.!?]\s+[A-Z]|\b(?:until|minutes|then)\b/.test(text);
}
