import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { allConfigurations } from '../../core/planner/combinations';
import { Dual } from '../../core/proof/dual';
import { RelaxationKernel } from '../../core/proof/kernel/kernel';
import { makeTree } from '../../core/proof/tree';
import { read } from '../builders/dinner';
import {
  generateDecidedDinner,
  generateDinner,
  generateSpicyDinner,
  type Size,
} from '../builders/generate-dinner';
import { wholePart } from '../builders/whole-part';

/** The relaxation of a dinner in the way it was planned, all open, with the cost to beat; null where no plan was found. */
function relaxed(seed: number, size: Size, generate: typeof generateDinner) {
  const model = compileModel(read(generate(seed, size)));
  const search = new Search(model, 1);
  const budget = { rounds: 60, isOver: () => false };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  const { config, cost } = search.best;
  return { tree: makeTree(model, config), target: cost };
}

/** What comes of a climb, a narrowing and a look at the answer: all that a part of a proof asks for. */
function explore(dual: Dual, target: number) {
  const { supply, demand, relaxation, tree } = dual;
  const { part, evening, narrowing } = wholePart(dual);
  const begun = evening();
  if (!begun) return null;
  const refine = () => {
    const now = evening();
    if (!now) return null;
    dual.ruleOut(part.domain, now, target);
    part.firstLow = now.firstLow;
    part.firstHigh = now.firstHigh;
    return evening();
  };
  const climbed = dual.ascend(
    part.domain,
    begun,
    () => 1.2 * target,
    40,
    1,
    () => false,
    refine,
  );
  const last = evening();
  if (!last) return { climbed, work: dual.work };
  const bound = dual.bound(part.domain, last);
  dual.countUse();
  const { known } = narrowing;
  const down = known.serveLow[0]!;
  return {
    climbed,
    bound,
    work: dual.work,
    first: supply.first,
    firsts: [part.firstLow, part.firstHigh],
    span: [known.from, known.to, narrowing.quiet],
    trips: tree.options.flat().map((option) => narrowing.tripsAt(option, option.low, down, down + 20, 3)),
    open: tree.options
      .flat()
      .map(({ first, last, shortest, longest, checks }) => [first, last, shortest, longest, ...checks]),
    arrays: [
      part.domain,
      part.awayLow,
      part.awayHigh,
      part.checkLow,
      part.checkHigh,
      part.pauseLow,
      part.pauseHigh,
      known.serveLow,
      known.serveHigh,
      known.minStart,
      known.maxStart,
      known.forced,
      narrowing.trips,
      narrowing.able,
      demand.price,
      ...demand.resourcePrice,
      demand.queueing.share,
      demand.linkShares.share,
      demand.chosen,
      demand.start,
      demand.pause,
      demand.serve,
      supply.given,
      supply.away,
      relaxation.use,
      ...relaxation.resourceUse,
    ].map((list) => Array.from(list).join()),
    worst: [dual.worstMinute(), dual.worstUse()],
  };
}

// Nothing tells the two builds apart: a kernel that was not compiled anew (npm run kernel) shows here as well.
test.each(['small', 'medium', 'large'] as const)(
  'the compiled relaxation does what it does: %s dinners',
  (size) => {
    let climbed = 0;
    for (let seed = 1; seed <= (size === 'large' ? 2 : 5); seed++) {
      for (const generate of [generateDinner, generateSpicyDinner, generateDecidedDinner]) {
        const one = relaxed(seed, size, generate);
        if (!one) continue;
        const plain = new Dual(one.tree);
        const expected = explore(plain, one.target);
        // The narrower leaves its mark on the tree: a tree of its own for each.
        const other = new Dual(makeTree(one.tree.model, one.tree.config));
        [other.kernel] = RelaxationKernel.for([other.relaxation])!;
        expect(explore(other, one.target)).toEqual(expected);
        if (expected && expected.climbed > 0) climbed += 1;
      }
    }
    expect(climbed).toBeGreaterThan(1);
  },
);

test('several ways to make a dinner share one kernel and do not disturb each other', () => {
  let shared = 0;
  for (let seed = 1; seed <= 12 && shared < 2; seed++) {
    const model = compileModel(read(generateSpicyDinner(seed, 'small')));
    const configs = allConfigurations(new Search(model, 1).board)!.filter((config) => config.possible);
    if (configs.length < 2) continue;
    shared += 1;
    const duals = configs.map((config) => new Dual(makeTree(model, config)));
    const kernels = RelaxationKernel.for(duals.map(({ relaxation }) => relaxation))!;
    duals.forEach((dual, d) => (dual.kernel = kernels[d]!));
    const alone = configs.map((config) => explore(new Dual(makeTree(model, config)), 100));
    expect(duals.map((dual) => explore(dual, 100))).toEqual(alone);
  }
  expect(shared).toBeGreaterThan(0);
});
