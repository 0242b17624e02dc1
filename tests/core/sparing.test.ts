import { compileModel } from '../../core/model';
import { Random } from '../../core/planner/random';
import { Descent } from '../../core/planner/descent';
import { Search } from '../../core/planner';
import { Sparing } from '../../core/planner/sparing';
import { behindAfter, lastOfFirstThird } from '../builders/behind';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const never = () => false;

/** Washing, mixing and a dough that has to go into its bake at once; nothing to do while it bakes. */
function dinnerOf(mixing: number) {
  return read(
    dinnerFile([
      step('wash', 20, { keeps: { most: 400 } }),
      step('mix', mixing, { keeps: { most: 400 } }),
      step('dough', 12, { keeps: { most: 1, how: 'room' } }),
      step('bake', 40, { attention: 'alone', after: ['dough'], keeps: { best: 2, most: 2, how: 'hot' } }),
    ]),
  );
}

/** Has Sparing take up an evening in which all but `late` minutes of the washing are where the steps are wanted. */
function spared(mixing: number, late: number) {
  const model = compileModel(dinnerOf(mixing));
  const descent = new Descent(model, new Random(1));
  const { board, best } = descent;
  descent.clearBoard();
  board.serveAfter([0]);
  const indexOf = (name: string) => model.activities.find((a) => a.name === `dish/${name}`)!.index;
  const doughAt = -5 - 40 - 12;
  const wanted = { wash: doughAt - mixing - 20 + late, mix: doughAt - mixing, dough: doughAt, bake: -45 };
  for (const i of board.config.members) {
    const { role } = board.activity(i);
    if (role === 'plating') descent.wanted[i] = board.platingStart(0);
    if (role === 'clearing') descent.wanted[i] = -1;
  }
  for (const [name, start] of Object.entries(wanted)) descent.wanted[indexOf(name)] = model.zero + start;
  const before = [...descent.wanted];
  const isTaken = new Sparing(descent).takeUpSparing(10_000, never);
  expect([...descent.wanted]).toEqual(before);
  if (!isTaken) return null;
  board.memory.set(best.memory);
  const startOf = (name: string) => board.start[indexOf(name)]! - model.zero;
  return { wanted, cost: best.cost, starts: (['wash', 'mix', 'dough', 'bake'] as const).map(startOf) };
}

test('what no longer fits is put off to where the cook has nothing to do, and all else stays', () => {
  const { wanted, starts } = spared(10, 6)!;
  expect([starts[0], starts[2], starts[3]]).toEqual([wanted.wash, wanted.dough, wanted.bake]);
  // While it bakes.
  expect(starts[1]).toBeGreaterThanOrEqual(wanted.bake);
  expect(starts[1]! + 10).toBeLessThanOrEqual(-5);
});

test('an evening that is late costs little more where one thing is put off', () => {
  const dearer: number[] = [];
  for (const number of [2, 11, 20, 30]) {
    const evening = read(generateDinner(number, 'medium'));
    for (const seed of [1, 2]) {
      const old = planOf(evening, 10_000, seed);
      const model = compileModel(evening, behindAfter(old, lastOfFirstThird(old)!, 6));
      const search = new Search(model, 1);
      expect(search.startFrom(old, { rounds: 7000, isOver: never })).toBe(true);
      dearer.push(search.best.cost / old.cost!);
    }
  }
  expect(dearer.reduce((sum, times) => sum + times, 0) / dearer.length).toBeLessThan(1.25);
});

test('so does one in which a step is put at another time by hand', () => {
  const file = generateDinner(27, 'medium');
  const old = planOf(read(file), 10_000);
  const rows = old.steps.filter(({ start }) => start > -250);
  const dearer = [-12, 8, -25, 15].map((by, k) => {
    const row = rows[(k * 7 + 27) % rows.length]!;
    const start = new Date(Date.parse(`${file.sitDown}:00Z`) + (row.start + by) * 60_000);
    const pins = [{ step: row.step, start: start.toISOString().slice(0, 16) }];
    const search = new Search(compileModel(read({ ...file, pins })), 1);
    expect(search.startFrom(old, { rounds: 3000, isOver: never })).toBe(true);
    return search.best.cost / old.cost!;
  });
  expect(dearer.reduce((sum, times) => sum + times, 0) / dearer.length).toBeLessThan(1.8);
});

test('it ends when it is told to', () => {
  const evening = read(generateDinner(2, 'medium'));
  const old = planOf(evening, 4000);
  const model = compileModel(evening, behindAfter(old, lastOfFirstThird(old)!, 6));
  const roundsOf = (rounds: number) => {
    const search = new Search(model, 1);
    search.startFrom(old, { rounds, isOver: never });
    return search.rounds;
  };
  expect(roundsOf(0)).toBe(0);
  expect(roundsOf(1000)).toBeGreaterThan(0);
  expect(roundsOf(1000)).toBeLessThan(200);
});
