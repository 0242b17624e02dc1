import Dexie, { type EntityTable } from 'dexie';
import type { Backup, CardFile } from '../../core/compose';
import type { Plan } from '../../core/plan';
import type { Session } from '../../core/live';
import { known, putAside, takeAside, type TableName } from './under-way';

/** A dinner that is kept: the file as it was written, and the plan made from it. */
export interface StoredDinner {
  id: string;
  file: unknown;
  plan: Plan | null;
  /** When it was changed last, in milliseconds since 1970. */
  changed: number;
  isArchived: boolean;
}

/** What was before each change of a dinner, and what was undone: whole files, oldest first. */
export interface StoredHistory {
  id: string;
  past: unknown[];
  future: unknown[];
}

export interface StoredSession {
  id: string;
  session: Session;
}

export interface StoredCard {
  id: string;
  card: CardFile;
}

export interface Setting {
  name: string;
  value: unknown;
}

type Database = Dexie & {
  dinners: EntityTable<StoredDinner, 'id'>;
  histories: EntityTable<StoredHistory, 'id'>;
  sessions: EntityTable<StoredSession, 'id'>;
  cards: EntityTable<StoredCard, 'id'>;
  settings: EntityTable<Setting, 'name'>;
};

let database: Database | undefined;

/** In version 1 there was one dinner, under this id. */
const ONLY = 'open';
const FIRST = 'first';
const OPEN_SETTING = 'openDinner';
/** Settings that belong to the cook and not to this browser; they go into a backup. */
const KEPT_SETTINGS = ['kitchen', 'preferences'];
/** What was bought and laid out for a dinner goes with it. */
export const gatherSetting = (id: string) => `gather/${id}`;
/** The other evening that is looked at beside a dinner. */
export const variantSetting = (id: string) => `variant/${id}`;
const isKept = (name: string) => KEPT_SETTINGS.includes(name) || name.startsWith('gather/');

function open(): Database {
  if (!database) {
    database = new Dexie('zeitlauf') as Database;
    database.version(1).stores({ dinners: 'id', sessions: 'id', settings: 'name' });
    database
      .version(2)
      .stores({ dinners: 'id', histories: 'id', sessions: 'id', cards: 'id', settings: 'name' })
      .upgrade(async (change) => {
        const dinner = await change.table('dinners').get(ONLY);
        if (!dinner) return;
        await change.table('dinners').delete(ONLY);
        await change.table('dinners').put({ ...dinner, id: FIRST, changed: 0, isArchived: false });
        await change.table('settings').put({ name: OPEN_SETTING, value: FIRST });
        const session = await change.table('sessions').get(ONLY);
        if (!session) return;
        await change.table('sessions').delete(ONLY);
        await change.table('sessions').put({ ...session, id: FIRST });
      });
    minding(database);
  }
  return database;
}

/** Puts aside what is under way as the page goes, and makes it good as the next one comes. */
function minding(opened: Database): void {
  const aside = placeAside();
  if (!aside) return;
  opened.on('ready', async (ready) => {
    for (const { table, rows } of takeAside(aside)) {
      // What no longer fits is not worth a database that does not open.
      await (ready as Dexie)
        .table(table)
        .bulkPut([...rows])
        .catch(() => undefined);
    }
  });
  window.addEventListener('pagehide', () => putAside(aside));
  // A page that comes back as it was has gone on with it.
  window.addEventListener('pageshow', ({ persisted }) => {
    if (persisted) takeAside(aside);
  });
}

/** None where a browser refuses it. */
function placeAside(): Storage | null {
  try {
    return window.localStorage;
  } catch {
    return null;
  }
}

function put(table: TableName, row: unknown): Promise<unknown> {
  const plainRow = plain(row);
  return known({ table, rows: [plainRow] }, open().table(table).put(plainRow));
}

