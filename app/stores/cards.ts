import { defineStore } from 'pinia';
import { freeId, readCard, type CardFile } from '../../core/compose';
import { describeProblem } from '../../core/dinner';
import { storage, type StoredCard } from '../storage/database';

const FILLED = 'cardsFilled';
const DRAFT = 'cardDraft';

/** A dish in the making that is not right yet: kept, so that nothing that was typed is lost. */
interface Draft {
  readonly id: string;
  readonly card: CardFile;
}

/** The card file: the cook's own dishes. */
export const useCards = defineStore('cards', () => {
  const cards = shallowRef<readonly StoredCard[]>([]);
  const draft = shallowRef<Draft | null>(null);

  async function refresh(): Promise<void> {
    const stored = await storage.listCards();
    cards.value = stored.sort((a, b) => a.card.dish.name.localeCompare(b.card.dish.name));
  }

  /** Reads the card file; on the first visit it is filled with the demo's dishes. */
  async function restore(): Promise<void> {
    if ((await storage.loadSetting(FILLED)) !== true) {
      const demo = (await import('../../demo/cards.json')).default as unknown as CardFile[];
      await storage.saveCards(demo.map((card) => ({ id: card.dish.id, card })));
      await storage.saveSetting(FILLED, true);
    }
    draft.value = (await storage.loadSetting<Draft | null>(DRAFT)) ?? null;
    await refresh();
  }

  const draftOf = (id: string) => (draft.value?.id === id ? draft.value.card : undefined);

  /** Takes over a change of a card: into the card file where it is right, else only as a draft. */
  async function edit(id: string, card: CardFile, isRight: boolean): Promise<void> {
    draft.value = isRight ? null : { id, card };
    await storage.saveSetting(DRAFT, draft.value);
    if (!isRight) return;
    await storage.saveCards([{ id, card }]);
    await refresh();
  }

  /** Keeps a card as a new one: its id, or the mistakes in it. */
  async function add(card: CardFile): Promise<string | string[]> {
    const result = readCard(card);
    if (!result.ok) return result.problems.map(describeProblem);
    const id = freeId(card.dish.id, new Set(cards.value.map((c) => c.id)));
    await storage.saveCards([{ id, card }]);
    await refresh();
    return id;
  }

  /** Takes a card out, and gives back a way to have it again. */
  async function remove(id: string): Promise<() => Promise<void>> {
    const gone = cards.value.find((c) => c.id === id);
    await storage.removeCard(id);
    await refresh();
    return async () => {
      if (gone) await storage.saveCards([gone]);
      await refresh();
    };
  }

  return { cards, restore, add, edit, draftOf, remove };
});
