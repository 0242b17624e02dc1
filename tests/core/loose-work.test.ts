import fc from 'fast-check';
import { compileModel, LEAST_PIECE, MAX_PAUSE } from '../../core/model';
import { Search } from '../../core/planner';
import type { Board } from '../../core/planner/board';
import { totalCost } from '../../core/planner/cost';
import { dinnerFile, read, step } from '../builders/dinner';

/** Two works that may pause, each with what comes after it, some chopping, and a pot with two looks; starts in minutes from sitting down. */
interface Evening {
  readonly works: readonly { at: number; minutes: number; room: number }[];
  readonly chopAt: number;
  readonly potAt: number;
  readonly slack: number;
  readonly table: boolean;
}

const USE = 2;
const CHOP = 4;
const POT = 21;
const EVERY = 8;
/** As the format has them where a course says nothing else. */
const PLATING = 3;
const CLEARING = 3;
const EATING = 40;

function settled({ works, chopAt, potAt, slack, table }: Evening) {
  const keeps = { best: 0, most: 90, how: 'room' as const };
  const steps = [
    ...works.map(({ minutes }, w) => step(`work${w}`, minutes, { pausable: true, keeps })),
    ...works.map((_, w) => step(`use${w}`, USE, { after: [`work${w}`] })),
    step('chop', CHOP),
    step('pot', POT, { attention: 'minded', touch: { in: 1, out: 1 }, check: { every: EVERY, slack } }),
  ];
  const file = table
    ? dinnerFile([], {
        away: EATING,
        courses: [
          { id: 'first', name: 'First', dishes: ['soup'], eating: EATING },
          { id: 'main', name: 'Main', dishes: ['dish'], pause: { least: 5, ideal: 10, most: 40 } },
        ],
        dishes: [
          { id: 'soup', name: 'Soup', serves: 4, steps: [step('stir', 5)] },
          { id: 'dish', name: 'Dish', serves: 4, steps },
        ],
      })
    : dinnerFile(steps);
  const model = compileModel(read(file));
  const { zero, activities } = model;
  const starts: Record<string, number> = { chop: chopAt, pot: potAt, stir: -120 };
  works.forEach(({ at, minutes, room }, w) => {
    starts[`work${w}`] = at;
    starts[`use${w}`] = at + minutes + room;
  });
  const search = new Search(model, 1);
  const answer = {
    config: search.board.config,
    options: activities.map(() => null),
    start: Int32Array.from(activities, ({ name }) => zero + (starts[name.split('/')[1]!] ?? 0)),
    serve: Int32Array.from(model.courses, (_, c) => zero + 55 * c),
    isDecided: true,
  };
  return { ...search.settle(answer, () => {}), board: search.board };
}

type Pieces = readonly (readonly [number, number])[];

/** All ways to cut work of so many minutes into pieces from `at` on that end by `end`. */
function cuts(at: number, minutes: number, end: number): Pieces[] {
  if (minutes === 0) return [[]];
  const found: Pieces[] = [];
  for (let length = Math.min(minutes, LEAST_PIECE); length <= minutes; length++) {
    const left = minutes - length;
    if ((left > 0 && left < LEAST_PIECE) || at + length > end) continue;
    if (left === 0) found.push([[at, at + length]]);
    for (let again = at + length + 1; left > 0 && again + left <= end; again++)
      for (const rest of cuts(again, left, end)) found.push([[at, at + length], ...rest]);
  }
  return found;
}

const meet = (a: Pieces, b: Pieces) => a.some(([x, y]) => b.some(([u, v]) => x < v && u < y));

/** All places that the looks may have, one a look. */
function looksOf({ potAt, slack }: Evening): Pieces[] {
  const places = [1, 2].map((m) =>
    Array.from({ length: 2 * slack + 1 }, (_, k) => potAt + m * EVERY - slack + k).filter(
      (t) => t >= potAt + 1 && t < potAt + POT - 1,
    ),
  );
  return places[0]!.flatMap((a) =>
    places[1]!
      .filter((b) => b > a)
      .map((b): Pieces => [
        [a, a + 1],
        [b, b + 1],
      ]),
  );
}

