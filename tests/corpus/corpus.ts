import { readFileSync } from 'node:fs';

/** A step as a cook would write it down from the words of a recipe. */
export interface RightStep {
  /** Where in the text it is told. */
  readonly at: number;
  readonly attention: 'hands' | 'minded' | 'alone';
  /** Usual minutes, or null where the words tell none. */
  readonly minutes: { readonly short: number; readonly usual: number; readonly long: number } | null;
  readonly isExact: boolean;
  readonly oven: number | null;
  readonly ring: boolean;
  readonly after: readonly number[];
  readonly within: number | null;
  readonly tools: readonly string[];
}

export interface CorpusText {
  readonly title: string;
  readonly text: string;
  readonly steps: readonly RightStep[];
}

const ATTENTION = { h: 'hands', m: 'minded', a: 'alone' } as const;

function minutesOf(words: string): Pick<RightStep, 'minutes' | 'isExact'> {
  if (words === '?') return { minutes: null, isExact: true };
  const range = /^(\d+)-(\d+)$/.exec(words);
  if (range) {
    const [short, long] = [Number(range[1]), Number(range[2])];
    return { minutes: { short, usual: (short + long) / 2, long }, isExact: true };
  }
  const usual = Number(words.replace(/[~+]/g, ''));
  return { minutes: { short: usual, usual, long: usual }, isExact: !/[~+]/.test(words) };
}

function rightStep(line: string, text: string, place: number): RightStep {
  const [anchor, attention, minutes, heat, links, tools] = line.split('|').map((part) => part.trim());
  const at = text.indexOf(anchor!, place);
  if (at < 0) throw new Error(`"${anchor}" does not stand in the text after place ${place}`);
  const inside = /^in (\d+)$/.exec(links!);
  return {
    at,
    attention: ATTENTION[attention as keyof typeof ATTENTION],
    ...minutesOf(minutes!),
    oven: /^\d+$/.test(heat!) ? Number(heat) : null,
    ring: heat === 'ring',
    after: inside || links === '-' ? [] : links!.split(',').map((n) => Number(n) - 1),
    within: inside ? Number(inside[1]) - 1 : null,
    tools: tools === '-' ? [] : tools!.split(',').map((t) => t.trim()),
  };
}

/** Reads a file of recipe texts with the right answers under each: see the first lines of either file. */
export function readCorpus(path: string): CorpusText[] {
  return readFileSync(path, 'utf8')
    .split(/^#### /m)
    .slice(1)
    .map((part) => {
      const [title, ...others] = part.split('\n');
      const [text, answers] = others.join('\n').split('\n----\n') as [string, string];
      let place = 0;
      const steps = answers
        .trim()
        .split('\n')
        .map((line) => {
          const step = rightStep(line, text, place);
          place = step.at;
          return step;
        });
      return { title: title!, text, steps };
    });
}
