// Compiles the search of the core to WebAssembly, so that it runs at full speed from its first round on. Files below
// kernel/ take the place of those of the same path below core/; all others are lowered as they are.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import asc from 'assemblyscript/asc';
import { lower } from './lower.mjs';

const ENTRIES = ['model/entry.ts', 'planner/entry.ts', 'proof/entry.ts'];

/** Writes `product`, a module that holds the compiled kernel, from the sources below `root`. */
export async function compileKernel(root, product) {
  const read = (name) => {
    const own = join(root, 'kernel', name);
    if (existsSync(own)) return readFileSync(own, 'utf8');
    const shared = join(root, 'core', name);
    return existsSync(shared) ? lower(readFileSync(shared, 'utf8'), name) : null;
  };
  let binary = null;
  const { error, stderr } = await asc.main(
    [...ENTRIES, '--outFile', 'kernel.wasm', '--runtime', 'stub', '-O3', '--noAssert'],
    {
      readFile: (name) => read(name.replaceAll('\\', '/')),
      writeFile: (_, contents) => (binary = contents),
      listFiles: () => [],
    },
  );
  if (error) throw new Error(`the kernel does not compile:\n${stderr.toString()}`);
  mkdirSync(dirname(join(root, product)), { recursive: true });
  const text = Buffer.from(binary).toString('base64');
  writeFileSync(
    join(root, product),
    `/** The compiled kernel, in base64. */\nexport const KERNEL =\n  '${text}';\n`,
  );
}
