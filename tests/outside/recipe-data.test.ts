import type { Recipe, WithContext } from 'schema-dts';
import { readFileSync } from 'node:fs';
import type { CardFile } from '../../core/compose';
import { readDinner, type DinnerFile } from '../../core/dinner';
import { isoMinutes, readRecipes } from '../../core/recipes';
import { dinnerAsMarkdown, isoDuration, recipeData } from '../../core/write';

const context = { hasFan: true, guests: 4 };
const all = JSON.parse(readFileSync('demo/cards.json', 'utf8')) as CardFile[];

// schema-dts 2.1.0 has the types of schema.org: this line does not compile where the data do not fit them.
const asRecipe = (card: CardFile): WithContext<Recipe> => recipeData(card, 45);

test.each(all.map((card) => [card.dish.name, card] as const))(
  '%s, written out and read back, is the same dish',
  (_, card) => {
    const written = JSON.stringify(asRecipe(card));
    expect(readRecipes(written, context)).toEqual({ kind: 'dish', recipes: [], cards: [card], problems: [] });
  },
);

test('recipe data that only words are left of still tell name, number, time, ingredients and steps', () => {
  const [card] = all;
  const { encoding: _encoding, ...words } = recipeData(card!, 45);
  const { kind, recipes } = readRecipes(JSON.stringify(words), context);
  expect(kind).toBe('data');
  expect(recipes[0]).toMatchObject({
    title: card!.dish.name,
    serves: card!.dish.serves,
    claims: { total: 45 },
  });
  expect(recipes[0]!.ingredients).toHaveLength(card!.dish.ingredients!.length);
  expect(recipes[0]!.steps.length).toBeGreaterThanOrEqual(Math.floor(card!.dish.steps.length / 2));
});

// ISO 8601-1: hours and minutes with designators.
test('durations are written so that they are read back', () => {
  expect(isoDuration(90)).toBe('PT1H30M');
  for (const minutes of [1, 59, 60, 61, 1440, 4321]) expect(isoMinutes(isoDuration(minutes))).toBe(minutes);
});

test.each(['first-frost', 'home-at-six', 'walnut-harvest'])(
  'the dinner %s as Markdown, read back, is the same dinner',
  (name) => {
    const file = JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as DinnerFile;
    const read = readDinner(file);
    if (!read.ok) throw new Error('the demo is right');
    const page = dinnerAsMarkdown(
      { ...file, title: 'A `fence`\n```json\n# here' },
      read.dinner,
      null,
      'metric',
    );
    const back = readRecipes(page, context);
    expect(back.kind).toBe('dinner');
    expect(back.dinner).toEqual({ ...file, title: 'A `fence`\n```json\n# here' });
    expect(back.cards.map((c) => c.dish.name)).toEqual(
      read.dinner.courses.flatMap((c) =>
        c.dishes.map((id) => read.dinner.dishes.find((d) => d.id === id)!.name),
      ),
    );
    expect(page).toContain(`# ${read.dinner.title}`);
  },
);

test('a dish that is spoilt inside its data is read by its words', () => {
  const spoilt = {
    ...recipeData(all[0]!),
    encoding: {
      '@type': 'MediaObject',
      name: 'zeitlauf/dish',
      contentUrl: 'data:application/json,%7B"format"%3A1%7D',
    },
  };
  expect(readRecipes(JSON.stringify(spoilt), context).kind).toBe('data');
});
