import type { DinnerFile } from '../../core/dinner';
import { dinnerAsMarkdown, planToCalendar } from '../../core/write';
import { useDinner } from '../stores/dinner';
import { usePreferences } from '../stores/preferences';
import firstFrost from '../../demo/first-frost.json?raw';
import homeAtSix from '../../demo/home-at-six.json?raw';
import walnutHarvest from '../../demo/walnut-harvest.json?raw';

export const DEMOS = [
  { name: 'First frost', about: 'four at table, a late autumn Saturday', text: firstFrost },
  { name: 'Home at six', about: 'two at table, a weekday', text: homeAtSix },
  { name: 'The walnut harvest', about: 'six at table, two cooks, four courses', text: walnutHarvest },
];

/** Hands a file over to be saved. */
export function download(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** A file name from a title: "First frost" and "shopping.txt" are first-frost-shopping.txt. */
export const fileName = (title: string, rest: string) =>
  `${title.toLowerCase().replace(/[^a-z0-9]+/g, '-')}${rest}`;

/** Opening and taking away files. */
export function useFiles() {
  const store = useDinner();
  const named = (rest: string) => fileName(store.dinner?.title ?? 'dinner', rest);
  const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;

  return {
    openDemo: (index: number) => store.openText(DEMOS[index]!.text),
    openFile: async (file: File) => store.openText(await file.text()),
    saveDinner: () => download(named('.dinner.json'), json(store.file), 'application/json'),
    savePlan: () => download(named('.plan.json'), json(store.plan), 'application/json'),
    saveMarkdown: () => {
      const { file, dinner, plan } = store;
      const text = dinnerAsMarkdown(file as DinnerFile, dinner!, plan, usePreferences().system);
      download(named('.md'), text, 'text/markdown');
    },
    saveCalendar: () => {
      if (!store.evening) return;
      const text = planToCalendar(store.evening.dinner, store.evening.plan, Date.now());
      download(named('.ics'), text, 'text/calendar');
    },
  };
}
