import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import type { Option } from '../../core/proof/options';
import { Dual } from '../../core/proof/dual';
import { makeTree } from '../../core/proof/tree';
import { dinnerFile, read } from './dinner';
import { wholePart } from './whole-part';

/**
 * A small dinner of some steps as one part of a proof. Minutes count from sitting down; steps are numbered as they stand in
 * the file, each with one way to be made.
 */
export function partOfSteps(
  steps: Parameters<typeof dinnerFile>[0],
  more: Parameters<typeof dinnerFile>[1] = {},
) {
  const model = compileModel(read(dinnerFile(steps, more)));
  const dual = new Dual(makeTree(model, new Search(model, 1).board.config));
  const whole = wholePart(dual);
  const options = dual.tree.options.flat();
  const { part } = whole;
  const startsOf = ({ count, low }: Option) => Array.from({ length: count }, (_, k) => low + k - model.zero);
  /** Leaves a step only the starts in minutes [from, to]. */
  const leave = (n: number, from: number, to: number) => {
    const option = options[n]!;
    startsOf(option).forEach((s, k) => {
      if (s < from || s > to) part.domain[option.at + k] = 0;
    });
  };
  /** First and last start of a step that is open in a part. */
  const span = (n: number, { domain } = part) => {
    const option = options[n]!;
    const open = startsOf(option).filter((_, k) => domain[option.at + k] !== 0);
    return [open[0], open.at(-1)];
  };
  /** Narrows the part and finds its relaxed answer at no prices. */
  const relax = () => {
    const evening = whole.evening()!;
    dual.bound(part.domain, evening);
    dual.countUse();
  };
  return { ...whole, model, dual, tree: dual.tree, options, leave, span, relax };
}
