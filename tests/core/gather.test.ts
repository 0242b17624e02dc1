import fc from 'fast-check';
import Papa from 'papaparse';
import { readFileSync } from 'node:fs';
import { readDinner, type Dinner, type DinnerFile } from '../../core/dinner';
import {
  isTableLaid,
  itemKey,
  laidOut,
  leadDays,
  listedAndTold,
  longAtRoom,
  reckon,
  listAsCsv,
  listAsMarkdown,
  listAsText,
  shelfOf,
  shoppingList,
  tablePlace,
  toolNeeds,
  totalOf,
  withTableLaid,
} from '../../core/gather';
import type { Plan } from '../../core/plan';
import { planDinner } from '../../core/planner';

const read = (file: unknown): Dinner => {
  const result = readDinner(file);
  if (!result.ok) throw new Error(JSON.stringify(result.problems[0]));
  return result.dinner;
};
const demo = (name: string) => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as DinnerFile;
const planOf = (dinner: Dinner): Plan =>
  planDinner(dinner, [], { seconds: 4, seed: 1, now: () => performance.now() });

type Ingredients = NonNullable<DinnerFile['dishes'][number]['ingredients']>;
const dinnerWith = (lists: Ingredients[], guests = 4, portions?: number) =>
  read({
    format: 'zeitlauf/dinner',
    version: 1,
    title: 'Test',
    sitDown: '2026-03-14T19:30',
    guests,
    kitchen: {},
    cooks: [{ id: 'cook', name: 'Cook', free: [{ from: '2026-03-14T12:00', to: '2026-03-14T23:00' }] }],
    courses: [{ id: 'main', name: 'Main', dishes: lists.map((_, k) => `dish-${k}`) }],
    dishes: lists.map((ingredients, k) => ({
      id: `dish-${k}`,
      name: `Dish ${k}`,
      serves: 4,
      ...(portions && { portions }),
      ingredients,
      steps: [{ id: 'do', does: 'Do it.', attention: 'hands', minutes: 5 }],
    })),
  });
const amounts = (lists: Ingredients[], system: 'metric' | 'us' = 'metric', guests = 4) =>
  Object.fromEntries(
    shoppingList(dinnerWith(lists, guests), system).flatMap((s) => s.lines.map((l) => [l.key, l.amount])),
  );

test.each<[string, Ingredients[], Record<string, string>]>([
  [
    'grams and kilograms',
    [[{ item: 'flour', amount: 600, unit: 'g' }], [{ item: 'Flour', amount: 0.5, unit: 'kg' }]],
    { flour: '1.1 kg' },
  ],
  [
    'one onion and two onions',
    [[{ item: 'onion', amount: 1 }], [{ item: 'Onions', amount: 2 }]],
    { onion: '3' },
  ],
  ['a range', [[{ item: 'carrots', amount: [2, 3] }], [{ item: 'carrot', amount: 1 }]], { carrot: '3 to 4' }],
  [
    'a cup of flour is known to weigh',
    [[{ item: 'flour', amount: 250, unit: 'g' }], [{ item: 'flour', amount: 2, unit: 'cups' }]],
    { flour: '500 g' },
  ],
  [
    'a cup of something else is not',
    [[{ item: 'sorrel', amount: 100, unit: 'g' }], [{ item: 'sorrel', amount: 2, unit: 'cups' }]],
    { sorrel: '100 g and 470 ml' },
  ],
  [
    'tins beside grams',
    [
      [{ item: 'beans', amount: 1, unit: 'tin' }],
      [{ item: 'beans', amount: 2, unit: 'tins' }],
      [{ item: 'beans', amount: 300, unit: 'g' }],
    ],
    { bean: '3 tins and 300 g' },
  ],
  [
    'half a lemon twice is one',
    [[{ item: 'lemon', amount: 0.5 }], [{ item: 'lemons', amount: 0.5 }]],
    { lemon: '1' },
  ],
  ['one and a half lemons are two', [[{ item: 'lemon', amount: 1.5 }]], { lemon: '2' }],
  ['to taste', [[{ item: 'nutmeg' }]], { nutmeg: '' }],
  [
    'the same butter, cold, melted or soft; soft cheese is another cheese',
    [
      [
        { item: 'cold butter', amount: 30, unit: 'g' },
        { item: 'soft butter', amount: 50, unit: 'g' },
        { item: 'soft cheese', amount: 100, unit: 'g' },
      ],
      [
        { item: 'Melted butter', amount: 20, unit: 'g' },
        { item: 'cheese', amount: 40, unit: 'g' },
      ],
    ],
    { butter: '100 g', 'soft cheese': '100 g', cheese: '40 g' },
  ],
])('added up: %s', (_, lists, expected) => {
  expect(amounts(lists)).toEqual(expected);
});

