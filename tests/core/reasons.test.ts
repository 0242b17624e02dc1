import type { Dinner } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import {
  dishByDish,
  figuresOf,
  impossiblePins,
  inEachStyle,
  roomOf,
  whyHere,
  withoutEachDish,
  withoutEachPin,
  wordsFor,
} from '../../core/reasons';
import { auditPlan } from '../../core/audit';
import { DEMOS, demoText, dinnerFile, planOf, read, step } from '../builders/dinner';

const planned = (dinner: Dinner): Plan | null => {
  const plan = planOf(dinner, 200, 1, 4);
  return plan.feasible ? plan : null;
};
const saying = (dinner: Dinner, plan: Plan, name: string) => {
  const words = wordsFor(dinner);
  const why = whyHere(dinner, plan)!.find((w) => w.step === name)!;
  return {
    ...why,
    earlier: why.earlier.obstacles.map(words.obstacle),
    later: why.later.obstacles.map(words.obstacle),
  };
};

describe('why a step stands where it does', () => {
  const roast = read(
    dinnerFile([
      step('roast', 60, {
        does: 'Roast the joint.',
        attention: 'alone',
        touch: { in: 1, out: 1 },
        uses: [{ oven: 180 }],
        keeps: { best: 5, most: 15 },
      }),
      step('carve', 5, { does: 'Carve it.', after: [{ step: 'roast', least: 10 }], keeps: { most: 5 } }),
    ]),
  );

  test('a roast must rest before it is carved', () => {
    const why = saying(roast, planOf(roast), 'dish/roast');
    expect(why.later.join()).toMatch(/must rest 10 minutes before "Carve it" \(Dish\) at 18:5\d/);
    expect(why.earlier.join()).toMatch(/keeps no longer than 15 minutes before "Carve it"/);
  });

  test('an oven that another dish wants otherwise', () => {
    const bake = (id: string, oven: number, more = {}) =>
      step(id, 30, {
        attention: 'alone',
        touch: { in: 1, out: 1 },
        uses: [{ oven, give: 5 }],
        keeps: { most: 90 },
        ...more,
      });
    const dinner = read(dinnerFile([bake('bread', 220), bake('custard', 150)]));
    const plan = planOf(dinner);
    const first = [...plan.steps].sort((a, b) => a.start - b.start)[0]!;
    const text = saying(dinner, plan, first.step).later.join(', ');
    expect(text).toMatch(/the oven is at (220|150) °C for/);
  });

  test('a pan in use', () => {
    const simmer = (id: string) =>
      step(id, 30, {
        attention: 'alone',
        uses: [{ ring: 1 }, { tool: 'pan' }],
        keeps: { most: 90 },
      });
    const dinner = read(dinnerFile([simmer('rice'), simmer('pears')], { kitchen: { tools: { pan: 1 } } }));
    const plan = planOf(dinner);
    const first = [...plan.steps].sort((a, b) => a.start - b.start)[0]!;
    expect(saying(dinner, plan, first.step).later.join()).toMatch(/the pan is taken by "Do (rice|pears)"/);
  });

  test('at the table, with hot oil that someone must watch', () => {
    const dinner = read(
      dinnerFile([], {
        courses: [
          { id: 'one', name: 'Soup', eating: 20, dishes: ['soup'] },
          { id: 'two', name: 'Fritters', dishes: ['fritters'] },
        ],
        dishes: [
          { id: 'soup', name: 'Soup', serves: 4, steps: [step('heat', 5, { keeps: { most: 10 } })] },
          {
            id: 'fritters',
            name: 'Fritters',
            serves: 4,
            steps: [step('fry', 3, { stay: true, keeps: { most: 10 } })],
          },
        ],
      }),
    );
    expect(saying(dinner, planOf(dinner), 'fritters/fry').earlier.join()).toMatch(
      /you are at the table for Soup|clearing Soup/,
    );
  });

  test.each(DEMOS)('%s: each step can go as far as is said, and no minute further', (name) => {
    const dinner = read(JSON.parse(demoText(name)));
    const plan = planOf(dinner, 800);
    const reasons = whyHere(dinner, plan)!;
    expect(reasons).toHaveLength(plan.steps.length);
    for (const { step: of, start, earlier, later } of reasons) {
      expect([of, earlier.until <= start && start <= later.until]).toEqual([of, true]);
      // Paused work and limits on trips aside, something is named that stands in the way.
      expect([of, earlier.obstacles.length + later.obstacles.length > 0]).toEqual([of, true]);
    }
  });

  test('a plan of another dinner has no reasons here', () => {
    expect(whyHere(roast, { ...planOf(roast), steps: [] })).toBeNull();
  });
});

