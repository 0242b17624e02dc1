import fc from 'fast-check';
import { readCard } from '../../core/compose';
import { describeProblem } from '../../core/dinner';
import { draftOf, isoMinutes, readIngredient, readRecipes } from '../../core/recipes';
import { readCorpus } from '../corpus/corpus';

const context = { hasFan: true, guests: 4 };
const one = (text: string) => readRecipes(text, context).recipes[0]!;
const TEXT = [
  'Leek soup',
  'Serves 6. Prep: 15 min, cook: 30 min',
  '',
  '3 leeks, sliced',
  '1 l stock',
  'salt',
  '',
  'Slice the leeks (10 minutes).',
  'Simmer them in the stock in a large pot for 25-30 minutes.',
].join('\n');

test('title, number, claims, ingredients and method are told apart without headings', () => {
  const recipe = one(TEXT);
  expect(recipe).toMatchObject({ title: 'Leek soup', serves: 6, claims: { prep: 15, cook: 30 } });
  expect(recipe.ingredients.map((i) => i.ingredient.item)).toEqual(['leeks', 'stock', 'salt']);
  expect(recipe.steps.map((s) => s.step.minutes)).toEqual([10, { short: 25, usual: 28, long: 30 }]);
});

test('every mark lies on the words that were used, in the text that is shown', () => {
  const { text, steps } = one(TEXT);
  const words = steps.flatMap((s) => s.marks.map((m) => [m.field, text.slice(m.from, m.to)]));
  expect(words).toEqual(
    expect.arrayContaining([
      ['minutes', '10 minutes'],
      ['minutes', '25-30 minutes.'],
      ['attention', 'Simmer'],
      ['uses', 'pot'],
    ]),
  );
});

const asRecipe = (more: object) => ({
  '@context': 'https://schema.org',
  '@type': 'Recipe',
  name: 'Leek soup',
  recipeYield: '6 servings',
  prepTime: 'PT15M',
  totalTime: 'PT1H5M',
  recipeIngredient: ['3 leeks, sliced', '1 l stock'],
  ...more,
});
const STEPS = ['Slice the leeks, 10 minutes.', 'Simmer in a pot for 25 minutes.'];

// schema.org/Recipe: recipeInstructions may be Text, CreativeWork or ItemList; HowToStep and HowToSection are both.
test.each<[string, unknown]>([
  ['a text', STEPS.join(' ')],
  ['text in lines', STEPS.join('\n')],
  ['a list of texts', STEPS],
  ['HowToStep', STEPS.map((text) => ({ '@type': 'HowToStep', text }))],
  [
    'HowToSection',
    [
      {
        '@type': 'HowToSection',
        name: 'Soup',
        itemListElement: STEPS.map((text) => ({ '@type': 'HowToStep', text })),
      },
    ],
  ],
  [
    'ItemList',
    {
      '@type': 'ItemList',
      itemListElement: STEPS.map((text, position) => ({ '@type': 'ListItem', position, item: { text } })),
    },
  ],
  ['markup in texts', STEPS.map((s) => `<p>${s.replace(',', '&#44;')}</p>`)],
])('JSON-LD with instructions as %s', (_, recipeInstructions) => {
  const { kind, recipes } = readRecipes(JSON.stringify(asRecipe({ recipeInstructions })), context);
  expect(kind).toBe('data');
  expect(recipes[0]).toMatchObject({ title: 'Leek soup', serves: 6, claims: { prep: 15, total: 65 } });
  expect(recipes[0]!.steps.map((s) => s.step.minutes)).toEqual([10, 25]);
});

test('several recipes in one page, in a graph and in an array; scripts are never text', () => {
  const graph = { '@graph': [{ '@type': 'WebPage' }, asRecipe({ recipeInstructions: STEPS })] };
  const list = [
    asRecipe({ '@type': ['Recipe', 'NewsArticle'], name: 'Other soup', recipeInstructions: STEPS }),
  ];
  const page = `<!doctype html><html><head><script type="application/ld+json">${JSON.stringify(graph)}</script>
    <script type="application/ld+json">${JSON.stringify(list)}</script><script>alert(1)</script></head><body><h1>x</h1></body></html>`;
  const { kind, recipes } = readRecipes(page, context);
  expect(kind).toBe('page');
  expect(recipes.map((r) => r.title)).toEqual(['Leek soup', 'Other soup']);
});