test('lists are for the portions at table, in the units of the cook, and say what each is for', () => {
  expect(amounts([[{ item: 'flour', amount: 200, unit: 'g' }]], 'metric', 6)).toEqual({ flour: '300 g' });
  expect(amounts([[{ item: 'flour', amount: 454, unit: 'g' }]], 'us')).toEqual({ flour: '1 lb' });
  const [shelf] = shoppingList(
    dinnerWith([[{ item: 'leek', amount: 2 }], [{ item: 'leeks', amount: 1 }]]),
    'metric',
  );
  expect(shelf).toMatchObject({
    shelf: 'vegetables',
    lines: [
      {
        wanted: [
          { dish: 'Dish 0', amount: '2' },
          { dish: 'Dish 1', amount: '1' },
        ],
      },
    ],
  });
});

test('nothing is lost and nothing invented, whatever is added up', () => {
  const item = fc.constantFrom('flour', 'onion', 'Onions', 'milk', 'sorrel', 'beans');
  const ingredient = fc.record({
    item,
    amount: fc.oneof(
      fc.double({ min: 0.1, max: 900, noNaN: true }),
      fc.tuple(fc.double({ min: 0.1, max: 5, noNaN: true }), fc.double({ min: 5, max: 9, noNaN: true })),
    ),
    unit: fc.constantFrom('g', 'kg', 'ml', 'cup', '', 'tin', 'bunch'),
  });
  fc.assert(
    fc.property(fc.array(fc.array(ingredient, { maxLength: 5 }), { minLength: 1, maxLength: 5 }), (lists) => {
      const lines = shoppingList(dinnerWith(lists as Ingredients[]), 'metric').flatMap((s) => s.lines);
      const wanted = lists.flat();
      expect(lines.reduce((sum, l) => sum + l.wanted.length, 0)).toBe(wanted.length);
      expect(new Set(lines.map((l) => l.key))).toEqual(new Set(wanted.map((i) => itemKey(i.item))));
      expect(lines.every((l) => l.amount !== '')).toBe(true);
    }),
    { seed: 4 },
  );
});

test.each([
  ['floury potatoes', undefined, 'vegetables'],
  ['double cream', undefined, 'dairy'],
  ['apple vinegar', undefined, 'dry goods'],
  ['frozen peas', undefined, 'frozen'],
  ['moon dust', undefined, 'else'],
  ['cream', 'Market', 'market'],
])('%s (%s) is on the shelf %s', (item, group, shelf) => {
  expect(shelfOf(item, group)).toBe(shelf);
});

test('a list as text, Markdown and CSV; the CSV read back is the list, and no cell is a formula', () => {
  const shelves = shoppingList(
    dinnerWith([
      [
        { item: 'flour, fine', amount: 1, unit: 'kg' },
        { item: '=cmd()', amount: 1 },
        { item: 'a *starred* thing', amount: 2 },
      ],
    ]),
    'metric',
  );
  const priced = { shelves, prices: { 'flour, fine': 2.5 }, title: 'Supper' };
  const { data } = Papa.parse<Record<string, string>>(listAsCsv(priced).trim(), { header: true });
  expect(data.find((row) => row['item'] === 'flour, fine')).toEqual({
    shelf: 'dry goods',
    item: 'flour, fine',
    amount: '1 kg',
    for: 'Dish 0: 1 kg',
    price: '2.5',
  });
  expect(data.some((row) => row['item']!.startsWith('='))).toBe(false);
  expect(listAsText(priced)).toContain('  1 kg flour, fine');
  expect(listAsMarkdown(priced)).toContain('- [ ] 2 a \\*starred\\* thing (Dish 0)');
  expect(totalOf(priced)).toEqual({ total: 2.5, priced: 1, lines: 3 });
});

