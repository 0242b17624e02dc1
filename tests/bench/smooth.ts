/** Measures, in the real interface, how smoothly the strip of an 80-step evening is panned and bent. */
import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { generateDinner } from '../builders/generate-dinner';

const PORT = 3471;
const HOST = `http://127.0.0.1:${PORT}`;
const FRAME = 1000 / 60;

interface Frames {
  readonly perSecond: number;
  readonly slowest: number;
  /** Share of frames that came within two frames' time. */
  readonly inTime: number;
}

function framesOf(times: readonly number[]): Frames {
  const gaps = times.slice(1).map((t, k) => t - times[k]!);
  const sum = gaps.reduce((a, b) => a + b, 0);
  return {
    perSecond: (1000 * gaps.length) / sum,
    slowest: Math.max(...gaps),
    inTime: gaps.filter((gap) => gap <= 2 * FRAME).length / gaps.length,
  };
}

/** Scrolls through the strip, a step a frame; times of the frames. */
const pan = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number[]>((resolve) => {
        const times: number[] = [];
        let by = 24;
        const step = (t: number) => {
          times.push(t);
          if (times.length > 240) return resolve(times);
          const end = document.documentElement.scrollHeight - window.innerHeight;
          if (window.scrollY >= end || window.scrollY <= 0) by = window.scrollY <= 0 ? 24 : -24;
          window.scrollBy(0, by);
          requestAnimationFrame(step);
        };
        requestAnimationFrame(step);
      }),
  );

/** Drags a line of the run sheet to and fro; times of the frames, and how long the plan lags behind each place. */
async function drag(page: Page): Promise<{ frames: number[]; lags: number[] }> {
  const lines = page
    .getByRole('list', { name: /^Hands of/ })
    .first()
    .getByRole('button');
  const line = lines.nth(Math.floor((await lines.count()) / 2));
  await line.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const box = (await line.boundingBox())!;
  await page.evaluate(() => {
    const state = { frames: [] as number[], lags: [] as number[] };
    Object.assign(window, { measured: state });
    let place = '';
    let since = 0;
    const step = (t: number) => {
      state.frames.push(t);
      const note = document.querySelector<HTMLElement>('[data-to]');
      if (note) {
        const { to, at } = note.dataset;
        if (to !== place) {
          place = to!;
          since = t;
        }
        if (at === place && since > 0) {
          state.lags.push(t - since);
          since = -1;
        }
      }
      requestAnimationFrame(step);
    };
    requestAnimationFrame(step);
  });
  const [x, y] = [box.x + 120, box.y + 10];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 160; k++) {
    await page.mouse.move(x, y + 70 * Math.sin(k / 12));
    await page.waitForTimeout(16);
  }
  const measured = await page.evaluate(
    () => (window as unknown as { measured: { frames: number[]; lags: number[] } }).measured,
  );
  await page.keyboard.press('Escape');
  await page.mouse.up();
  return measured;
}

const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  env: { ...process.env, PORT: String(PORT), HOST: '127.0.0.1' },
  stdio: 'ignore',
});
try {
  for (let k = 0; k < 50; k++) {
    if (
      await fetch(HOST).then(
        () => true,
        () => false,
      )
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-dev-shm-usage'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(HOST);
  const dinner = generateDinner(3, 'large');
  await page.getByTestId('open-file').setInputFiles({
    name: 'large.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(dinner)),
  });
  await page.getByRole('heading', { level: 1, name: dinner.title }).waitFor();
  await page.getByText(/Hands: .* in all/).waitFor({ timeout: 60_000 });
  await page
    .getByRole('button', { name: /Tight places \([1-9]/ })
    .waitFor({ timeout: 30_000 })
    .catch(() => undefined);
  await page.waitForTimeout(500);
  const steps = dinner.dishes.reduce((sum, dish) => sum + dish.steps.length, 0);
  console.log(`${steps} steps, ${dinner.cooks.length} cooks, 1280 by 800\n`);
  console.log('                    frames a second   slowest frame   within two frames');
  const tell = (name: string, { perSecond, slowest, inTime }: Frames) =>
    console.log(
      `${name.padEnd(20)}${perSecond.toFixed(0).padStart(15)}${`${slowest.toFixed(0)} ms`.padStart(16)}${`${(100 * inTime).toFixed(0)} %`.padStart(20)}`,
    );
  tell('panning', framesOf(await pan(page)));
  const { frames, lags } = await drag(page);
  tell('dragging', framesOf(frames));
  lags.sort((a, b) => a - b);
  const share = (part: number) => lags[Math.min(lags.length - 1, Math.floor(part * lags.length))] ?? NaN;
  console.log(
    `\nThe plan lags behind the hand, ${lags.length} places: median ${share(0.5).toFixed(0)} ms, 95 of 100 within ${share(0.95).toFixed(0)} ms`,
  );
  await browser.close();
} finally {
  server.kill();
}
