import { readRecipes } from '../../core/recipes';
import { readCorpus } from '../corpus/corpus';
import { measure, noTallies, table } from '../corpus/measure';

/**
 * How well recipes are read: precision and recall on the texts used for tuning, and on those kept aside.
 * `--faults` lists what differs, for the texts used for tuning only.
 */
const MEGABYTE = 1_000_000;
const context = { hasFan: true, guests: 4 };

for (const file of ['tuning', 'kept-aside']) {
  const texts = readCorpus(`tests/corpus/${file}.txt`);
  const tallies = noTallies();
  const faults = texts.map((entry) => ({ title: entry.title, faults: measure(entry, tallies) }));
  console.log(`## ${file}: ${texts.length} texts\n\n${table(tallies)}\n`);
  if (file !== 'tuning' || !process.argv.includes('--faults')) continue;
  for (const { title, faults: list } of faults.filter((f) => f.faults.length > 0)) {
    console.log(`${title}\n${list.map((f) => `  ${f}`).join('\n')}`);
  }
}

/** Texts made to be slow, each of almost a megabyte. */
const HARD: Readonly<Record<string, string>> = {
  brackets: '( ',
  'numbers only': '1 ',
  'for the last': 'for the last ',
  until: 'until ',
  'and then': ', and then ',
  verbs: 'peel, ',
  sentences: 'Peel it. ',
  steps: '1. Simmer the leeks for 5 minutes.\n',
  ingredients: '100 g flour\n',
  dashes: ' - ',
  'white space': ' ',
  'one word': 'a',
};
console.log('## A megabyte, made to be slow\n\n| of | ms |\n| --- | --- |');
for (const [name, piece] of Object.entries(HARD)) {
  const text = `Soup\n\nSimmer ${piece.repeat(Math.floor((MEGABYTE - 100) / piece.length))} 5 min`;
  const start = performance.now();
  readRecipes(text, context);
  console.log(`| ${name} | ${Math.round(performance.now() - start)} |`);
}
