import { toWall } from '../../core/clock';
import { laidAhead } from '../../core/compose';
import type { DinnerFile } from '../../core/dinner';
import { dinnerAsMarkdown, planToCalendar, stripPicture } from '../../core/write';
import { isPacked, unpackEvening } from './usePost';
import { useDinner } from '../stores/dinner';
import { usePreferences } from '../stores/preferences';
import { useStripLook } from '../stores/strip';
import firstFrost from '../../demo/first-frost.json?raw';
import homeAtSix from '../../demo/home-at-six.json?raw';
import walnutHarvest from '../../demo/walnut-harvest.json?raw';

/** Points on a side that every browser can draw. */
const MOST_POINTS = 8000;

export const DEMOS = [
  { name: 'First frost', about: 'four at table, a late autumn Saturday', text: firstFrost },
  { name: 'Home at six', about: 'two at table, a weekday', text: homeAtSix },
  { name: 'The walnut harvest', about: 'six at table, two cooks, four courses', text: walnutHarvest },
];

/** A demo dinner on the same day of the week as it was written for, the next time that all of it lies ahead. */
export function demoFile(index: number): DinnerFile {
  const file = JSON.parse(DEMOS[index]!.text) as DinnerFile;
  return laidAhead(file, toWall(Math.floor(Date.now() / 60_000), file.timeZone!));
}

/** Hands a file over to be saved. */
export function download(name: string, content: string | Blob, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
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

  /** The colours of the page as they are now. */
  function colours() {
    const style = getComputedStyle(document.documentElement);
    const of = (name: string) => style.getPropertyValue(`--${name}`).trim();
    return {
      paper: of('paper'),
      ink: of('ink'),
      soft: of('soft'),
      line: of('line'),
      seat: of('seat'),
      heat: of('heat-high'),
      courses: [0, 1, 2, 3, 4].map((k) => of(`course-${k}`)),
      several: of('course-none'),
    };
  }
  const picture = () => stripPicture(store.evening!.dinner, store.evening!.plan, colours());

  async function savePng(): Promise<void> {
    const { svg, width, height } = picture();
    const image = new Image();
    image.src = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
    await image.decode();
    // Twice as many points as pixels, but no more than browsers can draw.
    const factor = Math.min(2, MOST_POINTS / height, MOST_POINTS / width);
    const canvas = document.createElement('canvas');
    canvas.width = Math.floor(width * factor);
    canvas.height = Math.floor(height * factor);
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    URL.revokeObjectURL(image.src);
    canvas.toBlob((blob) => blob && download(named('.png'), blob, 'image/png'), 'image/png');
  }

  /** Opens an evening that was sent, with its plan; false where it is none. */
  async function openPacked(text: string): Promise<boolean> {
    const sent = await unpackEvening(text);
    if (!sent) {
      store.problems = ['This is no evening that was sent from Zeitlauf, or a part of it is missing.'];
      return false;
    }
    if (!(await store.openFile(sent.file, sent.plan))) return false;
    if (sent.cook) await useStripLook().set({ look: 'list', whose: sent.cook });
    return true;
  }
  async function openFile(file: File): Promise<boolean> {
    const text = await file.text();
    return isPacked(text) ? openPacked(text) : store.openText(text);
  }

  return {
    openDemo: (index: number) => store.openFile(demoFile(index)),
    openFile,
    openPacked,
    saveSvg: () => download(named('.svg'), picture().svg, 'image/svg+xml'),
    savePng,
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
