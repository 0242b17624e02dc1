import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { whenStaleBelow } from '../../scripts/stale.mjs';

let root: string;
let done: number;

beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'stale-'));
  mkdirSync(join(root, 'sources', 'deep'), { recursive: true });
  write('sources/deep/one.ts', 'one');
  write('sources/two.ts', 'two');
  done = 0;
});

afterEach(() => rmSync(root, { recursive: true, force: true }));

function write(path: string, text: string): void {
  writeFileSync(join(root, path), text);
}

const make = (work: () => void | Promise<void> = () => undefined) =>
  whenStaleBelow(root, 'thing', 'product.txt', ['sources', 'missing.json'], async () => {
    done += 1;
    await work();
    write('product.txt', 'made');
  });

test('what is made is made once', async () => {
  await make();
  await make();
  expect(done).toBe(1);
});

test('it is made anew where a file deep below a source changed, came or went', async () => {
  await make();
  write('sources/deep/one.ts', 'other');
  await make();
  write('sources/deep/three.ts', 'three');
  await make();
  rmSync(join(root, 'sources/two.ts'));
  await make();
  write('missing.json', '{}');
  await make();
  expect(done).toBe(5);
  await make();
  expect(done).toBe(5);
});

test('a file that is written anew with the same content changes nothing', async () => {
  await make();
  write('sources/two.ts', 'two');
  await make();
  expect(done).toBe(1);
});

test('it is made anew where the product is gone', async () => {
  await make();
  rmSync(join(root, 'product.txt'));
  await make();
  expect(done).toBe(2);
});

test('what failed is not taken for made, at once or later, even where an old product is there', async () => {
  await make();
  write('sources/two.ts', 'wrong');
  const fail = () => Promise.reject(new Error('it does not compile'));
  await expect(make(fail)).rejects.toThrow('it does not compile');
  await expect(make(fail)).rejects.toThrow('it does not compile');
  expect(done).toBe(3);
  await make();
  expect(done).toBe(4);
});