test('a page without data is read as the text that one sees', () => {
  const page = `<html><body><nav>Home Shop</nav><h1>Leek soup</h1><p>Serves 6</p><ul><li>3 leeks, sliced</li><li>1 l stock</li></ul>
    <h2>Method</h2><ol><li>Slice the leeks, 10 minutes.</li><li>Simmer in a pot for 25 minutes.<img src=x onerror=alert(1)></li></ol></body></html>`;
  const recipe = readRecipes(page, context).recipes[0]!;
  expect(recipe).toMatchObject({ title: 'Leek soup', serves: 6 });
  expect(recipe.steps).toHaveLength(2);
  expect(recipe.text).not.toMatch(/onerror|<|Shop/);
});

// ISO 8601-1, durations with designators.
test.each([
  ['PT1H30M', 90],
  ['P1DT2H', 1560],
  ['PT0.5H', 30],
  ['P1W', 10_080],
  ['pt45m', 45],
  ['PT90S', 2],
  ['PT0M', null],
  ['1 hour', null],
  ['P', null],
])('the duration %s', (text, minutes) => {
  expect(isoMinutes(text)).toBe(minutes);
});

test.each<[string, object]>([
  ['1 ½ tbsp. olive oil', { amount: 1.5, unit: 'tbsp', item: 'olive oil' }],
  ['2-3 carrots, diced', { amount: [2, 3], item: 'carrots', to: 'diced' }],
  [
    '1 (400 g) tin of chopped tomatoes',
    { amount: 1, unit: 'tin', item: 'chopped tomatoes', to: '400 g each', whole: true },
  ],
  [
    '2 x 400g tins beans, drained',
    { amount: 2, unit: 'tin', item: 'beans', to: '400 g each, drained', whole: true },
  ],
  ['a knob of butter', { amount: 1, unit: 'knob', item: 'butter' }],
  ['juice of half a lemon', { amount: 0.5, item: 'lemon', to: 'juice only' }],
  ['salt, to taste', { item: 'salt' }],
  ['ca. 40 g butter', { amount: 40, unit: 'g', item: 'butter' }],
  ['1/2 cup plain yogurt', { amount: 0.5, unit: 'cup', item: 'plain yogurt' }],
  ['3 cloves of garlic (crushed)', { amount: 3, unit: 'clove', item: 'garlic', to: 'crushed' }],
  ['- 3 eggs', { amount: 3, item: 'eggs', whole: true }],
  ['freshly ground pepper', { item: 'freshly ground pepper' }],
])('the ingredient "%s"', (line, expected) => {
  expect(readIngredient(line)).toEqual(expected);
});

test('a dish file and a dinner file are taken as they are; foreign JSON says what was expected', () => {
  const card = draftOf(one(TEXT), context);
  expect(readRecipes(JSON.stringify(card), context)).toMatchObject({
    kind: 'dish',
    cards: [{ dish: { name: 'Leek soup' } }],
  });
  expect(readRecipes('{"a": 1}', context)).toMatchObject({
    kind: 'none',
    problems: [expect.stringContaining('expected')],
  });
  expect(readRecipes('  \n 12 % \n', context).problems[0]).toContain('found no words');
  expect(readRecipes('x'.repeat(1_000_001), context).problems[0]).toContain('1000000 at most');
});

const corpus = ['tuning', 'kept-aside'].flatMap((name) =>
  readCorpus(`tests/corpus/${name}.txt`).map((c) => c.text),
);
const usable = (text: string) => {
  const { recipes, problems, cards } = readRecipes(text, context);
  expect(recipes.length + cards.length + problems.length).toBeGreaterThan(0);
  for (const recipe of recipes) {
    const read = readCard(draftOf(recipe, context));
    expect(read.ok ? [] : read.problems.map(describeProblem)).toEqual([]);
    for (const { from, to, marks } of recipe.steps) {
      expect(0 <= from && from < to && to <= recipe.text.length).toBe(true);
      for (const m of marks) expect(0 <= m.from && m.from < m.to && m.to <= recipe.text.length).toBe(true);
    }
  }
};

test.each(corpus.map((text, k) => [k, text] as const))(
  'recipe text %i becomes a dish that can be kept',
  (_, text) => {
    usable(text);
  },
);

