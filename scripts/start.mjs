// Sets up and starts the application with its demo dinners.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureApplication, ROOT } from './setup.mjs';

await ensureApplication();
const port = process.env.PORT ?? '3000';
const host = process.env.HOST ?? '127.0.0.1';
process.stderr.write(`zeitlauf: open http://${host}:${port}\n`);
const server = spawn(process.execPath, [join(ROOT, '.output/server/index.mjs')], {
  stdio: 'inherit',
  env: { ...process.env, PORT: port, HOST: host },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
