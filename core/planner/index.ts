export { planDinner, type PlanOptions } from './plan';
