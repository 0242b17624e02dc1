import { lower } from '../../scripts/kernel/lower.mjs';

/** Lowered text with all white space as one blank. */
const lowered = (text: string) => lower(text, 'example.ts').replaceAll(/\s+/g, ' ').trim();

test('numbers are whole unless they say that they need not be', () => {
  expect(lowered('export function f(a: number, b: f64): number { return a; }')).toBe(
    'export function f(a: i32, b: f64): i32 { return a; }',
  );
  expect(lowered("import { limit, type f64, type Mode } from '../model';")).toBe(
    "import { limit, Mode } from '../model';",
  );
  expect(lowered("import type { f64 } from '../model';")).toBe('');
});

test('what only the type checker reads goes', () => {
  expect(lowered('const x: number[][] = list!;')).toBe('const x: i32[][] = list;');
  expect(lowered('f(a!.b!);')).toBe('f(a.b);');
  expect(lowered("export { run, type Board } from './board';")).toBe("export { run, Board } from './board';");
});

test('rows, and lists that stay as they are, have their elements where they are pointed at', () => {
  expect(lowered('const x: readonly number[] = list;')).toBe('const x: StaticArray<i32> = list;');
  expect(lowered('let x: Int32Array = new Int32Array(n);')).toBe(
    'let x: StaticArray<i32> = new StaticArray<i32>(n);',
  );
  expect(lowered('class C { a = new Float64Array(2); b: readonly Uint8Array[]; }')).toBe(
    'class C { a: StaticArray<f64> = new StaticArray<f64>(2); b: StaticArray<StaticArray<u8>>; }',
  );
  expect(lowered('a.b.set(c[i]!);')).toBe(
    "import { copyRow } from './model/rows'; copyRow(a.b, unchecked(c[i]));",
  );
});

test('elements are read and written without a look at the bounds, each once', () => {
  expect(lowered('x = a[i]! + b[c[i]!]!;')).toBe('x = unchecked(a[i]) + unchecked(b[unchecked(c[i])]);');
  expect(lowered('a[i]! += b[i]!;')).toBe('unchecked(a[i] += unchecked(b[i]));');
  expect(lowered('a[i] = b[i] = 0;')).toBe('unchecked(a[i] = unchecked(b[i] = 0));');
  expect(lowered('a[i]!++;')).toBe('unchecked(a[i]++);');
});

test('destructuring reads its value once, in the order it is written', () => {
  expect(lowered('const { a, b: c } = this;')).toBe('const a = this.a, c = this.b;');
  expect(lowered('const { a } = f(x), d = a;')).toBe('const _1 = f(x), a = _1.a, d = a;');
});

test('for-of takes the list once and goes on where the body says so', () => {
  expect(lowered('for (const x of list()) { if (x) continue; g(x); }')).toBe(
    '{ const _1 = list(); for (let _2 = 0; _2 < _1.length; _2++) { const x = unchecked(_1[_2]); if (x) continue; g(x); } }',
  );
  expect(lowered('for (const { a } of list) g(a);')).toBe(
    '{ const _1 = list; for (let _2 = 0; _2 < _1.length; _2++) { const _3 = unchecked(_1[_2]), a = _3.a; g(a); } }',
  );
});

test('the greatest and least of several are taken in pairs', () => {
  expect(lowered('x = Math.max(a, b, Math.min(c, d));')).toBe('x = max(max(a, b), min(c, d));');
  expect(lowered('x = Math.imul(a, b);')).toBe('x = (a * b);');
});

test('fields and parameters have the type of what they begin with', () => {
  expect(lowered('class C { a = 0; private b = -1; c = false; d = new D(1); e: f64 = 0; }')).toBe(
    'class C { a: i32 = 0; private b: i32 = -1; c: bool = false; d: D = new D(1); e: f64 = 0; }',
  );
  expect(lowered('function f(a = 1, b = false, c: f64 = 2) {}')).toBe(
    'function f(a: i32 = 1, b: bool = false, c: f64 = 2) { }',
  );
});
