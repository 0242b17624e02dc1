import Papa from 'papaparse';
import type { ShoppingShelf } from './shopping';

/** What of a list is to be bought, and what it costs where the cook has said so. */
export interface Priced {
  readonly shelves: readonly ShoppingShelf[];
  /** By the key of a line. */
  readonly prices: Readonly<Record<string, number>>;
  readonly title: string;
}

const nameOf = (shelf: string) => shelf.charAt(0).toUpperCase() + shelf.slice(1);

/** The list as plain text, to be sent or read out. */
export function listAsText({ shelves, title }: Priced): string {
  const parts = shelves.map(
    ({ shelf, lines }) =>
      `${nameOf(shelf)}\n${lines.map((l) => `  ${[l.amount, l.item].filter(Boolean).join(' ')}`).join('\n')}`,
  );
  return `${title}\n\n${parts.join('\n\n')}\n`;
}

/** The list as Markdown, with boxes to tick. */
export function listAsMarkdown({ shelves, title }: Priced): string {
  const parts = shelves.map(({ shelf, lines }) => {
    const items = lines.map((l) => {
      const what = [l.amount, markdownText(l.item)].filter(Boolean).join(' ');
      return `- [ ] ${what} (${l.wanted.map((w) => markdownText(w.dish)).join(', ')})`;
    });
    return `## ${markdownText(nameOf(shelf))}\n\n${items.join('\n')}`;
  });
  return `# ${markdownText(title)}\n\n${parts.join('\n\n')}\n`;
}

/** A text in which no letter is taken for a mark of Markdown, in one line. */
export const markdownText = (text: string): string =>
  text
    .replace(/[\\`*_[\]<>#|]/g, '\\$&')
    .replace(/\s+/g, ' ')
    .trim();

/** The list as CSV (RFC 4180); what a spreadsheet would run as a formula is kept a text. */
export function listAsCsv({ shelves, prices }: Priced): string {
  const rows = shelves.flatMap(({ shelf, lines }) =>
    lines.map((l) => ({
      shelf,
      item: l.item,
      amount: l.amount,
      for: l.wanted.map((w) => `${w.dish}: ${w.amount}`).join('; '),
      price: prices[l.key] ?? '',
    })),
  );
  return `${Papa.unparse(rows, { escapeFormulae: true, columns: ['shelf', 'item', 'amount', 'for', 'price'] })}\r\n`;
}

/** What the lines cost in all, and how many of them have a price. */
export function totalOf({ shelves, prices }: Priced): {
  readonly total: number;
  readonly priced: number;
  readonly lines: number;
} {
  const lines = shelves.flatMap((s) => s.lines);
  const known = lines.flatMap((l) => prices[l.key] ?? []);
  return { total: known.reduce((sum, p) => sum + p, 0), priced: known.length, lines: lines.length };
}
