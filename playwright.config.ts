import { defineConfig } from '@playwright/test';

const PORT = Number(process.env.E2E_PORT ?? 3210);

export default defineConfig({
  testDir: 'tests/e2e',
  // Plans are searched for in real time: on a busy machine all takes longer, and now and then a test is too slow once.
  // One that passes only when it is run again is reported as flaky.
  timeout: 90_000,
  expect: { timeout: 10_000 },
  workers: 1,
  retries: 1,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE localhost, EXCLUDE 127.0.0.1',
      ],
    },
  },
  webServer: {
    command: `PORT=${PORT} HOST=127.0.0.1 node .output/server/index.mjs`,
    url: `http://127.0.0.1:${PORT}`,
    reuseExistingServer: false,
  },
});
