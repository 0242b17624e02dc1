export { applyChanges, pathParts } from './change';
export { findConflict, type Probe } from './conflict';
export { candidateChanges, leavingOut } from './candidates';
export { lateCandidates } from './late-candidates';
export { findRemedies, type CostOf } from './remedies';
