export { applyChanges, pathParts } from './change';
export { findConflict, type Feasible } from './conflict';
export { candidateChanges, findRemedies, type CostOf } from './remedies';