describe('first frost, planned', () => {
  const dinner = read(demo('first-frost'));
  const plan = planOf(dinner);

  test('what is begun on days before, and what waits long, is told with its day', () => {
    const days = leadDays(dinner, plan);
    expect(days.length).toBeGreaterThan(1);
    expect([...days].sort((a, b) => a.day.localeCompare(b.day))).toEqual(days);
    const steps = days.flatMap((d) => d.leads.flatMap((l) => l.step ?? []));
    for (const row of plan.steps) {
      const isEarly = row.start < -1440;
      if (isEarly) expect(steps).toContain(row.step);
    }
    const early = Math.min(...plan.steps.map((s) => s.start));
    const buys = days.flatMap((d) => d.leads.filter((l) => l.kind === 'buy'));
    expect(Math.min(...buys.map((b) => b.by))).toBeLessThan(early + 1);
  });

  test('tools: never more at once than the kitchen has, kept pans are not washed, dishes that share one are named', () => {
    const needs = toolNeeds(dinner, plan);
    for (const need of needs) expect(need.atOnce).toBeLessThanOrEqual(need.has ?? 1);
    expect(needs.some((n) => n.notWashed.length > 0)).toBe(true);
    const shared = needs.filter((n) => n.shared.length > 1);
    for (const { uses } of shared) expect(new Set(uses.map((u) => u.dish)).size).toBeGreaterThan(1);
  });

  test('every ingredient is laid out once, in the order in which it is needed', () => {
    const bowls = laidOut(dinner, plan, 'metric');
    const things = bowls.flatMap((b) => b.things.map((t) => t.item));
    expect(things.sort()).toEqual(dinner.dishes.flatMap((d) => d.ingredients.map((i) => i.item)).sort());
    expect(bowls.map((b) => b.at)).toEqual([...bowls.map((b) => b.at)].sort((a, b) => a - b));
    const celeriac = bowls.find((b) => b.things.some((t) => t.item === 'celeriac'));
    expect(celeriac?.does).toMatch(/celeriac/i);
  });

  test('a place at the table: spoon for the soup, large knife for the main, dessert’s above the plate', () => {
    const place = tablePlace(dinner);
    expect(place.right).toEqual(['soup spoon', 'knife']);
    expect(place.left).toEqual(['fork']);
    expect(place.above).toEqual(['dessert spoon', 'dessert fork']);
    expect(place.glasses).toContain('red wine glass');
    expect(place.courses.map((c) => c.plates)[1]).toBe('warm');
  });
});

test('a pan that goes into the oven is said to have to bear it', () => {
  const file = demo('home-at-six');
  const [dish] = file.dishes;
  const steps = dish!.steps.map((s, k) =>
    k === 0
      ? {
          ...s,
          attention: 'alone' as const,
          pausable: false,
          minutes: 20,
          uses: [{ oven: 180 }, { tool: 'iron pan' }],
        }
      : s,
  );
  const kitchen = { ...file.kitchen, ovens: [{ id: 'oven', name: 'Oven' }] };
  const dinner = read({ ...file, kitchen, dishes: [{ ...dish!, steps }, ...file.dishes.slice(1)] });
  const pan = toolNeeds(dinner, planOf(dinner)).find((n) => n.tool === 'iron pan');
  expect(pan).toMatchObject({ isOvenproof: true, has: null, atOnce: 1 });
});

test('what is frozen thaws a day before it is used', () => {
  const dinner = dinnerWith([[{ item: 'frozen peas', amount: 300, unit: 'g' }]]);
  const leads = leadDays(dinner, planOf(dinner)).flatMap((d) => d.leads);
  const thaw = leads.find((l) => l.kind === 'thaw');
  expect(thaw).toMatchObject({ text: expect.stringContaining('frozen peas') });
  expect(thaw!.by).toBeLessThanOrEqual(-1440);
});

test('laying the table is work of the evening, once', () => {
  const file = demo('home-at-six');
  const laid = withTableLaid(file);
  expect(isTableLaid(laid)).toBe(true);
  expect(withTableLaid(laid)).toBe(laid);
  const plan = planOf(read(laid));
  expect(plan.feasible).toBe(true);
  expect(plan.steps.find((s) => s.step.startsWith('the-table'))!.end).toBeLessThanOrEqual(0);
});

test('the cook’s own way to lay a course comes before the usual', () => {
  const file = demo('first-frost');
  const own = {
    ...file,
    courses: file.courses.map((c, k) => (k === 0 ? { ...c, place: ['small fork', 'nonsense'] } : c)),
  };
  expect(tablePlace(read(own)).courses[0]).toMatchObject({
    pieces: ['small fork'],
    reason: 'as you have laid it',
  });
});

