import { changeover, keepName, ovenRange, type Oven, type Use } from '../dinner';
import type { Breach } from './rules';
import type { Facts, StepFacts } from './facts';

type Breaches = (rule: Breach['rule'], broken: boolean, text: () => string) => void;

/** °C of an oven that has not been switched on. */
const COLD = 20;

interface OvenLoad {
  readonly step: StepFacts;
  readonly from: number;
  readonly to: number;
  readonly celsius: number;
  readonly range: readonly [number, number];
  readonly shelves: number;
}

type OvenUse = Extract<Use, { oven: unknown }>;

const ovenUseOf = (step: StepFacts) => step.asked.uses.find((u): u is OvenUse => 'oven' in u);

/** True where `later` comes directly after `earlier`, with `most` 0 if asked. */
function comesAfter(facts: Facts, earlier: StepFacts, later: StepFacts, atOnce: boolean): boolean {
  return facts.links.some((l) => l.from === earlier && l.to === later && (!atOnce || l.most === 0));
}

/** Section 4.7. */
export function ovens(facts: Facts, breach: Breaches): void {
  const { dinner, plan } = facts;
  const first = Math.min(...[...facts.free.values()].flat().map(([from]) => from));
  const loads = new Map<string, OvenLoad[]>(dinner.kitchen.ovens.map((o) => [o.id, []]));
  for (const step of facts.steps) {
    const use = ovenUseOf(step);
    const { oven: id, start, end } = step.planned;
    breach('ovens', (use === undefined) !== (id === null), () => `${step.placed.name}: oven ${id}`);
    if (!use || id === null) continue;
    const oven = dinner.kitchen.ovens.find((o) => o.id === id);
    breach('ovens', !oven, () => `${step.placed.name}: no oven ${id}`);
    if (!oven || end <= start) continue;
    const ready = first + (use.oven > COLD ? changeover(COLD, use.oven, oven) : 0);
    breach('ovens', start < ready, () => `${step.placed.name}: the oven is hot at ${ready}`);
    loads
      .get(id)!
      .push({ step, from: start, to: end, celsius: use.oven, range: ovenRange(use), shelves: use.shelves });
  }
  for (const oven of dinner.kitchen.ovens) {
    oneOven(facts, oven, loads.get(oven.id)!, breach);
    const programme = plan.ovens.find((o) => o.id === oven.id)?.programme ?? [];
    for (const load of loads.get(oven.id)!) {
      for (let m = load.from; m < load.to; m++) {
        const setting = programme.find((p) => p.from <= m && m < p.to);
        const right = setting && load.range[0] <= setting.celsius && setting.celsius <= load.range[1];
        breach(
          'programme',
          !right,
          () => `${load.step.placed.name} at ${m}: oven set to ${setting?.celsius}`,
        );
        if (!right) break;
      }
    }
  }
}

function oneOven(facts: Facts, oven: Oven, loads: OvenLoad[], breach: Breaches): void {
  for (const a of loads) {
    const together = loads.filter((b) => b.from <= a.from && a.from < b.to);
    const shelves = together.reduce((sum, b) => sum + b.shelves, 0);
    breach('ovens', shelves > oven.shelves, () => `${oven.id} holds ${shelves} shelves at ${a.from}`);
    for (const b of loads) {
      if (a === b || (b.range[0] <= a.range[1] && a.range[0] <= b.range[1])) continue;
      const names = () => `${a.step.placed.name} and ${b.step.placed.name}`;
      breach('ovens', a.from < b.to && b.from < a.to, () => `${names()} share no temperature`);
      if (b.from < a.to || comesAfter(facts, a.step, b.step, true)) continue;
      const need = changeover(a.celsius, b.celsius, oven);
      breach('ovens', b.from < a.to + need, () => `${names()}: ${need} minutes to change over`);
    }
  }
}

interface Taken {
  readonly step: StepFacts;
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

function amountOf(step: StepFacts, thing: string): number {
  return step.asked.uses
    .filter((use) => keepName(use) === thing)
    .reduce(
      (sum, use) => sum + ('ring' in use ? (use.ring as number) : 'tool' in use ? (use.count as number) : 0),
      0,
    );
}

/** Until when what `step` took of `thing` stays taken (section 4.8). */
function takenUntil(facts: Facts, step: StepFacts, thing: string): number {
  const { end } = step.planned;
  if (!step.asked.keepsIn.includes(thing)) return end;
  const next = facts.links.filter((l) => l.from === step);
  const steps = next.flatMap((l) => ('course' in l.to ? [] : [l.to]));
  const users = steps.filter((s) => amountOf(s, thing) > 0 && s.planned.end > s.planned.start);
  if (users.length > 0) return Math.min(...users.map((s) => s.planned.start));
  if (steps.length > 0) return Math.max(...steps.map((s) => s.planned.start));
  return next.length > 0 ? next[0]!.start : end;
}

/** Can the uses be given particular pieces, with `wash` between different dishes on one piece? */
function piecesSuffice(facts: Facts, uses: Taken[], capacity: number, wash: number): boolean {
  const sorted = [...uses].sort((a, b) => a.from - b.from || a.to - b.to);
  const last: (Taken | null)[] = Array.from({ length: capacity }, () => null);
  const fits = (prev: Taken | null, use: Taken) => {
    if (!prev) return true;
    const free =
      prev.step.placed.dish === use.step.placed.dish || comesAfter(facts, prev.step, use.step, false);
    return prev.to + (free ? 0 : wash) <= use.from;
  };
  const place = (u: number): boolean => {
    const use = sorted[u];
    if (!use) return true;
    const choose = (from: number, left: number): boolean => {
      if (left === 0) return place(u + 1);
      for (let p = from; p < capacity; p++) {
        const prev = last[p]!;
        if (!fits(prev, use)) continue;
        last[p] = use;
        if (choose(p + 1, left - 1)) return true;
        last[p] = prev;
      }
      return false;
    };
    return choose(0, use.count);
  };
  return place(0);
}

/** Section 4.8. */
export function ringsAndTools(facts: Facts, breach: Breaches): void {
  const { kitchen } = facts.dinner;
  const things = new Set(facts.steps.flatMap((s) => s.asked.uses.map(keepName)));
  for (const thing of things) {
    if (thing === null) continue;
    const taken = facts.steps
      .filter((s) => amountOf(s, thing) > 0 && s.planned.end > s.planned.start)
      .map((step): Taken => ({
        step,
        from: step.planned.start,
        to: Math.max(step.planned.end, takenUntil(facts, step, thing)),
        count: amountOf(step, thing),
      }));
    const capacity = thing === 'ring' ? kitchen.rings : (kitchen.tools[thing] ?? 1);
    for (const a of taken) {
      const sum = taken.filter((b) => b.from <= a.from && a.from < b.to).reduce((n, b) => n + b.count, 0);
      breach('resources', sum > capacity, () => `${sum} of ${thing} at ${a.from}, there are ${capacity}`);
    }
    if (thing !== 'ring' && taken.every((t) => t.count <= capacity)) {
      breach('wash', !piecesSuffice(facts, taken, capacity, kitchen.wash), () => `${thing}: no time to wash`);
    }
  }
}
