import { compileModel } from '../../core/model';
import { Random, Search, type Board } from '../../core/planner';
import { allConfigurations } from '../../core/planner/combinations';
import { Dual } from '../../core/proof/dual';
import { allEat } from '../../core/proof/supply';
import { Tables } from '../../core/proof/tables';
import { makeTree, type Tree } from '../../core/proof/tree';
import { Visits } from '../../core/proof/visits';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner, generateSpicyDinner } from '../builders/generate-dinner';
import { tripsIn } from '../builders/trips';
import { wholePart } from '../builders/whole-part';

const pot = step('pot', 40, {
  attention: 'minded',
  touch: { in: 2, out: 1 },
  check: { every: 8, takes: 1, slack: 1 },
});

/** No minute is taken by other work. */
const nobodyElse = new Uint8Array(4000);

function treeOf(steps: Parameters<typeof dinnerFile>[0], more: Parameters<typeof dinnerFile>[1] = {}): Tree {
  const model = compileModel(read(dinnerFile(steps, more)));
  return makeTree(model, new Search(model, 1).board.config);
}

function optionOf(tree: Tree, id: string) {
  return tree.options[tree.model.activities.findIndex(({ name }) => name === `dish/${id}`)]![0]!;
}

test('of a pot those visits count that fall at table wherever its looks lie', () => {
  const visits = new Visits(optionOf(treeOf([pot]), 'pot'));
  const look = (down: number, up: number) => {
    visits.look(100, down, up, nobodyElse);
    return [visits.minutes, visits.count];
  };
  // Begun at 100 for two minutes, looked at about 108, 116, 124 and 132, taken off in the minute from 139.
  expect(visits.most).toBe(7);
  expect(look(100, 140)).toEqual([7, 6]);
  expect(look(101, 140)).toEqual([6, 6]);
  expect(look(102, 139)).toEqual([4, 4]);
  expect(look(108, 139)).toEqual([3, 3]);
  expect(look(115, 118)).toEqual([1, 1]);
  expect(look(116, 118)).toEqual([0, 0]);
});

test('to leave the table once for two visits takes the time between them, so few minutes need many trips', () => {
  const visits = new Visits(optionOf(treeOf([pot]), 'pot'));
  // Visit 0 is putting it on, 1 to 4 are looks, 5 is taking it off.
  expect([1, 2, 3].map((minutes) => visits.fewestTrips(1, 1, minutes))).toEqual([1, 1, 1]);
  // Two looks are six minutes apart at least: with every other minute at table that is four minutes away for one trip of two.
  expect([2, 3, 4, 5].map((minutes) => visits.fewestTrips(1, 2, minutes))).toEqual([2, 2, 1, 1]);
  expect(visits.fewestTrips(1, 4, 4)).toBe(4);
  expect(visits.fewestTrips(1, 4, 8)).toBeLessThan(4);
  // The last look comes 33 minutes in at the latest, taking it off is minute 39: four of those seven make one trip of it.
  expect([2, 3, 4].map((minutes) => visits.fewestTrips(4, 2, minutes))).toEqual([2, 2, 1]);
});

test('work that pauses takes from a table what its longest pause leaves', () => {
  const visits = new Visits(optionOf(treeOf([step('whisk', 20, { pausable: true })]), 'whisk'));
  visits.look(100, 100, 150, nobodyElse);
  expect([visits.minutes, visits.count]).toEqual([20, 1]);
  visits.look(100, 100, 140, nobodyElse);
  expect([visits.minutes, visits.count]).toEqual([10, 1]);
  visits.look(100, 110, 130, nobodyElse);
  expect([visits.minutes, visits.count]).toEqual([0, 0]);
});

test('what may need a table most: each look where most of it falls there, and of paused work all that fits', () => {
  const ofPot = new Visits(optionOf(treeOf([pot]), 'pot'));
  // Begun at 100: on it until 102, looked at from 107 to 109, 115 to 117 and so on, each for a minute.
  expect(ofPot.mostIn(100, 100, 140)).toBe(7);
  expect(ofPot.mostIn(100, 101, 110)).toBe(2);
  expect(ofPot.mostIn(100, 109, 115)).toBe(1);
  expect(ofPot.mostIn(100, 110, 115)).toBe(0);
  const ofWork = new Visits(optionOf(treeOf([step('whisk', 20, { pausable: true })]), 'whisk'));
  expect(ofWork.mostIn(100, 90, 110)).toBe(10);
  expect(ofWork.mostIn(100, 110, 200)).toBe(20);
  expect(ofWork.mostIn(100, 140, 200)).toBe(10);
  expect(ofWork.mostIn(100, 150, 200)).toBe(0);
});

/** Minutes of hands of activity `i` within slots [down, up) of the plan on the board. */
function minutesIn(board: Board, i: number, down: number, up: number): number {
  const first = board.activity(i).firstStretch;
  let minutes = 0;
  for (let k = first; k < first + board.stretches[i]!; k++)
    minutes += Math.max(0, Math.min(board.to[k]!, up) - Math.max(board.from[k]!, down));
  return minutes;
}

