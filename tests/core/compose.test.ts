import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import {
  cardOf,
  componentsOf,
  freeId,
  idFrom,
  moved,
  laidAhead,
  newDinner,
  readCard,
  withCard,
  withCourse,
  withCourseMoved,
  withDishMoved,
  withoutCourse,
  withoutDish,
  type CardFile,
} from '../../core/compose';
import { describeProblem, type DinnerFile } from '../../core/dinner';
import { auditPlan } from '../../core/audit';
import { DEMOS, demoText, planOf, read, step } from '../builders/dinner';

const cards = JSON.parse(
  readFileSync(new URL('../../demo/cards.json', import.meta.url), 'utf8'),
) as CardFile[];
const demo = (name: string) => JSON.parse(demoText(name)) as DinnerFile;
const begun = () =>
  newDinner({
    title: 'Quince night',
    sitDown: '2026-11-14T19:30',
    timeZone: 'Europe/Vienna',
    guests: 4,
    courses: ['Starter', 'Main', 'Dessert'],
    cook: 'Ada',
    kitchen: { ovens: [{ id: 'oven', name: 'Oven' }] },
  });
const listedOf = (file: DinnerFile) => file.courses.flatMap((c) => c.dishes);

test('a new dinner can be read and planned before it has a dish', () => {
  const dinner = read(begun());
  expect(dinner.cooks[0]!.free).toEqual([
    { from: '2026-11-13T18:30', to: '2026-11-13T21:00' },
    { from: '2026-11-14T13:30', to: '2026-11-14T23:30' },
  ]);
  expect(planOf(dinner, 20).feasible).toBe(true);
});

test('every card of the demo can be read, and an evening of three of them keeps all rules', () => {
  expect(cards.length).toBeGreaterThanOrEqual(24);
  for (const card of cards) {
    const result = readCard(card);
    expect([card.dish.id, result.ok || result.problems.map(describeProblem)]).toEqual([card.dish.id, true]);
  }
  const pick = (id: string) => cards.find((c) => c.dish.id === id)!;
  const file = ['beetroot', 'lemon-chicken', 'chocolate-pots'].reduce(
    (left, id, c) => withCard(left, pick(id), `course-${c + 1}`),
    begun(),
  );
  const dinner = read(file);
  const plan = planOf(dinner, 200);
  expect(plan.feasible).toBe(true);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
});

test('any cards on any courses make a dinner that can be read; taking them out again leaves nothing behind', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(cards.length - 1), fc.nat(2)), { minLength: 1, maxLength: 8 }),
      (choices) => {
        const file = choices.reduce(
          (left, [card, course]) => withCard(left, cards[card]!, `course-${course + 1}`),
          begun(),
        );
        read(file);
        expect(listedOf(file).length).toBe(choices.length);
        expect(new Set(file.dishes.map((d) => d.id)).size).toBe(file.dishes.length);
        const empty = listedOf(file).reduce((left, id) => withoutDish(left, id), file);
        expect(empty.dishes).toEqual([]);
        expect(listedOf(empty)).toEqual([]);
      },
    ),
    { numRuns: 60, seed: 4 },
  );
});

test('a component that is there already is shared; another of the same name is not', () => {
  const soup = cards.find((c) => c.dish.id === 'soup')!;
  const duck = cards.find((c) => c.dish.id === 'duck')!;
  const both = withCard(withCard(begun(), soup, 'course-1'), duck, 'course-2');
  const stocks = (file: DinnerFile) => file.dishes.filter((d) => d.id.startsWith('stock'));
  const isSame = JSON.stringify(soup.with) === JSON.stringify(duck.with);
  expect(stocks(both)).toHaveLength(isSame ? 1 : 2);
  const other = { ...duck, with: duck.with!.map((d) => ({ ...d, name: 'Another stock' })) };
  const apart = withCard(withCard(begun(), soup, 'course-1'), other, 'course-2');
  expect(stocks(apart).map((d) => d.id)).toEqual(['stock', 'stock-2']);
  read(apart);
  expect(componentsOf(apart, 'duck').map((d) => d.id)).toEqual(['stock-2']);
});

test.each(DEMOS)('each dish of %s, made a card and put on a new dinner, can be cooked', (name) => {
  const file = demo(name);
  for (const { id } of file.dishes) {
    const card = cardOf(file, id, 'else', ['ours']);
    const result = readCard(card);
    expect([id, result.ok || result.problems.map(describeProblem)]).toEqual([id, true]);
    read(withCard({ ...begun(), kitchen: file.kitchen }, card, 'course-2', 3));
    expect(card.dish.portions).toBeUndefined();
  }
});

