import * as z from 'zod';
import { isTimeZone, isWallTime } from '../clock';

/** The dinner file, version 1: one Zod schema a part, with every default. Cross-references are in rules.ts. */

export const ID = /^[a-z0-9-]+$/;
export const STEP_NAME = /^[a-z0-9-]+\/[a-z0-9-]+$/;
const STEP_REF = /^([a-z0-9-]+\/)?[a-z0-9-]+$/;

const id = z.string().regex(ID, { error: 'an id made of a-z, 0-9 and -' });
const stepRef = z.string().regex(STEP_REF, { error: 'a step, named "step" or "dish/step"' });
const wall = z.string().refine(isWallTime, { error: 'a clock time YYYY-MM-DDTHH:MM' });
const minutes = z.int().min(0).max(100_000);
const points = z.number().min(0).max(100);
const limit = z.union([minutes, z.null()], { error: 'whole minutes, or null for no limit' });

const duration = z
  .union([minutes, z.looseObject({ short: minutes, usual: minutes, long: minutes })], {
    error: 'whole minutes, or {short, usual, long} in whole minutes',
  })
  .describe('How long it takes: a number, or {short, usual, long}');

const scale = z.union(
  [
    z.literal('fixed'),
    z.literal('portions'),
    z.number().min(0).max(1),
    z.looseObject({ batch: z.number().positive() }),
  ],
  { error: '"fixed", "portions", a number from 0 to 1, or {batch}' },
);

const touch = z.looseObject({ in: minutes.default(0), out: minutes.default(0) });
const check = z.looseObject({
  every: z.int().min(1).max(100_000),
  takes: minutes.default(1),
  slack: minutes.default(2),
});

const keeps = z.looseObject({
  best: minutes.default(0),
  most: limit.optional(),
  how: z.enum(['hot', 'room', 'fridge', 'freezer']).optional(),
  gains: z.looseObject({ until: z.int().min(1), points }).optional(),
});

const degrees = z.number().min(0).max(600);
const ovenUse = z.looseObject({
  oven: degrees,
  give: z.union([degrees, z.tuple([degrees, degrees])], { error: 'degrees, or [colder, hotter]' }).default(0),
  shelves: z.number().positive().multipleOf(0.5).default(1),
  shelf: z.enum(['top', 'middle', 'low', 'any']).default('any'),
});
const ringUse = z.looseObject({ ring: z.int().min(1) });
const toolUse = z.looseObject({ tool: z.string().min(1), count: z.int().min(1).default(1) });
const use = z.union([ovenUse, ringUse, toolUse], {
  error: '{oven, give, shelves, shelf}, {ring} or {tool, count}',
});

const attention = z.enum(['hands', 'minded', 'alone']);

/** What a way of a step may replace. */
const replaceable = {
  attention: attention.optional(),
  minutes: duration.optional(),
  scale: scale.optional(),
  hands: z.int().min(1).optional(),
  touch: touch.optional(),
  check: check.optional(),
  pausable: z.boolean().optional(),
  stay: z.boolean().optional(),
  uses: z.array(use).optional(),
  keepsIn: z.array(z.string().min(1)).optional(),
  keeps: keeps.optional(),
};

const stepWay = z.looseObject({ id, label: z.string(), points: points.default(0), ...replaceable });

const after = z.union(
  [stepRef, z.looseObject({ step: stepRef, least: minutes.default(0), most: limit.optional() })],
  { error: '"step", "dish/step" or {step, least, most}' },
);

const within = z.looseObject({
  step: stepRef,
  at: minutes.optional(),
  before: minutes.optional(),
  slack: minutes.default(2),
});

const step = z.looseObject({
  id,
  does: z.string().min(1),
  ...replaceable,
  attention,
  minutes: duration,
  after: z.array(after).default([]),
  within: within.optional(),
  if: z.string().optional(),
  plated: z.looseObject({ most: limit.optional() }).optional(),
  ways: z.array(stepWay).default([]),
  in: z.array(id).optional(),
  who: id.optional(),
  cue: z.string().optional(),
  probe: z.number().optional(),
  cautions: z.array(z.string()).default([]),
  guessed: z.array(z.string()).default([]),
  note: z.string().optional(),
});

