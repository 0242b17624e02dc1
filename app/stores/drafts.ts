import { defineStore } from 'pinia';
import { storage } from '../storage/database';

const SETTING = 'drafts';

/** What is in the making and not right yet: kept by name, so that nothing that was typed is lost. */
export const useDrafts = defineStore('drafts', () => {
  const kept = shallowRef<Readonly<Record<string, unknown>>>({});

  async function restore(): Promise<void> {
    kept.value = (await storage.loadSetting<Record<string, unknown>>(SETTING)) ?? {};
  }

  const of = (name: string): unknown => kept.value[name];

  /** Keeps a draft; null lets it go. */
  async function set(name: string, draft: unknown): Promise<void> {
    if (draft === null && !Object.hasOwn(kept.value, name)) return;
    const { [name]: _old, ...others } = kept.value;
    kept.value = draft === null ? others : { ...others, [name]: draft };
    await storage.saveSetting(SETTING, kept.value);
  }

  return { restore, of, set };
});
