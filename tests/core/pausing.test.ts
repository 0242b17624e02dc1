import { auditPlan } from '../../core/audit';
import type { DinnerFile } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { dinnerFile, planOf, read, step } from '../builders/dinner';

type Keeps = DinnerFile['dishes'][number]['steps'][number]['keeps'];

/** Peeling, which may be put down, begins at 17:50 and takes 20 minutes; what is peeled goes on at a pinned time. */
function planWith(keeps: Keeps, goesOn: string, more: Parameters<typeof dinnerFile>[0] = []): Plan {
  const dinner = read(
    dinnerFile(
      [
        step('peel', 20, { pausable: true, keeps }),
        step('boil', 15, { attention: 'alone', touch: { in: 1 }, after: ['peel'] }),
        ...more,
      ],
      {
        pins: [
          { step: 'dish/peel', start: '2026-10-17T17:50' },
          { step: 'dish/boil', start: `2026-10-17T${goesOn}` },
          ...more.map(({ id }) => ({ step: `dish/${id}`, start: '2026-10-17T18:12' })),
        ],
      },
    ),
  );
  const plan = planOf(dinner);
  if (plan.feasible) expect(auditPlan(dinner, plan).breaches).toEqual([]);
  return plan;
}

const piecesOf = (plan: Plan) => plan.steps.find((row) => row.step === 'dish/peel')?.pieces;

test('work that may pause does, where what it makes must go on as it ends', () => {
  const pieces = piecesOf(planWith({ best: 0, most: 0 }, '18:25'));
  expect(pieces?.at(0)?.[0]).toBe(-70);
  expect(pieces?.at(-1)).toEqual([-40, -35]);
});

test('it pauses for longer than it must, where what it makes then waits less', () => {
  const pieces = piecesOf(planWith({ best: 0, most: 40 }, '18:25'));
  expect(pieces?.at(-1)?.[1]).toBe(-35);
});

test('it ends as late as it can, where what it makes goes on later still', () => {
  // Stirring from 18:12 to 18:22 leaves no five minutes before the pot goes on.
  const pieces = piecesOf(planWith({ best: 0, most: 40 }, '18:25', [step('stir', 10)]));
  expect(pieces).toEqual([
    [-70, -55],
    [-53, -48],
  ]);
});

test('nothing is put down for longer than half an hour, nor taken up for less than five minutes', () => {
  expect(planWith({ best: 0, most: 0 }, '18:41').feasible).toBe(false);
  // What is pinned from 18:12 on leaves four minutes before the pot goes on.
  expect(planWith({ best: 0, most: 0 }, '18:25', [step('stir', 9)]).feasible).toBe(false);
  expect(planWith({ best: 0, most: 0 }, '18:25', [step('stir', 8)]).feasible).toBe(true);
});
