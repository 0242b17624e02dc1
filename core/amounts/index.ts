export { gramsOf, type Weighed } from './density';
export {
  celsiusFromSetting,
  celsiusOf,
  celsiusOfGasMark,
  fahrenheitOf,
  gasMarkOf,
  otherSettingText,
  settingOf,
  settingText,
  withFan,
  withoutFan,
  type HeatUnit,
} from './heat';
export { neededFor, type Needed } from './ingredient';
export { amountText, sensible } from './round';
export { areaOf, tinFactor, tinIn, type Tin } from './tin';
export { convert, inSystem, unitOf, type System, type Unit } from './units';
export { inNumber, singular, wordsOf } from './words';
