import { known, putAside, takeAside, type Write } from '../../app/storage/under-way';

/** A store of texts, as a browser has one, with so much room. */
function textStore(room = Infinity): Storage {
  const texts = new Map<string, string>();
  return {
    get length() {
      return texts.size;
    },
    clear: () => texts.clear(),
    key: (at) => [...texts.keys()][at] ?? null,
    getItem: (key) => texts.get(key) ?? null,
    removeItem: (key) => void texts.delete(key),
    setItem: (key, text) => {
      if (text.length > room) throw new DOMException('full', 'QuotaExceededError');
      texts.set(key, text);
    },
  };
}

/** Something that takes until it is said to be done. */
function lasting() {
  const ends: (() => void)[] = [];
  const done = new Promise<void>((resolve) => ends.push(resolve));
  return { done, finish: () => ends.forEach((end) => end()) };
}

const setting = (name: string, value: number): Write => ({ table: 'settings', rows: [{ name, value }] });

test('what is under way as the page goes is there the next time, in its order, once; what is done is not', async () => {
  const store = textStore();
  const { done, finish } = lasting();
  await known(setting('done', 1), Promise.resolve());
  await expect(known(setting('refused', 1), Promise.reject(new Error('full')))).rejects.toThrow('full');
  const first = known(setting('a', 1), done);
  const second = known(setting('a', 2), first);
  putAside(store);
  expect(takeAside(store)).toEqual([setting('a', 1), setting('a', 2)]);
  expect(takeAside(store)).toEqual([]);
  finish();
  await second;
  putAside(store);
  expect(store.length).toBe(0);
});

test('pages that go one after the other put theirs behind what is there', async () => {
  const store = textStore();
  for (const value of [1, 2]) {
    const { done, finish } = lasting();
    const write = known(setting('a', value), done);
    putAside(store);
    finish();
    await write;
  }
  expect(takeAside(store)).toEqual([setting('a', 1), setting('a', 2)]);
});

test('a place that is full, or holds something else, does no harm', async () => {
  const full = textStore(5);
  const { done, finish } = lasting();
  const write = known(setting('a', 1), done);
  expect(() => putAside(full)).not.toThrow();
  finish();
  await write;
  for (const text of ['{', '{}', '[{"table":"other","rows":[]},{"table":"cards"},null]']) {
    const store = textStore();
    store.setItem('zeitlauf/under-way', text);
    expect(takeAside(store)).toEqual([]);
    expect(store.length).toBe(0);
  }
});