export interface RemovedDinner {
  readonly dinner: StoredDinner | undefined;
  readonly history: StoredHistory | undefined;
  readonly session: StoredSession | undefined;
  readonly settings: readonly Setting[];
}

/** Plain data only: what Vue hands out as a proxy cannot be stored. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

export const storage = {
  listDinners: (): Promise<StoredDinner[]> => open().dinners.toArray(),
  loadDinner: (id: string): Promise<StoredDinner | undefined> => open().dinners.get(id),
  saveDinner: (dinner: StoredDinner): Promise<unknown> => put('dinners', dinner),
  /** Takes a dinner out with its history and its session; gives back what there was, for `putBack`. */
  removeDinner: (id: string): Promise<RemovedDinner> => {
    const { dinners, histories, sessions, settings } = open();
    return open().transaction('rw', dinners, histories, sessions, settings, async () => {
      const names = [gatherSetting(id), variantSetting(id)];
      const gone = {
        dinner: await dinners.get(id),
        history: await histories.get(id),
        session: await sessions.get(id),
        settings: (await settings.bulkGet(names)).filter((s) => s !== undefined),
      };
      await Promise.all([dinners.delete(id), histories.delete(id), sessions.delete(id)]);
      await settings.bulkDelete(names);
      return gone;
    });
  },
  putBack: async (gone: RemovedDinner): Promise<void> => {
    if (gone.dinner) await open().dinners.put(gone.dinner);
    if (gone.history) await open().histories.put(gone.history);
    if (gone.session) await open().sessions.put(gone.session);
    await open().settings.bulkPut([...gone.settings]);
  },

  loadHistory: (id: string): Promise<StoredHistory | undefined> => open().histories.get(id),
  saveHistory: (history: StoredHistory): Promise<unknown> => put('histories', history),

  loadSession: async (id: string): Promise<Session | undefined> => (await open().sessions.get(id))?.session,
  saveSession: (id: string, session: Session): Promise<unknown> => put('sessions', { id, session }),

  listCards: (): Promise<StoredCard[]> => open().cards.toArray(),
  saveCards: (cards: readonly StoredCard[]): Promise<unknown> => {
    const rows = plain([...cards]);
    return known({ table: 'cards', rows }, open().cards.bulkPut(rows));
  },
  removeCard: (id: string): Promise<unknown> => open().cards.delete(id),

  /**
   * Takes a backup in, in one go: what has the same id is replaced, together with its history. With
   * `isReplacing` all else goes.
   */
  takeIn: (backup: Backup, isReplacing: boolean): Promise<void> => {
    const { dinners, histories, sessions, cards, settings } = open();
    return open().transaction('rw', [dinners, histories, sessions, cards, settings], async () => {
      if (isReplacing) await Promise.all([dinners, histories, sessions, cards].map((table) => table.clear()));
      const ids = backup.dinners.map((d) => d.id);
      await Promise.all([histories.bulkDelete(ids), sessions.bulkDelete(ids)]);
      await dinners.bulkPut(plain(backup.dinners.map((d) => ({ ...d, plan: null }))));
      await cards.bulkPut(plain([...backup.cards]));
      for (const [name, value] of Object.entries(backup.settings)) {
        if (isKept(name)) await settings.put(plain({ name, value }));
      }
    });
  },
  loadKept: async (): Promise<Record<string, unknown>> => {
    const kept = (await open().settings.toArray()).filter((s) => isKept(s.name));
    return Object.fromEntries(kept.map((s) => [s.name, s.value]));
  },

  loadOpen: (): Promise<string | undefined> => storage.loadSetting<string>(OPEN_SETTING),
  saveOpen: (id: string): Promise<unknown> => storage.saveSetting(OPEN_SETTING, id),
  loadSetting: async <T>(name: string): Promise<T | undefined> =>
    (await open().settings.get(name))?.value as T | undefined,
  saveSetting: (name: string, value: unknown): Promise<unknown> => put('settings', { name, value }),
};
