import { jest } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import type { CardFile } from '../../core/compose';
import { dinnerFile, step } from '../builders/dinner';
import { makePage, until } from './page';

makePage();
const told: string[] = [];
const weekStarts: number[] = [];
jest.unstable_mockModule('element-plus', () => ({
  ElMessage: { error: (text: string) => told.push(text) },
  dayjs: {
    Ls: {
      en: {
        set weekStart(day: number) {
          weekStarts.push(day);
        },
      },
    },
  },
}));
const { storage } = await import('../../app/storage/database');
const { useBackup } = await import('../../app/stores/backup');
const { useCards } = await import('../../app/stores/cards');
const { useClock } = await import('../../app/stores/clock');
const { useDinner } = await import('../../app/stores/dinner');
const { useDrafts } = await import('../../app/stores/drafts');
const { useGather } = await import('../../app/stores/gather');
const { useKitchen } = await import('../../app/stores/kitchen');
const { usePreferences } = await import('../../app/stores/preferences');
const { useSession } = await import('../../app/stores/session');
const { useShelf } = await import('../../app/stores/shelf');
const { useStorageTrouble } = await import('../../app/stores/trouble');

const stew = (title: string) => dinnerFile([step('stir', 10, { keeps: { most: 60 } })], { title });
async function opened(title = 'Stew') {
  const store = useDinner();
  await store.openFile(stew(title));
  await until(() => !store.isPlanning && store.plan !== null);
  return store;
}
/** As after a reload: the stores begin anew, what is stored stays. */
async function reloaded() {
  setActivePinia(createPinia());
  const store = useDinner();
  await store.restore();
  return store;
}

beforeEach(async () => {
  setActivePinia(createPinia());
  told.length = 0;
  for (const { id } of await storage.listDinners()) await storage.removeDinner(id);
  for (const { id } of await storage.listCards()) await storage.removeCard(id);
});

describe('the shelf', () => {
  test('a copy has a name and an id of its own, and is the open dinner', async () => {
    const store = await opened();
    const first = store.id;
    const shelf = useShelf();
    await shelf.duplicate(first);
    expect(shelf.dinners.map((d) => d.title).sort()).toEqual(['Stew', 'Stew, again']);
    expect(store.id).not.toBe(first);
    expect(store.dinner!.title).toBe('Stew, again');
  });

  test('put away it is still there, after a reload too', async () => {
    const { id } = await opened();
    await useShelf().archive(id, true);
    expect(useDinner().isArchived).toBe(true);
    await reloaded();
    const shelf = useShelf();
    await shelf.refresh();
    expect(shelf.dinners.find((d) => d.id === id)?.isArchived).toBe(true);
  });

  test('deleted, another is open; brought back, it is open again with what was ticked', async () => {
    const store = await opened('First');
    const first = store.id;
    await opened('Second');
    const second = store.id;
    await useGather().flag('ticked', 'leek', true);
    const shelf = useShelf();
    const bringBack = await shelf.remove(second);
    expect(store.id).toBe(first);
    expect(shelf.dinners.map((d) => d.id)).toEqual([first]);
    await bringBack();
    expect(store.id).toBe(second);
    const gather = useGather();
    await until(() => gather.gathered.ticked['leek'] === true);
  });
});

describe('what is gathered', () => {
  test('belongs to its dinner, and lasts over a reload', async () => {
    const store = await opened('First');
    const first = store.id;
    const gather = useGather();
    await gather.flag('atHome', 'salt', true);
    await gather.set({ prices: { leek: 1.2 } });
    await opened('Second');
    await until(() => gather.gathered.atHome['salt'] === undefined);
    await gather.flag('atHome', 'oil', true);
    await gather.flag('atHome', 'oil', false);
    expect(gather.gathered.atHome).toEqual({});
    await reloaded();
    await useDinner().open(first);
    const again = useGather();
    await until(() => again.gathered.atHome['salt'] === true);
    expect(again.gathered.prices).toEqual({ leek: 1.2 });
  });

  test('what is stored broken is left out, the rest is kept', async () => {
    const { id } = await opened();
    await storage.saveSetting(`gather/${id}`, {
      ticked: { leek: 'yes' },
      prices: { leek: 2 },
      withStaples: 1,
    });
    const gather = useGather();
    await gather.restore();
    expect(gather.gathered).toMatchObject({ ticked: {}, prices: { leek: 2 }, withStaples: false });
  });
});

describe('the card file', () => {
  const first = async () => {
    const cards = useCards();
    await cards.restore();
    const [stored] = cards.cards;
    cards.beginEditing(stored!.id);
    return { cards, id: stored!.id, card: stored!.card };
  };
  const renamed = (card: CardFile, name: string): CardFile => ({ ...card, dish: { ...card.dish, name } });
  const wrong = (card: CardFile): CardFile => ({ ...card, dish: { ...card.dish, serves: 0 } });
  const nameOf = (cards: ReturnType<typeof useCards>, id: string) =>
    cards.cards.find((c) => c.id === id)!.card.dish.name;

  beforeEach(() => storage.saveSetting('cardsFilled', false));

  test('is filled once: a card that was taken out does not come back by itself', async () => {
    const { cards, id } = await first();
    const count = cards.cards.length;
    const bringBack = await cards.remove(id);
    setActivePinia(createPinia());
    const again = useCards();
    await again.restore();
    expect(again.cards).toHaveLength(count - 1);
    await bringBack();
    await again.restore();
    expect(again.cards).toHaveLength(count);
  });

  test('changes are undone and done again, after a reload too', async () => {
    const { cards, id, card } = await first();
    await cards.edit(id, renamed(card, 'A new name'));
    await cards.edit(id, renamed(card, 'Another name'));
    await cards.undo();
    expect(nameOf(cards, id)).toBe('A new name');
    setActivePinia(createPinia());
    const again = useCards();
    await again.restore();
    again.beginEditing(id);
    await again.undo();
    expect(nameOf(again, id)).toBe(card.dish.name);
    await again.redo();
    await again.redo();
    expect(nameOf(again, id)).toBe('Another name');
    await again.redo();
    expect(nameOf(again, id)).toBe('Another name');
  });

  test('what is not right yet is a draft; the card stays as it was until it is', async () => {
    const { cards, id, card } = await first();
    await cards.edit(id, wrong(card));
    expect(nameOf(cards, id)).toBe(card.dish.name);
    expect(cards.draftOf(id)?.dish.serves).toBe(0);
    await cards.edit(id, renamed(card, 'Right again'));
    expect(cards.draftOf(id)).toBeUndefined();
    expect(nameOf(cards, id)).toBe('Right again');
  });

  test('a new card gets an id of its own; a wrong one is told', async () => {
    const { cards, card } = await first();
    const added = await cards.add(card);
    expect(typeof added).toBe('string');
    expect(added).not.toBe(card.dish.id);
    const refused = await cards.add(wrong(card));
    expect(refused).toEqual([expect.stringMatching(/serves/)]);
  });
});

