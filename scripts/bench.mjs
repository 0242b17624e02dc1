// Bundles the bench and runs it: see docs/decisions/planner.md.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './setup.mjs';

ensurePackages();
const { build } = await import('esbuild');
const outfile = join(ROOT, '.cache/bench.mjs');
await build({
  entryPoints: [join(ROOT, 'tests/bench/planner.ts')],
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  // It finds its WebAssembly beside itself.
  external: ['highs'],
  outfile,
  logLevel: 'error',
});
process.exitCode =
  spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], { stdio: 'inherit', cwd: ROOT }).status ??
  1;
