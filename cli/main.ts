import { readFileSync } from 'node:fs';
import type { Worker } from 'node:worker_threads';
import { describeProblem, readDinnerText } from '../core/dinner';
import type { Plan } from '../core/plan';
import { betterPlan, runsSideBySide } from '../core/planner';
import { readArguments } from './arguments';
import { carryOut, millisecondsNow, type Order } from './order';
import { UserError } from './user-error';

/** Plans a dinner file as the arguments say, here and in the threads beside. Returns the exit status. */
export async function main(argv: readonly string[], beside: readonly Worker[]): Promise<number> {
  try {
    const plan = await planFile(argv, beside);
    process.stdout.write(`${JSON.stringify(plan, null, 2)}\n`);
    return plan.feasible ? 0 : 2;
  } catch (error) {
    if (!(error instanceof UserError)) throw error;
    process.stderr.write(`${error.message.replaceAll('\n', ' ')}\n`);
    return 1;
  }
}

async function planFile(argv: readonly string[], beside: readonly Worker[]): Promise<Plan> {
  const { file, seconds, seed, isRepeatable, style } = readArguments(argv);
  const result = readDinnerText(readFile(file));
  if (!result.ok) {
    const [first, ...others] = result.problems.map(describeProblem);
    const more = others.length > 0 ? ` (and ${others.length} more)` : '';
    throw new UserError(`${file}: ${first}${more}`);
  }
  const dinner = style ? { ...result.dinner, style } : result.dinner;
  const end = millisecondsNow() + seconds * 1000;
  const orders = runsSideBySide(seed, 1 + beside.length).map((run) => ({
    ...run,
    dinner,
    notices: result.notices,
    seconds,
    end,
    fillsTime: !isRepeatable,
  }));
  return planSideBySide(orders, beside);
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

/** The best of several runs side by side with different seeds; one of them sees to the proof, too. What the first has proven ends the others. */
async function planSideBySide([first, ...others]: Order[], beside: readonly Worker[]): Promise<Plan> {
  const plans = others.map((order, k) => planIn(beside[k]!, order));
  const mine = carryOut(first!);
  if (!mine.optimal) return (await Promise.all(plans)).reduce(betterPlan, mine);
  await Promise.all(beside.map((thread) => thread.terminate()));
  return mine;
}

function planIn(thread: Worker, order: Order): Promise<Plan> {
  thread.ref();
  thread.postMessage(order);
  return new Promise((resolve, reject) => {
    thread.once('message', resolve);
    thread.once('error', reject);
  });
}
