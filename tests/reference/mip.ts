import { toInstant } from '../../core/clock';
import {
  afterLinks,
  changeover,
  checkCount,
  effectiveStep,
  keepName,
  ovenRange,
  placedSteps,
  platingMinutes,
  type Dinner,
  type EffectiveStep,
} from '../../core/dinner';
import { DAY_WINDOW, HELD_POINTS, WEIGHTS, type TermName } from '../../core/plan';

/**
 * A dinner as a time-indexed mixed-integer program in the LP format, for a general-purpose solver: one binary
 * for each step, way and start. Written from the contract's text alone; it shares nothing with the planner's
 * model. It covers one cook, one oven, up to two courses, and no dish ways, pauses in the work, steps inside
 * others, kept tools or `stay`; `unsupported` says what is in the way.
 */

interface Option {
  readonly step: string;
  readonly way: string | null;
  readonly it: EffectiveStep;
  readonly dish: string;
  readonly course: number;
  readonly name: string;
  /** First and last start. */
  readonly low: number;
  readonly high: number;
}

export function unsupported(dinner: Dinner): string | null {
  if (dinner.cooks.length !== 1) return 'several cooks';
  if (dinner.cooks[0]!.free.length !== 1) return 'several free windows';
  if (!dinner.cooks[0]!.eats) return 'a cook who does not eat';
  if (dinner.kitchen.ovens.length > 1) return 'several ovens';
  if (dinner.courses.length > 2) return 'more than two courses';
  for (const { dish, step } of placedSteps(dinner)) {
    if (dish.ways.length > 0) return 'ways of dishes';
    if (step.pausable || step.within || (step.keepsIn ?? []).length > 0 || step.stay || step.plated)
      return `${dish.id}/${step.id}`;
    if (step.ways.some((way) => way.pausable || way.keeps || way.keepsIn || way.stay))
      return `a way of ${step.id}`;
  }
  return null;
}

class Rows {
  private readonly rows: string[] = [];
  add(terms: readonly string[], relation: string, value: number): void {
    if (terms.length === 0) return;
    this.rows.push(` r${this.rows.length}: ${inLines(merged(terms))} ${relation} ${value}`);
  }
  text(): string {
    return this.rows.join('\n');
  }
}

const signed = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;
const sumOf = (names: readonly string[], factor = 1) => names.map((name) => signed(factor, name));

/** What one unit of a variable costs, and under which term. */
export interface Charge {
  readonly term: TermName;
  readonly factor: number;
  readonly name: string;
}

