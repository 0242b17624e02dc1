import { placedSteps, type Dinner } from '../dinner';
import {
  TERM_NAMES,
  type HandsSpan,
  type Notice,
  type OvenSetting,
  type Plan,
  type PlanStep,
  type Terms,
} from '../plan';
import { changeMinutes, COLD } from '../model';
import type { Board } from './board';
import { rawTerms } from './cost';

/** Costs are told to two decimals: what differs by less is the same. */
const SAME_COST = 0.005;

/** Writes the plan that stands on the board as a plan file. `bound`: proven lower bound, or null. */
export function assemblePlan(board: Board, notices: readonly string[], bound: number | null): Plan {
  const { model, config } = board;
  const { dinner } = model;
  const raw = rawTerms(board);
  const weighted = TERM_NAMES.map((name) => raw[name] * model.weights[name] + 0);
  const exact = weighted.reduce((sum, term) => sum + term, 0);
  const isOptimal = bound !== null && exact - bound < SAME_COST;
  // Each term is told to two decimals, and the cost is the sum of what is told.
  const told = weighted.map(round);
  const cost = round(told.reduce((sum, term) => sum + term, 0));
  const steps = config.members
    .filter((i) => board.activity(i).role === 'step')
    .map((i) => planStep(board, i));
  return {
    format: 'zeitlauf/plan',
    version: 1,
    title: dinner.title,
    sitDown: dinner.sitDown,
    feasible: true,
    optimal: isOptimal,
    cost,
    bound: bound === null ? null : isOptimal ? cost : Math.min(cost, Math.floor(bound * 100 + 1e-6) / 100),
    terms: Object.fromEntries(TERM_NAMES.map((name, n) => [name, told[n]])) as Terms,
    courses: dinner.courses.map((course, c) => planCourse(board, c, course.id)),
    dishes: dinner.dishes.flatMap((dish, d) => {
      const way = dish.ways[config.ways[d]!];
      return way ? [{ dish: dish.id, way: way.id }] : [];
    }),
    steps,
    ovens: model.ovens.map((oven, o) => ({ id: oven.id, programme: programmeOf(board, o) })),
    notices: [...notices.map((text) => ({ kind: 'kitchen', text })), ...shelfNotices(dinner, steps)],
  };
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}

function spanOf(board: Board, activity: number): { from: number; to: number; cook: string | null } {
  const { model } = board;
  const cook = board.stretches[activity] ? board.cook[board.activity(activity).firstStretch]! : -1;
  return {
    from: board.start[activity]! - model.zero,
    to: board.end[activity]! - model.zero,
    cook: model.dinner.cooks[cook]?.id ?? null,
  };
}

function planCourse(board: Board, c: number, id: string): Plan['courses'][number] {
  const { model } = board;
  const { platingActivity, clearingActivity } = model.courses[c]!;
  const isLast = c === model.courses.length - 1;
  const before = c === 0 ? 0 : board.serve[c - 1]! + model.courses[c - 1]!.eating;
  return {
    id,
    serve: board.serve[c]! - model.zero,
    wait: c === 0 ? null : board.serve[c]! - before,
    plating: spanOf(board, platingActivity),
    clearing: isLast ? null : spanOf(board, clearingActivity),
  };
}

function planStep(board: Board, i: number): PlanStep {
  const { zero, dinner, ovens } = board.model;
  const mode = board.modeOf(i);
  const activity = board.activity(i);
  const start = board.start[i]! - zero;
  const end = board.end[i]! - zero;
  const hands: HandsSpan[] = [];
  const pieces: [number, number][] = [];
  for (let k = 0; k < board.stretches[i]!; k++) {
    const s = activity.firstStretch + k;
    const from = board.from[s]! - zero;
    const to = board.to[s]! - zero;
    const why = mode.isHands
      ? 'work'
      : board.isCheck(s)
        ? 'check'
        : k === 0 && mode.touchIn > 0
          ? 'in'
          : 'out';
    hands.push({ from, to, cook: dinner.cooks[board.cook[s]!]!.id, why });
    if (mode.isHands && !pieces.some(([a]) => a === from)) pieces.push([from, to]);
  }
  if (mode.isHands && pieces.length === 0) pieces.push([start, end]);
  const oven = ovens[board.oven[i]!];
  return {
    step: activity.name,
    start,
    end,
    way: mode.way,
    oven: mode.usesOven && oven ? oven.id : null,
    ...(mode.isHands ? { pieces } : {}),
    hands: hands.sort((a, b) => a.from - b.from),
  };
}

/**
 * The setting of an oven from minute to minute: while something is in it, a temperature that all
 * of it bears; before that, as long as it takes to change over.
 */
function programmeOf(board: Board, oven: number): OvenSetting[] {
  const { model, config } = board;
  const loads = config.members
    .filter((i) => board.placed[i] && board.oven[i] === oven && board.modeOf(i).usesOven)
    .filter((i) => board.end[i]! > board.start[i]!)
    .map((i) => ({
      from: board.start[i]! - model.zero,
      to: board.end[i]! - model.zero,
      mode: board.modeOf(i),
    }));
  const cuts = [...new Set(loads.flatMap((l) => [l.from, l.to]))].sort((a, b) => a - b);
  const settings: OvenSetting[] = [];
  let celsius = COLD;
  cuts.slice(0, -1).forEach((from, k) => {
    const inside = loads.filter((l) => l.from <= from && from < l.to);
    if (inside.length === 0) return;
    const coldest = Math.max(...inside.map((l) => l.mode.coldest));
    const hottest = Math.min(...inside.map((l) => l.mode.hottest));
    const wanted = inside.some((l) => l.mode.celsius === celsius)
      ? celsius
      : inside.reduce((sum, l) => sum + l.mode.celsius, 0) / inside.length;
    const next = Math.min(hottest, Math.max(coldest, Math.round(wanted / 5) * 5));
    const last = settings.at(-1);
    if (last && last.to === from && last.celsius === next) last.to = cuts[k + 1]!;
    else {
      const rise = changeMinutes(model.ovens[oven]!, last?.celsius ?? COLD, next);
      const gap = last ? from - last.to : rise;
      const lead = Math.min(rise, gap);
      if (lead > 0) settings.push({ from: from - lead, to: from, celsius: next });
      const before = settings.at(-1);
      if (before && before.to === from && before.celsius === next) before.to = cuts[k + 1]!;
      else settings.push({ from, to: cuts[k + 1]!, celsius: next });
    }
    celsius = next;
  });
  return settings;
}

/** Two dishes that want the same named shelf of one oven at once: worth a word, no more. */
function shelfNotices(dinner: Dinner, steps: readonly PlanStep[]): Notice[] {
  const wants = steps.flatMap((row) => {
    const placed = placedSteps(dinner).find((s) => s.name === row.step)!;
    const way = placed.step.ways.find((w) => w.id === row.way);
    const use = (way?.uses ?? placed.step.uses ?? []).find((u) => 'oven' in u) as
      { shelf?: string } | undefined;
    return use?.shelf && use.shelf !== 'any' && row.oven
      ? [{ row, shelf: use.shelf, dish: placed.dish.name }]
      : [];
  });
  const notices: Notice[] = [];
  wants.forEach((a, i) => {
    for (const b of wants.slice(i + 1)) {
      const together = a.row.oven === b.row.oven && a.row.start < b.row.end && b.row.start < a.row.end;
      if (!together || a.shelf !== b.shelf) continue;
      notices.push({
        kind: 'shelf',
        text: `${a.dish} and ${b.dish} both want the ${a.shelf} shelf at the same time.`,
      });
    }
  });
  return notices;
}
