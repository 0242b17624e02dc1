import { compileModel } from '../../core/model';
import { Random, Search, type Board } from '../../core/planner';
import { firstBusy } from '../../core/planner/cost';
import { Brancher, busiest } from '../../core/proof/branch';
import { Dual } from '../../core/proof/dual';
import { RelaxationKernel } from '../../core/proof/kernel/kernel';
import type { Known } from '../../core/proof/known';
import type { Part } from '../../core/proof/part';
import type { Node } from '../../core/proof/space';
import type { Evening } from '../../core/proof/supply';
import { makeTree } from '../../core/proof/tree';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner, generateSpicyDinner, GENERATORS, type Size } from '../builders/generate-dinner';
import { tripsIn } from '../builders/trips';
import { wholePart } from '../builders/whole-part';

/** A dinner with a plan on the board, and all of it as one part of a proof; null where no plan was found. */
function planned(seed: number, size: Size, generate: typeof generateDinner) {
  const model = compileModel(read(generate(seed, size)));
  const search = new Search(model, seed);
  const budget = { rounds: 200, isOver: () => false };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  search.showBest();
  const { board } = search;
  const dual = new Dual(makeTree(model, board.config));
  return { board, dual, cost: search.best.cost, ...wholePart(dual) };
}

/** Where the plan's start of each step stands in the domain, and its serving slots. */
function placesOf(board: Board, { tree }: Dual): number[] {
  const steps = tree.order.map((i) => {
    const option = tree.options[i]!.find(({ mode }) => mode === board.modeOf(i))!;
    return option.at + board.start[i]! - option.low;
  });
  return [...steps, ...tree.serveAt.map((at, c) => at + board.serve[c]! - tree.serveLow[c]!)];
}

/** Minutes in all that those who eat are away from the table of course `c`. */
function awayFrom(board: Board, c: number): number {
  const { model } = board;
  let minutes = 0;
  for (let k = 0; k < model.cookCount; k++) {
    if (!model.eats[k]) continue;
    const row = k * model.slots + board.serve[c]!;
    for (let m = 0; m < model.courses[c]!.eating; m++) if (board.owner[row + m] !== 0) minutes += 1;
  }
  return minutes;
}

/** Each pot's looks in the plan, with the slot in which they begin. */
function looksOf(board: Board, { tree }: Dual) {
  return tree.order.flatMap((i) => {
    const { mode, checks } = tree.options[i]!.find((option) => option.mode === board.modeOf(i))!;
    const first = board.activity(i).firstStretch + (mode.touchIn > 0 ? 1 : 0);
    return checks.map((check, m) => ({ check, at: board.from[first + m]! }));
  });
}

/** How long each step that may pause does in the plan. */
function pausesOf(board: Board, { tree }: Dual) {
  return tree.order.map((i) => {
    const { number, mode } = tree.options[i]!.find((option) => option.mode === board.modeOf(i))!;
    return { number, pause: board.end[i]! - board.start[i]! - mode.duration };
  });
}

/** What the part has closed of the plan, in words. */
function closedOf(board: Board, dual: Dual, part: Part): string[] {
  const closed = placesOf(board, dual)
    .filter((place) => part.domain[place] === 0)
    .map((place) => `place ${place}`);
  const first = firstBusy(board);
  if (first < part.firstLow || first > part.firstHigh) closed.push('the first minute of the day');
  const { orders } = part;
  for (let x = 0; x < orders.length; x += 3)
    if (board.start[orders[x + 1]!]! < board.start[orders[x]!]! + orders[x + 2]!)
      closed.push('an order of two');
  for (const { check, at } of looksOf(board, dual))
    if (at < part.checkLow[check.number]! || at > part.checkHigh[check.number]!)
      closed.push('a look at a pot');
  for (const { number, pause } of pausesOf(board, dual))
    if (pause < part.pauseLow[number]! || pause > part.pauseHigh[number]!) closed.push('a pause');
  part.awayLow.forEach((low, c) => {
    const away = awayFrom(board, c);
    if (away < low || away > part.awayHigh[c]!) closed.push(`${away} minutes away from course ${c}`);
  });
  return closed;
}

/** True where no minute is spoken for by more cooks than are at work in it. */
function isSpokenForRightly(board: Board, { forced }: Pick<Known, 'forced'>): boolean {
  const { model } = board;
  return forced.every((cooks, m) => {
    let busy = 0;
    for (let k = 0; k < model.cookCount; k++) if (board.owner[k * model.slots + m] !== 0) busy += 1;
    return cooks <= busy;
  });
}

/** Minutes with work in which no work was said to lie, and tables that were left less often than they must be. */
function workDenied(board: Board, { able, trips }: Evening): string[] {
  const { model } = board;
  const denied: string[] = [];
  for (let m = 0; m < model.slots; m++) {
    const isBusy = model.calendars.some((_, k) => board.owner[k * model.slots + m] !== 0);
    if (isBusy && able[m] === 0) denied.push(`work in minute ${m - model.zero}`);
  }
  const width = trips.length / model.courses.length;
  if (model.cookCount > 1) return denied;
  model.courses.forEach(({ eating }, c) => {
    const made = tripsIn(board, board.serve[c]!, board.serve[c]! + eating);
    const fewest = trips[c * width + awayFrom(board, c)]!;
    if (made < fewest) denied.push(`${made} trips from course ${c}, not ${fewest}`);
  });
  return denied;
}

