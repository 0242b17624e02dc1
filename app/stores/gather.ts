import { defineStore } from 'pinia';
import { z } from 'zod';
import { gatherSetting, storage } from '../storage/database';
import { useDinner } from './dinner';

const flags = z.record(z.string(), z.boolean()).catch({});
const gatheredSchema = z.object({
  /** Bought, by the key of the line. */
  ticked: flags,
  /** At home already. */
  atHome: flags,
  prices: z.record(z.string(), z.number().min(0)).catch({}),
  withStaples: z.boolean().catch(false),
  /** Things done ahead and bowls laid out, by their names. */
  done: flags,
});
export type Gathered = z.output<typeof gatheredSchema>;

/** What has been bought, found at home and laid out for each dinner. */
export const useGather = defineStore('gather', () => {
  const dinner = useDinner();
  const gathered = ref<Gathered>(gatheredSchema.parse({}));
  const name = () => gatherSetting(dinner.id);

  async function restore(): Promise<void> {
    const mine = name();
    const kept = gatheredSchema.parse((await storage.loadSetting(mine)) ?? {});
    if (mine === name()) gathered.value = kept;
  }
  watch(() => dinner.id, restore, { immediate: true });

  async function set(change: Partial<Gathered>): Promise<void> {
    gathered.value = { ...gathered.value, ...change };
    await storage.saveSetting(name(), JSON.parse(JSON.stringify(gathered.value)));
  }

  /** Sets or takes away one flag. */
  function flag(of: 'ticked' | 'atHome' | 'done', key: string, on: boolean): Promise<void> {
    const { [key]: _old, ...others } = gathered.value[of];
    return set({ [of]: on ? { ...others, [key]: true } : others });
  }

  return { gathered, restore, set, flag };
});
