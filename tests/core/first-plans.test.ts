import { compileModel, type Model } from '../../core/model';
import { Descent, FOUND } from '../../core/planner/descent';
import { LikelyPauses } from '../../core/planner/likely-pauses';
import { Mending } from '../../core/planner/mending';
import { ANY_WAYS, FIRST_WAYS } from '../../core/planner/opening';
import { Random } from '../../core/planner/random';
import { Search } from '../../core/planner/search';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner, generateOddDinner } from '../builders/generate-dinner';

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

describe('pauses with which most found a place', () => {
  const slots = (...serve: number[]) => Int32Array.from(serve);

  test('are remembered until others do as well, or nearly, after some attempts', () => {
    const likely = new LikelyPauses(2);
    expect(likely.areKnown).toBe(false);
    likely.learn(slots(100, 140), 7);
    likely.learn(slots(100, 150), 12);
    expect(likely.areKnown).toBe(true);
    expect([likely.serveOf(0), likely.serveOf(1)]).toEqual([100, 140]);
    // Seven and one for each of two attempts.
    likely.learn(slots(100, 160), 9);
    expect(likely.serveOf(1)).toBe(160);
    likely.learn(slots(100, 170), 3);
    expect(likely.serveOf(1)).toBe(170);
  });

  test('find a plan in few attempts where the pauses that the table would like leave none', () => {
    const model = compileModel(read(generateOddDinner(14, 'medium')));
    const attempts = Array.from({ length: 4 }, (_, seed) => {
      const descent = new Descent(model, new Random(seed + 1));
      let attempt = 0;
      while (attempt < 400 && descent.attempt(attempt, attempt, () => false) !== FOUND) attempt += 1;
      return attempt;
    });
    // 428 where nothing is remembered or mended.
    expect(attempts.reduce((sum, n) => sum + n)).toBeLessThan(200);
  });
});

describe('what is nearly a plan', () => {
  const never = () => false;

  /** A plan of a dinner of some thirty steps off whose board some are taken. */
  function spoilt(seed: number) {
    const model = compileModel(read(generateDinner(seed, 'medium')));
    const descent = new Descent(model, new Random(seed));
    for (let attempt = 0; descent.attempt(attempt, attempt, never) !== FOUND; attempt++);
    const { board } = descent;
    const steps = board.config.members.filter((i) => board.activity(i).role === 'step');
    for (const i of steps.filter((_, k) => k % 5 === seed % 5)) board.unplace(i);
    return { descent, mending: new Mending(board, new Random(7), descent.refill) };
  }

  test('is mended', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const { descent, mending } = spoilt(seed);
      expect(descent.refill.openRest()).toBeGreaterThan(3);
      expect(mending.mend(never)).toBe(true);
      expect(descent.refill.openRest()).toBe(0);
      expect(descent.isSound()).toBe(true);
    }
  });

  test('is given up where something has no place, and as soon as the time is over', () => {
    const { descent, mending } = spoilt(1);
    const blocked = descent.refill.open[descent.refill.openRest() - 1]!;
    descent.board.calendarStarts[blocked]!.fill(0);
    expect(mending.mend(never)).toBe(false);
    expect(descent.board.placed[blocked]).toBe(0);
    const other = spoilt(2);
    expect(other.mending.mend(() => true)).toBe(false);
  });
});

describe('a dinner of few steps is not given up', () => {
  // 256: work forced into a table at which it alone is too long; 373: what is added to a pot before the pot has a place.
  test.each([256, 373])('odd evening %d has a plan with each seed, within a few attempts', (number) => {
    const model = compileModel(read(generateOddDinner(number, 'small')));
    for (let seed = 1; seed <= 6; seed++) {
      const descent = new Descent(model, new Random(seed));
      let attempt = 0;
      while (attempt < 200 && descent.attempt(attempt, attempt, () => false) !== FOUND) attempt += 1;
      expect(attempt).toBeLessThan(100);
    }
  });
});
