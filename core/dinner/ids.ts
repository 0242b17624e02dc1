/** `wanted`, or the first of `wanted-2`, `wanted-3`, ... that is not taken. */
export function freeId(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted;
  for (let k = 2; ; k++) if (!taken.has(`${wanted}-${k}`)) return `${wanted}-${k}`;
}

/** An id made of what a name says: "Red cabbage, spiced" is `red-cabbage-spiced`. */
export function idFrom(name: string, fallback: string): string {
  const plain = name
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  return plain || fallback;
}
