export { freeId, idFrom } from './ids';
export {
  changeover,
  checkCount,
  effectiveStep,
  keepName,
  ovenRange,
  platingMinutes,
  type EffectiveStep,
} from './effective';
export { describeProblem, problemsOf, type Problem } from './problem';
export { parseText, readDinner, readDinnerText, type ParsedText, type ReadResult } from './read';
export {
  dinnerJsonSchema,
  dinnerSchema,
  dishSchema,
  type Cook,
  type Course,
  type Dinner,
  type DinnerFile,
  type Dish,
  type Oven,
  type Step,
  type StepWay,
  type Style,
  type Use,
} from './schema';
export {
  afterLinks,
  allUses,
  followersOf,
  hostName,
  inWords,
  participants,
  pathOf,
  placedSteps,
  quoted,
  toolNames,
  wholeName,
  type AfterLink,
  type PlacedStep,
} from './steps';