/** Minutes in which all cooks are at other work than activity `i`. */
function othersAt(board: Board, i: number): Uint8Array {
  const { slots, calendars } = board.model;
  return Uint8Array.from({ length: slots }, (_, m) =>
    calendars.every((_, k) => board.owner[k * slots + m] !== 0) && minutesIn(board, i, m, m + 1) === 0
      ? 1
      : 0,
  );
}

test('in no plan is less time spent away from a table, or in fewer trips, than its steps are said to take', () => {
  let met = 0;
  const broken: string[] = [];
  for (let seed = 1; seed <= 40; seed++) {
    for (const generate of [generateDinner, generateSpicyDinner]) {
      const size = seed % 8 === 0 ? 'large' : seed % 2 === 0 ? 'medium' : 'small';
      const model = compileModel(read(generate(seed, size)));
      const search = new Search(model, seed);
      if (!allEat(model) || !search.construct({ rounds: 1, isOver: () => false })) continue;
      search.showBest();
      const { board } = search;
      const tree = makeTree(model, board.config);
      model.courses.forEach(({ eating }, c) => {
        const [down, up] = [board.serve[c]!, board.serve[c]! + eating];
        const away = model.activities.reduce((sum, { index }) => sum + minutesIn(board, index, down, up), 0);
        for (const i of tree.order) {
          const visits = new Visits(tree.options[i]!.find(({ mode }) => mode === board.modeOf(i))!);
          visits.look(board.start[i]!, down, up, othersAt(board, i));
          const trips = model.calendars.reduce((sum, _, cook) => sum + tripsIn(board, down, up, cook), 0);
          if (visits.count > 1) met += 1;
          const isRight =
            visits.minutes <= minutesIn(board, i, down, up) &&
            visits.mostIn(board.start[i]!, down, up) >= minutesIn(board, i, down, up) &&
            visits.fewestTrips(visits.first, visits.count, away) <= trips;
          if (!isRight) broken.push(`${seed}: step ${i}, course ${c}`);
        }
      });
    }
  }
  expect(broken).toEqual([]);
  expect(met).toBeGreaterThan(10);
});

type Cooks = NonNullable<Parameters<typeof dinnerFile>[1]>['cooks'];

/** A pot for the second of two courses, with who sits down at 19:00 for twenty minutes, and the pause fixed. */
function twoCourses(cooks?: Cooks, who?: string): Tree {
  const dish = (id: string, steps: Parameters<typeof dinnerFile>[0]) => ({ id, name: id, serves: 4, steps });
  return treeOf([], {
    courses: [
      { id: 'first', name: 'First', dishes: ['soup'], eating: 20 },
      { id: 'second', name: 'Second', dishes: ['dish'], pause: { least: 10, ideal: 10, most: 10 } },
    ],
    dishes: [
      dish('soup', [step('stir', 5)]),
      dish('dish', [{ ...pot, keeps: { most: 30 }, ...(who && { who }) }]),
    ],
    ...(cooks && { cooks }),
  });
}

test('starts that take more from a table than may be taken are closed, and what all others take is taken at least', () => {
  const tree = twoCourses();
  const dual = new Dual(tree);
  const { part, evening, narrowing } = wholePart(dual);
  evening();
  const { serveAt, serveLow, serveHigh } = tree;
  expect(serveAt).toHaveLength(2);
  const option = optionOf(tree, 'pot');
  const [down, up] = [serveHigh[0]!, serveLow[0]! + 20];
  const visits = new Visits(option);
  const needs = (k: number) => {
    visits.look(option.low + k, down, up, nobodyElse);
    return visits.minutes;
  };
  const open = () =>
    Array.from({ length: option.count }, (_, k) => k).filter((k) => part.domain[option.at + k]);
  const before = open();
  const fewest = Math.min(...before.map(needs));
  expect(before.some((k) => needs(k) > fewest)).toBe(true);
  const tables = new Tables(tree, dual.supply.width, dual.supply.cooks, narrowing.known);
  part.awayHigh[0] = fewest;
  expect(tables.narrow(part)).toBe(true);
  expect(part.awayLow[0]).toBe(fewest);
  expect(open()).toEqual(before.filter((k) => needs(k) === fewest));
});

test('no more is taken from a table than the open starts can take, and a start that takes too little is closed', () => {
  const tree = twoCourses();
  const dual = new Dual(tree);
  const { part, evening, narrowing } = wholePart(dual);
  evening();
  const { serveLow, serveHigh } = tree;
  const option = optionOf(tree, 'pot');
  const visits = new Visits(option);
  const takes = (k: number) => visits.mostIn(option.low + k, serveLow[0]!, serveHigh[0]! + 20);
  const open = () =>
    Array.from({ length: option.count }, (_, k) => k).filter((k) => part.domain[option.at + k]);
  const before = open();
  const most = Math.max(...before.map(takes));
  expect(before.some((k) => takes(k) < most)).toBe(true);
  const tables = new Tables(tree, dual.supply.width, dual.supply.cooks, narrowing.known);
  part.awayLow[0] = most;
  expect(tables.narrow(part)).toBe(true);
  expect(part.awayHigh[0]).toBe(most);
  expect(open()).toEqual(before.filter((k) => takes(k) === most));
});

