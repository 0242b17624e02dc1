import * as z from 'zod';
import { parseText, problemsOf, readDinner, type DinnerFile, type Problem } from '../dinner';
import { readCard, type CardFile } from './card';

/** Everything that is kept, as one file: dinners and the card file as they were written, and settings. */
const backupSchema = z.looseObject({
  format: z.literal('zeitlauf/backup'),
  version: z.literal(1),
  /** When it was made, milliseconds since 1970. */
  made: z.number(),
  dinners: z.array(
    z.looseObject({
      id: z.string().min(1),
      file: z.unknown(),
      changed: z.number().default(0),
      isArchived: z.boolean().default(false),
    }),
  ),
  cards: z.array(z.looseObject({ id: z.string().min(1), card: z.unknown() })),
  settings: z.record(z.string(), z.unknown()).default({}),
});

export interface BackupDinner {
  readonly id: string;
  readonly file: DinnerFile;
  readonly changed: number;
  readonly isArchived: boolean;
}

export interface BackupCard {
  readonly id: string;
  readonly card: CardFile;
}

export interface Backup {
  readonly made: number;
  readonly dinners: readonly BackupDinner[];
  readonly cards: readonly BackupCard[];
  readonly settings: Readonly<Record<string, unknown>>;
}

export type ReadBackup =
  | { readonly ok: true; readonly backup: Backup }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** The text of a backup file. */
export function backupText(backup: Backup): string {
  return `${JSON.stringify({ format: 'zeitlauf/backup', version: 1, ...backup }, null, 1)}\n`;
}

/** Reads a backup from the text of a file. Every dinner and every card in it has to be right, or nothing is taken. */
export function readBackup(text: string): ReadBackup {
  const json = parseText(text);
  if (!json.ok) return json;
  const { value } = json;
  const parsed = backupSchema.safeParse(value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error.issues, value) };
  const within = (place: string, problems: readonly Problem[]) =>
    problems.map((p) => ({ ...p, path: p.path ? `${place}.${p.path}` : place }));
  const { dinners, cards, made, settings } = parsed.data;
  const problems = [
    ...dinners.flatMap(({ file }, k) => {
      const read = readDinner(file);
      return read.ok ? [] : within(`dinners[${k}].file`, read.problems);
    }),
    ...cards.flatMap(({ card }, k) => {
      const read = readCard(card);
      return read.ok ? [] : within(`cards[${k}].card`, read.problems);
    }),
    ...repeated(dinners).map((k) => repeatedProblem('dinners', k, dinners[k]!.id)),
    ...repeated(cards).map((k) => repeatedProblem('cards', k, cards[k]!.id)),
  ];
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    backup: {
      made,
      settings,
      dinners: dinners.map((d) => ({ ...d, file: d.file as DinnerFile })),
      cards: cards.map((c) => ({ ...c, card: c.card as CardFile })),
    },
  };
}

function repeated(list: readonly { readonly id: string }[]): number[] {
  const ids = list.map((entry) => entry.id);
  return ids.flatMap((id, k) => (ids.indexOf(id) < k ? [k] : []));
}

const repeatedProblem = (list: string, k: number, id: string): Problem => ({
  path: `${list}[${k}].id`,
  found: JSON.stringify(id),
  expected: 'an id that no other has',
});

/** What taking a backup in would do to what is kept. */
export interface BackupEffect {
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly same: number;
  /** Only where everything is replaced. */
  readonly removed: readonly string[];
}

interface Kept {
  readonly id: string;
  readonly name: string;
  readonly value: unknown;
}

/** Compares what is kept with what a backup has, by id. `isReplacing`: what the backup lacks goes. */
export function effectOf(kept: readonly Kept[], coming: readonly Kept[], isReplacing: boolean): BackupEffect {
  const before = new Map(kept.map((k) => [k.id, JSON.stringify(k.value)]));
  const added = coming.filter((c) => !before.has(c.id));
  const changed = coming.filter((c) => before.has(c.id) && before.get(c.id) !== JSON.stringify(c.value));
  const ids = new Set(coming.map((c) => c.id));
  return {
    added: added.map((c) => c.name),
    changed: changed.map((c) => c.name),
    same: coming.length - added.length - changed.length,
    removed: isReplacing ? kept.filter((k) => !ids.has(k.id)).map((k) => k.name) : [],
  };
}
