import { defineStore } from 'pinia';
import type { HeatUnit, System } from '../../core/amounts';
import { storage } from '../storage/database';

interface Preferences {
  readonly system: System;
  readonly heat: HeatUnit;
}

const SETTING = 'preferences';

/** How this cook likes amounts and temperatures said. */
export const usePreferences = defineStore('preferences', () => {
  const system = ref<System>('metric');
  const heat = ref<HeatUnit>('C');

  async function restore(): Promise<void> {
    const kept = await storage.loadSetting<Partial<Preferences>>(SETTING);
    system.value = kept?.system === 'us' ? 'us' : 'metric';
    heat.value = kept?.heat === 'F' || kept?.heat === 'gas' ? kept.heat : 'C';
  }

  async function set(change: Partial<Preferences>): Promise<void> {
    if (change.system) system.value = change.system;
    if (change.heat) heat.value = change.heat;
    await storage.saveSetting(SETTING, { system: system.value, heat: heat.value });
  }

  return { system, heat, restore, set };
});
