export {
  assignLanes,
  makeScale,
  minuteAt,
  placeLabels,
  spreadLabels,
  yOf,
  type LabelNeed,
  type Scale,
  type Segment,
  type Span,
} from './scale';
export { waitingOf, type Waiting } from './waiting';