test('room to move grows with what it may cost, and each end of it costs no more', () => {
  const dinner = read(JSON.parse(demoText('home-at-six')));
  const plan = planOf(dinner, 1500);
  const name = 'semolina/dust';
  const rooms = roomOf(dinner, plan, name, [1, 5, 20], { seed: 1, rounds: 60, isOver: () => false });
  const start = plan.steps.find((s) => s.step === name)!.start;
  expect(rooms.map((r) => r.rise)).toEqual([1, 5, 20]);
  rooms.forEach((room, k) => {
    expect(room.earliest).toBeLessThanOrEqual(start);
    expect(room.latest).toBeGreaterThanOrEqual(start);
    if (k > 0) expect(room.earliest).toBeLessThanOrEqual(rooms[k - 1]!.earliest);
  });
  expect(rooms[2]!.earliest).toBeLessThan(start);
});

test('room goes on beyond minutes that others have', () => {
  const dinner = read(
    dinnerFile(
      [
        step('first', 30, { keeps: { most: 600, best: 600 } }),
        step('chop', 10, { keeps: { most: 600, best: 600 } }),
        step('last', 40, { keeps: { most: 600, best: 600 } }),
      ],
      {
        pins: [
          { step: 'dish/first', start: '2026-10-17T17:00' },
          { step: 'dish/last', start: '2026-10-17T17:40' },
        ],
      },
    ),
  );
  const plan = planOf(dinner);
  const at = (id: string) => plan.steps.find((row) => row.step === `dish/${id}`)!;
  expect(at('chop').start).toBeGreaterThanOrEqual(at('last').end);
  const [room] = roomOf(dinner, plan, 'dish/chop', [40], { seed: 1, rounds: 60, isOver: () => false });
  // Before the first it only makes the day longer.
  expect(room!.earliest).toBeLessThanOrEqual(at('first').start - 10);
});

describe('what it costs', () => {
  const dinner = read(
    dinnerFile([], {
      courses: [{ id: 'main', name: 'Main', dishes: ['stew', 'salad'] }],
      dishes: [
        { id: 'stew', name: 'Stew', serves: 4, steps: [step('cook', 40, { keeps: { most: 60 } })] },
        { id: 'salad', name: 'Salad', serves: 4, steps: [step('mix', 10, { keeps: { most: 60 } })] },
      ],
    }),
  );
  const plan = planned(dinner)!;

  test('figures agree with the audit, and hands are counted with plating', () => {
    const figures = figuresOf(dinner, plan);
    expect(figures.terms).toEqual(auditPlan(dinner, plan).terms);
    expect(figures.handsMinutes).toBe(40 + 10 + 3);
    expect(figures.first).toBe(figures.firstOnDay);
    expect(figures.first).toBe(Math.min(...plan.steps.map((row) => row.start)));
  });

  test('each dish: the evening without it', () => {
    const without = withoutEachDish(dinner, planned);
    expect(without.map((c) => [c.key, c.figures?.handsMinutes])).toEqual([
      ['stew', 13],
      ['salad', 43],
    ]);
  });

  test('each style has its figures', () => {
    expect(inEachStyle(dinner, planned).map((c) => [c.key, c.figures !== null])).toEqual([
      ['ahead', true],
      ['even', true],
      ['fresh', true],
    ]);
  });

  test('dish by dish is possible here, and no cheaper than the weave', () => {
    expect(dishByDish(dinner, planned, 1)!.cost).toBeGreaterThanOrEqual(plan.cost! - 0.01);
  });

  test('a pin costs what the evening is cheaper without it', () => {
    const pinned = { ...dinner, pins: [{ step: 'salad/mix', start: '2026-10-17T17:30' }] };
    const [free] = withoutEachPin(pinned, planned);
    expect(free!.figures!.cost).toBeLessThan(planned(pinned)?.cost ?? Infinity);
  });

  test('pins that cannot hold together are named, and only those', () => {
    const pins = [
      { step: 'stew/cook', start: '2026-10-17T18:10' },
      { step: 'salad/mix', start: '2026-10-17T18:20' },
    ];
    const isFeasible = (d: Dinner) => planned(d) !== null;
    expect(impossiblePins({ ...dinner, pins }, isFeasible)).toEqual(['stew/cook', 'salad/mix']);
    expect(impossiblePins({ ...dinner, pins: pins.slice(0, 1) }, isFeasible)).toBeNull();
  });
});
