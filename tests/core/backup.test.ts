import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { backupText, effectOf, readBackup, type Backup, type CardFile } from '../../core/compose';
import { describeProblem, type DinnerFile } from '../../core/dinner';
import { demoText } from '../builders/dinner';

const cards = JSON.parse(
  readFileSync(new URL('../../demo/cards.json', import.meta.url), 'utf8'),
) as CardFile[];
const backup: Backup = {
  made: 1_790_000_000_000,
  dinners: ['first-frost', 'home-at-six'].map((id) => ({
    id,
    file: { ...JSON.parse(demoText(id)), 'x-note': id } as DinnerFile,
    changed: 5,
    isArchived: id === 'home-at-six',
  })),
  cards: cards.slice(0, 3).map((card) => ({ id: card.dish.id, card })),
  settings: { kitchen: { rings: 3 } },
};
const problemsIn = (text: string) => {
  const result = readBackup(text);
  return result.ok ? [] : result.problems.map(describeProblem);
};

test('what is written out is read in again, unknown fields and all', () => {
  const result = readBackup(backupText(backup));
  expect(result.ok && result.backup).toMatchObject(backup);
});

test('a damaged or foreign file is told apart, with its place', () => {
  expect(problemsIn('{')).toHaveLength(1);
  expect(problemsIn(demoText('first-frost'))[0]).toMatch(/^format: found "zeitlauf\/dinner"/);
  const wrong = structuredClone(backup) as unknown as { dinners: { file: { guests: unknown } }[] };
  wrong.dinners[1]!.file.guests = 'many';
  expect(problemsIn(JSON.stringify({ format: 'zeitlauf/backup', version: 1, ...wrong }))).toEqual([
    'dinners[1].file.guests: found "many", expected a number',
  ]);
  const twice = { ...backup, cards: [backup.cards[0]!, backup.cards[0]!] };
  expect(problemsIn(backupText(twice))).toEqual([
    `cards[1].id: found "${backup.cards[0]!.id}", expected an id that no other has`,
  ]);
});

test('a text that was cut or changed anywhere never throws: it is read whole, or not at all', () => {
  const text = backupText({ ...backup, dinners: backup.dinners.slice(1), cards: backup.cards.slice(0, 1) });
  fc.assert(
    fc.property(fc.nat(text.length - 1), fc.nat(40), fc.string({ maxLength: 6 }), (at, length, into) => {
      const result = readBackup(text.slice(0, at) + into + text.slice(at + length));
      if (!result.ok) expect(result.problems.length).toBeGreaterThan(0);
    }),
    { numRuns: 150, seed: 9 },
  );
});

test('the effect of taking it in: new, changed, as it is, and gone where all is replaced', () => {
  const kept = [
    { id: 'a', name: 'Soup', value: { x: 1 } },
    { id: 'b', name: 'Tart', value: { x: 2 } },
    { id: 'c', name: 'Ice', value: { x: 3 } },
  ];
  const coming = [
    { id: 'a', name: 'Soup', value: { x: 1 } },
    { id: 'b', name: 'Tart, better', value: { x: 5 } },
    { id: 'd', name: 'Fizz', value: { x: 4 } },
  ];
  expect(effectOf(kept, coming, false)).toEqual({
    added: ['Fizz'],
    changed: ['Tart, better'],
    same: 1,
    removed: [],
  });
  expect(effectOf(kept, coming, true).removed).toEqual(['Ice']);
});
