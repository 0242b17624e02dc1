import { KERNEL } from '../../compiled/kernel';
import type { Row } from './pack';

/** What every use of the compiled kernel needs: see `kernel/model/parcel.ts`. Addresses are in bytes. */
export interface KernelMemory {
  readonly memory: { readonly buffer: ArrayBuffer };
  receive(length: number): number;
}

/** The part of the language's WebAssembly that is used here; absent where a host has switched it off. */
interface Compiler {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: unknown };
}

const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

/** What a text in base64 stands for (RFC 4648). */
function bytesOf(text: string): Uint8Array {
  const digits = text.replace(/=+$/, '');
  const bytes = new Uint8Array((digits.length * 3) >> 2);
  let bits = 0;
  let at = 0;
  for (let k = 0; k < digits.length; k++) {
    bits = (bits << 6) | DIGITS.indexOf(digits[k]!);
    if (k % 4 !== 0) bytes[at++] = bits >> (6 - 2 * (k % 4));
  }
  return bytes;
}

let compiled: object | null | undefined;

/** The compiled module, made once; null where the host does not allow it. */
function compiledModule(compiler: Compiler): object | null {
  if (compiled !== undefined) return compiled;
  try {
    compiled = new compiler.Module(bytesOf(KERNEL));
  } catch {
    compiled = null;
  }
  return compiled;
}

/** A kernel of its own for what was packed, which it has received; null where the host has no WebAssembly. */
export function openKernel<Exports extends KernelMemory>(row: Row, isOver: () => boolean): Exports | null {
  const { WebAssembly: compiler } = globalThis as { WebAssembly?: Compiler };
  const module = compiler ? compiledModule(compiler) : null;
  if (!compiler || !module) return null;
  const abort = (): void => {
    throw new Error('the kernel has stopped');
  };
  const env = { abort, 'Math.pow': Math.pow, 'Math.exp': Math.exp };
  const entry = { hostIsOver: () => (isOver() ? 1 : 0) };
  let exports: Exports;
  try {
    exports = new compiler.Instance(module, { env, entry }).exports as Exports;
  } catch {
    // No memory left for one more: the other build needs none of its own.
    return null;
  }
  const at = exports.receive(row.numbers.length);
  new Float64Array(exports.memory.buffer, at, row.numbers.length).set(row.numbers);
  return exports;
}
