import { parseArgs } from 'node:util';
import type { Style } from '../core/dinner';
import { UserError } from './user-error';

const USAGE = 'usage: plan DINNER.json [--seconds N] [--style ahead|even|fresh] [--seed N]';
const STYLES: readonly string[] = ['ahead', 'even', 'fresh'];

export interface Arguments {
  readonly file: string;
  readonly seconds: number;
  readonly seed: number;
  /** Whether a seed was asked for: then the same plan comes of it each time. */
  readonly isRepeatable: boolean;
  readonly style: Style | undefined;
}

export function readArguments(argv: readonly string[]): Arguments {
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
  const isRepeatable = values.seed !== undefined;
  return { file, seconds, seed, isRepeatable, style: values.style as Style | undefined };
}
