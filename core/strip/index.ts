export {
  assignLanes,
  makeScale,
  minuteAt,
  spreadLabels,
  yOf,
  type Scale,
  type Segment,
  type Span,
} from './scale';
export { waitingOf, type Waiting } from './waiting';
