import { defineStore } from 'pinia';
import { readDinner } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import type { Evening } from '../../core/live';
import type { Change, Plan } from '../../core/plan';
import { useQuestion } from '../composables/useOwnWorker';
import { storage, variantSetting } from '../storage/database';
import { useDinner } from './dinner';

/** Another evening beside the open one: its file and its plan, and how it came about. */
interface Variant {
  readonly names: readonly string[];
  readonly file: unknown;
  readonly plan: Plan;
}

const SECONDS = 1.5;

/** The other evening that a cook looks at beside theirs; it is kept with the dinner until one of them is chosen. */
export const useVariant = defineStore('variant', () => {
  const store = useDinner();
  const question = useQuestion();
  const variant = shallowRef<Variant | null>(null);
  /** The change that led to no evening. */
  const failed = ref('');

  const evening = computed((): Evening | null => {
    const read = variant.value ? readDinner(variant.value.file) : null;
    if (!read?.ok) return null;
    return { dinner: read.dinner, plan: variant.value!.plan, zero: zeroOf(read.dinner.sitDown) };
  });
  /** Instants of another sitting down: as far from the open dinner's as the clocks say. */
  const zeroOf = (sitDown: string) =>
    store.zero + (Date.parse(`${sitDown}Z`) - Date.parse(`${store.dinner!.sitDown}Z`));

  async function restore(): Promise<void> {
    const kept = await storage.loadSetting<Variant>(variantSetting(store.id));
    variant.value = kept?.plan?.feasible && readDinner(kept.file).ok ? kept : null;
    failed.value = '';
  }
  watch(() => store.id, restore);

  const save = (next: Variant | null) => {
    variant.value = next;
    return storage.saveSetting(variantSetting(store.id), next);
  };

  /** Makes the other evening, or changes it further. */
  async function add(changes: readonly Change[], name: string): Promise<void> {
    if (!store.plan?.feasible) return;
    failed.value = '';
    const base = variant.value ?? { names: [], file: store.file, plan: store.plan };
    await question.begin(async (remote) => {
      const made = await remote.variant(base.file, base.plan, changes, SECONDS);
      if (made) await save({ names: [...base.names, name], ...made });
      else failed.value = name;
    });
  }

  const drop = () => save(null);

  /** Puts the other evening in place of the open one; undo brings it back. */
  async function take(): Promise<void> {
    if (!variant.value) return;
    const { file, plan } = variant.value;
    await store.replacePlanned(file, plan);
    await drop();
  }

  /** Keeps both: the other evening as a dinner of its own, which is opened. */
  async function keepBoth(): Promise<void> {
    if (!variant.value) return;
    const { file, names } = variant.value;
    await drop();
    await store.openFile(
      applyChanges(file, [{ path: 'title', value: `${store.dinner!.title}: ${names.join(' ')}` }]),
    );
  }

  return {
    variant,
    evening,
    failed,
    isMaking: question.isComparing,
    restore,
    add,
    drop,
    take,
    keepBoth,
    stop: question.end,
  };
});
