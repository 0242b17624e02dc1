const TABLES = ['dinners', 'histories', 'sessions', 'cards', 'settings'] as const;
export type TableName = (typeof TABLES)[number];

/** Rows on their way into a table of the database. */
export interface Write {
  readonly table: TableName;
  readonly rows: readonly unknown[];
}

const KEY = 'zeitlauf/under-way';
const underWay = new Set<Write>();

/** Knows of a write until it is done. */
export async function known<T>(write: Write, done: PromiseLike<T>): Promise<T> {
  underWay.add(write);
  try {
    return await done;
  } finally {
    underWay.delete(write);
  }
}

/** What is under way as the page goes would be lost: it is put where that takes no time, behind what is there. */
export function putAside(store: Storage): void {
  if (underWay.size === 0) return;
  try {
    store.setItem(KEY, JSON.stringify([...writesIn(store), ...underWay]));
  } catch {
    // Where there is no room nothing is lost that would not be lost without.
  }
}

/** What was put aside, in the order in which it was written; it is forgotten there. */
export function takeAside(store: Storage): Write[] {
  const writes = writesIn(store);
  store.removeItem(KEY);
  return writes;
}

function writesIn(store: Storage): Write[] {
  try {
    const writes: unknown = JSON.parse(store.getItem(KEY) ?? '[]');
    return Array.isArray(writes) ? writes.filter(isWrite) : [];
  } catch {
    return [];
  }
}

function isWrite(value: unknown): value is Write {
  const { table, rows } = (value ?? {}) as Partial<Write>;
  return TABLES.some((name) => name === table) && Array.isArray(rows);
}
