export {
  dishByDish,
  figuresOf,
  impossiblePins,
  inEachStyle,
  withoutEachDish,
  withoutEachPin,
  type Comparison,
  type EveningFigures,
  type PlanOf,
} from './compare';
export type { Obstacle } from './obstacles';
export { roomOf, type Room, type RoomOptions } from './room';
export { whyHere, type Push, type Why } from './why';
export { wordsFor, type Words } from './words';
