export { applyChanges, pathParts } from './change';
export { findConflict, type Probe } from './conflict';
export { candidateChanges, findRemedies, leavingOut, type CostOf } from './remedies';
