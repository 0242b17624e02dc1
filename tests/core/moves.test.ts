import { compileModel } from '../../core/model';
import { CourseMoves } from '../../core/planner/course-moves';
import { Descent } from '../../core/planner/descent';
import { Random, Search } from '../../core/planner';
import { Removal } from '../../core/planner/neighbourhoods';
import { roundsFor } from '../../core/planner/plan';
import { demoText, read } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';

const never = () => false;

test('a valley of longer pauses, in which one run of fourteen ended, is left', () => {
  const model = compileModel(read(JSON.parse(demoText('first-frost'))));
  const costs = [4, 8, 35].map((k) => {
    const search = new Search(model, k * 7919);
    const budget = { rounds: roundsFor(0.5, model.activities.length), isOver: never };
    expect(search.construct(budget)).toBe(true);
    search.improve(budget);
    return search.best.cost;
  });
  expect(Math.max(...costs)).toBeLessThan(1.05 * Math.min(...costs));
});

test.each(GENERATORS)(
  '%s: a course that is moved leaves one pause changed and everything on the board',
  (_name, generate) => {
    let moved = 0;
    let uneasy = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const model = compileModel(read(generate(seed, 'medium')));
      const random = new Random(seed);
      const descent = new Descent(model, random);
      const { board, refill, best } = descent;
      for (let k = 0; k < 60 && best.cost === Infinity; k++) descent.attempt(k, k, never);
      if (best.cost === Infinity) continue;
      const courses = new CourseMoves(board, random, new Removal(board, random), refill);
      const waits = () =>
        model.courses
          .slice(1)
          .map((_, k) => board.serve[k + 1]! - board.serve[k]! - model.courses[k]!.eating);
      descent.showBest();
      for (let k = 0; k < 200; k++) {
        const memory = board.memory.slice();
        const before = waits();
        expect(courses.isUneasy()).toBe(before.some((wait, c) => wait !== model.courses[c + 1]!.ideal));
        if (courses.isUneasy()) uneasy += 1;
        if (model.courses.length > 1 && courses.move(never) && descent.isSound()) {
          moved += 1;
          const changed = waits().filter((wait, c) => wait !== before[c]);
          expect(changed).toHaveLength(1);
          waits().forEach((wait, c) => {
            expect(wait).toBeGreaterThanOrEqual(model.courses[c + 1]!.least);
            expect(wait).toBeLessThanOrEqual(model.courses[c + 1]!.most);
          });
          expect(board.config.members.every((i) => board.placed[i])).toBe(true);
        } else board.memory.set(memory);
      }
    }
    expect(moved).toBeGreaterThan(20);
    expect(uneasy).toBeGreaterThan(20);
  },
);
