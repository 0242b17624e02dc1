import { describeProblem, readDinnerText } from '../../core/dinner';
import { planDinner } from '../../core/planner';

const MOST_BYTES = 1_000_000;
const MOST_STEPS = 200;
const MOST_SECONDS = 5;

/** Plans the dinner in the body: the same core as in the browser, bounded in size and time. */
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
  return planDinner(result.dinner, result.notices, { seconds, seed, now: () => performance.now() });
});
