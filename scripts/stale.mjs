// What is done anew only where what it is made of changed.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** A fingerprint of the files below `paths`, by name and content. */
function fingerprint(root, paths) {
  const hash = createHash('sha256');
  const visit = (path) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) visit(join(path, name));
    } else hash.update(path).update(readFileSync(full));
  };
  paths.forEach(visit);
  return hash.digest('hex');
}

/**
 * Does `work` where some of `paths` changed since it was last done to the end, or its product is gone. All paths are
 * below `root`.
 */
export async function whenStaleBelow(root, name, product, paths, work) {
  const stamp = join(root, '.cache', `${name}.stamp`);
  const now = fingerprint(root, paths);
  if (existsSync(join(root, product)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  await work();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, now);
}
