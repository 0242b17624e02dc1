import { readMethod } from '../../core/sentences';

const context = { hasFan: true };

/** What is read from the lines of a method: what each step does, by its first words, and what it comes after. */
function read(method: string, ingredients: string[] = []) {
  let from = 0;
  const lines = method.split('\n').map((text) => {
    const line = { text, from };
    from += text.length + 1;
    return line;
  });
  const steps = readMethod(lines, context, ingredients).map(({ step }) => step);
  const place = new Map(steps.map((step, k) => [step.id, k]));
  return {
    steps,
    order: steps.map((step) => (step.after ?? []).map((link) => place.get(String(link)))),
  };
}

test.each<[string, string, string[], number[][]]>([
  [
    'a dish in one line',
    'Peel the leeks. Simmer them for 9 minutes. Blend until smooth.',
    [],
    [[], [0], [1]],
  ],
  [
    'two vegetables are prepared one beside the other',
    'Slice the leeks. Dice the potatoes. Simmer the vegetables for 20 minutes.',
    ['3 leeks', '2 potatoes'],
    [[], [], [0, 1]],
  ],
  [
    'butter to fry in comes from the larder, not from the pastry',
    'Rub the butter into the flour.\nMelt the butter in a pan and fry the onions for 9 minutes.',
    ['200 g flour', '150 g butter', '2 onions'],
    [[], []],
  ],
  [
    'whites and yolks are taken from where they were parted',
    'Separate the eggs.\nWhisk the whites until stiff.\nStir the yolks into the curd.',
    ['3 eggs', '250 g curd'],
    [[], [0], [0]],
  ],
  [
    'a leg of lamb is the meat, the joint and the lamb',
    'Rub the joint with salt.\nRoast the lamb for 80 minutes.\nRest the meat for 15 minutes.',
    ['1 leg of lamb'],
    [[], [0], [1]],
  ],
  [
    'a recipe for a sauce begins a branch of its own',
    'Knead the dough for 10 minutes. Rest it for 30 minutes. For the filling, mix the curd with the zest. Spoon the filling onto the dough and fold it over.',
    ['300 g flour', '250 g curd', '1 lemon'],
    [[], [0], [], [1, 2]],
  ],
  [
    'water is from the tap, whatever was boiled before',
    'Boil the potatoes in 2 litres of water for 20 minutes.\nSoak the gelatine in cold water for 5 minutes.',
    ['500 g potatoes', '4 leaves of gelatine'],
    [[], []],
  ],
  [
    'the water that was kept is wanted later',
    'Cook the potatoes for 20 minutes.\nDrain, keeping the water, and mash them.\nLeave to cool for 20 minutes.\nStir the yeast into the water.',
    ['500 g potatoes', '7 g dried yeast'],
    [[], [0], [1], [1]],
  ],
  [
    'when something is ready, what is done next is done to it',
    'Roast the beetroot for 50 minutes.\nSimmer the lentils for 20 minutes.\nWhen the beetroot are cool enough to handle, rub off the skins.',
    ['4 beetroot', '200 g lentils'],
    [[], [], [0]],
  ],
  [
    'the tin of the roast, while the roast rests',
    'Roast the lamb in a roasting tin for 80 minutes.\nRest the lamb for 20 minutes.\nFor the gravy, skim the fat from the tin and bubble it for 8 minutes.\nCarve and serve with the gravy.',
    ['1 leg of lamb'],
    [[], [0], [0], [1]],
  ],
  [
    'cornflour is no flour, and breadcrumbs are not the crumbs of a dough',
    'Rub the butter into the flour.\nMix the cornflour with the soy sauce.\nFry the breadcrumbs for 4 minutes.',
    ['200 g flour', '90 g butter', '1 tsp cornflour', '2 tbsp soy sauce', '50 g breadcrumbs'],
    [[], [], []],
  ],
  [
    'all the ingredients of a paste come from the larder',
    'Soak the rice for 30 minutes.\nBlend all the paste ingredients in a blender.\nFry the paste for 4 minutes.',
    ['300 g rice'],
    [[], [], [1]],
  ],
  [
    'folded through something: what was made last, and that',
    'Simmer the lentils for 20 minutes.\nRoast the beetroot for 50 minutes.\nFold through the lentils.',
    ['4 beetroot', '200 g lentils'],
    [[], [], [0, 1]],
  ],
])('order: %s', (_, method, ingredients, expected) => {
  expect(read(method, ingredients).order).toEqual(expected);
});

