import { ovenPairs, ovenWishes, verdictOf } from '../../core/reasons';
import { dinnerFile, planOf, read, step } from '../builders/dinner';

test('the verdict: begin by, hands, away and the busiest half hour, reckoned by hand', () => {
  const dinner = read(
    dinnerFile(
      [
        step('soak', 400, { attention: 'alone', touch: { in: 2, out: 0 } }),
        step('cook', 20, { after: ['soak'], keeps: { best: 0, most: 0 } }),
      ],
      {
        arrive: 0,
        cooks: [{ id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T11:00', to: '2026-10-17T23:00' }] }],
        courses: [
          {
            id: 'only',
            name: 'Only',
            plating: { base: 2, perGuest: 0 },
            dishes: ['dish'],
          },
        ],
      },
    ),
  );
  const plan = planOf(dinner, 200);
  const verdict = verdictOf(dinner, plan);
  expect(verdict.beginBy).toEqual([
    { minute: -422, step: 'dish/soak' },
    { minute: -22, step: 'dish/cook' },
  ]);
  expect(verdict.figures).toMatchObject({ handsMinutes: 24, awayMinutes: 0, first: -422 });
  expect(verdict.busiest.minutes).toBe(22);
  expect(verdict.last).toBe(0);
});

test('which dishes can share the oven, at what temperature, and which cannot', () => {
  const bake = (celsius: number, give: number | [number, number], shelves = 1) =>
    step('bake', 30, { attention: 'alone', uses: [{ oven: celsius, give, shelves }] });
  const dish = (id: string, ...steps: ReturnType<typeof step>[]) => ({ id, name: id, serves: 4, steps });
  const dinner = read(
    dinnerFile([], {
      courses: [{ id: 'only', name: 'Only', dishes: ['tray', 'tart', 'meringue'] }],
      dishes: [
        dish('tray', bake(200, 10)),
        dish('tart', bake(180, [5, 15], 1.5)),
        dish('meringue', bake(100, 0)),
      ],
    }),
  );
  expect(ovenWishes(dinner).map(({ from, to }) => [from, to])).toEqual([
    [190, 210],
    [175, 195],
    [100, 100],
  ]);
  expect(ovenPairs(dinner).map(({ common, hasRoom }) => ({ common, hasRoom }))).toEqual([
    { common: [190, 195], hasRoom: false },
    { common: null, hasRoom: true },
    { common: null, hasRoom: false },
  ]);
});
