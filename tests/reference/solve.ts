import loadHighs from 'highs';
import type { Dinner } from '../../core/dinner';
import { TERM_NAMES, type Terms } from '../../core/plan';
import { mixedIntegerProgram } from './mip';

export interface Solved {
  /** Proven best, best found in time, proven impossible, or nothing found. */
  readonly status: 'optimal' | 'feasible' | 'impossible' | 'none';
  readonly cost: number | null;
  readonly terms: Terms | null;
}

/** Solves a dinner with the HiGHS solver (the `highs` package: HiGHS as WebAssembly). */
export async function solveWithHighs(dinner: Dinner, seconds: number): Promise<Solved> {
  const highs = await loadHighs();
  const { text, charges } = mixedIntegerProgram(dinner);
  const result = highs.solve(text, { time_limit: seconds, mip_rel_gap: 0 });
  if (result.Status === 'Infeasible') return { status: 'impossible', cost: null, terms: null };
  const cost = result.ObjectiveValue;
  if (!Number.isFinite(cost) || cost > 1e20) return { status: 'none', cost: null, terms: null };
  const terms = Object.fromEntries(TERM_NAMES.map((name) => [name, 0])) as Terms;
  for (const { term, factor, name } of charges) {
    terms[term] += factor * (result.Columns[name] as { Primal: number }).Primal;
  }
  return { status: result.Status === 'Optimal' ? 'optimal' : 'feasible', cost, terms };
}
