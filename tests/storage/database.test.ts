import Dexie from 'dexie';
import { NO_SESSION, reduceSession } from '../../core/live';
import { gatherSetting, storage, variantSetting, type StoredDinner } from '../../app/storage/database';
import { demoText } from '../builders/dinner';

const begun = reduceSession(NO_SESSION, { type: 'begin', planKey: 'p' });
const file = { ...JSON.parse(demoText('home-at-six')), 'x-note': { by: 'hand' } };
const stored = (id: string): StoredDinner => ({ id, file, plan: null, changed: 5, isArchived: false });

test('what the first version had kept is found again in the next', async () => {
  const old = new Dexie('zeitlauf');
  old.version(1).stores({ dinners: 'id', sessions: 'id', settings: 'name' });
  await old.table('dinners').put({ id: 'open', file, plan: null });
  await old.table('sessions').put({ id: 'open', session: begun });
  await old.table('settings').put({ name: 'clock', value: 7 });
  old.close();

  const open = await storage.loadOpen();
  const [dinner] = await storage.listDinners();
  expect(dinner).toMatchObject({ id: open, file, plan: null, isArchived: false });
  expect(await storage.loadSession(open!)).toEqual(begun);
  expect(await storage.loadSetting('clock')).toBe(7);
  await storage.removeDinner(open!);
});

test('a dinner comes back as it was written, unknown fields and all', async () => {
  expect(await storage.loadDinner('six')).toBeUndefined();
  await storage.saveDinner(stored('six'));
  expect(await storage.loadDinner('six')).toEqual(stored('six'));
});

test('a dinner that is taken out can be put back with its history and its session', async () => {
  await storage.saveDinner(stored('frost'));
  await storage.saveHistory({ id: 'frost', past: [{ a: 1 }], future: [] });
  await storage.saveSession('frost', begun);
  const gone = await storage.removeDinner('frost');
  expect(await storage.loadDinner('frost')).toBeUndefined();
  expect(await storage.loadHistory('frost')).toBeUndefined();
  expect(await storage.loadSession('frost')).toBeUndefined();
  await storage.putBack(gone);
  expect(await storage.loadDinner('frost')).toEqual(stored('frost'));
  expect(await storage.loadHistory('frost')).toEqual({ id: 'frost', past: [{ a: 1 }], future: [] });
  expect(await storage.loadSession('frost')).toEqual(begun);
});

test('the session is there after each touch, for each dinner its own', async () => {
  const done = reduceSession(begun, { type: 'done', task: 'a/b#work0', at: 5 });
  await storage.saveSession('one', done);
  await storage.saveSession('other', begun);
  expect(await storage.loadSession('one')).toEqual(done);
  expect(await storage.loadSession('other')).toEqual(begun);
});

test('settings are kept by name', async () => {
  await storage.saveSetting('clock', { real: 1, shown: 2, speed: 60 });
  await storage.saveSetting('other', null);
  expect(await storage.loadSetting('clock')).toEqual({ real: 1, shown: 2, speed: 60 });
  expect(await storage.loadSetting('other')).toBeNull();
  expect(await storage.loadSetting('none')).toBeUndefined();
});

test('a backup is taken in beside what is kept, or in place of it', async () => {
  const changed = { id: 'six', file: { ...file, title: 'Another six' }, changed: 9, isArchived: true };
  const card = { format: 'zeitlauf/dish', version: 1, dish: { id: 'a' } } as never;
  const backup = {
    made: 1,
    dinners: [changed],
    cards: [{ id: 'a', card }],
    settings: { kitchen: { rings: 2 } },
  };
  await storage.saveDinner(stored('six'));
  await storage.saveDinner(stored('frost'));
  await storage.saveHistory({ id: 'six', past: [{ a: 1 }], future: [] });
  await storage.takeIn(backup, false);
  expect(await storage.loadDinner('six')).toEqual({ ...changed, plan: null });
  expect(await storage.loadHistory('six')).toBeUndefined();
  expect(await storage.loadDinner('frost')).toEqual(stored('frost'));
  expect(await storage.listCards()).toEqual([{ id: 'a', card }]);
  expect(await storage.loadKept()).toEqual({ kitchen: { rings: 2 } });
  await storage.takeIn(backup, true);
  expect((await storage.listDinners()).map((d) => d.id)).toEqual(['six']);
});

test('with a dinner goes what was ticked for it and what it was compared with; brought back, all is there', async () => {
  await storage.saveDinner(stored('gone'));
  await storage.saveDinner(stored('stays'));
  for (const name of [gatherSetting('gone'), variantSetting('gone'), gatherSetting('stays')])
    await storage.saveSetting(name, { of: name });
  const gone = await storage.removeDinner('gone');
  expect(await storage.loadSetting(gatherSetting('gone'))).toBeUndefined();
  expect(await storage.loadSetting(variantSetting('gone'))).toBeUndefined();
  expect(await storage.loadSetting(gatherSetting('stays'))).toEqual({ of: gatherSetting('stays') });
  await storage.putBack(gone);
  expect(await storage.loadDinner('gone')).toEqual(stored('gone'));
  expect(await storage.loadSetting(gatherSetting('gone'))).toEqual({ of: gatherSetting('gone') });
  expect(await storage.loadSetting(variantSetting('gone'))).toEqual({ of: variantSetting('gone') });
});
