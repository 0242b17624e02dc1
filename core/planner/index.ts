export { betterPlan, planDinner, secondSeed, type PlanOptions } from './plan';
