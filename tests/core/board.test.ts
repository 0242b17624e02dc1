import { countBits, compileModel, hasBit, LEAST_PIECE, type Windows } from '../../core/model';
import type { Board } from '../../core/planner/board';
import { awayHolds, firstBusy, rawTerms, totalCost } from '../../core/planner/cost';
import { Inserter } from '../../core/planner/insert';
import { Pieces } from '../../core/planner/pieces';
import { Random } from '../../core/planner/random';
import { Search } from '../../core/planner/search';
import { read } from '../builders/dinner';
import { generateDinner, generateSpicyDinner } from '../builders/generate-dinner';

function searched(seed: number, rounds: number): Search {
  const search = new Search(compileModel(read(generateSpicyDinner(seed, 'medium'))), seed);
  let asked = 0;
  const budget = { rounds, isOver: () => (asked += 1) > 2000 };
  if (search.construct(budget)) search.improve(budget);
  return search;
}

/** First and last starts and ends of so many activities. */
function windowsOf({ loStart, hiStart, loEnd, hiEnd }: Windows, of: readonly number[]): number[] {
  return of.flatMap((i) => [loStart[i]!, hiStart[i]!, loEnd[i]!, hiEnd[i]!]);
}

/** True where minute `t` of stretch `s` is a look at a pot, or work that can be put down for something else before people sit down. */
function mayMakeWay(board: Board, s: number, t: number): boolean {
  if (board.isCheck(s)) return true;
  const i = board.stretchOf[s]!;
  const isBeginning = t < board.start[i]! + LEAST_PIECE;
  return board.isInterruptible(i) && !isBeginning && board.from[s]! < board.model.zero;
}

/** Seeds whose spiced dinner is known to have a plan. */
const SEEDS = [1, 7, 10, 13, 16, 19];