test('a helper who does not eat takes work from the table, but not what a cook who sits has to do', () => {
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const cooks = [
    { id: 'ada', name: 'Ada', free },
    { id: 'ben', name: 'Ben', free, eats: false },
  ];
  const leastAway = (who?: string) => {
    const tree = twoCourses(cooks, who);
    const dual = new Dual(tree);
    const { part, evening, narrowing } = wholePart(dual);
    evening();
    const tables = new Tables(tree, dual.supply.width, dual.supply.cooks, narrowing.known);
    // The pot is put on just before the first course is served.
    const option = optionOf(tree, 'pot');
    part.domain.fill(0, option.at, option.at + option.count);
    part.domain[option.at + tree.serveLow[0]! - 4 - option.low] = 1;
    option.first = option.last = tree.serveLow[0]! - 4 - option.low;
    tables.narrow(part);
    return part.awayLow[0]!;
  };
  expect(leastAway()).toBe(0);
  expect(leastAway('ben')).toBe(0);
  expect(leastAway('ada')).toBeGreaterThanOrEqual(2);
});

test('two who eat make a trip for each look at a pot, too', () => {
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const both = [
    { id: 'ada', name: 'Ada', free },
    { id: 'ben', name: 'Ben', free },
  ];
  const tripsOf = (cooks?: Cooks) => {
    const tree = twoCourses(cooks);
    const dual = new Dual(tree);
    const { part, evening, narrowing } = wholePart(dual);
    const option = optionOf(tree, 'pot');
    // Begun sixteen minutes before the first course is served, it is looked at twice while that is eaten.
    for (let k = 0; k < option.count; k++)
      if (option.low + k !== tree.serveLow[0]! - 16) part.domain[option.at + k] = 0;
    evening();
    return [2, 3].map((minutes) => narrowing.trips[minutes]!);
  };
  // One by himself is plating when the look before would be due, and has it during the course, too.
  expect(tripsOf()).toEqual([3, 3]);
  expect(tripsOf(both)).toEqual([2, 2]);
});

/** Any prices at all of hands, below nothing too where a course may be eaten. */
function anyPrices(price: Float64Array, { serveLow, serveHigh, model }: Tree, random: Random): void {
  for (let m = 0; m < price.length; m++) price[m] = random.next() < 0.5 ? 0 : random.next();
  model.courses.forEach(({ eating }, c) => {
    for (let m = serveLow[c]!; m < serveHigh[c]! + eating; m++) price[m] = 8 * random.next() - 4;
  });
}

test('where everybody eats, minutes of a table may have any price: the bound stays below the plan', () => {
  const random = new Random(5);
  let asked = 0;
  for (let seed = 1; seed <= 40; seed++) {
    for (const generate of [generateDinner, generateSpicyDinner]) {
      const model = compileModel(read(generate(seed, 'small')));
      const search = new Search(model, seed);
      if (!allEat(model) || !search.construct({ rounds: 1, isOver: () => false })) continue;
      search.improve({ rounds: 300, isOver: () => false });
      const { cost, config } = search.best;
      const dual = new Dual(makeTree(model, config));
      const { part, evening } = wholePart(dual);
      const begun = evening()!;
      for (let round = 0; round < 4; round++) {
        anyPrices(dual.demand.price, dual.tree, random);
        expect(dual.bound(part.domain, begun)).toBeLessThanOrEqual(cost + 1e-9);
        asked += 1;
      }
    }
  }
  expect(asked).toBeGreaterThan(100);
});

test('a relaxation remembers nothing of the starts that were open when it was asked before', () => {
  let asked = 0;
  for (let seed = 1; seed <= 30; seed++) {
    const model = compileModel(read(generateDinner(seed, seed % 3 === 0 ? 'medium' : 'small')));
    const [config] = allConfigurations(new Search(model, 1).board)!;
    const dual = new Dual(makeTree(model, config!));
    const ask = () => {
      const { part, evening } = wholePart(dual);
      const now = evening();
      return now && { part, evening, bound: dual.bound(part.domain, now) };
    };
    const first = ask();
    if (!first) continue;
    // Without the starts in the middle of each step's, then with all again.
    for (const options of dual.tree.options)
      for (const { at, first: from, last } of options)
        first.part.domain.fill(0, at + from + ((last - from) >> 2), at + last - ((last - from) >> 2));
    const some = first.evening();
    if (some) dual.bound(first.part.domain, some);
    expect(ask()!.bound).toBeCloseTo(first.bound, 9);
    asked += 1;
  }
  expect(asked).toBeGreaterThan(20);
});
