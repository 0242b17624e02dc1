import { Parser } from 'htmlparser2';

/** What is of use in a saved web page: its JSON-LD, and the text that a reader sees. */
export interface Page {
  readonly data: readonly unknown[];
  readonly text: string;
}

const BLOCKS = new Set(
  'p div li ul ol h1 h2 h3 h4 h5 h6 br tr table section article header footer main aside dd dt figure'.split(
    ' ',
  ),
);
const HIDDEN = new Set('script style noscript template head nav footer svg button form iframe'.split(' '));
const MOST_LETTERS = 200_000;

/** Whether a text is meant as a page. */
export function looksLikePage(text: string): boolean {
  return /^\s*(?:<!doctype html|<html\b|<(?:head|body|script|div|article|main|section|h1|p|ol|ul)\b)/i.test(
    text,
  );
}

/** Reads markup without ever running or keeping it: what comes out is text and parsed JSON. */
export function readPage(html: string): Page {
  const data: unknown[] = [];
  let text = '';
  let hidden = 0;
  let json: string | null = null;
  const parser = new Parser({
    onopentag(name, attributes) {
      if (name === 'script' && /ld\+json/i.test(attributes['type'] ?? '')) json = '';
      if (HIDDEN.has(name)) hidden += 1;
      if (BLOCKS.has(name)) text += '\n';
      if (/^h[1-6]$/.test(name)) text += '# ';
      if (name === 'li') text += '- ';
    },
    ontext(part) {
      if (json !== null) json += part;
      else if (hidden === 0 && text.length < MOST_LETTERS) text += part.replace(/\s+/g, ' ');
    },
    onclosetag(name) {
      if (name === 'script' && json !== null) {
        const parsed = parseLoosely(json);
        if (parsed !== undefined) data.push(parsed);
        json = null;
      }
      if (HIDDEN.has(name)) hidden = Math.max(0, hidden - 1);
      if (BLOCKS.has(name)) text += '\n';
    },
  });
  parser.write(html);
  parser.end();
  const lines = text.split('\n').map((line) => line.trim());
  return {
    data,
    text: lines
      .filter((line, k) => line || lines[k - 1])
      .join('\n')
      .trim(),
  };
}

/** JSON as pages carry it: sometimes in a comment, sometimes with raw line breaks inside texts. */
function parseLoosely(json: string): unknown {
  const plain = json.replace(
    /^\s*(?:<!--|\/\*<!\[CDATA\[\*\/|<!\[CDATA\[)|(?:-->|\/\*\]\]>\*\/|\]\]>)\s*$/g,
    '',
  );
  for (const attempt of [plain, plain.replace(/\p{Cc}+/gu, ' ')]) {
    try {
      return JSON.parse(attempt) as unknown;
    } catch {
      // The next attempt, or none: a page with broken data still has its text.
    }
  }
  return undefined;
}