test.each(GENERATORS)(
  '%s: however much of a plan is decided, narrowing leaves the plan open, and no prices make it cost more than it does',
  (_name, generate) => {
    const random = new Random(5);
    let met = 0;
    let closed = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const one = planned(seed, seed % 4 === 0 ? 'medium' : 'small', generate);
      if (!one) continue;
      const { board, dual, cost, part, evening } = one;
      met += 1;
      const whole = part.domain.reduce((sum, open) => sum + open, 0);
      for (let round = 0; round < 4; round++) {
        const now = evening();
        expect([seed, now && closedOf(board, dual, part)]).toEqual([seed, []]);
        expect(isSpokenForRightly(board, now!)).toBe(true);
        expect([seed, workDenied(board, now!)]).toEqual([seed, []]);
        dual.demand.price.forEach((_, m, price) => (price[m] = random.next() < 0.3 ? 2 * random.next() : 0));
        expect(dual.bound(part.domain, now!)).toBeLessThanOrEqual(cost + 1e-6);
        // Decide on some steps, and on how long cooks are away, as the plan has it.
        for (const options of dual.tree.options) {
          if (random.next() < 0.5) continue;
          const places = new Set(placesOf(board, dual));
          for (const { at, count } of options)
            for (let place = at; place < at + count; place++) if (!places.has(place)) part.domain[place] = 0;
        }
        part.awayHigh.forEach((_, c) => {
          if (random.next() < 0.5) part.awayHigh[c] = awayFrom(board, c);
        });
        for (const { check, at } of looksOf(board, dual)) {
          if (random.next() < 0.5) continue;
          part.checkLow[check.number] = Math.max(part.checkLow[check.number]!, at - random.below(3));
          part.checkHigh[check.number] = Math.min(part.checkHigh[check.number]!, at + random.below(3));
        }
        for (const { number, pause } of pausesOf(board, dual)) {
          if (random.next() < 0.5) part.pauseHigh[number] = pause;
          if (random.next() < 0.3) part.pauseLow[number] = pause;
        }
      }
      closed += whole - part.domain.reduce((sum, open) => sum + open, 0);
    }
    expect(met).toBeGreaterThan(25);
    expect(closed).toBeGreaterThan(1000);
  },
);

test('what costs as much as the limit is ruled out, and no start of a plan that costs less', () => {
  let ruledOut = 0;
  for (let seed = 1; seed <= 30; seed++) {
    const one = planned(seed, 'small', seed % 2 === 0 ? generateDinner : generateSpicyDinner);
    if (!one) continue;
    const { board, dual, cost, part, evening } = one;
    dual.ascend(
      part.domain,
      evening()!,
      () => cost,
      60,
      1,
      () => false,
      () => evening(),
    );
    const now = evening()!;
    const before = part.domain.reduce((sum, open) => sum + open, 0);
    dual.ruleOut(part.domain, now, cost + 1e-6);
    expect([seed, closedOf(board, dual, { ...part, ...now })]).toEqual([seed, []]);
    ruledOut += before - part.domain.reduce((sum, open) => sum + open, 0);
  }
  expect(ruledOut).toBeGreaterThan(1000);
});

test('nothing is left where two steps must have the one cook in the same minutes', () => {
  const model = compileModel(read(dinnerFile([step('stir', 30), step('chop', 30)])));
  const dual = new Dual(makeTree(model, new Search(model, 1).board.config));
  const { part, evening } = wholePart(dual);
  expect(evening()).not.toBeNull();
  for (const [option] of dual.tree.options.filter((options) => options.length > 0)) {
    const { at: place, count, low } = option!;
    part.domain.fill(0, place, place + count);
    part.domain[place + model.zero - 60 - low] = 1;
  }
  expect(evening()).toBeNull();
});

test('a part is parted into smaller ones, and every plan of it is in one of them', () => {
  let parted = 0;
  let deepest = 0;
  for (let seed = 1; seed <= 24; seed++) {
    const size = seed % 8 === 0 ? 'large' : seed % 4 === 0 ? 'medium' : 'small';
    const one = planned(seed, size, seed % 2 === 0 ? generateDinner : generateSpicyDinner);
    if (!one) continue;
    const { board, dual, cost, part, evening, narrowing } = one;
    [dual.kernel] = RelaxationKernel.for([dual.relaxation])!;
    const children: Node[] = [];
    const brancher = new Brancher(board.model, (node) => children.push(node));
    let node: Node = { ...part, tree: 0, prices: null, bound: 0, depth: 0 };
    for (let depth = 0; depth < 20; depth++) {
      Object.assign(part, node);
      const now = evening();
      expect([seed, depth, now && closedOf(board, dual, part)]).toEqual([seed, depth, []]);
      dual.ascend(
        part.domain,
        now!,
        () => 1.2 * cost,
        20,
        1,
        () => false,
        () => now,
      );
      dual.bound(part.domain, now!);
      dual.countUse();
      const here: Node = { ...node, ...part };
      children.length = 0;
      const isParted =
        brancher.partEvening(here, dual, narrowing, cost) ||
        brancher.partSteps(here, dual, narrowing, busiest(here, dual, narrowing));
      if (!isParted) break;
      parted += 1;
      deepest = Math.max(deepest, depth);
      const between = (low: Int32Array, high: Int32Array) =>
        high.reduce((sum, most, x) => sum + most - low[x]!, 0);
      const sizeOf = (of: Part) =>
        of.domain.reduce((sum, open) => sum + open, 0) +
        (of.firstHigh - of.firstLow) +
        between(of.awayLow, of.awayHigh) +
        between(of.checkLow, of.checkHigh) +
        between(of.pauseLow, of.pauseHigh) -
        (of.orders === here.orders ? 0 : 1);
      for (const child of children) expect(sizeOf(child)).toBeLessThan(sizeOf(here));
      const mine = children.filter((child) => closedOf(board, dual, child).length === 0);
      expect([seed, depth, mine.length]).not.toEqual([seed, depth, 0]);
      node = mine[0]!;
    }
  }
  expect(parted).toBeGreaterThan(100);
  expect(deepest).toBeGreaterThan(10);
});
