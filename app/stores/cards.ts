import { defineStore } from 'pinia';
import { freeId, readCard, type CardFile } from '../../core/compose';
import { describeProblem } from '../../core/dinner';
import { storage, type StoredCard } from '../storage/database';
import { useDrafts } from './drafts';

const FILLED = 'cardsFilled';
const HISTORY = 'cardHistory';
/** Changes of a card that can be undone. */
const MOST_UNDONE = 60;

/** What the card that was changed last was before, and was after it. */
interface History {
  readonly id: string;
  readonly past: readonly CardFile[];
  readonly future: readonly CardFile[];
}
const NO_HISTORY: History = { id: '', past: [], future: [] };

/** The card file: the cook's own dishes. */
export const useCards = defineStore('cards', () => {
  const drafts = useDrafts();
  const cards = shallowRef<readonly StoredCard[]>([]);
  const history = shallowRef<History>(NO_HISTORY);
  /** The card that is open for changes; undo and redo are about it. */
  const editing = ref('');
  const draftName = (id: string) => `card/${id}`;

  const show = (stored: readonly StoredCard[]) =>
    (cards.value = [...stored].sort((a, b) => a.card.dish.name.localeCompare(b.card.dish.name)));
  const refresh = async () => show(await storage.listCards());

  /** Reads the card file; on the first visit it is filled with the demo's dishes. */
  async function restore(): Promise<void> {
    if ((await storage.loadSetting(FILLED)) !== true) {
      const demo = (await import('../../demo/cards.json')).default as unknown as CardFile[];
      await storage.saveCards(demo.map((card) => ({ id: card.dish.id, card })));
      await storage.saveSetting(FILLED, true);
    }
    history.value = (await storage.loadSetting<History>(HISTORY)) ?? NO_HISTORY;
    await refresh();
  }

  /** A card as it is being made, where that is not right yet. */
  const draftOf = (id: string) => drafts.of(draftName(id)) as CardFile | undefined;
  const cardOf = (id: string) => draftOf(id) ?? cards.value.find((c) => c.id === id)?.card;

  /** Takes over a card: into the card file where it is right, else only as a draft. */
  async function turnTo(id: string, card: CardFile, next: History): Promise<void> {
    const isRight = readCard(card).ok;
    // Shown at once, so that the next change builds on this one while it is still being kept.
    history.value = next;
    if (isRight) show(cards.value.map((c) => (c.id === id ? { id, card } : c)));
    await Promise.all([
      drafts.set(draftName(id), isRight ? null : card),
      storage.saveSetting(HISTORY, next),
      isRight && storage.saveCards([{ id, card }]),
    ]);
  }

  async function edit(id: string, card: CardFile): Promise<void> {
    const now = cardOf(id);
    const past = history.value.id === id ? history.value.past : [];
    await turnTo(id, card, { id, past: now ? [...past, now].slice(-MOST_UNDONE) : past, future: [] });
  }

  const past = computed(() => (history.value.id === editing.value ? history.value.past : []));
  const future = computed(() => (history.value.id === editing.value ? history.value.future : []));

  /** One change back, or one forward again. */
  async function travel(isBack: boolean): Promise<void> {
    const [from, to] = isBack ? [past.value, future.value] : [future.value, past.value];
    const next = from.at(-1);
    const now = cardOf(editing.value);
    if (!next || !now) return;
    const [left, grown] = [from.slice(0, -1), [...to, now]];
    await turnTo(editing.value, next, {
      id: editing.value,
      past: isBack ? left : grown,
      future: isBack ? grown : left,
    });
  }
  const undo = () => travel(true);
  const redo = () => travel(false);

  const beginEditing = (id: string) => (editing.value = id);
  const endEditing = () => (editing.value = '');

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

  return {
    cards,
    editing,
    past,
    future,
    restore,
    add,
    edit,
    undo,
    redo,
    beginEditing,
    endEditing,
    draftOf,
    remove,
  };
});
