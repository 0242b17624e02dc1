import type { DinnerFile } from '../../core/dinner';
import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { Prover } from '../../core/proof';
import { read } from './dinner';

/** A search that has taken so many rounds, and the ways in which the dinner can be made. */
export function searched(file: DinnerFile, rounds: number) {
  const model = compileModel(read(file));
  const search = new Search(model, 1);
  const budget = { rounds, isOver: () => false };
  expect(search.construct(budget)).toBe(true);
  search.improve(budget);
  const configs = search.configurations!.filter(({ possible }) => possible);
  return { model, search, configs };
}

/** True where it is proven, within so much work, that no plan is better than the best of a search, or than one that the proof finds. */
export function isProven({ model, search, configs }: ReturnType<typeof searched>, work: number): boolean {
  const settle: ConstructorParameters<typeof Prover>[2]['settle'] = (answer) =>
    search.settle(answer, () => undefined);
  return new Prover(model, configs, { target: search.best.cost, work, settle }).run(() => false).isComplete;
}
