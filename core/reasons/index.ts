export {
  dishByDish,
  figuresOf,
  handsOfDish,
  handsSpans,
  impossiblePins,
  inEachStyle,
  withoutEachDish,
  withoutEachPin,
  type Comparison,
  type EveningFigures,
  type HandsSpan,
  type PlanOf,
} from './compare';
export type { Obstacle } from './obstacles';
export { roomOf, type Room, type RoomOptions } from './room';
export { whyHere, type Push, type Why } from './why';
export { wordsFor, type Words } from './words';
export { ovenPairs, ovenWishes, type OvenPair, type OvenWish } from './oven';
export { verdictOf, type BeginBy, type Verdict } from './verdict';