/** The program as text in the LP format, and what its variables cost by term. */
export function mixedIntegerProgram(dinner: Dinner): { text: string; charges: Charge[] } {
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  const moment = (wall: string) => toInstant(wall, dinner.timeZone) - zero;
  const weights = WEIGHTS[dinner.style];
  const { from, to } = dinner.cooks[0]!.free[0]!;
  const free = [Math.max(-DAY_WINDOW + 1, moment(from)), moment(to)] as const;
  const plating = dinner.courses.map((_, c) => platingMinutes(dinner, c));
  const serveSpan = dinner.courses.map((course, c) =>
    c === 0
      ? [0, 0]
      : [dinner.courses[0]!.eating + course.pause.least, dinner.courses[0]!.eating + course.pause.most],
  );
  const serves = dinner.courses.map((_, c) =>
    Array.from({ length: serveSpan[c]![1]! - serveSpan[c]![0]! + 1 }, (_, k) => serveSpan[c]![0]! + k),
  );
  const y = (c: number, t: number) => `y${c}_${label(t)}`;
  const placed = placedSteps(dinner);
  const options = placed.flatMap(({ dish, step, name, courseIndex }, i) =>
    [null, ...step.ways].map((way, m): Option => {
      const it = effectiveStep(dinner, dish, step, way);
      const course = courseIndex!;
      const needsHands = it.attention === 'hands' || it.touch.in > 0;
      const latest = serveSpan[course]![1]! - plating[course]! - it.duration;
      const oven = it.uses.find((u) => 'oven' in u) as { oven: number } | undefined;
      const heat = oven
        ? free[0] + Math.ceil((oven.oven - 20) / dinner.kitchen.ovens[0]!.heats - 1e-9)
        : -Infinity;
      const low = Math.max(needsHands ? free[0] : free[0] - 600, heat);
      return {
        step: name,
        way: way?.id ?? null,
        it,
        dish: dish.id,
        course,
        name: `x${i}_${m}`,
        low,
        high: latest,
      };
    }),
  );
  const starts = (o: Option) => Array.from({ length: o.high - o.low + 1 }, (_, k) => o.low + k);
  const x = (o: Option, t: number) => `${o.name}_${label(t)}`;
  const of = (step: string) => options.filter((o) => o.step === step);
  const startTerms = (step: string, factor: number) =>
    of(step).flatMap((o) => starts(o).map((t) => signed(factor * t, x(o, t))));
  const endTerms = (step: string, factor: number) =>
    of(step).flatMap((o) => starts(o).map((t) => signed(factor * (t + o.it.duration), x(o, t))));
  const serveTerms = (c: number, factor: number) => serves[c]!.map((t) => signed(factor * t, y(c, t)));

  const rows = new Rows();
  const charges: Charge[] = [];
  const charge = (term: TermName, factor: number, name: string) => {
    if (factor > 0) charges.push({ term, factor, name });
  };
  const binaries: string[] = [];
  const usage = new Map<number, string[]>();
  const use = (t: number, name: string) => usage.set(t, [...(usage.get(t) ?? []), name]);

  for (const { name } of placed) {
    // Where no start is left the row cannot hold, as it should not: `nothing` is 0.
    rows.add(['+ 1 nothing', ...of(name).flatMap((o) => starts(o).map((t) => signed(1, x(o, t))))], '=', 1);
  }
  dinner.courses.forEach((course, c) => {
    rows.add(sumOf(serves[c]!.map((t) => y(c, t))), '=', 1);
    for (const t of serves[c]!) {
      binaries.push(y(c, t));
      for (let m = t - plating[c]!; m < t; m++) use(m, y(c, t));
      if (c < dinner.courses.length - 1) {
        for (let m = t + course.eating; m < t + course.eating + course.clearing; m++) use(m, y(c, t));
      }
      if (c === 0) continue;
      const wait = t - dinner.courses[0]!.eating;
      const cost =
        weights.wait * Math.max(0, wait - course.pause.ideal) +
        weights.rushed * Math.max(0, course.pause.ideal - wait);
      charge('wait', wait > course.pause.ideal ? cost : 0, y(c, t));
      charge('rushed', wait < course.pause.ideal ? cost : 0, y(c, t));
    }
  });

  const checkNames: string[][] = [];
  for (const o of options) {
    const { duration, touch, attention, check } = o.it;
    const isHands = attention === 'hands';
    for (const t of starts(o)) {
      binaries.push(x(o, t));
      charge('ways', weights.ways * o.it.points, x(o, t));
      const spans = isHands
        ? [[t, t + duration]]
        : [
            [t, t + touch.in],
            [t + duration - touch.out, t + duration],
          ];
      for (const [a, b] of spans) for (let m = a!; m < b!; m++) use(m, x(o, t));
    }
    const n = check ? checkCount(duration, check.every) : 0;
    for (let m = 1; m <= n; m++) {
      const { every, takes, slack } = check!;
      const first = Math.max(m * every - slack, touch.in);
      const last = Math.min(m * every + slack, duration - touch.out - takes);
      const names: string[] = [];
      for (let t = o.low + first; t <= o.high + last; t++) {
        const k = `k${o.name}_${m}_${label(t)}`;
        names.push(k);
        binaries.push(k);
        const from = starts(o).filter((s) => t - s >= first && t - s <= last);
        rows.add(
          [
            signed(1, k),
            ...sumOf(
              from.map((s) => x(o, s)),
              -1,
            ),
          ],
          '<=',
          0,
        );
        for (let q = t; q < t + takes; q++) use(q, k);
      }
      rows.add(
        [
          ...sumOf(names),
          ...sumOf(
            starts(o).map((s) => x(o, s)),
            -1,
          ),
        ],
        '=',
        0,
      );
      checkNames.push(names);
    }
  }

  for (const { dish, step, name } of placed) {
    for (const link of afterLinks(dish, step)) {
      const most = link.most !== undefined ? link.most : keepsOf(of(link.from)[0]!)?.most;
      rows.add([...startTerms(name, 1), ...endTerms(link.from, -1)], '>=', link.least);
      if (typeof most === 'number')
        rows.add([...startTerms(name, 1), ...endTerms(link.from, -1)], '<=', most);
    }
  }
  const held: string[] = [];
  placed.forEach(({ name, courseIndex }, i) => {
    const keeps = keepsOf(of(name)[0]!);
    const links = placed.flatMap((s) =>
      afterLinks(s.dish, s.step)
        .filter((l) => l.from === name)
        .map((l) => ({ to: s.name, most: l.most !== undefined ? l.most : keeps?.most })),
    );
    const c = courseIndex!;
    const toPlate = [...serveTerms(c, 1), ...endTerms(name, -1)];
    const next =
      links.length > 0
        ? links.map((l) => ({
            most: l.most,
            terms: [...startTerms(l.to, 1), ...endTerms(name, -1)],
            shift: 0,
          }))
        : [{ most: keeps?.most, terms: toPlate, shift: -plating[c]! }];
    if (links.length === 0) {
      rows.add(toPlate, '>=', plating[c]!);
      if (typeof keeps?.most === 'number') rows.add(toPlate, '<=', plating[c]! + keeps.most);
    }
    const best = keeps?.best ?? 0;
    next.forEach(({ most, terms, shift }) => {
      if (typeof most !== 'number' || most <= best) return;
      const slope = HELD_POINTS / (most - best);
      if (!held.includes(`h${i}`)) {
        held.push(`h${i}`);
        charge('held', weights.held, `h${i}`);
      }
      rows.add([signed(1, `h${i}`), ...scaled(terms, -slope)], '>=', slope * (shift - best));
    });
    const gains = keeps?.gains;
    if (gains) {
      held.push(`g${i}`);
      charge('gains', weights.gains, `g${i}`);
      for (const { terms, shift } of next) {
        const slope = gains.points / gains.until;
        rows.add([signed(1, `g${i}`), ...scaled(terms, slope)], '>=', gains.points - slope * shift);
      }
    }
  });

  const eating = dinner.courses[0]!.eating;
  const isLastCourse = dinner.courses.length === 1;
  for (const [t, names] of usage) rows.add(sumOf(names), '<=', t >= free[0] && t < free[1] ? 1 : 0);
  for (const [t, names] of [...usage].sort(([a], [b]) => a - b)) {
    if (t < 0) {
      for (const name of names) {
        const isFirstPlating = name === y(0, 0);
        charge('sameDay', weights.sameDay, name);
        charge('welcome', t >= -dinner.arrive && !isFirstPlating ? weights.welcome : 0, name);
      }
      // The day begins at or before each minute of work.
      rows.add(['+ 1 day', ...sumOf(names, t)], '>=', 0);
    } else if (t < eating && !isLastCourse) {
      for (const name of names) charge('away', weights.away, name);
      const before = [...(usage.get(t - 1) ?? []), ...(usage.get(t - 2) ?? [])];
      const inside = t === 0 ? [] : t === 1 ? (usage.get(0) ?? []) : before;
      binaries.push(`v_${t}`);
      charge('trips', weights.trips, `v_${t}`);
      rows.add([`+ 1 v_${t}`, ...sumOf(names, -1), ...sumOf(inside, 1)], '>=', 0);
    }
  }
  const away = [...usage].filter(([t]) => t >= 0 && t < eating).flatMap(([, names]) => names);
  rows.add(sumOf(away), '<=', dinner.away);
  charge('day', weights.day, 'day');

  addResources(dinner, options, starts, x, rows);
  const objective = charges.map(({ factor, name }) => signed(factor, name));
  const text = [
    'Minimize',
    ` cost: ${inLines(merged(objective))}`,
    'Subject To',
    rows.text(),
    'Bounds',
    ...held.map((name) => ` 0 <= ${name}`),
    ' 0 <= day',
    ' nothing = 0',
    'Binary',
    ` ${inLines(binaries)}`,
    'End',
  ].join('\n');
  return { text, charges };
}

