/** Lines of a run sheet by day, in the order in which they come. */
export function byDay<Line>(
  lines: readonly { readonly day: string; readonly line: Line }[],
): { day: string; lines: Line[] }[] {
  const days = new Map<string, Line[]>();
  for (const { day, line } of lines) days.set(day, [...(days.get(day) ?? []), line]);
  return [...days].map(([day, list]) => ({ day, lines: list }));
}
