export { applyChanges, pathParts } from './change';
export { findConflict, type Feasible } from './conflict';
export { findRemedies, type CostOf } from './remedies';