/** Each variable once, its factors added up: the format wants it so. */
function merged(terms: readonly string[]): string[] {
  const factors = new Map<string, number>();
  for (const term of terms) {
    const [sign, value, name] = term.split(' ') as [string, string, string];
    factors.set(name, (factors.get(name) ?? 0) + (sign === '-' ? -1 : 1) * Number(value));
  }
  return [...factors].map(([name, factor]) => signed(factor, name));
}

/** The format limits the length of a line. */
const inLines = (words: readonly string[]) =>
  words.map((word, k) => (k > 0 && k % 12 === 0 ? `\n   ${word}` : word)).join(' ');

const label = (t: number) => (t < 0 ? `m${-t}` : `p${t}`);

const scaled = (terms: readonly string[], factor: number) =>
  terms.map((term) => {
    const [sign, value, name] = term.split(' ') as [string, string, string];
    return signed((sign === '-' ? -1 : 1) * Number(value) * factor, name);
  });

function keepsOf(option: Option) {
  return option.it.keeps;
}

/** Shelves, rings and tools minute by minute; pairs that one oven or one tool keeps apart, start by start. */
function addResources(
  dinner: Dinner,
  options: readonly Option[],
  starts: (o: Option) => number[],
  x: (o: Option, t: number) => string,
  rows: Rows,
): void {
  const ovenUse = (o: Option) =>
    o.it.uses.find((u) => 'oven' in u) as
      { oven: number; give: number | [number, number]; shelves: number } | undefined;
  const capacities: [number, (o: Option) => number][] = [
    [dinner.kitchen.ovens[0]?.shelves ?? 0, (o) => ovenUse(o)?.shelves ?? 0],
  ];
  const names = new Set(options.flatMap((o) => o.it.uses.map(keepName).filter((n) => n !== null)));
  for (const name of names) {
    const count = (o: Option) =>
      o.it.uses
        .filter((u) => keepName(u) === name)
        .reduce((sum, u) => sum + ('ring' in u ? (u.ring as number) : (u as { count: number }).count), 0);
    capacities.push([name === 'ring' ? dinner.kitchen.rings : (dinner.kitchen.tools[name] ?? 1), count]);
  }
  for (const [capacity, count] of capacities) {
    const users = options.filter((o) => count(o) > 0);
    if (users.reduce((sum, o) => sum + count(o), 0) <= capacity) continue;
    const slots = users.flatMap(starts);
    if (slots.length === 0) continue;
    for (let t = Math.min(...slots); t <= Math.max(...slots) + 200; t++) {
      const inUse = users.flatMap((o) =>
        starts(o)
          .filter((s) => s <= t && t < s + o.it.duration)
          .map((s) => signed(count(o), x(o, s))),
      );
      if (inUse.length > 1) rows.add(inUse, '<=', capacity);
    }
  }
  const oven = dinner.kitchen.ovens[0];
  for (const a of options) {
    for (const b of options) {
      if (a.step >= b.step) continue;
      const gaps = [ovenGaps(dinner, oven, ovenUse(a), ovenUse(b), a, b), washGaps(dinner, a, b)].filter(
        (g) => g !== null,
      );
      for (const [ab, ba] of gaps) {
        for (const t of starts(b)) {
          const clash = starts(a).filter((s) => s < t + b.it.duration + ba && t < s + a.it.duration + ab);
          if (clash.length > 0) rows.add([signed(1, x(b, t)), ...sumOf(clash.map((s) => x(a, s)))], '<=', 1);
        }
      }
    }
  }
}

