import { defineStore } from 'pinia';
import * as z from 'zod';
import { storage } from '../storage/database';

/** Pixels for a minute, from far away to near. */
export const ZOOMS = [1.2, 2, 3, 4.5, 7, 11] as const;
const SETTING = 'strip';

const lookSchema = z.object({
  look: z.enum(['strip', 'whole', 'list']).catch('strip'),
  zoom: z
    .int()
    .min(0)
    .max(ZOOMS.length - 1)
    .catch(2),
  hasLoad: z.boolean().catch(true),
  /** The cook whose lines the list shows; empty: everyone's. */
  whose: z.string().catch(''),
});
export type StripLook = z.output<typeof lookSchema>;

/** How the evening is looked at, and which part of it is in view. */
export const useStripLook = defineStore('strip', () => {
  const all = ref<StripLook>(lookSchema.parse({}));
  /** Plan minutes that are in view, where the strip is. */
  const inView = shallowRef<{ from: number; to: number } | null>(null);
  /** A plan minute that should come into view, with a count so that the same can be asked for again. */
  const asked = shallowRef<{ minute: number; count: number } | null>(null);

  async function restore(): Promise<void> {
    all.value = lookSchema.parse((await storage.loadSetting(SETTING)) ?? {});
  }
  async function set(change: Partial<StripLook>): Promise<void> {
    all.value = { ...all.value, ...change };
    await storage.saveSetting(SETTING, { ...all.value });
  }
  /** One step nearer (1) or farther (-1); in the whole view that leads back to the strip. */
  function zoomBy(by: 1 | -1): void {
    const zoom = Math.min(ZOOMS.length - 1, Math.max(0, all.value.zoom + by));
    void set({ zoom, look: 'strip' });
  }
  const ask = (minute: number) => (asked.value = { minute, count: (asked.value?.count ?? 0) + 1 });

  return {
    look: computed(() => all.value.look),
    zoom: computed(() => all.value.zoom),
    perMinute: computed(() => ZOOMS[all.value.zoom]!),
    hasLoad: computed(() => all.value.hasLoad),
    whose: computed(() => all.value.whose),
    inView,
    asked,
    restore,
    set,
    zoomBy,
    ask,
  };
});
