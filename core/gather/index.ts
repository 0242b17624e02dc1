export { laidOut, type LaidOut } from './laid-out';
export { leadDays, type Lead, type LeadDay } from './leads';
export { listAsCsv, listAsMarkdown, listAsText, markdownText, totalOf, type Priced } from './lists';
export { reckon, type Reckoned, type ReckonedStep } from './reckon';
export { byShelf, isStaple, shelfOf } from './shelves';
export { itemKey, shoppingList, type ShoppingLine, type ShoppingShelf, type Wanted } from './shopping';
export {
  isTableLaid,
  PIECES,
  tablePlace,
  withTableLaid,
  type CoursePlace,
  type Piece,
  type TablePlace,
} from './table';
export { longAtRoom, type Standing } from './standing';
export { listedAndTold } from './told';
export { toolNeeds, type ToolNeed, type ToolUse } from './tools';
