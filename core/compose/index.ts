export { freeId, idFrom } from '../dinner';
export { withCard } from './add';
export { newDinner, usualFree, type Beginning } from './begin';
export {
  cardOf,
  cardSchema,
  dinnerOfCard,
  PLACES,
  PLAIN_KITCHEN,
  readCard,
  type Card,
  type CardFile,
  type Place,
} from './card';
export { chainOf, type Block, type Chain } from './chain';
export { moved, withCourse, withCourseMoved, withDishMoved, withoutCourse } from './courses';
export { laidAhead, laterByDays } from './days';
export { componentsOf, namedStep, withoutDish } from './remove';
export { withDishes, withoutStep } from './edit';
export { backupText, effectOf, readBackup, type Backup, type BackupEffect, type ReadBackup } from './backup';
export { factsOf, type DishFacts } from './facts';
export { withFields } from './fields';
