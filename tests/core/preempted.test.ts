import { compileModel } from '../../core/model';
import { Board } from '../../core/planner/board';
import { Inserter } from '../../core/planner/insert';
import { Random } from '../../core/planner/random';
import { auditPlan } from '../../core/audit';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

type Steps = Parameters<typeof dinnerFile>[0];

/** A board on which steps can be put at minutes from sitting down, and where each then has its pieces. */
function boardWith(steps: Steps) {
  const model = compileModel(read(dinnerFile(steps)));
  const { zero, activities } = model;
  const board = new Board(model);
  board.serveAfter([0]);
  const inserter = new Inserter(board, new Random(1));
  const indexOf = (id: string) => activities.find(({ name }) => name === `dish/${id}`)!.index;
  const tighten = () => {
    const left = board.config.members.filter((i) => !board.placed[i]);
    return board.tighten(Int32Array.from(left), left.length);
  };
  const putAt = (id: string, at: number) => tighten() && inserter.insertAt(indexOf(id), 0, -1, zero + at);
  /** Puts a step at `at` and nowhere else, whatever has to make way. */
  const pushIn = (id: string, at: number) => {
    const i = indexOf(id);
    const { windows } = board;
    tighten();
    windows.loStart[i] = windows.hiStart[i] = zero + at;
    return inserter.insert(i, 0, true, true);
  };
  const piecesOf = (id: string) => {
    const i = indexOf(id);
    const { firstStretch } = activities[i]!;
    return Array.from({ length: board.stretches[i]! }, (_, k) => [
      board.from[firstStretch + k]! - zero,
      board.to[firstStretch + k]! - zero,
    ]);
  };
  return { board, putAt, pushIn, piecesOf, endOf: (id: string) => board.end[indexOf(id)]! - zero };
}

const peel = step('peel', 12, { pausable: true });

test('work that may pause is put down for what is pushed into it', () => {
  const { putAt, pushIn, piecesOf, endOf } = boardWith([peel, step('stir', 6)]);
  expect(putAt('peel', -60)).toBe(true);
  expect(pushIn('stir', -54)).toBe(true);
  expect(piecesOf('stir')).toEqual([[-54, -48]]);
  expect(piecesOf('peel')).toEqual([
    [-60, -54],
    [-48, -42],
  ]);
  expect(endOf('peel')).toBe(-42);
});

test('two such works take turns where neither can wait for the other', () => {
  const slice = step('slice', 10, { pausable: true });
  const boil = step('boil', 2, { after: ['peel'] });
  const fry = step('fry', 2, { after: ['slice'] });
  const { putAt, pushIn, piecesOf } = boardWith([peel, slice, boil, fry]);
  expect(putAt('boil', -43)).toBe(true);
  expect(putAt('fry', -36)).toBe(true);
  expect(putAt('peel', -60)).toBe(true);
  expect(pushIn('slice', -55)).toBe(true);
  expect(piecesOf('peel')).toEqual([
    [-60, -55],
    [-50, -43],
  ]);
  expect(piecesOf('slice')).toEqual([
    [-55, -50],
    [-41, -36],
  ]);
});

test.each([
  ['its first minutes', -58],
  ['more than it can do before what comes next', -53],
])('nothing is pushed into %s, and all stays as it was', (_, at) => {
  const boil = step('boil', 2, { after: ['peel'] });
  const { board, putAt, pushIn, piecesOf } = boardWith([peel, boil, step('stir', 6)]);
  putAt('boil', -47);
  putAt('peel', -60);
  const free = board.free.map((bits) => bits.slice());
  expect(pushIn('stir', at)).toBe(false);
  expect(piecesOf('peel')).toEqual([[-60, -48]]);
  expect(piecesOf('stir')).toEqual([]);
  expect(board.free).toEqual(free);
});

test('what has begun can be put down, too', () => {
  const file = dinnerFile([peel, step('stir', 6)], {
    pins: [{ step: 'dish/peel', start: '2026-10-17T18:00' }],
  });
  const model = compileModel(read(file));
  const board = new Board(model);
  board.serveAfter([0]);
  const inserter = new Inserter(board, new Random(1));
  board.tighten(Int32Array.of(0), 1);
  expect(inserter.insertAt(0, 0, -1, model.zero - 60)).toBe(true);
  board.tighten(Int32Array.of(1), 1);
  board.windows.loStart[1] = board.windows.hiStart[1] = model.zero - 54;
  expect(inserter.insert(1, 0, true, true)).toBe(true);
  expect([...board.from.subarray(0, 2)]).toEqual([model.zero - 60, model.zero - 48]);
});

test('a dinner is planned in which two works take turns', () => {
  // What the proof says it costs at least.
  const dinner = read(generateDinner(86, 'small'));
  const plans = [1, 2, 3].map((seed) => planOf(dinner, 4000, seed));
  for (const plan of plans) expect(auditPlan(dinner, plan).breaches).toEqual([]);
  expect(Math.min(...plans.map(({ cost }) => cost!))).toBeCloseTo(71.85, 2);
});
