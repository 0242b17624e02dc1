export {
  isWithin,
  layOutStrip,
  type Bar,
  type HandsColumn,
  type HandsLabel,
  type Lanes,
  type OvenLanes,
  type StripLayout,
  type StripMeasure,
} from './evening';
export { COLD, heatEdges, type HeatPoint } from './heat';
export { loadByQuarter, QUARTER, type QuarterLoad } from './load';
export { cutPanes, type Pane } from './panes';
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
export { assignShelves, type ShelfNeed } from './shelves';
export { waitingOf, type Waiting } from './waiting';
export { wrapWords } from './wrap';
