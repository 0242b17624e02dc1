import fc from 'fast-check';
import { actsIn, sentencesIn } from '../../core/sentences/clauses';
import { goesBack, isPlating, isRemark, ovenOnly } from '../../core/sentences/remarks';
import { stepsOfSentence } from '../../core/sentences/sentence-steps';
import { aliasesOf, heldNames, holdsThing, madeIn, thingsIn } from '../../core/sentences/things';
import { toolsIn } from '../../core/sentences/vessels';

const acts = (text: string) => actsIn(text, { from: 0, to: text.length });
const words = (text: string) => acts(text).map((a) => a.word);

test.each<[string, string[]]>([
  ['Peel the leeks and slice them thinly.', ['peel', 'slice']],
  ['Leave the dough to rise for an hour.', ['rise']],
  ['While the buns bake, whip the cream.', ['whip']],
  ['Cook until just warm and stir in the peas.', ['cook', 'stir']],
  ['Season with pepper and salt.', ['season']],
  ['Salt the water and butter a tin.', ['salt', 'grease']],
  ['Take the pan off the heat.', ['move']],
  ['Take the butter out of the fridge.', ['take']],
  ['Let the oil get hot.', ['heat']],
  ['Heat the soup through.', ['reheat']],
  ['After that leave it for 10 minutes.', ['leave']],
  ['Uncover and continue to bake.', ['uncover', 'bake']],
  ['Fry the bacon, cut small, in the fat.', ['fry']],
  ['The rest of the sauce (whisk it) is for tomorrow.', []],
])('what is to be done: %s', (text, expected) => {
  expect(words(text)).toEqual(expected);
});

test('acts lie one after the other in their sentence, each with its verb in it', () => {
  const piece = fc.constantFrom(
    'peel ',
    'the leeks',
    ', ',
    ' and ',
    'leave to cool',
    '. ',
    'give it 9 minutes',
    '(',
    ')',
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 30 }), (pieces) => {
      const text = pieces.join('');
      for (const sentence of sentencesIn(text)) {
        let last = sentence.from;
        for (const { from, to, at, till } of actsIn(text, sentence)) {
          expect([from >= last, at >= from, till > at, to >= till, to <= sentence.to]).not.toContain(false);
          last = to;
        }
      }
    }),
  );
});

test.each<[string, string[][]]>([
  ['Slice the leeks and simmer them for 9 minutes.', [['slice'], ['simmer']]],
  ['Cover and simmer for 9 minutes, then stir in the peas.', [['cover', 'simmer'], ['stir']]],
  ['Melt the butter and fry the leeks.', [['melt', 'fry']]],
  ['Melt the fat and cook the legs in the oven for 90 minutes.', [['melt'], ['cook']]],
  ['Bring the milk to a simmer, take off the heat and leave for 9 minutes.', [['bring'], ['take', 'leave']]],
  ['Steam for 60 minutes; top up the water every 20 minutes.', [['steam', 'top']]],
])('one sentence, its steps: %s', (text, expected) => {
  expect(stepsOfSentence(acts(text), text).map((step) => step.map((a) => a.word))).toEqual(expected);
});

test.each<[string, (text: string) => boolean, boolean]>([
  ['Heat the oven to 200 °C.', (t) => ovenOnly(t, acts(t)), true],
  ['Heat the oven to 200 °C and line a tin.', (t) => ovenOnly(t, acts(t)), false],
  ['Heat the oil in a Dutch oven.', (t) => ovenOnly(t, acts(t)), false],
  ['Allow 15 minutes for the herbs.', isRemark, true],
  ['Allow the dough to rise.', isRemark, false],
  ['Set them on a tray.', (t) => goesBack(acts(t), t), true],
  ['Transfer the lamb to a plate.', (t) => goesBack(acts(t), t), true],
  ['Cover it.', (t) => goesBack(acts(t), t), false],
  ['Ladle into warm bowls.', (t) => isPlating(acts(t), t), true],
  ['Crack the crust at the table.', (t) => isPlating(acts(t), t), true],
  ['Lift out the fish and serve.', (t) => isPlating(acts(t), t), true],
  ['Ladle into bowls and chill for 2 hours.', (t) => isPlating(acts(t), t), false],
])('sentences that are no steps: %s', (text, is, expected) => {
  expect(is(text)).toBe(expected);
});

test('a thing is known by its name, its kind, a part of its name, and by what its piece is called', () => {
  const aliases = aliasesOf(['2 racks of lamb', '200 g beef bones', '3 leeks']);
  const held = new Set(
    heldNames(thingsIn('Brown the racks. Slice the leeks. Toast the breadcrumbs.'), aliases),
  );
  const known = ['lamb', 'joint', 'leek', 'vegetable', 'crumb'].filter((name) => holdsThing(held, name));
  expect(known).toEqual(['lamb', 'joint', 'leek', 'vegetable', 'crumb']);
  expect(['carrot', 'beef', 'fruit'].filter((name) => holdsThing(held, name))).toEqual([]);
});

test('what is made has names; whipped whites are no sauce', () => {
  expect(madeIn('Whisk the oil with the vinegar.')).toContain('dressing');
  expect(madeIn('Separate the eggs.')).toEqual(['white', 'yolk']);
  expect(madeIn('Whisk the whites until stiff.')).toEqual([]);
});

test.each<[string, [string, boolean][]]>([
  ['Fry in a frying pan, then in the same pan', [['frying pan', false]]],
  ['Add the wine to pot', [['pot', true]]],
  ['Put the slices in the dish', [['dish', true]]],
  ['Tip the loaf out of the tin', []],
  [
    'Slice on a mandoline into a gratin dish',
    [
      ['mandoline', false],
      ['dish', false],
    ],
  ],
])('tools in "%s"', (text, expected) => {
  expect(toolsIn(text).map(({ tool, isAgain }) => [tool, isAgain])).toEqual(expected);
});
