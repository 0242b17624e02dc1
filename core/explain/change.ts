import type { Change } from '../plan';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Splits `dishes[0].steps[2].keeps` into its parts; the inverse of how mistakes name places. */
export function pathParts(path: string): (string | number)[] {
  const parts: (string | number)[] = [];
  const pattern = /\[(\d+)\]|\["((?:[^"\\]|\\.)*)"\]|([A-Za-z_][A-Za-z0-9_]*)/g;
  for (const [, position, quoted, name] of path.matchAll(pattern)) {
    if (position !== undefined) parts.push(Number(position));
    else parts.push(name ?? (JSON.parse(`"${quoted}"`) as string));
  }
  return parts;
}

/**
 * A copy of a dinner file (parsed JSON) with changes made at their paths. A value of undefined takes
 * the field out. What lies beside a path is shared with the original, which stays as it was.
 */
export function applyChanges<T>(file: T, changes: readonly Change[]): T {
  let result = file as Json;
  for (const { path, value } of changes) result = set(result, pathParts(path), value as Json);
  return result as T;
}

function set(node: Json, parts: readonly (string | number)[], value: Json): Json {
  const [head, ...rest] = parts;
  if (head === undefined) return value;
  if (typeof head === 'number') {
    const list = Array.isArray(node) ? [...node] : [];
    list[head] = set(list[head] ?? null, rest, value);
    return list;
  }
  const object = node !== null && typeof node === 'object' && !Array.isArray(node) ? { ...node } : {};
  if (rest.length === 0 && value === undefined) {
    const { [head]: _gone, ...others } = object;
    return others;
  }
  object[head] = set(object[head] ?? null, rest, value);
  return object;
}
