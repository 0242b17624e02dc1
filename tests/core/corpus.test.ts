import { readCorpus } from '../corpus/corpus';
import { measure, noTallies, type Measure } from '../corpus/measure';

/** What is reached today on the texts that were used for tuning; it may not fall. Those kept aside are only reported. */
const REACHED: Record<Measure, number> = {
  steps: 0.99,
  attention: 0.98,
  minutes: 0.99,
  oven: 0.98,
  rings: 0.97,
  order: 0.95,
  tools: 0.95,
};

test('what is read from the recipe texts agrees with the right answers as far as was reached', () => {
  const tallies = noTallies();
  for (const entry of readCorpus('tests/corpus/tuning.txt')) measure(entry, tallies);
  for (const [what, least] of Object.entries(REACHED)) {
    const { hits, read, right } = tallies[what as Measure];
    expect([what, hits / read >= least, hits / right >= least]).toEqual([what, true, true]);
  }
});

test('a wrong answer is found: the measure does not praise everything', () => {
  const [entry] = readCorpus('tests/corpus/tuning.txt');
  const wrong = {
    ...entry!,
    steps: entry!.steps.map((s) => ({ ...s, attention: 'alone' as const, after: [], oven: 99 })),
  };
  const tallies = noTallies();
  const faults = measure(wrong, tallies);
  expect(tallies.attention.hits).toBe(0);
  expect(tallies.order.hits).toBe(0);
  expect(faults.length).toBeGreaterThan(entry!.steps.length);
});
