export { alongWithCourse, bendsOf, courseAt, PAUSE_BEFORE, pinAt, type Bend } from './bends';
export { costByPausesOf, differencesOf, type Difference } from './beside';
export {
  awayDuring,
  dishByDish,
  figuresOf,
  handsOfDish,
  handsSpans,
  impossiblePins,
  inEachStyle,
  STYLES,
  withoutEachDish,
  withoutEachPin,
  type Comparison,
  type EveningFigures,
  type HandsSpan,
  type PlanOf,
} from './compare';
export type { Obstacle } from './obstacles';
export { roomOf, type Room, type RoomOptions } from './room';
export { chainFrom, firstOfDay, type ChainLink } from './start';
export { badnessOf, weakSpots, type WeakSpot } from './weak';
export { offersFor, shortOf, variantsFor, type Offer, type Wish } from './what-if';
export { whyHere, type Push, type Why } from './why';
export { wordsFor, type Words } from './words';
export { ovenPairs, ovenWishes, type OvenPair, type OvenWish } from './oven';
export { verdictOf, type BeginBy, type Verdict } from './verdict';