test.each<[string, string, [string, string, unknown][]]>([
  [
    'what goes on meanwhile is no order',
    'While the meatballs bake, chop the dill.',
    [['While the meatballs bake, chop the dill', 'hands', 5]],
  ],
  [
    'what is looked for is no order',
    'Leave until just warm, 15 minutes.',
    [['Leave until just warm, 15 minutes', 'alone', 15]],
  ],
  [
    'how long it takes is told after it',
    'Pick the herbs. Allow a quarter of an hour for this.',
    [['Pick the herbs', 'hands', 15]],
  ],
  [
    'off the heat, what was on it is a step of its own',
    'Bring the milk to a simmer, take off the heat and leave for 20 minutes.',
    [
      ['Bring the milk', 'minded', 8],
      ['Take off', 'alone', 20],
    ],
  ],
  [
    'waiting that is told with its time',
    'Fluff the rice and spread it on a tray to cool, about 20 minutes.',
    [
      ['Fluff the rice', 'hands', 5],
      ['Cool, about', 'alone', { short: 16, usual: 20, long: 24 }],
    ],
  ],
  [
    'a moment is not how long it takes',
    'An hour before serving, slice the pears.',
    [['An hour before serving, slice the pears', 'hands', 5]],
  ],
  [
    'put into water for a while, it soaks',
    'Shave the fennel and put it in iced water for 15 minutes.',
    [
      ['Shave the fennel', 'hands', 5],
      ['Put it in iced water', 'alone', 15],
    ],
  ],
  [
    'a name that is also a verb',
    'Season the cabbage with sugar and salt, then braise it for 40 minutes.',
    [['Season', 'minded', 40]],
  ],
])('steps: %s', (_, method, expected) => {
  const steps = read(method).steps.map(({ does, attention, minutes }) => [does, attention, minutes]);
  expect(steps).toEqual(
    expected.map(([does, ...others]) => [expect.stringMatching(new RegExp(`^${does}`)), ...others]),
  );
});

test.each([
  ['Bake at 160 °C (fan 140 °C) for 9 minutes.', 140],
  ['Bake at 190°C, or 170°C with the fan on, for 9 minutes.', 170],
  ['Toast the nuts in the oven at 150 °C for 9 minutes.', 150],
])('%s', (method, celsius) => {
  expect(read(method).steps[0]!.uses).toEqual([{ oven: celsius }]);
});

test.each([
  ['Give it 45 minutes in the oven.', 'Give'],
  ['Push the puree through a sieve.', 'Push'],
  ['Leave the dough to rise for 60 minutes.', 'Leave the dough to rise'],
  ['Fridge 3 hours.', 'Fridge'],
])('%s: the words that were understood are marked, whatever they stand for', (method, words) => {
  const [mark] = readMethod([{ text: method, from: 0 }], context)[0]!.marks;
  expect([mark!.field, method.slice(mark!.from, mark!.to)]).toEqual(['attention', words]);
});

test('a vessel that is emptied is not in use; one with a name of its own is known by the plain one', () => {
  const { steps } = read(
    'Brown the meat in a Dutch oven for 9 minutes. Add the wine to the pot and simmer for 60 minutes.\nTip the loaf out of the tin and cool for 60 minutes.',
  );
  expect(steps.map((s) => (s.uses ?? []).flatMap((u) => ('tool' in u ? [u.tool] : [])))).toEqual([
    ['casserole'],
    ['casserole'],
    [],
  ]);
});

test('halfway through is half of the time of the step it is done in', () => {
  const { steps } = read('Simmer the rice for 18 minutes.\nAdd the saffron halfway through.', ['300 g rice']);
  expect(steps[1]!.within).toEqual({ step: steps[0]!.id, at: 9 });
});

test('turned after so long is done inside, told in the same sentence', () => {
  const { steps } = read('Roast the squash for 40 minutes, turning after 25 minutes.', ['1 squash']);
  expect(steps.map((step) => step.within)).toEqual([undefined, { step: steps[0]!.id, at: 25 }]);
});

test.each<[string, string[]]>([
  ['Bake for 30 minutes until risen and brown.\nRest for 5 minutes.', ['alone', 'alone']],
  ['Drain the curd in a sieve for 30 minutes.', ['alone']],
  ['Fry the cakes for 8 minutes and keep warm in a low oven.', ['hands']],
  ['Heat the milk to just below boiling and leave to infuse for 20 minutes.', ['minded', 'alone']],
  ['Roast the bird for 70 minutes, basting twice.\nCheck that the thigh is at 74 °C.', ['minded']],
])('%s', (method, expected) => {
  const { steps } = read(method);
  expect(steps.map((step) => step.attention)).toEqual(expected);
});

test('what is only kept warm in the oven was not cooked there', () => {
  const [step] = read('Fry the cakes for 8 minutes and keep warm in a low oven.').steps;
  expect(step!.uses).toEqual([{ ring: 1 }]);
});

test('a step is called by its own words, without what leads to the next one', () => {
  const { steps } = read(
    'Chop the shallot and leave it in the vinegar for 10 minutes, then whisk in the oil.',
  );
  expect(steps.map((step) => step.does)).toEqual([
    'Chop the shallot.',
    'Leave it in the vinegar for 10 minutes.',
    'Whisk in the oil.',
  ]);
});

test('marks of emphasis are no part of what a step is called', () => {
  const { steps } = read('**Slice** the _leeks_ with `care`.');
  expect(steps.map((step) => step.does)).toEqual(['Slice the leeks with care.']);
});
