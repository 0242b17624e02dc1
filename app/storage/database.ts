import Dexie, { type EntityTable } from 'dexie';
import type { Plan } from '../../core/plan';
import type { Session } from '../../core/live';

/** The dinner that is open: the file as it was written, and the plan made from it. */
export interface OpenDinner {
  id: 'open';
  file: unknown;
  plan: Plan | null;
}

export interface StoredSession {
  id: 'open';
  session: Session;
}

export interface Setting {
  name: string;
  value: unknown;
}

type Database = Dexie & {
  dinners: EntityTable<OpenDinner, 'id'>;
  sessions: EntityTable<StoredSession, 'id'>;
  settings: EntityTable<Setting, 'name'>;
};

let database: Database | undefined;

function open(): Database {
  if (!database) {
    database = new Dexie('zeitlauf') as Database;
    database.version(1).stores({ dinners: 'id', sessions: 'id', settings: 'name' });
  }
  return database;
}

/** Plain data only: what Vue hands out as a proxy cannot be stored. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

export const storage = {
  loadDinner: (): Promise<OpenDinner | undefined> => open().dinners.get('open'),
  saveDinner: (file: unknown, plan: Plan | null): Promise<unknown> =>
    open().dinners.put(plain({ id: 'open' as const, file, plan })),
  loadSession: async (): Promise<Session | undefined> => (await open().sessions.get('open'))?.session,
  saveSession: (session: Session): Promise<unknown> =>
    open().sessions.put(plain({ id: 'open' as const, session })),
  loadSetting: async <T>(name: string): Promise<T | undefined> =>
    (await open().settings.get(name))?.value as T | undefined,
  saveSetting: (name: string, value: unknown): Promise<unknown> =>
    open().settings.put(plain({ name, value })),
};
