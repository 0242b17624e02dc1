// Compiles the search to WebAssembly where its sources changed.
import { ensureKernel } from './setup.mjs';

await ensureKernel();