test('drafts last over a reload until they are let go', async () => {
  const drafts = useDrafts();
  await drafts.set('read', { text: 'Peel the leeks.' });
  setActivePinia(createPinia());
  const again = useDrafts();
  await again.restore();
  expect(again.of('read')).toEqual({ text: 'Peel the leeks.' });
  await again.set('read', null);
  await again.restore();
  expect(again.of('read')).toBeUndefined();
});

describe('the kitchen', () => {
  test('a change is planned, and remembered for the next dinner', async () => {
    await opened();
    const kitchen = useKitchen();
    await kitchen.change((k) => ({ ...k, rings: 2 }));
    expect(useDinner().dinner!.kitchen.rings).toBe(2);
    await reloaded();
    expect(await useKitchen().forNew()).toMatchObject({ rings: 2 });
  });

  test('one that cannot be is told, and nothing changes', async () => {
    await opened();
    const before = await useKitchen().forNew();
    await useKitchen().change((k) => ({ ...k, rings: -1 }));
    expect(told[0]).toMatch(/rings/);
    expect(await useKitchen().forNew()).toEqual(before);
  });
});

test('preferences: what is stored and unknown becomes the usual; calendars begin their weeks as told', async () => {
  await storage.saveSetting('preferences', { system: 'roman', heat: 'gas', weekStart: 6 });
  const preferences = usePreferences();
  await preferences.restore();
  expect([preferences.system, preferences.heat, preferences.weekStart]).toEqual(['metric', 'gas', 6]);
  await until(() => weekStarts.at(-1) === 6);
  await preferences.set({ system: 'us', sounds: false });
  setActivePinia(createPinia());
  const again = usePreferences();
  await again.restore();
  expect([again.system, again.heat, again.sounds]).toEqual(['us', 'gas', false]);
});

describe('a backup', () => {
  test('says what it would do, and does it: added, replaced, taken away', async () => {
    await opened('First');
    const backup = useBackup();
    const text = await backup.makeText();
    await opened('Second');
    const second = useDinner().id;
    const adding = await backup.preview(text, false);
    const replacing = await backup.preview(text, true);
    if (Array.isArray(adding) || Array.isArray(replacing)) throw new Error('a backup of ours is not read');
    expect(adding.dinners).not.toEqual(replacing.dinners);
    await backup.takeIn(replacing.backup, true);
    const kept = await storage.listDinners();
    expect(kept.map((d) => (d.file as { title: string }).title)).toEqual(['First']);
    expect(kept.map((d) => d.id)).not.toContain(second);
    await until(() => useDinner().dinner?.title === 'First');
  });

  test('a file that is none is told, and what is here stays', async () => {
    await opened('First');
    const wrong = await useBackup().preview('{"format": "something"}', true);
    expect(Array.isArray(wrong) && wrong.length > 0).toBe(true);
    expect(await storage.listDinners()).toHaveLength(1);
  });
});

describe('the evening as it goes', () => {
  test('what is done lasts over a reload, and is undone', async () => {
    const store = await opened();
    const session = useSession();
    const [task] = [...session.view!.now, ...session.view!.next];
    await session.done(task!.id, store.zero);
    expect(session.session.done).toHaveLength(1);
    await reloaded();
    const again = useSession();
    await again.restore();
    expect(again.session.done).toHaveLength(1);
    await again.undo();
    expect(again.session.done).toHaveLength(0);
  });

  test('a clock for trying out goes at its speed, and is put right again', async () => {
    const clock = useClock();
    const shown = Date.UTC(2026, 10, 26, 18, 0);
    await clock.setTo(shown);
    expect(clock.isRehearsal).toBe(true);
    expect(Math.abs(clock.now - shown)).toBeLessThan(2000);
    await clock.setSpeed(60);
    setActivePinia(createPinia());
    const again = useClock();
    await again.restore();
    expect([again.isRehearsal, again.speed]).toEqual([true, 60]);
    await again.useRealTime();
    expect(again.isRehearsal).toBe(false);
    expect(Math.abs(again.now - Date.now())).toBeLessThan(2000);
  });
});

test('trouble with storing is told in words; other errors are not taken for it', () => {
  const trouble = useStorageTrouble();
  expect(trouble.tell(new TypeError('no'))).toBe(false);
  expect(trouble.text).toBe('');
  expect(trouble.tell({ name: 'AbortError', inner: { name: 'QuotaExceededError' } })).toBe(true);
  expect(trouble.text).toContain('no room');
});
