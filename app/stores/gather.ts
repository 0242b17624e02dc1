import { defineStore } from 'pinia';
import * as z from 'zod';
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

  /** What is stored is read before anything is changed: a touch in that moment would be lost, or lose the rest. */
  let read: Promise<void> = Promise.resolve();

  async function readStored(): Promise<void> {
    const mine = name();
    const kept = gatheredSchema.parse((await storage.loadSetting(mine)) ?? {});
    if (mine === name()) gathered.value = kept;
  }
  const restore = () => (read = readStored());
  watch(() => dinner.id, restore, { immediate: true });

  async function set(change: Partial<Gathered> | (() => Partial<Gathered>)): Promise<void> {
    await read;
    gathered.value = { ...gathered.value, ...(typeof change === 'function' ? change() : change) };
    await storage.saveSetting(name(), JSON.parse(JSON.stringify(gathered.value)));
  }

  /** Sets or takes away one flag. */
  function flag(of: 'ticked' | 'atHome' | 'done', key: string, on: boolean): Promise<void> {
    return set(() => {
      const { [key]: _old, ...others } = gathered.value[of];
      return { [of]: on ? { ...others, [key]: true } : others };
    });
  }

  return { gathered, restore, set, flag };
});