/** Every choice of pieces and looks with which nothing overlaps. */
function* allChoices(evening: Evening): Generator<[Pieces, Pieces, Pieces]> {
  const { works, chopAt, potAt, table } = evening;
  const uses = works.map(({ at, minutes, room }): readonly [number, number] => [
    at + minutes + room,
    at + minutes + room + USE,
  ]);
  const fast: Pieces = [
    ...uses,
    [chopAt, chopAt + CHOP],
    [potAt, potAt + 1],
    [potAt + POT - 1, potAt + POT],
    // Plates, and before the second course clearing.
    [-PLATING, 0],
    ...(table ? ([[EATING, EATING + CLEARING]] as const) : []),
  ];
  for (let x = 0; x < fast.length; x++) for (let y = 0; y < x; y++) if (meet([fast[x]!], [fast[y]!])) return;
  const [a, b] = works.map(({ at, minutes, room }) =>
    cuts(at, minutes, at + minutes + Math.min(room, MAX_PAUSE)).filter((cut) => !meet(cut, fast)),
  ) as [Pieces[], Pieces[]];
  const looks = looksOf(evening).filter((look) => !meet(look, fast));
  for (const one of a)
    for (const two of b) {
      if (meet(one, two)) continue;
      for (const look of looks) if (!meet(look, one) && !meet(look, two)) yield [one, two, look];
    }
}

/** What the plan on the board costs with other pieces and looks. */
function costWith(board: Board, choice: readonly Pieces[]): number {
  const { activities, zero } = board.model;
  const names = ['dish/work0', 'dish/work1', 'dish/pot'];
  const own = names.map((name) => activities.find((a) => a.name === name)!);
  const firstOf = (k: number) => own[k]!.firstStretch + (k === 2 ? 1 : 0);
  own.forEach(({ index }, k) => {
    const count = k === 2 ? 2 : board.stretches[index]!;
    for (let n = 0; n < count; n++) board.release(firstOf(k) + n);
  });
  choice.forEach((pieces, k) => {
    pieces.forEach(([from, to], n) => board.occupy(firstOf(k) + n, 0, zero + from, zero + to));
    if (k < 2) {
      board.stretches[own[k]!.index] = pieces.length;
      board.end[own[k]!.index] = zero + pieces.at(-1)![1];
    }
  });
  return totalCost(board);
}

const between = (min: number, max: number) => fc.integer({ min, max });

const EVENINGS: fc.Arbitrary<Evening> = fc
  .record({
    from: fc.constantFrom(-80, 2),
    later: between(5, 12),
    minutes: fc.tuple(between(10, 13), between(10, 13)),
    room: fc.tuple(between(8, 22), between(8, 22)),
    chop: between(10, 45),
    pot: between(1, 7),
    slack: between(0, 2),
  })
  .map(({ from, later, minutes, room, chop, pot, slack }) => ({
    works: [0, 1].map((w) => ({ at: from + w * later, minutes: minutes[w]!, room: room[w]! })),
    chopAt: from + chop,
    potAt: from - pot,
    slack,
    table: from > 0,
  }));

test('pieces and looks that cost least are found, or that there are none, as by trying all', () => {
  let found = 0;
  let none = 0;
  let atTable = 0;
  fc.assert(
    fc.property(EVENINGS, (evening) => {
      const { cost, isLeast, board } = settled(evening);
      const choices = [...allChoices(evening)];
      if (cost === Infinity) {
        expect(isLeast).toBe(true);
        expect(choices).toHaveLength(0);
        none += 1;
        return;
      }
      found += 1;
      expect(isLeast).toBe(true);
      expect(cost).toBeCloseTo(Math.min(...choices.map((choice) => costWith(board, choice))), 6);
      atTable += Number(evening.table);
    }),
    { numRuns: 3000 },
  );
  expect(found).toBeGreaterThan(20);
  expect(none).toBeGreaterThan(20);
  expect(atTable).toBeGreaterThan(4);
});