/** A text with pieces taken out, doubled, swapped, or spoilt. */
const mutated = (texts: readonly string[]) =>
  fc
    .tuple(
      fc.constantFrom(...texts),
      fc.array(
        fc.tuple(
          fc.nat(4000),
          fc.nat(60),
          fc.constantFrom(
            '',
            ' ',
            '\n',
            '.',
            '<',
            '>',
            '{',
            '"',
            '\\u0000',
            '30 min',
            '999999 hours',
            '1/0 cup',
            '((((',
            'é\u0301',
            '\ud800',
            'for the last 99999 minutes',
            'every 0 minutes',
          ),
        ),
        { minLength: 1, maxLength: 8 },
      ),
    )
    .map(([text, cuts]) =>
      cuts.reduce(
        (t, [at, length, put]) =>
          t.slice(0, at % (t.length + 1)) + put + t.slice((at % (t.length + 1)) + length),
        text,
      ),
    );
const pages = corpus
  .slice(0, 12)
  .map(
    (text) =>
      `<html><script type="application/ld+json">${JSON.stringify(asRecipe({ recipeInstructions: text }))}</script><p>${text}</p></html>`,
  );
const data = corpus
  .slice(0, 12)
  .map((text) => JSON.stringify(asRecipe({ recipeInstructions: text.split('\n') })));

test.each([
  ['plain text', corpus, 6000],
  ['pages', pages, 2000],
  ['JSON-LD', data, 2000],
])('%s, mutated: a clear error or a usable draft', (_, texts, numRuns) => {
  fc.assert(fc.property(mutated(texts), usable), { numRuns, seed: 5 });
});

test('text made to be slow is read all the same', () => {
  const bad = [
    '( '.repeat(50_000),
    '1 '.repeat(50_000),
    'for the last '.repeat(9_000),
    '<'.repeat(100_000),
    'until '.repeat(20_000),
    `${'a'.repeat(60_000)} 5 min`,
    '1/2/'.repeat(25_000),
    ', and then '.repeat(10_000),
    '[['.repeat(40_000),
    `<script type="application/ld+json">${'['.repeat(50_000)}`,
  ];
  for (const text of bad) {
    usable(`Soup

Simmer ${text}`);
    usable(text);
  }
}, 60_000);

describe('what no words tell', () => {
  const steps = (method: string, list = '') =>
    one(`Test\n\n${list}\n\nMethod\n${method}`).steps.map((s) => s.step);

  test('is guessed from the verb and from how much there is, and marked', () => {
    const [small] = steps('Peel the carrots.', '200 g carrots');
    const [large] = steps('Peel the carrots.', '1 kg carrots');
    expect(large!.minutes).toBeGreaterThan(2 * (small!.minutes as number));
    expect(large!.guessed).toEqual(['minutes', 'scale']);
    expect(steps('Peel 200 g of carrots.')[0]!.minutes).toBe(small!.minutes);
  });

  test('what a sentence tells is taken before any guess', () => {
    const [told] = steps('Peel the carrots, 7 minutes.', '1 kg carrots');
    expect(told).toMatchObject({ minutes: 7, scale: 'portions', guessed: ['scale'] });
  });

  test('peeling grows with the portions, baking and whisking do not', () => {
    const [peel, whisk, bake] = steps(
      'Peel the pears.\nWhisk the cream.\nBake the pears for 20 minutes.',
      '4 pears',
    );
    expect([peel!.scale, whisk!.scale, bake!.scale]).toEqual(['portions', undefined, undefined]);
  });
});

test('steps with dashes under ingredients without them are steps', () => {
  const { ingredients, steps } = one(
    'Greens\n\n500 g spring greens\n2 slices stale bread\nlemon\n\n- Blitz bread to crumbs, 1 min\n- Shred greens',
  );
  expect(ingredients).toHaveLength(3);
  expect(steps.map(({ step }) => step.does)).toEqual(['Blitz bread to crumbs, 1 min.', 'Shred greens.']);
});

test('what one needs is listed in a sentence', () => {
  const { ingredients } = one(
    'Plum dumplings\n\nYou need 600 g potatoes, 150 g flour, 1 egg and some cinnamon.\n\nBoil the potatoes for 25 minutes.',
  );
  expect(ingredients.map(({ ingredient }) => ingredient.item)).toEqual([
    'potatoes',
    'flour',
    'egg',
    'cinnamon',
  ]);
});

test('a line that begins with an order and a colon is work, one that begins with the plates is none', () => {
  const { steps } = one(
    'Cauliflower\n\nMethod\nCut the cauliflower: half into florets, the rest in slices.\nRoast at 220 °C for 20 minutes.\nPlate: purée, florets, salad.',
  );
  expect(steps.map(({ step }) => step.does.split(' ')[0])).toEqual(['Cut', 'Roast']);
});
