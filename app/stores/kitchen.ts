import { ElMessage } from 'element-plus';
import { defineStore } from 'pinia';
import { PLAIN_KITCHEN } from '../../core/compose';
import type { DinnerFile } from '../../core/dinner';
import { storage } from '../storage/database';
import { useDinner } from './dinner';

const SETTING = 'kitchen';
type KitchenFile = DinnerFile['kitchen'];

/** The kitchen of the open dinner; a change is remembered for the next dinner that is begun. */
export const useKitchen = defineStore('kitchen', () => {
  const open = useDinner();
  const kitchen = computed(() => open.dinner!.kitchen);

  async function change(make: (kitchen: KitchenFile) => KitchenFile): Promise<void> {
    const isRight = await open.compose((file) => ({ ...file, kitchen: make(file.kitchen) }));
    if (!isRight) {
      ElMessage.error(`This cannot be: ${open.problems[0]}.`);
      return;
    }
    await storage.saveSetting(SETTING, (open.file as DinnerFile).kitchen);
  }

  /** What a new dinner begins with: the kitchen changed last, else the open dinner's. */
  async function forNew(): Promise<KitchenFile> {
    const remembered = await storage.loadSetting<KitchenFile>(SETTING);
    const here = (open.file as DinnerFile | null)?.kitchen;
    return remembered ?? here ?? PLAIN_KITCHEN;
  }

  return { kitchen, change, forNew };
});
