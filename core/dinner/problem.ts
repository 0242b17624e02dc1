import type * as z from 'zod';

/** A mistake in a dinner file: where, what stands there, and what would be right. */
export interface Problem {
  /** Path into the file, like `dishes[0].steps[2].touch.in`; '' is the file itself. */
  readonly path: string;
  readonly found: string;
  readonly expected: string;
}

type Path = readonly PropertyKey[];
type Issue = z.core.$ZodIssue;

/** One line a person can act on. */
export function describeProblem(problem: Problem): string {
  return `${problem.path || 'the file'}: found ${problem.found}, expected ${problem.expected}`;
}

/** Path as text: names joined by dots, positions and odd names in brackets. */
export function pathText(path: Path): string {
  let text = '';
  for (const part of path) {
    if (typeof part === 'number') text += `[${part}]`;
    else if (/^[A-Za-z_][A-Za-z0-9_]*$/.test(String(part))) text += (text ? '.' : '') + String(part);
    else text += `[${JSON.stringify(String(part))}]`;
  }
  return text;
}

/** What stands at a place, short enough for one line. */
export function foundText(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
}

function valueAt(value: unknown, path: Path): unknown {
  let here = value;
  for (const part of path) {
    if (here === null || typeof here !== 'object') return undefined;
    here = Object.hasOwn(here, part) ? (here as Record<PropertyKey, unknown>)[part] : undefined;
  }
  return here;
}

const TYPE_NAMES: Record<string, string> = {
  int: 'a whole number',
  number: 'a number',
  string: 'a text',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'an object {...}',
  record: 'an object {...}',
};

function rangeText(issue: Issue & { code: 'too_small' | 'too_big' }): string {
  const small = issue.code === 'too_small';
  const bound = String(small ? issue.minimum : issue.maximum);
  const strictly = issue.inclusive === false;
  const word = small ? (strictly ? 'more than' : 'at least') : strictly ? 'less than' : 'at most';
  if (issue.origin === 'array') return `a list of ${word} ${bound}`;
  if (issue.origin === 'string') return small ? 'a text that is not empty' : `${word} ${bound} letters`;
  return `a number of ${word} ${bound}`;
}

function expectedText(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return TYPE_NAMES[issue.expected] ?? issue.expected;
    case 'invalid_value': {
      const values = issue.values.map((v) => JSON.stringify(v));
      return values.length === 1 ? values[0]! : `one of ${values.join(', ')}`;
    }
    case 'too_small':
    case 'too_big':
      return rangeText(issue);
    case 'not_multiple_of':
      return `a multiple of ${issue.divisor}`;
    default:
      return issue.message;
  }
}

/** The branch of a union that the author most likely meant: right type, right keys, fewest mistakes. */
function likeliestBranch(errors: readonly Issue[][], value: unknown, path: Path): Issue[] | null {
  const meant = errors.filter((issues) => {
    const wrongHere = issues.some((i) => i.path.length === 0);
    const keyMissing = issues.some(
      (i) => i.path.length === 1 && valueAt(value, [...path, ...i.path]) === undefined,
    );
    return !wrongHere && !keyMissing;
  });
  const objects = errors.filter((issues) => issues.every((i) => i.path.length > 0));
  const choice = meant.length > 0 ? meant : objects.length === 1 ? objects : [];
  return choice.length === 0 ? null : choice.reduce((a, b) => (b.length < a.length ? b : a));
}

/** Every mistake that the schema found, each at its own place. */
export function problemsOf(issues: readonly Issue[], value: unknown, base: Path = []): Problem[] {
  return issues.flatMap((issue) => {
    const path = [...base, ...issue.path];
    if (issue.code === 'invalid_union') {
      const branch = likeliestBranch(issue.errors as Issue[][], value, path);
      if (branch) return problemsOf(branch, value, path);
    }
    return [{ path: pathText(path), found: foundText(valueAt(value, path)), expected: expectedText(issue) }];
  });
}