describe('reckoning', () => {
  const base = dinnerWith([
    [
      { item: 'flour', amount: 300, unit: 'g' },
      { item: 'butter', amount: 100, unit: 'g' },
      { item: 'milk', amount: 150, unit: 'ml' },
      { item: 'salt' },
    ],
  ]);
  const dish = {
    ...base.dishes[0]!,
    steps: [
      { ...base.dishes[0]!.steps[0]!, does: 'Peel.', scale: 'portions' as const, minutes: 10 },
      { ...base.dishes[0]!.steps[0]!, does: 'Fry.', scale: { batch: 4 }, minutes: 6 },
      {
        ...base.dishes[0]!.steps[0]!,
        does: 'Bake.',
        attention: 'alone' as const,
        minutes: 40,
        uses: [
          { oven: 180, give: 0, shelves: 1, shelf: 'any' as const },
          { tool: 'tin', count: 1 },
        ],
      },
    ],
  };
  const kitchen = {
    ...base.kitchen,
    ovens: [{ id: 'oven', name: 'Oven', shelves: 2, fan: true, heats: 10, cools: 4 }],
  };
  const at = (portions: number) => reckon({ ...base, kitchen }, dish, portions, 'metric');

  test('proportions are kept: parts to one part, and every amount times the same', () => {
    const { lines } = at(8);
    expect(lines.map((l) => [l.written, l.tonight])).toEqual([
      ['300 g', '600 g'],
      ['100 g', '200 g'],
      ['150 ml', '300 ml'],
      ['to taste', 'to taste'],
    ]);
    expect(lines.map((l) => l.ratio)).toEqual([3, 1, null, null]);
  });

  test('peeling grows, baking does not; batches, shelves and tins that are too small are said', () => {
    const { steps } = at(12);
    expect(steps).toEqual([
      expect.objectContaining({ does: 'Peel.', written: 10, tonight: 30, batches: 1 }),
      expect.objectContaining({ does: 'Fry.', written: 6, tonight: 18, batches: 3, shelves: null }),
      expect.objectContaining({
        does: 'Bake.',
        written: 40,
        tonight: 40,
        shelves: { wanted: 3, has: 2 },
        vessel: 'tin',
      }),
    ]);
    expect(at(4).steps).toEqual([]);
  });
});

test('things that no step speaks of, and foods that the list leaves out', () => {
  const dish = {
    id: 'pie',
    name: 'Pie',
    serves: 4,
    ingredients: [{ item: 'floury potatoes' }, { item: 'nutmeg' }],
    steps: [
      { id: 'a', does: 'Peel the potatoes and slice a leek.', attention: 'hands' as const, minutes: 5 },
      { id: 'b', does: 'Cook them in salted water.', attention: 'alone' as const, minutes: 20 },
    ],
  };
  expect(listedAndTold(dish)).toEqual({ unused: ['nutmeg'], unlisted: ['leek'] });
});

// Two hours at room temperature: USDA FSIS (from memory).
test('what can spoil and stands at room temperature for more than two hours is named; what cannot is not', () => {
  const dinner = (item: string, minutes: number) => {
    const plain = dinnerWith([[{ item, amount: 1 }]]);
    const [dish] = plain.dishes;
    const stand = {
      ...dish!.steps[0]!,
      attention: 'alone' as const,
      minutes,
      keeps: { best: 0, most: null, how: 'room' as const },
    };
    return { ...plain, dishes: [{ ...dish!, steps: [stand] }] };
  };
  const long = (item: string, minutes: number) =>
    longAtRoom(dinner(item, minutes), planOf(dinner(item, minutes))).map((s) => s.minutes);
  expect(long('veal shoulder', 150)[0]).toBeGreaterThanOrEqual(150);
  expect(long('veal shoulder', 60)).toEqual([]);
  expect(long('bread', 150)).toEqual([]);
});

test('what is made of sugar in a dish with cream does not count as what can spoil', () => {
  const plain = dinnerWith([
    [
      { item: 'cream', amount: 200, unit: 'ml' },
      { item: 'sugar', amount: 100, unit: 'g' },
    ],
  ]);
  const base = plain.dishes[0]!.steps[0]!;
  const stand = {
    ...base,
    attention: 'alone' as const,
    minutes: 150,
    keeps: { best: 0, most: null, how: 'room' as const },
  };
  const steps = [
    { ...base, id: 'boil', does: 'Boil the sugar to a caramel.' },
    { ...stand, id: 'harden', does: 'Let the brittle harden.', after: ['boil'] },
    { ...base, id: 'whip', does: 'Whip the cream.' },
    { ...stand, id: 'stand', does: 'Let it stand.', after: ['whip'] },
  ];
  const dinner = { ...plain, dishes: [{ ...plain.dishes[0]!, steps }] };
  expect(longAtRoom(dinner, planOf(dinner)).map((s) => s.does)).toEqual(['Let it stand.']);
});
