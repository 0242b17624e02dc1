import { createPinia, setActivePinia } from 'pinia';
import type { Plan } from '../../core/plan';
import { dinnerFile, step } from '../builders/dinner';
import { makePage, until } from './page';

makePage();
const { storage } = await import('../../app/storage/database');
const { useDinner } = await import('../../app/stores/dinner');
const { useBending } = await import('../../app/stores/bending');
const { useReasons } = await import('../../app/stores/reasons');
const { useVariant } = await import('../../app/stores/variant');

/** Two dishes that are planned as well as can be in a moment: one begins early, one has to be last. */
const soup = (title = 'Soup and salad') =>
  dinnerFile([], {
    title,
    courses: [
      { id: 'soup', name: 'Soup', dishes: ['soup'] },
      { id: 'salad', name: 'Salad', dishes: ['salad'] },
    ],
    dishes: [
      {
        id: 'soup',
        name: 'Soup',
        serves: 4,
        steps: [
          step('chop', 10, { keeps: { most: 120, best: 120 } }),
          step('boil', 15, { after: ['chop'], keeps: { most: 15 } }),
        ],
      },
      {
        id: 'salad',
        name: 'Salad',
        serves: 4,
        steps: [step('wash', 8, { keeps: { most: 180, best: 180 } })],
      },
    ],
  });

const startOf = (plan: Plan | null, name: string) => plan!.steps.find((row) => row.step === name)!.start;
const opened = async (file: unknown = soup()) => {
  const store = useDinner();
  await store.openFile(file);
  await until(() => !store.isPlanning && store.plan !== null);
  return store;
};

beforeEach(async () => {
  setActivePinia(createPinia());
  for (const { id } of await storage.listDinners()) await storage.removeDinner(id);
});

describe('the open dinner', () => {
  test('is planned and kept, and found again as it was', async () => {
    const store = await opened();
    expect(store.plan).toMatchObject({ feasible: true, title: 'Soup and salad' });
    await until(() => store.id !== '');
    setActivePinia(createPinia());
    const again = useDinner();
    expect(await again.restore()).toBe(true);
    expect(again.file).toEqual(soup());
    expect(again.plan).toEqual(store.plan);
  });

  test('a change is planned anew; undo and redo bring back the very plans, and last over a reload', async () => {
    const store = await opened();
    const first = store.plan;
    await store.change([{ path: 'guests', value: 12 }]);
    expect(store.isPlanning).toBe(true);
    await until(() => !store.isPlanning);
    const second = store.plan;
    expect(second).not.toEqual(first);
    await store.undo();
    expect(store.plan).toBe(first);
    expect(store.dinner!.guests).toBe(4);
    await store.redo();
    expect(store.plan).toBe(second);
    await store.undo();
    setActivePinia(createPinia());
    const again = useDinner();
    await again.restore();
    expect([again.past, again.future]).toEqual([[], [{ ...soup(), guests: 12 }]]);
  });

  test('what would be wrong is told with its place, and nothing changes', async () => {
    const store = await opened();
    expect(await store.change([{ path: 'guests', value: 0 }])).toBe(false);
    expect(store.problems.join()).toMatch(/^guests: found 0/);
    expect(store.file).toEqual(soup());
    expect(store.past).toEqual([]);
  });

  test('opened while another is being planned, it is planned all the same', async () => {
    const store = useDinner();
    await store.openFile(soup('First'));
    expect(store.isPlanning).toBe(true);
    await store.openFile(soup('Second'));
    await until(() => !store.isPlanning && store.plan !== null);
    expect(store.plan!.title).toBe('Second');
  });

  test('never stands beside the plan of another dinner', async () => {
    const store = await opened();
    const seen: string[] = [];
    // What a page would draw.
    watch(
      () => store.evening,
      (evening) => evening && seen.push(`${evening.dinner.title}/${evening.plan.title}`),
    );
    await opened(soup('Another'));
    expect(seen.length).toBeGreaterThan(0);
    expect(new Set(seen)).toEqual(new Set(['Another/Another']));
  });
});

