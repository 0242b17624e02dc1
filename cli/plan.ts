import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { parseArgs } from 'node:util';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { describeProblem, readDinnerText, type Dinner, type Style } from '../core/dinner';
import type { Plan } from '../core/plan';
import { betterPlan, planDinner, runsSideBySide, type PlanOptions } from '../core/planner';

const USAGE = 'usage: plan DINNER.json [--seconds N] [--style ahead|even|fresh] [--seed N]';
const STYLES: readonly string[] = ['ahead', 'even', 'fresh'];

/** A mistake that the person at the keyboard can mend: one line, exit status 1. */
class UserError extends Error {}

function readArguments(argv: readonly string[]) {
  const parse = () =>
    parseArgs({
      args: [...argv],
      allowPositionals: true,
      options: { seconds: { type: 'string' }, style: { type: 'string' }, seed: { type: 'string' } },
    });
  let parsed: ReturnType<typeof parse>;
  try {
    parsed = parse();
  } catch (error) {
    throw new UserError(`${(error as Error).message.split('\n')[0]}; ${USAGE}`);
  }
  const { values, positionals } = parsed;
  const [file] = positionals;
  if (file === undefined || positionals.length > 1) throw new UserError(USAGE);
  const seconds = Number(values.seconds ?? 2);
  if (!(seconds > 0 && seconds <= 3600)) {
    throw new UserError(`--seconds: found ${values.seconds}, expected a number above 0, at most 3600`);
  }
  const seed = Number(values.seed ?? 1);
  if (!Number.isInteger(seed)) throw new UserError(`--seed: found ${values.seed}, expected a whole number`);
  if (values.style !== undefined && !STYLES.includes(values.style)) {
    throw new UserError(`--style: found ${values.style}, expected one of ${STYLES.join(', ')}`);
  }
  return { file, seconds, seed, style: values.style as Style | undefined };
}

function readFile(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    throw new UserError(
      `${file}: found ${(error as NodeJS.ErrnoException).code}, expected a file that can be read`,
    );
  }
}

interface Order {
  readonly dinner: Dinner;
  readonly notices: readonly string[];
  readonly seconds: number;
  readonly seed: number;
  readonly part: PlanOptions['part'];
}

function carryOut({ dinner, notices, seconds, seed, part }: Order): Plan {
  return planDinner(dinner, notices, { seconds, seed, part, now: () => performance.now() });
}

/** The best of several runs side by side with different seeds; one of them sees to the proof, too. What the first has proven ends the others. */
async function planSideBySide(order: Omit<Order, 'part'>): Promise<Plan> {
  const [first, ...others] = runsSideBySide(order.seed, availableParallelism()).map((run) => ({
    ...order,
    ...run,
  }));
  const beside = others.map(inThread);
  const mine = carryOut(first!);
  if (!mine.optimal) return (await Promise.all(beside.map(({ plan }) => plan))).reduce(betterPlan, mine);
  await Promise.all(beside.map(({ worker }) => worker.terminate()));
  return mine;
}

function inThread(order: Order): { worker: Worker; plan: Promise<Plan> } {
  const worker = new Worker(new URL(import.meta.url), { workerData: order });
  const plan = new Promise<Plan>((resolve, reject) => {
    worker.once('message', resolve);
    worker.once('error', reject);
  });
  return { worker, plan };
}

async function main(): Promise<number> {
  const { file, seconds, seed, style } = readArguments(process.argv.slice(2));
  const result = readDinnerText(readFile(file));
  if (!result.ok) {
    const [first, ...others] = result.problems.map(describeProblem);
    const more = others.length > 0 ? ` (and ${others.length} more)` : '';
    throw new UserError(`${file}: ${first}${more}`);
  }
  const dinner = style ? { ...result.dinner, style } : result.dinner;
  const plan = await planSideBySide({ dinner, notices: result.notices, seconds, seed });
  process.stdout.write(`${JSON.stringify(plan, null, 2)}\n`);
  return plan.feasible ? 0 : 2;
}

if (isMainThread) {
  try {
    process.exitCode = await main();
  } catch (error) {
    if (!(error instanceof UserError)) throw error;
    process.stderr.write(`${error.message.replaceAll('\n', ' ')}\n`);
    process.exitCode = 1;
  }
} else parentPort?.postMessage(carryOut(workerData as Order));
