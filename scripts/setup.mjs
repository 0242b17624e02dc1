// What the commands of the README share: install what is missing, build what is not current.
import { spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { whenStaleBelow } from './stale.mjs';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** Runs a command; its output goes to standard error unless told otherwise. Ends the process where it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', options.quiet ? 'ignore' : options.stdout ? 'inherit' : 2, 2],
    env: { ...process.env, ...options.env },
  });
  if (status === 0) return;
  process.stderr.write(
    `zeitlauf: "${command} ${args.join(' ')}" failed${error ? `: ${error.message}` : ''}\n`,
  );
  process.exit(status || 1);
}

function say(text) {
  process.stderr.write(`zeitlauf: ${text}\n`);
}

/** Does `work` where `paths` changed since it was last done, or its product is gone. */
const whenStale = (name, product, paths, work) => whenStaleBelow(ROOT, name, product, paths, work);

/** Installs the npm packages where they are missing or the lock file changed. */
export async function ensurePackages() {
  await whenStale('packages', 'node_modules/.package-lock.json', ['package-lock.json'], () => {
    say('installing npm packages (npm ci) ...');
    run('npm', ['ci', '--no-audit', '--no-fund'], { env: { NODE_ENV: 'development' } });
  });
}

const KERNEL = 'core/compiled/kernel.ts';

/** Compiles the search to WebAssembly, once the packages are there. */
export async function ensureKernel() {
  const sources = [
    'kernel',
    'scripts/kernel',
    'core/model',
    'core/plan',
    'core/planner',
    'core/proof',
    'package-lock.json',
  ];
  await whenStale('kernel', KERNEL, sources, async () => {
    say('compiling the search (kernel) ...');
    const { compileKernel } = await import('./kernel/compile.mjs');
    await compileKernel(ROOT, KERNEL);
  });
}

const CORE = ['core', 'tsconfig.json', 'package-lock.json'];

/** Bundles the command line into dist/, where it needs no packages any more. */
export async function ensureCommandLine() {
  const product = 'dist/cli/plan.mjs';
  await ensurePackages();
  await ensureKernel();
  await whenStale('cli', product, [...CORE, 'cli'], async () => {
    const { build } = await import('esbuild');
    rmSync(join(ROOT, 'dist/cli'), { recursive: true, force: true });
    await build({
      entryPoints: ['plan', 'thread', 'schema'].map((name) => join(ROOT, `cli/${name}.ts`)),
      bundle: true,
      splitting: true,
      platform: 'node',
      target: 'node20',
      format: 'esm',
      outdir: join(ROOT, 'dist/cli'),
      outExtension: { '.js': '.mjs' },
      banner: { js: '#!/usr/bin/env node' },
      logLevel: 'error',
    });
  });
  return product;
}

/** Builds the application where its sources changed. */
export async function ensureApplication() {
  await ensurePackages();
  await ensureKernel();
  const sources = [...CORE, 'app', 'server', 'public', 'demo', 'nuxt.config.ts', 'package.json'];
  await whenStale('application', '.output/server/index.mjs', sources, () => {
    say('building the application (nuxt build) ...');
    run('npx', ['nuxt', 'build'], { env: { NODE_ENV: 'production' } });
  });
}

/** Installs Debian's Chromium for the tests of the real interface. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  say("installing Debian's Chromium (apt-get install chromium) ...");
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    run(command, rest, { env: { DEBIAN_FRONTEND: 'noninteractive' } });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', 'chromium');
}
