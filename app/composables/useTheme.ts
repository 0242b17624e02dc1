import { useColorMode } from '@vueuse/core';

export type Theme = 'auto' | 'light' | 'dark';

/** Daylight or candle: chosen, or as the device has it. */
export function useTheme() {
  const mode = useColorMode({ storageKey: 'zeitlauf-theme', modes: { light: '', dark: 'dark' } });
  const isDark = computed(() => mode.state.value === 'dark');
  const toggleDark = () => (mode.store.value = isDark.value ? 'light' : 'dark');
  return { chosen: mode.store, isDark, toggleDark };
}
