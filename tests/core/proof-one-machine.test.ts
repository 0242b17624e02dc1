import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { Brancher, busiest, type Node } from '../../core/proof/branch';
import { Dual } from '../../core/proof/dual';
import type { Option } from '../../core/proof/options';
import { makeTree } from '../../core/proof/tree';
import { dinnerFile, read, step } from '../builders/dinner';
import { wholePart } from '../builders/whole-part';

const EVENING = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];

/** A dinner of some steps of hands as one part of a proof, with its options in the order of the steps. */
function partOf(steps: Parameters<typeof dinnerFile>[0], more: Parameters<typeof dinnerFile>[1] = {}) {
  const model = compileModel(read(dinnerFile(steps, more)));
  const dual = new Dual(makeTree(model, new Search(model, 1).board.config));
  const whole = wholePart(dual);
  const options = dual.tree.options.flat();
  const { part } = whole;
  const at = (option: Option, s: number) => option.at + model.zero + s - option.low;
  /** Leaves an option only the starts in minutes [from, to] after sitting down. */
  const leave = (n: number, from: number, to: number) => {
    const option = options[n]!;
    for (let k = 0; k < option.count; k++) {
      const s = option.low + k - model.zero;
      if (s < from || s > to) part.domain[option.at + k] = 0;
    }
  };
  const openStarts = (n: number) => {
    const option = options[n]!;
    return Array.from({ length: option.count }, (_, k) => option.low + k - model.zero).filter(
      (s) => part.domain[at(option, s)] !== 0,
    );
  };
  return { ...whole, model, dual, options, leave, openStarts };
}

test('where one of two steps cannot come first it comes second, though no minute is spoken for yet', () => {
  const { evening, leave, openStarts, narrower, model } = partOf([step('chop', 30), step('stir', 30)]);
  leave(0, -100, -70);
  leave(1, -95, -60);
  expect(evening()).not.toBeNull();
  expect([openStarts(0)[0], openStarts(0).at(-1)]).toEqual([-100, -90]);
  expect([openStarts(1)[0], openStarts(1).at(-1)]).toEqual([-70, -60]);
  expect(narrower.forced.subarray(0, model.zero - 90).some((cooks) => cooks > 0)).toBe(false);
});

test('what two must do before a third begins moves it by the work of both', () => {
  const { evening, leave, openStarts } = partOf([step('chop', 20), step('peel', 20), step('stir', 30)]);
  leave(0, -120, -85);
  leave(1, -120, -85);
  leave(2, -110, -40);
  expect(evening()).not.toBeNull();
  // Neither 20 minutes fit after the 30 that begin at -110 at the earliest, so both come first: 40 minutes from -120 on.
  expect(openStarts(2)[0]).toBe(-80);
});

test('three half hours do not go into eighty minutes, and just go into ninety', () => {
  const steps = [step('chop', 30), step('stir', 30), step('knead', 30)];
  const tight = partOf(steps);
  const wide = partOf(steps);
  for (let n = 0; n < 3; n++) {
    tight.leave(n, -100, -50);
    wide.leave(n, -110, -50);
  }
  expect(tight.evening()).toBeNull();
  expect(wide.evening()).not.toBeNull();
});

test('work that may pause counts with all of its minutes, up to when it can end', () => {
  const steps = [step('chop', 30), step('stir', 30), step('knead', 30, { pausable: true })];
  const resting = partOf(steps);
  const rigid = partOf(steps);
  for (const dinner of [resting, rigid]) for (let n = 0; n < 3; n++) dinner.leave(n, -100, -50);
  rigid.part.pauseHigh[rigid.options[2]!.number] = 0;
  expect(rigid.evening()).toBeNull();
  expect(resting.evening()).not.toBeNull();
});

test('the minutes before the day may begin are no minutes for its work', () => {
  const dinner = partOf([step('chop', 30), step('stir', 30), step('knead', 30)]);
  for (let n = 0; n < 3; n++) dinner.leave(n, -140, -50);
  dinner.part.firstLow = dinner.model.zero - 100;
  expect(dinner.evening()).toBeNull();
});

test('two cooks may be at work at once, so no part says which of two works comes first', () => {
  const cooks = ['ada', 'ben'].map((id) => ({ id, name: id, free: EVENING }));
  const steps = ['chop', 'stir', 'knead'].map((id) => step(id, 30));
  const { evening, part, dual, narrower, model, leave } = partOf(steps, { cooks });
  for (let n = 0; n < 3; n++) leave(n, -120, -40);
  const now = evening()!;
  dual.bound(part.domain, now);
  dual.countUse();
  expect(dual.worstMinute()).toHaveLength(3);
  const children: Node[] = [];
  const brancher = new Brancher(model, (node) => children.push(node));
  const node: Node = { ...part, tree: 0, prices: null, bound: 0, depth: 0 };
  expect(brancher.partSteps(node, dual, narrower, busiest(node, dual, narrower))).toBe(true);
  expect(children.length).toBeGreaterThan(1);
  expect(children.map(({ orders }) => orders)).toEqual(children.map(() => null));
});
