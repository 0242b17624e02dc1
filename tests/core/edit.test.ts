import { withDishes, withoutStep } from '../../core/compose';
import type { DinnerFile } from '../../core/dinner';

type DishFile = DinnerFile['dishes'][number];
const step = (id: string, more: object = {}) => ({
  id,
  does: id,
  attention: 'hands' as const,
  minutes: 5,
  ...more,
});
const dish: DishFile = {
  id: 'pie',
  name: 'Pie',
  serves: 4,
  steps: [
    step('peel'),
    step('roll', { after: [{ step: 'peel', least: 20 }] }),
    step('egg', { within: { step: 'roll', at: 2 }, if: 'it cracks' }),
    step('bake', { after: ['roll', 'peel'] }),
  ],
};

test('what came after a step that is taken out comes after what it came after, once', () => {
  const left = withoutStep(dish, 1);
  expect(left.steps.map((s) => s.id)).toEqual(['peel', 'egg', 'bake']);
  expect(left.steps[2]!.after).toEqual(['peel']);
});

test('a step inside one that is taken out stands by itself', () => {
  const [, egg] = withoutStep(dish, 1).steps;
  expect(egg).not.toHaveProperty('within');
  expect(egg).not.toHaveProperty('if');
});

test('the link to what came before keeps its minutes', () => {
  const longer: DishFile = { ...dish, steps: [...dish.steps.slice(0, 2), step('bake', { after: ['roll'] })] };
  expect(withoutStep(longer, 1).steps[1]!.after).toEqual([{ step: 'peel', least: 20 }]);
});

test('a place where no step is changes nothing', () => {
  expect(withoutStep(dish, 9)).toBe(dish);
});

test('dishes are replaced by their id and stay where they were', () => {
  const file = { dishes: [dish, { ...dish, id: 'soup' }] } as DinnerFile;
  const changed = withDishes(file, [{ ...dish, name: 'Better pie' }]);
  expect(changed.dishes.map((d) => [d.id, d.name])).toEqual([
    ['pie', 'Better pie'],
    ['soup', 'Pie'],
  ]);
});
