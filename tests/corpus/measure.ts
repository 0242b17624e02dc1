import { readRecipes } from '../../core/recipes';
import type { CorpusText, RightStep } from './corpus';

/** True positives, what was read, what was right to read. */
export interface Tally {
  hits: number;
  read: number;
  right: number;
}
export const MEASURES = ['steps', 'attention', 'minutes', 'oven', 'rings', 'order', 'tools'] as const;
export type Measure = (typeof MEASURES)[number];
export type Tallies = Record<Measure, Tally>;

export const noTallies = (): Tallies =>
  Object.fromEntries(MEASURES.map((m) => [m, { hits: 0, read: 0, right: 0 }])) as Tallies;

/** Direct links without those that follow from others. */
function reduced(after: readonly (readonly number[])[]): string[] {
  const above = (j: number): Set<number> => new Set(after[j]!.flatMap((i) => [i, ...above(i)]));
  return after.flatMap((list, j) => {
    const implied = new Set(list.flatMap((i) => [...above(i)]));
    return list.filter((i) => !implied.has(i)).map((i) => `${i}>${j}`);
  });
}

interface Read {
  readonly from: number;
  readonly to: number;
  readonly attention: string;
  readonly minutes: { short: number; usual: number; long: number } | null;
  readonly oven: number | null;
  readonly ring: boolean;
  readonly after: readonly number[];
  readonly within: number | null;
  readonly tools: readonly string[];
}

function readSteps(text: string): Read[] {
  const [recipe] = readRecipes(text, { hasFan: true, guests: 4 }).recipes;
  if (!recipe) return [];
  const offset = text.indexOf(recipe.text);
  const at = new Map(recipe.steps.map(({ step }, k) => [step.id, k]));
  return recipe.steps.map(({ step, from, to }) => {
    const m = step.minutes;
    const isTold = !step.guessed?.includes('minutes');
    const uses = step.uses ?? [];
    return {
      from: from + Math.max(0, offset),
      to: to + Math.max(0, offset),
      attention: step.attention,
      minutes: isTold ? (typeof m === 'number' ? { short: m, usual: m, long: m } : m) : null,
      oven: uses.flatMap((u) => ('oven' in u ? [u.oven as number] : []))[0] ?? null,
      ring: uses.some((u) => 'ring' in u),
      after: (step.after ?? []).map((link) => at.get(typeof link === 'string' ? link : link.step)!),
      within: step.within ? at.get(step.within.step)! : null,
      tools: uses.flatMap((u) => ('tool' in u ? [u.tool as string] : [])),
    };
  });
}

const sameMinutes = (right: RightStep, read: Read): boolean => {
  if (!right.minutes || !read.minutes) return false;
  if (Math.abs(right.minutes.usual - read.minutes.usual) > 0.51) return false;
  return (
    !right.isExact || (right.minutes.short === read.minutes.short && right.minutes.long === read.minutes.long)
  );
};

/** Compares what is read from a text with the right answer; `faults` names each difference. */
export function measure(entry: CorpusText, tallies: Tallies): string[] {
  const faults: string[] = [];
  const read = readSteps(entry.text);
  /** For each right step, the read one in whose words it is told; each is taken once. */
  const partner = entry.steps.map(() => -1);
  const taken = new Set<number>();
  entry.steps.forEach((right, k) => {
    const j = read.findIndex(
      (r, n) =>
        !taken.has(n) &&
        right.at >= r.from &&
        right.at < r.to &&
        (right.within !== null) === (r.within !== null),
    );
    if (j < 0) return;
    partner[k] = j;
    taken.add(j);
  });
  const words = (at: number) => entry.text.slice(at, at + 28).replace(/\n/g, ' ');
  const count = (what: Measure, hits: number, reads: number, rights: number) => {
    tallies[what].hits += hits;
    tallies[what].read += reads;
    tallies[what].right += rights;
  };
  count('steps', taken.size, read.length, entry.steps.length);
  read.forEach((r, n) => {
    if (!taken.has(n)) faults.push(`too many: ${words(r.from)}`);
  });
  const fault = (what: string, k: number, found: unknown, expected: unknown) =>
    faults.push(
      `${what}: "${words(entry.steps[k]!.at)}" read ${JSON.stringify(found)}, right ${JSON.stringify(expected)}`,
    );
  entry.steps.forEach((right, k) => {
    const mine = read[partner[k]!];
    if (!mine) faults.push(`not found: ${words(right.at)}`);
    const isSame = mine?.attention === right.attention;
    count('attention', isSame ? 1 : 0, mine ? 1 : 0, 1);
    if (mine && !isSame) fault('attention', k, mine.attention, right.attention);
    const isTime = mine !== undefined && sameMinutes(right, mine);
    count('minutes', isTime ? 1 : 0, mine?.minutes ? 1 : 0, right.minutes ? 1 : 0);
    if (mine && !isTime && (mine.minutes ?? right.minutes)) fault('minutes', k, mine.minutes, right.minutes);
    const isHeat = mine?.oven !== null && mine?.oven === right.oven;
    count('oven', isHeat ? 1 : 0, mine && mine.oven !== null ? 1 : 0, right.oven === null ? 0 : 1);
    if (mine && mine.oven !== right.oven) fault('oven', k, mine.oven, right.oven);
    count('rings', mine?.ring && right.ring ? 1 : 0, mine?.ring ? 1 : 0, right.ring ? 1 : 0);
    if (mine && mine.ring !== right.ring) fault('ring', k, mine.ring, right.ring);
    const shared = right.tools.filter((t) => mine?.tools.includes(t)).length;
    count('tools', shared, mine?.tools.length ?? 0, right.tools.length);
    if (mine && (shared < right.tools.length || shared < mine.tools.length))
      fault('tools', k, mine.tools, right.tools);
  });
  const of = new Map(partner.map((j, k) => [j, k]));
  const linksRead = reduced(read.map((r) => [...r.after, ...(r.within === null ? [] : [r.within])])).map(
    (link) => {
      const [i, j] = link.split('>').map(Number);
      return `${of.get(i!) ?? `x${i}`}>${of.get(j!) ?? `x${j}`}`;
    },
  );
  const linksRight = reduced(entry.steps.map((s) => [...s.after, ...(s.within === null ? [] : [s.within])]));
  const hits = linksRead.filter((link) => linksRight.includes(link));
  count('order', hits.length, linksRead.length, linksRight.length);
  const named = (link: string) =>
    link
      .split('>')
      .map((n) => (n.startsWith('x') ? n : `"${words(entry.steps[Number(n)]!.at)}"`))
      .join(' > ');
  for (const link of linksRead) if (!linksRight.includes(link)) faults.push(`order too many: ${named(link)}`);
  for (const link of linksRight) if (!linksRead.includes(link)) faults.push(`order missing: ${named(link)}`);
  return faults;
}

/** The table of all measures as Markdown. */
export function table(tallies: Tallies): string {
  const percent = (a: number, b: number) => (b === 0 ? '-' : `${((100 * a) / b).toFixed(1)} %`);
  const rows = MEASURES.map((m) => {
    const { hits, read, right } = tallies[m];
    return `| ${m} | ${percent(hits, read)} | ${percent(hits, right)} | ${right} |`;
  });
  return ['| what | precision | recall | in the texts |', '| --- | --- | --- | --- |', ...rows].join('\n');
}
