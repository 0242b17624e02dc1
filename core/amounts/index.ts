export { gramsOf, type Weighed } from './density';
export {
  celsiusOf,
  celsiusOfGasMark,
  fahrenheitOf,
  gasMarkOf,
  settingText,
  withoutFan,
  type HeatUnit,
} from './heat';
export { neededFor, type Needed } from './ingredient';
export { amountText, sensible } from './round';
export { areaOf, tinFactor, type Tin } from './tin';
export { convert, inSystem, unitOf, type System, type Unit } from './units';
