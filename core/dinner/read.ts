import { problemsOf, type Problem } from './problem';
import { ruleProblems } from './rules';
import { dinnerSchema, type Dinner } from './schema';
import { placedSteps } from './steps';

/** The outcome of reading a dinner file: the dinner with all defaults, or every mistake in it. */
export type ReadResult =
  | { readonly ok: true; readonly dinner: Dinner; readonly notices: readonly string[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Reads a dinner from parsed JSON. Unknown fields stay where they are. */
export function readDinner(value: unknown): ReadResult {
  const parsed = dinnerSchema.safeParse(value);
  if (!parsed.success) {
    return { ok: false, problems: problemsOf(parsed.error.issues, value) };
  }
  const problems = ruleProblems(parsed.data);
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, dinner: parsed.data, notices: toolNotices(parsed.data) };
}

export type ParsedText =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** The value in the text of a JSON file, or the mistake in it. A mark at the very beginning is passed over. */
export function parseText(text: string): ParsedText {
  try {
    return { ok: true, value: JSON.parse(text.replace(/^\uFEFF/, '')) };
  } catch (error) {
    const found = error instanceof Error ? error.message : 'something else';
    return { ok: false, problems: [{ path: '', found, expected: 'JSON' }] };
  }
}

/** Reads a dinner from the text of a file. */
export function readDinnerText(text: string): ReadResult {
  const parsed = parseText(text);
  return parsed.ok ? readDinner(parsed.value) : parsed;
}

function toolNotices(dinner: Dinner): string[] {
  const missing = new Set<string>();
  for (const { step } of placedSteps(dinner)) {
    for (const use of [step, ...step.ways].flatMap((s) => s.uses ?? [])) {
      if ('tool' in use && !Object.hasOwn(dinner.kitchen.tools, use.tool as string)) {
        missing.add(use.tool as string);
      }
    }
  }
  return [...missing].map((tool) => `The kitchen's list has no ${tool}: one is assumed.`);
}
