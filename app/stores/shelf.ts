import { defineStore } from 'pinia';
import { freeId } from '../../core/compose';
import { storage, type StoredDinner } from '../storage/database';
import { useDinner } from './dinner';

/** A kept dinner as a list shows it. */
export interface KeptDinner {
  readonly id: string;
  readonly title: string;
  readonly sitDown: string;
  readonly guests: number;
  readonly changed: number;
  readonly isArchived: boolean;
}

const asText = (value: unknown) => (typeof value === 'string' ? value : '');

function listed({ id, file, changed, isArchived }: StoredDinner): KeptDinner {
  const { title, sitDown, guests } = (file ?? {}) as Record<string, unknown>;
  return {
    id,
    title: asText(title),
    sitDown: asText(sitDown),
    guests: Number(guests) || 0,
    changed,
    isArchived,
  };
}

/** The dinners that are kept in this browser. */
export const useShelf = defineStore('shelf', () => {
  const open = useDinner();
  const dinners = ref<KeptDinner[]>([]);

  async function refresh(): Promise<void> {
    const kept = await storage.listDinners();
    dinners.value = kept.map(listed).sort((a, b) => b.changed - a.changed);
  }

  /** Keeps a copy of a dinner beside it, with its plan, and opens it. */
  async function duplicate(id: string): Promise<void> {
    const kept = await storage.listDinners();
    const original = kept.find((d) => d.id === id);
    if (!original) return;
    const copy = {
      ...original,
      id: freeId(id, new Set(kept.map((d) => d.id))),
      file: { ...(original.file as object), title: `${listed(original).title}, again` },
      plan: null,
      changed: Date.now(),
      isArchived: false,
    };
    await storage.saveDinner(copy);
    await open.open(copy.id);
    await refresh();
  }

  async function archive(id: string, isArchived: boolean): Promise<void> {
    const stored = await storage.loadDinner(id);
    if (stored) await storage.saveDinner({ ...stored, isArchived });
    if (open.id === id) open.isArchived = isArchived;
    await refresh();
  }

  /** Takes a dinner out; another is opened where it was open. Gives back a way to have it again. */
  async function remove(id: string): Promise<() => Promise<void>> {
    const wasOpen = open.id === id;
    if (wasOpen) open.leave();
    const gone = await storage.removeDinner(id);
    await refresh();
    if (wasOpen) await open.restore();
    return async () => {
      await storage.putBack(gone);
      if (wasOpen) await open.open(id);
      await refresh();
    };
  }

  return { dinners, refresh, duplicate, archive, remove };
});
