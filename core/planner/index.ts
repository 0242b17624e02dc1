export { betterPlan, planDinner, planInSlices, roundsFor, type PlanOptions } from './plan';
export { runsSideBySide } from './side-by-side';
export { nudgedPlan, replanDinner, replanInSlices } from './replan';
export { Board } from './board';
export { changeGap, heldUntilFor, sharesHeat, washGap } from './blocking';
export { rawTerms } from './cost';
export { stagePlan, type Stage } from './recall';
export { Search } from './search';
export { Random } from './random';
