// Sets up what is missing and runs every check: format, lint, types, unit tests, the real interface.
import {
  ensureApplication,
  ensureChromium,
  ensureCommandLine,
  ensureKernel,
  ensurePackages,
  run,
} from './setup.mjs';

const only = process.argv[2];
const npm = (script) => () => run('npm', ['run', '--silent', script], { stdout: true });

await ensurePackages();
await ensureKernel();
const checks = [
  ['format', npm('format:check')],
  ['lint', npm('lint')],
  ['types', npm('types')],
  ['core types', npm('types:core')],
  ['test types', npm('types:tests')],
  [
    'unit tests',
    async () => {
      await ensureCommandLine();
      npm('jest')();
    },
  ],
  [
    'interface',
    async () => {
      ensureChromium();
      await ensureApplication();
      npm('e2e')();
    },
  ],
];
for (const [name, check] of checks) {
  if (only !== undefined && only !== name) continue;
  process.stderr.write(`zeitlauf: ${name} ...\n`);
  await check();
}
process.stderr.write('zeitlauf: all checks passed\n');
