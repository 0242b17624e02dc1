import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { auditPlan } from '../../core/audit';
import { readDinner, type Dinner } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { compileModel } from '../../core/model';
import { betterPlan, planDinner, replanDinner, Search } from '../../core/planner';
import { behindAfter, lastOfFirstThird } from '../builders/behind';
import {
  generateDinner,
  generateDecidedDinner,
  generateOddDinner,
  generateSpicyDinner,
  generateTightDinner,
  type Size,
} from '../builders/generate-dinner';
import { unsupported } from '../reference/mip';
import { plainDinner, shortDinner } from '../reference/plain';
import { solveWithHighs } from '../reference/solve';

/** Prints how fast and how good the planner is. No test depends on it: npm run bench -- --help. */

const USAGE =
  'npm run bench -- [--count N] [--best SECONDS] [--sizes small,medium,large] [--kind plain|rare|odd|decided|tight] [--solver SECONDS] [--audit N]';
const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '20' },
    best: { type: 'string', default: '10' },
    audit: { type: 'string', default: '0' },
    solver: { type: 'string', default: '0' },
    sizes: { type: 'string', default: 'small,medium,large' },
    kind: { type: 'string', default: 'plain' },
    help: { type: 'boolean', default: false },
  },
});
/** Plain dinners, with the rarer features of the format strewn in, these on odd evenings, plain ones in which the cook has decided more, and any of them made tight. */
const KINDS: Partial<Record<string, typeof generateDinner>> = {
  plain: generateDinner,
  rare: generateSpicyDinner,
  odd: generateOddDinner,
  decided: generateDecidedDinner,
  tight: generateTightDinner,
};
const AUDITED = [generateSpicyDinner, generateOddDinner, generateDecidedDinner, generateTightDinner];
const CHECKPOINTS = [0.1, 0.5, 1, 2];
/** Parts of the space of plans that are looked at for a proof that there is no plan. */
const PARTS_TO_LOOK_AT = 200;
const now = () => performance.now();
/** Percent above the best known that count at most, where there is no plan, too. */
const MOST_COUNTED = 100;

function read(file: unknown): Dinner {
  const result = readDinner(file);
  if (!result.ok) throw new Error('a bench dinner cannot be read');
  return result.dinner;
}

/** What comes of so many seconds, and after how many milliseconds there was a first plan. */
function planned(dinner: Dinner, seconds: number, seed: number): { plan: Plan; cost: number; first: number } {
  const begin = now();
  let first = Infinity;
  const onBetter = () => (first = Math.min(first, now() - begin));
  const plan = planDinner(dinner, [], { seconds, seed, now, onBetter, fillsTime: true });
  return { plan, cost: plan.cost ?? Infinity, first };
}

const percent = (cost: number, best: number) =>
  cost === Infinity ? 'none' : best === 0 ? '0.0 %' : `${((100 * (cost - best)) / best).toFixed(1)} %`;

interface Row {
  readonly first: number;
  readonly gaps: number[];
  readonly gap: number;
  readonly isProven: boolean;
  readonly isPossible: boolean;
}

function row(name: string, dinner: Dinner): Row {
  const runs = CHECKPOINTS.map((seconds) => planned(dinner, seconds, 1));
  const long = Math.max(1, Number(values.best));
  const best = Math.min(
    ...[2, 3].map((seed) => planned(dinner, long / 2, seed).cost),
    ...runs.map((r) => r.cost),
  );
  const { plan } = runs[name.startsWith('small') ? 2 : 3]!;
  const bound = plan.bound ?? 0;
  const steps = dinner.dishes.reduce((sum, d) => sum + d.steps.length, 0);
  const cells = [
    name,
    steps,
    runs[3]!.first.toFixed(0),
    ...runs.map((r) => percent(r.cost, best)),
    best.toFixed(2),
    plan.optimal ? 'proven' : bound.toFixed(2),
    replanned(dinner, plan),
  ];
  process.stdout.write(`| ${cells.join(' | ')} |\n`);
  const gaps = runs.map((r) => (best === 0 ? 0 : Math.min(MOST_COUNTED, (100 * (r.cost - best)) / best)));
  return {
    first: runs[3]!.first,
    gaps,
    gap: plan.cost ? (100 * (plan.cost - bound)) / plan.cost : 0,
    isProven: plan.optimal,
    isPossible: plan.feasible,
  };
}

/**
 * Re-planning in 100 ms with a third of the steps begun and the last of them six minutes late, against the better of planning anew
 * and of going on from there in two seconds: what has happened at once, planning anew does not know to be possible.
 */
function replanned(dinner: Dinner, plan: Plan): string {
  const late = lastOfFirstThird(plan);
  if (!late) return '-';
  const progress = behindAfter(plan, late, 6);
  const within = (seconds: number) => ({ seconds, seed: 1, now, fillsTime: true });
  const quick = replanDinner(dinner, [], plan, within(0.1), progress);
  const anew = betterPlan(
    planDinner(dinner, [], within(2), progress),
    replanDinner(dinner, [], plan, within(2), progress),
  );
  if (!quick.feasible || !anew.feasible)
    return `${quick.feasible ? 'plan' : 'none'}/${anew.feasible ? 'plan' : 'none'}`;
  return percent(quick.cost!, anew.cost!);
}

