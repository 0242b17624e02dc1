import {
  calendarStarts,
  calendarStartsOf,
  checkFrom,
  checkTo,
  compileModel,
  hasBit,
  makeBits,
  StartFinder,
} from '../../core/model';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

/** Can one cook (or `who`) be given [from, to)? Minute by minute: the slow twin of the bit sets. */
function someoneFree(free: readonly Int32Array[], who: number, from: number, to: number): boolean {
  return free.some((bits, c) => {
    if (who >= 0 && c !== who) return false;
    for (let m = from; m < to; m++) if (!hasBit(bits, m)) return false;
    return true;
  });
}

test('starts found with bit sets are those that a minute-by-minute look finds', () => {
  let compared = 0;
  let feasible = 0;
  for (let seed = 1; seed <= 6; seed++) {
    const model = compileModel(read(generateDinner(seed, seed % 2 === 0 ? 'small' : 'large')));
    const finder = new StartFinder(model);
    const target = makeBits(model.words * 32);
    for (const activity of model.activities) {
      for (const mode of activity.modes) {
        if (mode.pausable || mode.hands > 1) continue;
        finder.find(target, activity, mode, model.calendars, 0, (model.slots >> 5) + 1);
        for (let t = 0; t < model.slots - mode.duration; t += 3) {
          const free = (from: number, to: number) => someoneFree(model.calendars, activity.who, from, to);
          let expected = true;
          if (mode.isHands) expected = mode.hands === 0 || free(t, t + mode.duration);
          else {
            const end = t + mode.duration;
            expected = free(t, t + mode.touchIn) && free(end - mode.touchOut, end);
            for (let m = 1; expected && m <= mode.checks; m++) {
              const high = checkTo(mode, m);
              let fits = false;
              for (let shift = checkFrom(mode, m); shift <= high; shift++)
                fits ||= free(t + shift, t + shift + mode.takes);
              expected = fits;
            }
          }
          compared += 1;
          if (expected) feasible += 1;
          if (hasBit(target, t) !== expected)
            throw new Error(`${seed} ${activity.name} at ${t}: expected ${expected}`);
        }
      }
    }
  }
  expect(compared).toBeGreaterThan(20_000);
  expect(feasible).toBeGreaterThan(2_000);
});

test('a step that takes two cooks starts only where both are free', () => {
  const dinner = read(
    dinnerFile([step('carry', 10, { hands: 2 })], {
      cooks: [
        { id: 'a', name: 'A', free: [{ from: '2026-10-17T16:00', to: '2026-10-17T18:00' }] },
        { id: 'b', name: 'B', free: [{ from: '2026-10-17T17:30', to: '2026-10-17T20:00' }] },
      ],
    }),
  );
  const model = compileModel(dinner);
  const starts = calendarStarts(model, new StartFinder(model), model.activities[0]!);
  const found = Array.from({ length: model.slots }, (_, t) => t).filter((t) => hasBit(starts, t));
  expect([found[0]! - model.zero, found.at(-1)! - model.zero]).toEqual([-90, -70]);
});

test('a pinned step has one start, an oven step none before the oven can be hot', () => {
  const dinner = read(
    dinnerFile([step('cut', 5), step('bake', 20, { attention: 'alone', uses: [{ oven: 200 }] })], {
      pins: [{ step: 'dish/cut', start: '2026-10-17T16:10' }],
    }),
  );
  const model = compileModel(dinner);
  const starts = calendarStartsOf(model);
  const list = (k: number) =>
    Array.from({ length: model.slots }, (_, t) => t).filter((t) => hasBit(starts[k]!, t));
  expect(list(0).map((t) => t - model.zero)).toEqual([-170]);
  // First free minute 15:00, 180 degrees up at 10 a minute: 15:18 is -222.
  expect(list(1)[0]! - model.zero).toBe(-222);
});
