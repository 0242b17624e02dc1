import { readCorpus } from '../corpus/corpus';
import { MEASURES, measure, noTallies, table } from '../corpus/measure';
for (const file of (process.env.CORPUS ?? 'tuning').split(',')) {
  test(file, () => {
    const tallies = noTallies();
    const out: string[] = [];
    for (const entry of readCorpus(`tests/corpus/${file}.txt`)) {
      const faults = measure(entry, tallies);
      if (faults.length) out.push(`# ${entry.title}`, ...faults.map((f) => '   ' + f));
    }
    console.log((process.env.QUIET ? '' : out.join('\n')) + '\n' + table(tallies) + MEASURES.length);
  });
}