const ingredient = z.looseObject({
  item: z.string().min(1),
  amount: z
    .union([z.number().min(0), z.tuple([z.number().min(0), z.number().min(0)])], {
      error: 'a number, or [from, to]',
    })
    .optional(),
  unit: z.string().optional(),
  to: z.string().optional(),
  group: z.string().optional(),
  whole: z.boolean().default(false),
});

export const dishSchema = z.looseObject({
  id,
  name: z.string(),
  serves: z.number().positive(),
  portions: z.number().positive().optional(),
  ingredients: z.array(ingredient).default([]),
  ways: z.array(z.looseObject({ id, label: z.string(), points: points.default(0) })).default([]),
  steps: z.array(step),
});

const course = z.looseObject({
  id,
  name: z.string(),
  eating: minutes.default(20),
  pause: z
    .looseObject({
      least: minutes.default(5),
      ideal: minutes.default(10),
      most: minutes.default(25),
    })
    .prefault({}),
  plating: z
    .looseObject({ base: z.number().min(0).default(1), perGuest: z.number().min(0).default(0.5) })
    .prefault({}),
  clearing: minutes.default(3),
  dishes: z.array(id),
  /** A field of ours: no cook who eats leaves the table during this course. Anything but true counts as not written. */
  sitThrough: z.literal(true).optional().catch(undefined),
});

const oven = z.looseObject({
  id,
  name: z.string(),
  shelves: z.number().positive().multipleOf(0.5).default(2),
  fan: z.boolean().default(true),
  heats: z.number().positive().default(10),
  cools: z.number().positive().default(4),
});

const kitchen = z.looseObject({
  ovens: z.array(oven).default([]),
  rings: z.int().min(0).default(4),
  tools: z.record(z.string(), z.int().min(0)).default({}),
  wash: minutes.default(3),
});

const cook = z.looseObject({
  id,
  name: z.string(),
  eats: z.boolean().default(true),
  free: z.array(z.looseObject({ from: wall, to: wall })),
});

const stepName = z.string().regex(STEP_NAME, { error: 'a step, named "dish/step"' });

export const dinnerSchema = z.looseObject({
  format: z.literal('zeitlauf/dinner'),
  version: z.literal(1),
  title: z.string(),
  sitDown: wall.describe('When the first course is on the table, YYYY-MM-DDTHH:MM'),
  timeZone: z
    .string()
    .refine(isTimeZone, { error: 'the IANA name of a time zone, like "Europe/Vienna"' })
    .default('UTC'),
  guests: z.int().min(1).max(24),
  arrive: minutes.default(30),
  style: z.enum(['ahead', 'even', 'fresh']).default('even'),
  caution: z.number().min(0).max(1).default(0.25),
  pace: z.number().positive().max(10).default(1),
  away: minutes.default(10),
  kitchen: kitchen,
  cooks: z.array(cook).min(1),
  courses: z.array(course).min(1),
  dishes: z.array(dishSchema),
  pins: z.array(z.looseObject({ step: stepName, start: wall })).default([]),
  choices: z.record(z.string(), z.union([id, z.null()], { error: 'the id of a way, or null' })).default({}),
});

export type Dinner = z.output<typeof dinnerSchema>;
/** A dinner file as it is written by hand: defaults left out. */
export type DinnerFile = z.input<typeof dinnerSchema>;
export type Course = Dinner['courses'][number];
export type Dish = Dinner['dishes'][number];
export type Step = Dish['steps'][number];
export type StepWay = Step['ways'][number];
export type Use = NonNullable<Step['uses']>[number];
export type Keeps = NonNullable<Step['keeps']>;
export type Cook = Dinner['cooks'][number];
export type Oven = Dinner['kitchen']['ovens'][number];
export type Style = Dinner['style'];

/** The dinner file as a JSON Schema, for editors and other programs. Cross-references are not in it. */
export function dinnerJsonSchema(): object {
  return z.toJSONSchema(dinnerSchema, { io: 'input' });
}
