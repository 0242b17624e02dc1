import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { runsSideBySide } from '../core/planner/side-by-side';

// A thread needs as long to begin as this one needs to read the dinner, so it begins first, and nothing it does not need is loaded before.
const beside = runsSideBySide(0, availableParallelism())
  .slice(1)
  .map(() => new Worker(new URL('./thread.mjs', import.meta.url)));
for (const thread of beside) thread.unref();

const { main } = await import('./main');
process.exitCode = await main(process.argv.slice(2), beside);
