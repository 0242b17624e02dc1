/** Shelves of a shop, in the order in which one walks past them, with words by which an ingredient is known. */
const SHELVES: readonly (readonly [string, RegExp])[] = [
  [
    'vegetables',
    /\b(onions?|shallots?|leeks?|garlic|carrots?|celery|celeriac|fennel|potato(es)?|parsnips?|beetroots?|cabbage|cauliflower|broccoli|courgettes?|aubergines?|peppers?|tomato(es)?|cucumbers?|salad|lettuce|leaves|chard|spinach|peas|beans|pumpkin|squash|mushrooms?|ginger|chillies|chilli|herbs|parsley|thyme|sage|rosemary|mint|dill|chives|coriander|basil|sprouts|radish(es)?|asparagus|sorrel)\b/,
  ],
  [
    'fruit',
    /\b(apples?|pears?|plums?|quinces?|cherries|lemons?|limes?|oranges?|rhubarb|strawberries|raspberries|berries|gooseberries|figs|peaches|apricots|grapes|bananas?)\b/,
  ],
  ['bakery', /\b(bread|rolls?|loaf|baguette|brioche|pastry|breadcrumbs)\b/],
  [
    'meat',
    /\b(beef|veal|lamb|pork|chicken|duck|turkey|goose|bacon|ham|sausages?|livers?|mince|fillets? of (beef|pork|veal))\b/,
  ],
  ['fish', /\b(fish|trout|cod|salmon|haddock|mackerel|herring|prawns?|mussels?|crab|anchov(y|ies))\b/],
  ['dairy', /\b(milk|cream|butter|buttermilk|yogh?urt|cheese|eggs?|yolks?|whites?|sour cream|curd|feta)\b/],
  [
    'spices',
    /\b(salt|pepper|cinnamon|cloves?|nutmeg|cumin|paprika|saffron|vanilla|anise|bay|juniper|curry powder|mustard seeds?|allspice|spices?)\b/,
  ],
  ['drinks', /\b(wine|beer|cider|water|juice|sherry|brandy|rum|port|coffee|tea|cordial)\b/],
  [
    'dry goods',
    /\b(flour|sugar|rice|pasta|oats?|lentils|chickpeas|couscous|barley|almonds?|nuts|hazelnuts|walnuts|chestnuts|seeds|oil|vinegar|honey|chocolate|cocoa|yeast|baking powder|gelatine|stock|mustard|tahini|raisins|cornflour|tins?|fat|treacle|semolina|biscuits)\b/,
  ],
  ['frozen', /\bfrozen\b/],
];
const OTHER = 'else';
/** Names of cooks' own shelves come after these. */
const ORDER = SHELVES.map(([name]) => name);
/** "chestnut mushrooms" are vegetables, "apple vinegar" is none: the last word is what a thing is. */
const lastWords = (item: string) => item.split(',')[0]!.trim().split(/\s+/).slice(-1).join(' ');

/** The shelf on which a thing is looked for: the cook's own word, else by its name. */
export function shelfOf(item: string, group: string | undefined): string {
  const own = group?.trim().toLowerCase();
  if (own) return own;
  const name = item.toLowerCase();
  if (/\bfrozen\b/.test(name)) return 'frozen';
  const last = lastWords(name);
  const byLast = SHELVES.find(([, words]) => words.test(last));
  return (byLast ?? SHELVES.find(([, words]) => words.test(name)))?.[0] ?? OTHER;
}

/** Shelves in the order in which one walks past them. */
export function byShelf(a: string, b: string): number {
  const at = (name: string) =>
    name === OTHER ? Infinity : ORDER.includes(name) ? ORDER.indexOf(name) : ORDER.length;
  const [x, y] = [at(a), at(b)];
  return x === y ? a.localeCompare(b) : x - y;
}

const STAPLES =
  /^(?:(?:fine|coarse|sea|table|flaky) )*salt$|^(?:freshly ground |black |white )*pepper$|^(?:tap |cold |warm |hot |boiling )*water$|^(?:olive|sunflower|vegetable|rapeseed|neutral)? ?oil$/;

/** What most kitchens always have. */
export function isStaple(item: string): boolean {
  return STAPLES.test(item.trim().toLowerCase());
}
