import type { Dinner } from '../dinner';
import { TERM_NAMES, type Plan, type Terms } from '../plan';
import { costTerms } from './cost';
import { gatherFacts } from './facts';
import { ovens, ringsAndTools } from './resources';
import { handsAndChecks, orderAndService, withinTablePins, type Breach } from './rules';

export type { Breach } from './rules';

/** What the audit found: broken rules, and the cost as the contract reckons it. */
export interface Audit {
  readonly breaches: readonly Breach[];
  readonly terms: Terms;
}

const CENT = 0.0051;

/**
 * Checks a feasible plan against its dinner, rule by rule, from the contract's text alone; it
 * shares nothing with the planner. An empty list of breaches means that every rule holds and that
 * the stated terms are right to two decimals and the stated cost is their sum.
 */
export function auditPlan(dinner: Dinner, plan: Plan): Audit {
  const breaches: Breach[] = [];
  const breach = (rule: string, broken: boolean, text: () => string) => {
    if (broken) breaches.push({ rule, text: text() });
  };
  const facts = gatherFacts(dinner, plan);
  for (const name of facts.missing) breach('steps', true, () => `${name} is not planned`);
  for (const row of plan.steps) {
    breach('steps', !facts.byName.has(row.step), () => `${row.step} does not take part`);
  }
  orderAndService(facts, breach);
  handsAndChecks(facts, breach);
  withinTablePins(facts, breach);
  ovens(facts, breach);
  ringsAndTools(facts, breach);
  const terms = costTerms(facts);
  let total = 0;
  for (const name of TERM_NAMES) {
    const stated = plan.terms?.[name] ?? NaN;
    total += stated;
    breach(
      'cost',
      !(Math.abs(stated - terms[name]) <= CENT),
      () => `${name} is stated ${stated}, is ${terms[name]}`,
    );
  }
  breach(
    'cost',
    !(Math.abs((plan.cost ?? NaN) - total) < CENT),
    () => `cost is stated ${plan.cost}, its terms add up to ${total}`,
  );
  return { breaches, terms };
}
