import { auditPlan } from '../../core/audit';
import { readDinner } from '../../core/dinner';
import { readPlan, type Plan } from '../../core/plan';

/** What stands before an evening that was made small enough for a message. */
const MARK = 'zeitlauf-evening:1:';
/** Bytes that an evening may unfold to: what is sent is not trusted. */
const MOST = 2_000_000;

/** An evening as it goes to the second cook: the dinner, its plan, and for whom it is. */
export interface PostedEvening {
  readonly file: unknown;
  readonly plan: Plan | null;
  readonly cook: string | null;
}

/** A stream of one piece of bytes. */
const streamOf = (bytes: Uint8Array<ArrayBuffer>) => new Blob([bytes]).stream();

async function readAll(stream: ReadableStream<Uint8Array>): Promise<Uint8Array<ArrayBuffer> | null> {
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = stream.getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    size += next.value.length;
    if (size > MOST) {
      await reader.cancel();
      return null;
    }
    parts.push(next.value);
  }
  const all = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

const toLetters = (bytes: Uint8Array) =>
  btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
const fromLetters = (text: string) =>
  Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0));

/** An evening in some thousand letters that a message, or the end of a link, can carry. */
export async function packEvening(evening: PostedEvening): Promise<string> {
  const bytes = new TextEncoder().encode(JSON.stringify(evening));
  const small = await readAll(streamOf(bytes).pipeThrough(new CompressionStream('deflate-raw')));
  return MARK + toLetters(small!);
}

export const isPacked = (text: string): boolean => text.trimStart().startsWith(MARK);

/**
 * Unpacks an evening; null where it is none. A plan that does not hold for its dinner is left out: the dinner
 * is then planned anew.
 */
export async function unpackEvening(text: string): Promise<PostedEvening | null> {
  try {
    const bytes = fromLetters(text.trim().slice(MARK.length));
    const all = await readAll(streamOf(bytes).pipeThrough(new DecompressionStream('deflate-raw')));
    if (!all) return null;
    const { file, plan, cook } = JSON.parse(new TextDecoder().decode(all)) as Record<string, unknown>;
    const read = readDinner(file);
    if (!read.ok) return null;
    const sent = readPlan(plan);
    const holds = sent !== null && auditPlan(read.dinner, sent).breaches.length === 0;
    const whose = read.dinner.cooks.find((c) => c.id === cook)?.id ?? null;
    return { file, plan: holds ? sent : null, cook: whose };
  } catch {
    return null;
  }
}
