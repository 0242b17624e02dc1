export { applyChanges, pathParts } from './change';
export { findConflict, type Feasible } from './conflict';
export { candidateChanges, findRemedies, leavingOut, type CostOf } from './remedies';
