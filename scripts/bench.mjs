// Bundles a measurement and runs it: `planner` (see docs/decisions/planner.md), `corpus` (docs/decisions/reading.md) or
// `smooth` (docs/decisions/rendering.md), which needs the built application.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureApplication, ensureChromium, ensureKernel, ensurePackages, ROOT } from './setup.mjs';

const [name, ...options] = process.argv.slice(2);
await ensurePackages();
await ensureKernel();
if (name === 'smooth') {
  ensureChromium();
  await ensureApplication();
}
const { build } = await import('esbuild');
const outfile = join(ROOT, `.cache/${name}.mjs`);
await build({
  entryPoints: [join(ROOT, `tests/bench/${name}.ts`)],
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  // It finds its WebAssembly beside itself.
  external: ['highs', '@playwright/test'],
  outfile,
  logLevel: 'error',
});
process.exitCode =
  spawnSync(process.execPath, [outfile, ...options], { stdio: 'inherit', cwd: ROOT }).status ?? 1;