describe('the board after many rounds', () => {
  test.each(SEEDS)('owners, free minutes and stretches say the same (seed %d)', (seed) => {
    const { board, best, model } = searched(seed, 150);
    expect(best.cost).toBeLessThan(Infinity);
    const owned = new Map<number, number>();
    for (let c = 0; c < model.cookCount; c++) {
      for (let t = 0; t < model.slots; t++) {
        const s = board.owner[c * model.slots + t]! - 1;
        expect(hasBit(board.free[c]!, t)).toBe(hasBit(model.calendars[c]!, t) && s < 0);
        if (s < 0) continue;
        owned.set(s, (owned.get(s) ?? 0) + 1);
        expect(board.cook[s]).toBe(c);
        expect(board.from[s]! <= t && t < board.to[s]!).toBe(true);
        expect(hasBit(board.movable[c]!, t)).toBe(mayMakeWay(board, s, t));
      }
    }
    let stretches = 0;
    for (const i of board.config.members) {
      expect(board.placed[i]).toBe(1);
      const first = board.activity(i).firstStretch;
      for (let k = 0; k < board.stretches[i]!; k++) {
        stretches += 1;
        expect(owned.get(first + k)).toBe(board.to[first + k]! - board.from[first + k]!);
      }
    }
    expect(owned.size).toBe(stretches);
  });

  test('taking everything off leaves the calendars as they were', () => {
    const { board, model } = searched(7, 80);
    for (const a of model.activities) board.unplace(a.index);
    for (let c = 0; c < model.cookCount; c++) {
      expect(board.free[c]).toEqual(model.calendars[c]);
      expect(countBits(board.movable[c]!, 0, model.slots)).toBe(0);
    }
    expect(board.owner.every((s) => s === 0)).toBe(true);
    expect(firstBusy(board)).toBe(model.zero);
  });

  test('windows that follow what was placed are those drawn in anew', () => {
    let narrower = 0;
    for (const seed of SEEDS) {
      const { board } = searched(seed, 60);
      const { windows, config } = board;
      const inserter = new Inserter(board, new Random(seed));
      const random = new Random(seed);
      const full = board.memory.slice();
      for (let run = 0; run < 40; run++) {
        board.memory.set(full);
        const steps = config.members.filter((i) => board.activity(i).role === 'step');
        const out = steps.filter(() => random.next() < 0.4);
        for (const i of out) board.unplace(i);
        expect(board.tighten(Int32Array.from(out), out.length)).toBe(true);
        while (out.length > 1) {
          const i = out.splice(random.below(out.length), 1)[0]!;
          if (!inserter.insertAt(i, board.mode[i]!, board.oven[i]!, board.start[i]!)) break;
          const open = Int32Array.from(out);
          const before = windowsOf(windows, out);
          expect(windows.follow(config, i, open, out.length)).toBe(true);
          const followed = windowsOf(windows, out);
          if (before.some((value, k) => value !== followed[k])) narrower += 1;
          expect(board.tighten(open, out.length)).toBe(true);
          expect(followed).toEqual(windowsOf(windows, out));
        }
      }
    }
    expect(narrower).toBeGreaterThan(100);
  });

  test('going back to the best plan gives its cost again, term by term', () => {
    const search = searched(10, 200);
    search.showBest();
    const terms = rawTerms(search.board);
    const { weights } = search.model;
    const sum = (Object.keys(terms) as (keyof typeof terms)[]).reduce(
      (n, name) => n + terms[name] * weights[name],
      0,
    );
    expect(totalCost(search.board)).toBeCloseTo(search.best.cost, 9);
    expect(sum).toBeCloseTo(search.best.cost, 9);
    expect(awayHolds(search.board) && new Pieces(search.board).hold()).toBe(true);
  });

  test('what is kept is set free by the first that uses it, else by the last that follows', () => {
    let kept = 0;
    const boards = SEEDS.map((seed) => searched(seed, 40)).map((search) => {
      search.showBest();
      return search.board;
    });
    for (const { board, i } of boards.flatMap((board) => board.config.members.map((i) => ({ board, i })))) {
      for (const use of board.modeOf(i).things) {
        const until = board.keptUntil(i, use.thing, -1);
        const after = board.config.after[i]!.map((l) => l.to);
        const users = after.filter((j) => board.modeOf(j).things.some((u) => u.thing === use.thing));
        if (!use.kept) expect(until).toBe(board.end[i]);
        else {
          kept += 1;
          const starts = (list: number[]) => list.map((j) => board.start[j]!);
          if (users.length > 0) expect(until).toBe(Math.min(...starts(users)));
          else if (after.length > 0) expect(until).toBe(Math.max(...starts(after)));
        }
      }
    }
    expect(kept).toBeGreaterThan(0);
  });
});

test('a tighter limit never makes the best plan of a small dinner cheaper', () => {
  const base = generateDinner(1, 'small');
  const bestCost = (file: typeof base) => {
    const search = new Search(compileModel(read(file)), 1);
    let asked = 0;
    const budget = { rounds: 1500, isOver: () => (asked += 1) > 4000 };
    search.construct(budget);
    search.improve(budget);
    return search.best.cost;
  };
  expect(bestCost({ ...base, away: 4 })).toBeGreaterThanOrEqual(bestCost(base) - 1e-6);
});

test('the generator of chance is the same everywhere, spread evenly, and never leaves its range', () => {
  const random = new Random(42);
  const again = new Random(42);
  const counts = new Array<number>(10).fill(0);
  for (let k = 0; k < 10_000; k++) {
    const value = random.next();
    expect(again.next()).toBe(value);
    expect(value >= 0 && value < 1).toBe(true);
    counts[Math.floor(value * 10)]! += 1;
  }
  expect(Math.min(...counts)).toBeGreaterThan(900);
  expect(Math.max(...counts)).toBeLessThan(1100);
  expect(new Random(43).next()).not.toBe(new Random(42).next());
});
