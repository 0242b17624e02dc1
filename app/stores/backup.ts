import { defineStore } from 'pinia';
import { backupText, effectOf, readBackup, type Backup, type BackupEffect } from '../../core/compose';
import { describeProblem, type DinnerFile } from '../../core/dinner';
import { storage } from '../storage/database';
import { useCards } from './cards';
import { useDinner } from './dinner';
import { useGather } from './gather';
import { usePreferences } from './preferences';
import { useShelf } from './shelf';

export interface Preview {
  readonly backup: Backup;
  readonly dinners: BackupEffect;
  readonly cards: BackupEffect;
}

const named = (file: unknown, fallback: string) => {
  const { title } = (file ?? {}) as { title?: unknown };
  return typeof title === 'string' ? title : fallback;
};

/** Everything as one file, out and in. */
export const useBackup = defineStore('backup', () => {
  const open = useDinner();
  const shelf = useShelf();
  const cards = useCards();
  const gather = useGather();
  const preferences = usePreferences();

  /** The text of a file with all that is kept, and how many dinners are left out because they cannot be read. */
  async function makeText(): Promise<string> {
    const [dinners, kept] = await Promise.all([storage.listDinners(), storage.listCards()]);
    return backupText({
      made: Date.now(),
      dinners: dinners.map(({ id, file, changed, isArchived }) => ({
        id,
        file: file as DinnerFile,
        changed,
        isArchived,
      })),
      cards: kept,
      settings: await storage.loadKept(),
    });
  }

  /** Reads a backup and says what taking it in would do; the mistakes in it where there are any. */
  async function preview(text: string, isReplacing: boolean): Promise<Preview | string[]> {
    const result = readBackup(text);
    if (!result.ok) return result.problems.map(describeProblem);
    const { backup } = result;
    const [dinners, kept] = await Promise.all([storage.listDinners(), storage.listCards()]);
    return {
      backup,
      dinners: effectOf(
        dinners.map((d) => ({ id: d.id, name: named(d.file, d.id), value: d.file })),
        backup.dinners.map((d) => ({ id: d.id, name: d.file.title, value: d.file })),
        isReplacing,
      ),
      cards: effectOf(
        kept.map((c) => ({ id: c.id, name: c.card.dish.name, value: c.card })),
        backup.cards.map((c) => ({ id: c.id, name: c.card.dish.name, value: c.card })),
        isReplacing,
      ),
    };
  }

  /** Takes a backup in, whole or not at all. */
  async function takeIn(backup: Backup, isReplacing: boolean): Promise<void> {
    open.leave();
    await storage.takeIn(backup, isReplacing);
    await Promise.all([cards.restore(), preferences.restore()]);
    await open.restore();
    await gather.restore();
    await shelf.refresh();
  }

  return { makeText, preview, takeIn };
});
