import { dayjs } from 'element-plus';
import { defineStore } from 'pinia';
import * as z from 'zod';
import { storage } from '../storage/database';

const SETTING = 'preferences';

const preferencesSchema = z.object({
  system: z.enum(['metric', 'us']).catch('metric'),
  heat: z.enum(['C', 'F', 'gas']).catch('C'),
  /** 0 is Sunday. */
  weekStart: z.union([z.literal(0), z.literal(1), z.literal(6)]).catch(1),
  sounds: z.boolean().catch(true),
});
export type Preferences = z.output<typeof preferencesSchema>;

/** How this cook likes things said, shown and heard. */
export const usePreferences = defineStore('preferences', () => {
  const all = ref<Preferences>(preferencesSchema.parse({}));
  // Calendars that open from a field begin their weeks as the cook's own does.
  watch(
    () => all.value.weekStart,
    (day) => (dayjs.Ls['en']!.weekStart = day),
    { immediate: true },
  );

  async function restore(): Promise<void> {
    all.value = preferencesSchema.parse((await storage.loadSetting(SETTING)) ?? {});
  }

  async function set(change: Partial<Preferences>): Promise<void> {
    all.value = { ...all.value, ...change };
    await storage.saveSetting(SETTING, { ...all.value });
  }

  return {
    system: computed(() => all.value.system),
    heat: computed(() => all.value.heat),
    weekStart: computed(() => all.value.weekStart),
    sounds: computed(() => all.value.sounds),
    restore,
    set,
  };
});