test('a component loses only the steps that led to the dish that is left out', () => {
  const file: DinnerFile = {
    ...begun(),
    courses: [{ id: 'only', name: 'Only', dishes: ['one', 'two'] }],
    dishes: [
      { id: 'one', name: 'One', serves: 4, steps: [step('a', 5, { after: ['base/thin'] })] },
      { id: 'two', name: 'Two', serves: 4, steps: [step('b', 5, { after: ['base/thick'] })] },
      {
        id: 'base',
        name: 'Base',
        serves: 4,
        steps: [step('mix', 5), step('thin', 5, { after: ['mix'] }), step('thick', 5, { after: ['mix'] })],
      },
    ],
    pins: [{ step: 'base/thick', start: '2026-11-14T18:00' }],
  };
  const left = withoutDish(file, 'two');
  read(left);
  expect(left.dishes.find((d) => d.id === 'base')!.steps.map((s) => s.id)).toEqual(['mix', 'thin']);
  expect(left.pins).toEqual([]);
  expect(file.dishes[2]!.steps).toHaveLength(3);
});

test('a card says where its mistakes are', () => {
  const card = cards[0]!;
  const wrong = readCard({ ...card, dish: { ...card.dish, steps: [step('a', 5, { after: ['nothing'] })] } });
  expect(wrong.ok).toBe(false);
  if (!wrong.ok) expect(wrong.problems[0]!.path).toMatch(/^dish\.steps\[0\]\.after/);
  const foreign = readCard({ format: 'zeitlauf/dinner', version: 1 });
  if (!foreign.ok) expect(describeProblem(foreign.problems[0]!)).toMatch(/format: found "zeitlauf\/dinner"/);
});

test('courses are added, moved and taken out with the dishes that only they have', () => {
  const file = demo('first-frost');
  const more = withCourse(withCourse(file, 'Käse'), 'Käse');
  expect(more.courses.slice(-2).map((c) => c.id)).toEqual(['kase', 'kase-2']);
  expect(withCourseMoved(file, 2, 0).courses.map((c) => c.id)).toEqual(['dessert', 'starter', 'main']);
  const without = withoutCourse(file, 'main');
  expect(without.dishes.some((d) => ['duck', 'cabbage', 'mash'].includes(d.id))).toBe(false);
  expect(planOf(read(without), 100).feasible).toBe(true);
  const alone = { ...file, courses: [file.courses[0]!] };
  expect(withoutCourse(alone, 'starter')).toBe(alone);
});

test('a dish goes to a place on another course, and is nowhere else', () => {
  const file = withDishMoved(demo('first-frost'), 'mash', 'starter', 1);
  expect(file.courses.map((c) => c.dishes)).toEqual([
    ['table', 'mash', 'soup'],
    ['duck', 'cabbage'],
    ['cream'],
  ]);
  read(file);
});

test('lists and ids', () => {
  expect(moved(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a']);
  expect(moved(['a', 'b', 'c'], 2, -5)).toEqual(['c', 'a', 'b']);
  expect(idFrom('Crème brûlée, twice!', 'x')).toBe('creme-brulee-twice');
  expect(idFrom('***', 'dish')).toBe('dish');
  expect(freeId('a', new Set(['a', 'a-2']))).toBe('a-3');
});

describe('a demo dinner lies ahead', () => {
  const saturday = demo('first-frost');
  // Its first hours are on Friday, 27 November, at half past six.
  test.each([
    ['2026-11-20T12:00', '2026-11-28T19:30'],
    ['2026-11-27T18:29', '2026-11-28T19:30'],
    ['2026-11-27T18:30', '2026-12-05T19:30'],
    ['2026-12-04T18:29', '2026-12-05T19:30'],
    ['2026-12-04T18:30', '2026-12-12T19:30'],
    ['2027-07-01T09:00', '2027-07-03T19:30'],
  ])('opened at %s it is on %s', (now, sitDown) => {
    expect(laidAhead(saturday, now).sitDown).toBe(sitDown);
  });

  test('all its hours move with it, and its pins', () => {
    const pinned = { ...saturday, pins: [{ step: 'soup/dice', start: '2026-11-28T14:00' }] };
    const { cooks, pins } = laidAhead(pinned, '2027-04-05T00:00');
    expect(cooks[0]!.free).toEqual([
      { from: '2027-04-09T18:30', to: '2027-04-09T21:00' },
      { from: '2027-04-10T13:30', to: '2027-04-10T23:30' },
    ]);
    expect(pins[0]!.start).toBe('2027-04-10T14:00');
  });

  test.each(DEMOS)('%s can be read wherever it is laid', (name) => {
    const file = demo(name);
    const before = read(file);
    for (const now of ['2026-12-24T10:00', '2027-03-27T23:00', '2027-10-30T08:00']) {
      const dinner = read(laidAhead(file, now));
      expect(dinner.sitDown > now).toBe(true);
      expect(new Date(dinner.sitDown).getDay()).toBe(new Date(before.sitDown).getDay());
    }
  });
});
