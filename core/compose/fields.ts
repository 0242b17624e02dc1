/** A copy with some fields changed; those that are undefined, or an empty text, are taken out. */
export function withFields<T extends object>(object: T, change: Partial<T>): T {
  const fields = Object.entries({ ...object, ...change }) as [string, unknown][];
  return Object.fromEntries(fields.filter(([, value]) => value !== undefined && value !== '')) as T;
}
