export { readPlan } from './schema';
export {
  TERM_NAMES,
  type Change,
  type Conflict,
  type CookSpan,
  type HandsSpan,
  type Notice,
  type OvenSetting,
  type Plan,
  type PlanCourse,
  type PlanStep,
  type Remedy,
  type TermName,
  type Terms,
} from './types';
export { DAY_WINDOW, HELD_POINTS } from './measures';
export { WEIGHTS } from './weights';
export { planSeenFrom } from './seen-from';
