import fc from 'fast-check';
import { withoutDish } from '../../core/compose';
import { applyChanges, pathParts } from '../../core/explain';
import { demoText, read } from '../builders/dinner';

test('a path reads as in an error message', () => {
  expect(pathParts('dishes[0].steps[12].touch.in')).toEqual(['dishes', 0, 'steps', 12, 'touch', 'in']);
  expect(pathParts('choices["dish/a"]')).toEqual(['choices', 'dish/a']);
});

test('a change reaches its place and leaves the original alone', () => {
  const file = { a: [{ b: 1 }, { b: 2 }], c: { d: 3 } };
  const copy = structuredClone(file);
  expect(
    applyChanges(file, [
      { path: 'a[1].b', value: 9 },
      { path: 'e', value: 'new' },
    ]),
  ).toEqual({ a: [{ b: 1 }, { b: 9 }], c: { d: 3 }, e: 'new' });
  expect(applyChanges(file, [{ path: 'c.d', value: undefined }])).toEqual({ a: file.a, c: {} });
  expect(file).toEqual(copy);
});

test('changing a value back gives the file again', () => {
  fc.assert(
    fc.property(fc.integer(), fc.nat(2), (value, at) => {
      const file = { list: [1, 2, 3] };
      const path = `list[${at}]`;
      const there = applyChanges(file, [{ path, value }]);
      expect(applyChanges(there, [{ path, value: file.list[at] }])).toEqual(file);
    }),
    { seed: 1 },
  );
});

test('a dinner without one dish, and without the component that only it needed, is a dinner still', () => {
  const dinner = read(JSON.parse(demoText('walnut-harvest')));
  const noPie = withoutDish(dinner, 'pie');
  expect(noPie.dishes.map((d) => d.id)).toEqual(['shots', 'stewed', 'pancakes', 'beans', 'pears', 'room']);
  expect(withoutDish(noPie, 'pancakes').dishes.map((d) => d.id)).not.toContain('stewed');
  read(JSON.parse(JSON.stringify(withoutDish(noPie, 'pancakes'))));
});
