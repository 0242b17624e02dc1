import { describeProblem, readDinnerText } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { planInSlices } from '../../core/planner';
import { inTurns } from '../../core/slices';

const MOST_BYTES = 1_000_000;
const MOST_STEPS = 200;
const MOST_SECONDS = 5;

/** Milliseconds between two plans sent while the search goes on. */
const SEND_EVERY = 250;

/**
 * Plans the dinner in the body: the same core as in the browser, bounded in size and time. A client that
 * accepts `text/event-stream` is sent an event `better` for each better plan and `plan` for the last; one that
 * goes away ends the search.
 */
export default defineEventHandler(async (event) => {
  const body = (await readRawBody(event, 'utf8')) ?? '';
  if (body.length > MOST_BYTES) {
    throw createError({ statusCode: 413, statusMessage: 'Dinner too large', data: { most: MOST_BYTES } });
  }
  const result = readDinnerText(body);
  if (!result.ok) {
    throw createError({
      statusCode: 422,
      statusMessage: 'Not a dinner file',
      data: { problems: result.problems, text: result.problems.map(describeProblem) },
    });
  }
  const steps = result.dinner.dishes.reduce((sum, dish) => sum + dish.steps.length, 0);
  if (steps > MOST_STEPS) {
    throw createError({ statusCode: 413, statusMessage: 'Too many steps', data: { most: MOST_STEPS } });
  }
  const query = getQuery(event);
  const asked = Number(query.seconds ?? 1);
  const seconds = Number.isFinite(asked) ? Math.min(MOST_SECONDS, Math.max(0.1, asked)) : 1;
  const seed = Number.isInteger(Number(query.seed)) ? Number(query.seed ?? 1) : 1;
  let isGone = false;
  event.node.res.once('close', () => (isGone = true));
  let better: Plan | null = null;
  const slices = planInSlices(result.dinner, result.notices, {
    seconds,
    seed,
    fillsTime: query.seed === undefined,
    now: () => performance.now(),
    isCancelled: () => isGone,
    onBetter: (plan) => (better = plan),
  });
  if (!getHeader(event, 'accept')?.includes('text/event-stream')) return inTurns(slices, otherRequests);
  const stream = createEventStream(event);
  let sent = -Infinity;
  const sendBetter = () => {
    if (!better || performance.now() - sent < SEND_EVERY) return;
    sent = performance.now();
    void stream.push({ event: 'better', data: JSON.stringify(better) });
    better = null;
  };
  void inTurns(slices, () => {
    sendBetter();
    return otherRequests();
  }).then(async (plan) => {
    await stream.push({ event: 'plan', data: JSON.stringify(plan) });
    await stream.close();
  });
  return stream.send();
});

/** Room for other requests between two slices. */
const otherRequests = () => new Promise<boolean>((resolve) => setImmediate(resolve, true));
