export { applyChanges, pathParts } from './change';
export { findConflict, type Feasible } from './conflict';
export { withoutDish } from './demands';
export { findRemedies, type CostOf } from './remedies';
