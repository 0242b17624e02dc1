import { compileModel, type Model } from '../../core/model';
import { Descent, FOUND } from '../../core/planner/descent';
import { ANY_WAYS, FIRST_WAYS } from '../../core/planner/opening';
import { Random } from '../../core/planner/random';
import { Search } from '../../core/planner/search';
import { dinnerFile, read, step } from '../builders/dinner';

/** The second course would best come 10 minutes after the first was eaten; its dish can be made in two ways. */
const courses = [
  { id: 'first', name: 'First', dishes: ['soup'] },
  { id: 'second', name: 'Second', dishes: ['dish'], wait: { ideal: 10 } },
];
const dishes = [
  { id: 'soup', name: 'Soup', serves: 4, steps: [step('stir', 10)] },
  {
    id: 'dish',
    name: 'Dish',
    serves: 4,
    ways: [
      { id: 'slow', label: 'slow' },
      { id: 'bought', label: 'bought', points: 3 },
    ],
    steps: [step('cut', 20, { in: ['slow'] }), step('mix', 8)],
  },
];
const model = compileModel(read(dinnerFile([], { courses, dishes })));

/** Three of its four ways leave no time for what must set. */
const [soup, dish] = dishes;
const setting = ['slow', 'slower', 'slowest'];
const late = compileModel(
  read(
    dinnerFile([], {
      courses,
      dishes: [
        soup!,
        {
          ...dish!,
          ways: [...setting, 'bought'].map((id) => ({ id, label: id })),
          steps: [step('set', 300, { attention: 'alone', touch: { in: 1 }, in: setting }), step('mix', 8)],
        },
      ],
    }),
  ),
);

/** Attempt number `attempt` at a first plan with so many seeds: the ways of the dishes and the pauses that it had. */
function attempts(attempt: number, model: Model): { ways: string[]; waits: number[] } {
  const found = Array.from({ length: 30 }, (_, seed) => {
    const descent = new Descent(model, new Random(seed + 1));
    const outcome = descent.attempt(attempt, 0, () => false);
    // Pauses as long as can be leave no plan where something keeps less long.
    if (attempt <= FIRST_WAYS) expect(outcome).toBe(FOUND);
    const { board } = descent;
    return {
      ways: board.config.ways.join(),
      wait: board.serve[1]! - board.serve[0]! - model.courses[0]!.eating,
    };
  });
  const [ways, waits] = [new Set(found.map((f) => f.ways)), new Set(found.map((f) => f.wait))];
  return { ways: [...ways].sort(), waits: [...waits] };
}

test('the first attempt takes the first way of each dish and the pauses that the table would like', () => {
  expect(attempts(FIRST_WAYS, model)).toEqual({ ways: ['-1,0'], waits: [10] });
});

test('another first plan beside one in hand has any way, with those pauses, too', () => {
  expect(attempts(ANY_WAYS, model)).toEqual({ ways: ['-1,0', '-1,1'], waits: [10] });
});

test('the second attempt waits as long as it may, later ones as the table would like or as long as chance has it', () => {
  expect(attempts(1, model).waits).toEqual([model.courses[1]!.most]);
  const { waits } = attempts(2, model);
  expect(waits.length).toBeGreaterThan(3);
  expect(waits).toContain(10);
});

test.each([FIRST_WAYS, ANY_WAYS])(
  'where lags forbid a way, attempt %d takes another and keeps the pauses',
  (attempt) => {
    expect(attempts(attempt, late)).toEqual({ ways: ['-1,3'], waits: [10] });
  },
);

test('no seed calls a dinner impossible of whose ways few leave time enough', () => {
  for (let seed = 1; seed <= 60; seed++) {
    expect(new Search(late, seed).construct({ rounds: 1, isOver: () => false })).toBe(true);
  }
});

describe('where something is pinned', () => {
  /** What goes into the last dish is stirred when the second course would be plated after the pause that the table would like. */
  const pinned = compileModel(
    read(
      dinnerFile([], {
        courses: [...courses, { id: 'third', name: 'Third', dishes: ['cake'] }],
        dishes: [...dishes, { id: 'cake', name: 'Cake', serves: 4, steps: [step('stir', 6)] }],
        pins: [{ step: 'cake/stir', start: '2026-10-17T19:24' }],
      }),
    ),
  );

  test('an attempt whose pauses leave no time for it comes to nothing before anything else is placed', () => {
    const descent = new Descent(pinned, new Random(1));
    expect(descent.attempt(FIRST_WAYS, 0, () => false)).not.toBe(FOUND);
    const placed = descent.board.config.members.filter((i) => descent.board.placed[i]);
    expect(placed.map((i) => pinned.activities[i]!.name)).not.toContain('dish/mix');
    expect(placed.map((i) => pinned.activities[i]!.name)).toContain('cake/stir');
  });

  test('there is a plan with each seed, and the pin holds in it', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const search = new Search(pinned, seed);
      expect(search.construct({ rounds: 1, isOver: () => false })).toBe(true);
      search.showBest();
      const i = pinned.activities.findIndex(({ name }) => name === 'cake/stir');
      expect(search.board.start[i]! - pinned.zero).toBe(24);
    }
  });
});
