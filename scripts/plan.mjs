// The command line of the contract: plans one dinner file. Bundles it first where it is not current.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureCommandLine, ROOT } from './setup.mjs';

const program = join(ROOT, await ensureCommandLine());
const { status } = spawnSync(process.execPath, [program, ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exitCode = status ?? 1;
