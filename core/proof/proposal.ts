import type { Configuration } from '../model';
import type { Dual } from './dual';
import type { Option } from './options';

/** The answer of a part with nothing left open, or that breaks nothing: to be laid out and costed by the planner. */
export interface Answer {
  readonly config: Configuration;
  readonly options: readonly (Option | null)[];
  readonly start: Int32Array;
  readonly serve: Int32Array;
  /** True where no other starts, ways or serving times are open. */
  readonly isDecided: boolean;
}

/** The plan that an answer makes. */
export interface Settled {
  /** Infinity where it makes none. */
  readonly cost: number;
  /** True where no plan with these very starts costs less. */
  readonly isLeast: boolean;
}

/** After `countUse`: a copy of the relaxed answer. */
export function answerOf({ tree, demand }: Dual, isDecided: boolean): Answer {
  return {
    config: tree.config,
    options: tree.options.map((options, i) => options[demand.chosen[i]!] ?? null),
    start: demand.start.slice(),
    serve: demand.serve.slice(),
    isDecided,
  };
}
