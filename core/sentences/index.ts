export { suggestCautions, type Suggested } from './cautions';
export { durationsIn, numberOf, type ToldDuration } from './durations';
export { understand, type Mark, type Understood } from './understand';
