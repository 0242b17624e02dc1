import { AVOIDABLE, clashesOf, companyOf, hintsIn } from '../../core/allergens';
import { dinnerFile, read, step } from '../builders/dinner';

test.each<[string, string[]]>([
  ['plain flour', ['gluten']],
  ['rice flour', []],
  ['buckwheat flour', []],
  ['soured cream', ['milk']],
  ['coconut milk', []],
  ['cream of tartar', []],
  ['buttermilk', ['milk']],
  ['nutmeg', []],
  ['hazelnuts', ['nuts']],
  ['oyster mushrooms', []],
  ['oysters', ['molluscs']],
  ['celeriac', ['celery']],
  ['egg yolks', ['eggs']],
  ['white wine', ['sulphites', 'alcohol']],
  ['white wine vinegar', ['sulphites']],
  ['gelatine', ['meat']],
  ['apples', []],
])('%s', (item, expected) => {
  expect(hintsIn(item)).toEqual(expected);
});

// Regulation (EU) No 1169/2011, Annex II, from memory: fourteen substances.
test('the fourteen that have to be declared can all be avoided', () => {
  const fourteen =
    'gluten crustaceans eggs fish peanuts soya milk nuts celery mustard sesame sulphites lupin molluscs'.split(
      ' ',
    );
  expect(AVOIDABLE.map((a) => a.id)).toEqual(expect.arrayContaining(fourteen));
});

test('what guests avoid against what dishes have: hinted at by words, or marked by the cook', () => {
  const dinner = read({
    ...dinnerFile([], {
      courses: [{ id: 'only', name: 'Only', dishes: ['soup', 'tart'] }],
      dishes: [
        { id: 'soup', name: 'Soup', serves: 4, ingredients: [{ item: 'cream' }], steps: [step('a', 1)] },
        { id: 'tart', name: 'Tart', serves: 4, contains: ['eggs'], steps: [step('a', 1)] },
      ],
    }),
    company: [
      { name: 'Mila', avoids: ['milk', 'eggs'] },
      { name: 'Jonas', avoids: [] },
    ],
  });
  expect(clashesOf(dinner)).toEqual([
    { guest: 'Mila', dish: 'Soup', avoids: 'Milk', item: 'cream' },
    { guest: 'Mila', dish: 'Tart', avoids: 'Eggs', item: null },
  ]);
});

test('a file that has something else there is read all the same', () => {
  expect(companyOf(read({ ...dinnerFile([step('a', 1)]), company: 'many' }))).toEqual([]);
  expect(clashesOf(read(dinnerFile([step('a', 1)])))).toEqual([]);
});
