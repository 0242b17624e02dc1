import { otherSettingText, settingText } from '../../core/amounts';
import { usePreferences } from '../stores/preferences';
import { useDinner } from '../stores/dinner';

/** Oven temperatures as the kitchen of the open dinner has them. */
export function useHeat() {
  const preferences = usePreferences();
  const dinner = useDinner();
  /** What the temperatures of dishes are for: an oven with a fan, if the kitchen has one. */
  const hasFan = computed(() => dinner.dinner?.kitchen.ovens.some((oven) => oven.fan) ?? false);
  const text = (celsius: number) => settingText(celsius, preferences.heat, hasFan.value);
  /** The setting, and that of the other kind of oven. */
  const both = (celsius: number) =>
    `${text(celsius)}${otherSettingText(celsius, preferences.heat, hasFan.value)}`;
  /** The temperature in the middle of something: a thermometer knows no gas marks. */
  const probe = (celsius: number) =>
    settingText(celsius, preferences.heat === 'F' ? 'F' : 'C', hasFan.value, 1);
  return { hasFan, text, both, probe };
}
