import * as z from 'zod';
import { TERM_NAMES, type Plan } from './types';

const minute = z.int();
const cookSpan = z.object({ from: minute, to: minute, cook: z.string().nullable() });
const terms = z.object(
  Object.fromEntries(TERM_NAMES.map((name) => [name, z.number()])) as Record<
    (typeof TERM_NAMES)[number],
    z.ZodNumber
  >,
);

/** A plan that can be cooked, as it comes from a file: its shape only. Whether it holds is the audit's to say. */
const planSchema = z.object({
  format: z.literal('zeitlauf/plan'),
  version: z.literal(1),
  title: z.string(),
  sitDown: z.string(),
  feasible: z.literal(true),
  optimal: z.boolean(),
  cost: z.number(),
  bound: z.number().nullable(),
  terms,
  courses: z.array(
    z.object({
      id: z.string(),
      serve: minute,
      wait: minute.nullable(),
      plating: cookSpan,
      clearing: cookSpan.nullable(),
    }),
  ),
  dishes: z.array(z.object({ dish: z.string(), way: z.string() })),
  steps: z.array(
    z.object({
      step: z.string(),
      start: minute,
      end: minute,
      way: z.string().nullable(),
      oven: z.string().nullable(),
      pieces: z.array(z.tuple([minute, minute])).optional(),
      hands: z.array(
        z.object({
          from: minute,
          to: minute,
          cook: z.string(),
          why: z.enum(['work', 'in', 'out', 'check']),
        }),
      ),
    }),
  ),
  ovens: z.array(
    z.object({
      id: z.string(),
      programme: z.array(z.object({ from: minute, to: minute, celsius: z.number() })),
    }),
  ),
  notices: z.array(z.object({ kind: z.string(), text: z.string() })),
});

/** Reads a plan that can be cooked from parsed JSON; null where it is none. */
export function readPlan(value: unknown): Plan | null {
  const result = planSchema.safeParse(value);
  if (!result.success) return null;
  return {
    ...result.data,
    steps: result.data.steps.map(({ pieces, ...row }) => (pieces ? { ...row, pieces } : row)),
  };
}