function comesAfter(dinner: Dinner, earlier: string, later: string): boolean {
  const placed = placedSteps(dinner).find((s) => s.name === later)!;
  return afterLinks(placed.dish, placed.step).some((l) => l.from === earlier);
}

function ovenGaps(
  dinner: Dinner,
  oven: Dinner['kitchen']['ovens'][number] | undefined,
  a: { oven: number; give: number | [number, number] } | undefined,
  b: { oven: number; give: number | [number, number] } | undefined,
  one: Option,
  two: Option,
): [number, number] | null {
  if (!oven || !a || !b) return null;
  const [a1, a2] = ovenRange(a);
  const [b1, b2] = ovenRange(b);
  if (Math.max(a1, b1) <= Math.min(a2, b2)) return null;
  const gap = (from: Option, to: Option, x: number, y: number) => {
    const placed = placedSteps(dinner).find((s) => s.name === to.step)!;
    const link = afterLinks(placed.dish, placed.step).find((l) => l.from === from.step);
    const most = link ? (link.most !== undefined ? link.most : keepsOf(from)?.most) : undefined;
    return most === 0 ? 0 : changeover(x, y, oven);
  };
  return [gap(one, two, a.oven, b.oven), gap(two, one, b.oven, a.oven)];
}

function washGaps(dinner: Dinner, a: Option, b: Option): [number, number] | null {
  if (a.dish === b.dish) return null;
  const shared = a.it.uses.some(
    (u) =>
      'tool' in u &&
      (dinner.kitchen.tools[u.tool as string] ?? 1) === 1 &&
      b.it.uses.some((v) => 'tool' in v && v.tool === u.tool),
  );
  if (!shared) return null;
  const { wash } = dinner.kitchen;
  return [comesAfter(dinner, a.step, b.step) ? 0 : wash, comesAfter(dinner, b.step, a.step) ? 0 : wash];
}