describe('bending', () => {
  test('what is held moves with the evening, and is pinned where it is let go', async () => {
    const store = await opened();
    const bending = useBending();
    const before = startOf(store.plan, 'salad/wash');
    bending.take('step', 'salad/wash', 'Wash', before);
    bending.moveBy(-7);
    await until(() => bending.settled !== null);
    expect(bending.moves.get('salad/wash')).toBe(before - 7);
    expect(startOf(bending.preview, 'salad/wash')).toBe(before - 7);
    expect(store.dinner!.pins).toEqual([]);
    expect(await bending.letGo()).toBe(true);
    expect(bending.inHand).toBeNull();
    expect(store.dinner!.pins.map((pin) => pin.step)).toEqual(['salad/wash']);
    await until(() => !store.isPlanning);
    expect(startOf(store.plan, 'salad/wash')).toBe(before - 7);
  });

  test('dropped, or put back where it was, it leaves no trace', async () => {
    const store = await opened();
    const bending = useBending();
    bending.take('step', 'salad/wash', 'Wash', startOf(store.plan, 'salad/wash'));
    bending.moveBy(-7);
    bending.drop();
    expect([bending.inHand, bending.moves.size]).toEqual([null, 0]);
    bending.take('step', 'salad/wash', 'Wash', startOf(store.plan, 'salad/wash'));
    bending.moveBy(-7);
    bending.moveBy(7);
    expect(await bending.letGo()).toBe(true);
    expect(store.file).toEqual(soup());
  });

  test('where it cannot be it is not pinned', async () => {
    const store = await opened();
    const bending = useBending();
    const before = startOf(store.plan, 'soup/boil');
    bending.take('step', 'soup/boil', 'Boil', before);
    bending.moveTo(before + 60);
    await until(() => bending.settled?.isFinal === true);
    expect(bending.settled!.plan).toBeNull();
    expect(await bending.letGo()).toBe(false);
    expect(store.file).toEqual(soup());
  });

  test('a course line fixes its pause; the plan that was shown is the one that is taken', async () => {
    const store = await opened();
    const bending = useBending();
    const salad = store.plan!.courses[1]!;
    bending.take('course', 'salad', 'Salad', salad.serve);
    bending.moveBy(4);
    await until(() => bending.preview !== null);
    const shown = bending.preview;
    void bending.letGo();
    await until(() => store.past.length === 1);
    expect(store.plan).toEqual(shown);
    expect(store.dinner!.courses[1]!.pause).toMatchObject({ least: salad.wait! + 4, most: salad.wait! + 4 });
    await until(() => !store.isPlanning);
    expect(store.plan!.courses[1]!.serve).toBe(salad.serve + 4);
  });
});

test('reasons come with each plan, and go with it', async () => {
  const reasons = useReasons();
  const store = await opened();
  await until(() => reasons.whys.size > 0);
  expect([...reasons.whys.keys()].sort()).toEqual(['salad/wash', 'soup/boil', 'soup/chop']);
  reasons.askRoom('salad/wash');
  await until(() => reasons.rooms !== null);
  expect(reasons.rooms!.rooms.map((room) => room.rise)).toEqual([1, 5, 20]);
  await store.change([{ path: 'guests', value: 5 }]);
  expect([reasons.whys.size, reasons.rooms]).toEqual([0, null]);
});

describe('another evening beside this one', () => {
  const later = [{ path: 'sitDown', value: '2026-10-17T19:30' }];

  test('changes nothing until it is taken, and lasts over a reload', async () => {
    const store = await opened();
    const variant = useVariant();
    await variant.add(later, 'Later.');
    await variant.add([{ path: 'guests', value: 6 }], 'Six.');
    expect(variant.evening!.dinner).toMatchObject({ sitDown: '2026-10-17T19:30', guests: 6 });
    expect(variant.evening!.zero - store.evening!.zero).toBe(30 * 60_000);
    expect(store.file).toEqual(soup());
    setActivePinia(createPinia());
    await useDinner().restore();
    const again = useVariant();
    await again.restore();
    expect(again.variant!.names).toEqual(['Later.', 'Six.']);
  });

  test('taken it is the dinner, with its plan; undo brings back the one before', async () => {
    const store = await opened();
    const before = store.plan;
    const variant = useVariant();
    await variant.add(later, 'Later.');
    const { plan } = variant.variant!;
    await variant.take();
    expect([store.dinner!.sitDown, variant.variant]).toEqual(['2026-10-17T19:30', null]);
    expect(store.plan).toEqual(plan);
    await store.undo();
    expect(store.plan).toBe(before);
  });

  test('both are kept: the other as a dinner of its own', async () => {
    const store = await opened();
    const variant = useVariant();
    await variant.add(later, 'Later.');
    await variant.keepBoth();
    expect(store.dinner!.title).toBe('Soup and salad: Later.');
    expect((await storage.listDinners()).map((d) => (d.file as { title: string }).title).sort()).toEqual([
      'Soup and salad',
      'Soup and salad: Later.',
    ]);
  });

  test('a change that leads to no evening is named', async () => {
    await opened();
    const variant = useVariant();
    await variant.add([{ path: 'cooks[0].free', value: [] }], 'Nobody cooks.');
    expect([variant.failed, variant.variant]).toEqual(['Nobody cooks.', null]);
  });
});
