import { planDinner } from '../../core/planner';
import { Pace } from '../../core/planner/pace';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

test('a search goes on as fast as it has gone since the pace was taken', () => {
  const search = { rounds: 100 };
  let now = 50;
  const pace = new Pace(search, () => now);
  search.rounds = 400;
  now = 80;
  expect(pace.roundsBy(120)).toBe(800);
  expect(pace.roundsBy(80)).toBe(400);
  expect(pace.roundsBy(60)).toBe(400);
});

test('time in which no rounds were taken is left out', () => {
  const search = { rounds: 0 };
  let now = 0;
  const pace = new Pace(search, () => now);
  search.rounds = 300;
  now = 130;
  pace.leaveOut(100);
  expect(pace.roundsBy(140)).toBe(400);
});

/** Plans with a clock that goes on by so many milliseconds whenever it is looked at; tells how long it took, and how often that was. */
function planned(size: 'medium' | 'large', step: number, fillsTime: boolean) {
  let looks = 0;
  const now = () => step * looks++;
  const plan = planDinner(read(generateDinner(3, size)), [], {
    seconds: 1,
    seed: 1,
    now,
    fillsTime,
    part: 'search',
  });
  return { plan, looks, milliseconds: step * looks };
}

describe.each(['medium', 'large'] as const)('of a %s dinner', (size) => {
  test('a fast machine takes as many rounds as there is time for, where it is to fill the time', () => {
    const usual = planned(size, 0.05, false);
    const filling = planned(size, 0.05, true);
    expect(filling.looks).toBeGreaterThan(1.5 * usual.looks);
    expect(filling.milliseconds).toBeLessThan(1020);
    expect(filling.plan.feasible).toBe(true);
  });

  test('where it is not, the clock changes nothing', () => {
    expect(planned(size, 0.02, false).plan).toEqual(planned(size, 0.05, false).plan);
  });
});
