export { AVOIDABLE, clashesOf, companyOf, hintsIn, markedOn, type Clash, type Guest } from './allergens';
