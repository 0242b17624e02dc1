import { NO_SESSION, reduceSession } from '../../core/live';
import { storage } from '../../app/storage/database';
import { demoText } from '../builders/dinner';

test('a dinner comes back as it was written, unknown fields and all', async () => {
  expect(await storage.loadDinner()).toBeUndefined();
  const file = { ...JSON.parse(demoText('home-at-six')), 'x-note': { by: 'hand' } };
  await storage.saveDinner(file, null);
  expect((await storage.loadDinner())?.file).toEqual(file);
  expect((await storage.loadDinner())?.plan).toBeNull();
});

test('the session is there after each touch', async () => {
  const begun = reduceSession(NO_SESSION, { type: 'begin', planKey: 'p' });
  const done = reduceSession(begun, { type: 'done', task: 'a/b#work0', at: 5 });
  await storage.saveSession(done);
  expect(await storage.loadSession()).toEqual(done);
  await storage.saveSession(reduceSession(done, { type: 'undo' }));
  expect(await storage.loadSession()).toEqual(begun);
});

test('settings are kept by name', async () => {
  await storage.saveSetting('clock', { real: 1, shown: 2, speed: 60 });
  await storage.saveSetting('other', null);
  expect(await storage.loadSetting('clock')).toEqual({ real: 1, shown: 2, speed: 60 });
  expect(await storage.loadSetting('other')).toBeNull();
  expect(await storage.loadSetting('none')).toBeUndefined();
});