/** The same short dinners for a general-purpose solver and for the planner: cost and time side by side. */
async function compareWithSolver(count: number, seconds: number): Promise<void> {
  process.stdout.write(
    '| dinner | steps | ours | proven | ms | HiGHS | status | ms |\n|' + ' --- |'.repeat(8) + '\n',
  );
  for (const [kind, size, cut] of [
    ['short', 'small', shortDinner],
    ['plain small', 'small', plainDinner],
    ['plain medium', 'medium', plainDinner],
  ] as const) {
    for (let seed = 1; seed <= count; seed++) {
      const dinner = read(cut(generateDinner(seed, size)));
      if (unsupported(dinner)) continue;
      const begin = now();
      const plan = planDinner(dinner, [], { seconds: 1, seed: 1, now });
      const middle = now();
      const solved = await solveWithHighs(dinner, seconds);
      const steps = dinner.dishes.reduce((sum, d) => sum + d.steps.length, 0);
      const ours = [plan.cost ?? 'none', plan.optimal ? 'yes' : 'no', (middle - begin).toFixed(0)];
      const theirs = [solved.cost?.toFixed(2) ?? 'none', solved.status, (now() - middle).toFixed(0)];
      process.stdout.write(`| ${[`${kind} ${seed}`, steps, ...ours, ...theirs].join(' | ')} |\n`);
    }
  }
}

function mean(list: readonly number[]): number {
  return list.reduce((a, b) => a + b, 0) / list.length;
}

function summary(name: string, rows: readonly Row[]): void {
  if (rows.length === 0) return;
  const sorted = (list: number[]) => [...list].sort((a, b) => a - b);
  const firsts = sorted(rows.map((r) => r.first));
  const parts = CHECKPOINTS.map((seconds, k) => {
    const gaps = sorted(rows.map((r) => r.gaps[k]!));
    const within = (most: number) => gaps.filter((g) => g <= most).length;
    const middle = gaps[gaps.length >> 1]!.toFixed(1);
    return (
      `after ${seconds} s median ${middle} %, mean ${mean(gaps).toFixed(1)} %, ` +
      `within 1 % in ${within(1)}, 2 % in ${within(2)} of ${gaps.length}`
    );
  });
  process.stdout.write(
    `\n${name}: first plan median ${firsts[firsts.length >> 1]!.toFixed(0)} ms, slowest ${firsts.at(-1)!.toFixed(0)} ms; ` +
      `${parts.join('; ')}; mean gap to the bound ${mean(rows.map((r) => r.gap)).toFixed(0)} %, ` +
      `${rows.filter((r) => r.isProven).length} of ${rows.length} proven optimal\n\n`,
  );
}

/** Short searches on many dinners with all that the format offers, by turns of each kind: what matters here is that no plan breaks a rule. */
function auditMany(count: number): void {
  const tally = { planned: 0, broken: 0, none: 0, proven: 0, refused: 0 };
  for (let seed = 1; seed <= count; seed++) {
    const generate = AUDITED[Math.floor(seed / 3) % AUDITED.length]!;
    const result = readDinner(generate(seed, (['small', 'medium', 'large'] as const)[seed % 3]!));
    if (!result.ok) {
      tally.refused += 1;
      continue;
    }
    const plan = planDinner(result.dinner, [], { seconds: 1, seed, now, rounds: 60 });
    if (!plan.feasible) {
      tally.none += 1;
      if (new Search(compileModel(result.dinner), seed).isProvenImpossible(() => false, PARTS_TO_LOOK_AT))
        tally.proven += 1;
      continue;
    }
    tally.planned += 1;
    const { breaches } = auditPlan(result.dinner, plan);
    if (breaches.length === 0) continue;
    tally.broken += 1;
    process.stdout.write(`seed ${seed}: ${breaches[0]!.rule}: ${breaches[0]!.text}\n`);
  }
  process.stdout.write(
    `audit: ${count} dinners, ${tally.planned} planned, ${tally.broken} with a broken rule, ` +
      `${tally.none} without a plan, ${tally.proven} of them proven impossible, ${tally.refused} refused by the reader\n`,
  );
}

if (values.help) process.stdout.write(`${USAGE}\n`);
else if (Number(values.audit) > 0) auditMany(Number(values.audit));
else if (Number(values.solver) > 0) await compareWithSolver(Number(values.count), Number(values.solver));
else {
  const generate = KINDS[values.kind];
  if (!generate)
    throw new Error(`--kind ${values.kind}: one of ${Object.keys(KINDS).join(', ')} is expected`);
  const heads = [
    'dinner',
    'steps',
    'first ms',
    ...CHECKPOINTS.map((s) => `${s} s`),
    'best',
    'bound',
    're-planned',
  ];
  process.stdout.write(`| ${heads.join(' | ')} |\n|${' --- |'.repeat(heads.length)}\n`);
  for (const name of ['first-frost', 'home-at-six', 'walnut-harvest']) {
    row(name, read(JSON.parse(readFileSync(`demo/${name}.json`, 'utf8'))));
  }
  for (const size of values.sizes.split(',') as Size[]) {
    const rows = Array.from({ length: Number(values.count) }, (_, k) => {
      // What is strewn in may make a file that the reader refuses, or a dinner that cannot be cooked.
      const result = readDinner(generate(k + 1, size));
      return result.ok ? [row(`${size} ${k + 1}`, result.dinner)] : [];
    });
    summary(
      size,
      rows.flat().filter(({ isPossible }) => isPossible),
    );
  }
}
