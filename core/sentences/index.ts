export { hiddenCautions, suggestCautions, type Suggested } from './cautions';
export { tellsToDo } from './clauses';
export { durationsIn, numberOf, type ToldDuration } from './durations';
export type { Mark } from './fields';
export type { MethodLine } from './groups';
export { readMethod, type ReadStep } from './method';
export type { HeatContext } from './signs';
export { understand, type Understood } from './understand';
