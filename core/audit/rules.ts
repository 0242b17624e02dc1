import { toInstant } from '../clock';
import { checkCount, hostName, platingMinutes } from '../dinner';
import { awayByCook } from './cost';
import type { Facts, StepFacts } from './facts';

/** A rule of the contract that the plan breaks. */
export interface Breach {
  readonly rule: string;
  readonly text: string;
}

type Breaches = (rule: string, broken: boolean, text: () => string) => void;

const same = (a: readonly number[], b: readonly number[]) =>
  a.length === b.length && a.every((x, i) => x === b[i]);

/** Sections 4.1 and 4.2: lags between steps, platings, waits and clearings. */
export function orderAndService(facts: Facts, breach: Breaches): void {
  for (const { from, to, least, most, start } of facts.links) {
    const gap = start - from.planned.end;
    const names = () =>
      `${from.planned.step} -> ${'course' in to ? `plating ${to.course}` : to.planned.step}: ${gap} minutes between`;
    breach('order', gap < least, () => `${names()}, at least ${least} asked`);
    breach('order', most !== null && gap > most, () => `${names()}, at most ${most} allowed`);
  }
  const { dinner, plan } = facts;
  breach('service', plan.courses.length !== dinner.courses.length, () => 'a course is missing');
  dinner.courses.forEach((course, c) => {
    const row = plan.courses[c];
    if (!row) return;
    const { plating, clearing, serve } = row;
    breach('service', row.id !== course.id, () => `course ${c} is ${row.id}`);
    breach('service', plating.to !== serve, () => `plating of ${course.id} ends at ${plating.to}`);
    const asked = platingMinutes(dinner, c);
    breach(
      'service',
      plating.to - plating.from !== asked,
      () => `plating of ${course.id} is not ${asked} long`,
    );
    if (c === 0) breach('service', serve !== 0, () => `the first course is served at ${serve}`);
    else {
      const wait = serve - facts.eating[c - 1]![1];
      breach(
        'service',
        row.wait !== wait,
        () => `wait of ${course.id} is said to be ${row.wait}, is ${wait}`,
      );
      breach(
        'service',
        wait < course.pause.least || wait > course.pause.most,
        () => `wait of ${course.id} is ${wait}`,
      );
    }
    const clears = c === dinner.courses.length - 1 ? 0 : course.clearing;
    const span = clearing ? [clearing.from, clearing.to] : [serve + course.eating, serve + course.eating];
    breach(
      'service',
      !same(span, [serve + course.eating, serve + course.eating + clears]),
      () => `clearing of ${course.id} is ${span.join('-')}`,
    );
  });
}

/** The stretches of one step that the contract asks for: its pieces, touches and checks. */
function stretchesOfStep({ planned, asked, placed }: StepFacts, breach: Breaches): void {
  const { start, end } = planned;
  const name = placed.name;
  const spans = (why: string) => planned.hands.filter((h) => h.why === why);
  const is = (why: string, from: number, to: number, cooks: number) => {
    const found = spans(why).filter((h) => h.from === from && h.to === to);
    const distinct = new Set(found.map((h) => h.cook)).size;
    breach(
      'hands',
      found.length !== cooks || distinct !== cooks,
      () => `${name}: ${why} ${from}-${to} needs ${cooks} cooks`,
    );
  };
  if (asked.attention === 'hands') {
    const pieces = planned.pieces ?? [];
    let expected = 0;
    let pause = 0;
    pieces.forEach(([from, to], p) => {
      if (to > from) is('work', from, to, asked.hands);
      expected += to - from;
      if (p > 0) pause += from - pieces[p - 1]![1];
      breach('pauses', p > 0 && from < pieces[p - 1]![1], () => `${name}: pieces overlap`);
      breach('pauses', pieces.length > 1 && to - from < 5, () => `${name}: a piece of ${to - from} minutes`);
    });
    breach(
      'pauses',
      expected !== asked.duration,
      () => `${name}: pieces add up to ${expected}, not ${asked.duration}`,
    );
    breach('pauses', pause > 30, () => `${name}: ${pause} minutes of pause`);
    breach('pauses', pieces.length > 1 && !asked.pausable, () => `${name} may not be paused`);
    breach(
      'pauses',
      pieces.length === 0 || pieces[0]![0] !== start || pieces.at(-1)![1] !== end,
      () => `${name}: pieces do not span it`,
    );
    const crews = new Set(
      pieces.map(([from]) =>
        planned.hands
          .filter((h) => h.from === from)
          .map((h) => h.cook)
          .sort()
          .join(),
      ),
    );
    breach('pauses', crews.size > 1, () => `${name}: pieces have different cooks`);
    const work = planned.hands.reduce((sum, h) => sum + h.to - h.from, 0);
    breach('hands', work !== asked.duration * asked.hands, () => `${name}: ${work} hands-on minutes`);
    return;
  }
  breach(
    'duration',
    end - start !== asked.duration,
    () => `${name} lasts ${end - start}, not ${asked.duration}`,
  );
  const { touch, check } = asked;
  if (touch.in > 0) is('in', start, start + touch.in, 1);
  if (touch.out > 0) is('out', end - touch.out, end, 1);
  const checks = spans('check').sort((a, b) => a.from - b.from);
  const count = check && check.takes > 0 ? checkCount(asked.duration, check.every) : 0;
  breach('checks', checks.length !== count, () => `${name} has ${checks.length} checks, not ${count}`);
  checks.forEach((span, m) => {
    if (!check) return;
    const due = start + (m + 1) * check.every;
    breach(
      'checks',
      Math.abs(span.from - due) > check.slack,
      () => `${name}: check ${m + 1} at ${span.from}, due ${due}`,
    );
    breach(
      'checks',
      span.to - span.from !== check.takes,
      () => `${name}: check ${m + 1} takes ${span.to - span.from}`,
    );
    breach(
      'checks',
      span.from < start + touch.in || span.to > end - touch.out,
      () => `${name}: check ${m + 1} outside`,
    );
  });
  const allowed = (touch.in > 0 ? 1 : 0) + (touch.out > 0 ? 1 : 0) + count;
  breach(
    'hands',
    planned.hands.length !== allowed,
    () => `${name} has ${planned.hands.length} stretches, not ${allowed}`,
  );
}

/** Sections 4.3, 4.4 and 4.5: who does what when. */
export function handsAndChecks(facts: Facts, breach: Breaches): void {
  for (const step of facts.steps) {
    stretchesOfStep(step, breach);
    const who = step.placed.step.who;
    if (who === undefined) continue;
    const groups = new Map<string, string[]>();
    for (const h of step.planned.hands) {
      const key = `${h.from}-${h.to}`;
      groups.set(key, [...(groups.get(key) ?? []), h.cook]);
    }
    for (const [span, cooks] of groups) {
      breach('who', !cooks.includes(who), () => `${step.placed.name} ${span} is not done by ${who}`);
    }
  }
  const byCook = new Map<string, { from: number; to: number; what: string }[]>();
  for (const h of facts.hands) {
    breach('hands', h.cook === null || !facts.free.has(h.cook), () => `${h.what}: no such cook ${h.cook}`);
    if (h.cook === null) continue;
    const windows = facts.free.get(h.cook) ?? [];
    breach(
      'free',
      !windows.some(([from, to]) => from <= h.from && h.to <= to),
      () => `${h.what} ${h.from}-${h.to}: ${h.cook} is not free`,
    );
    byCook.set(h.cook, [...(byCook.get(h.cook) ?? []), h]);
  }
  for (const [cook, spans] of byCook) {
    spans.sort((a, b) => a.from - b.from);
    for (let i = 1; i < spans.length; i++) {
      const [a, b] = [spans[i - 1]!, spans[i]!];
      breach('hands', b.from < a.to, () => `${cook} does ${a.what} and ${b.what} at ${b.from}`);
    }
  }
}

/** Sections 4.6, 4.9 and 4.10. */
export function withinTablePins(facts: Facts, breach: Breaches): void {
  const { dinner } = facts;
  for (const { placed, planned } of facts.steps) {
    const { within } = placed.step;
    const host = facts.byName.get(hostName(placed.dish, placed.step) ?? '');
    if (!within || !host) continue;
    const { start, end } = host.planned;
    const due = within.at !== undefined ? start + within.at : end - within.before!;
    breach(
      'within',
      Math.abs(planned.start - due) > within.slack,
      () => `${placed.name} starts ${planned.start}, due ${due}`,
    );
    breach(
      'within',
      planned.start < start || planned.end > end,
      () => `${placed.name} is not inside ${host.placed.name}`,
    );
  }
  for (const row of awayByCook(facts)) {
    breach(
      'table',
      row.minutes > (dinner.courses[row.course]!.sitThrough ? 0 : dinner.away),
      () => `${row.cook} is away ${row.minutes} minutes in course ${row.course}`,
    );
  }
  const watchers = dinner.cooks.filter((c) => !c.eats).flatMap((c) => facts.free.get(c.id) ?? []);
  for (const { asked, planned, placed } of facts.steps) {
    if (!asked.stay) continue;
    for (const [down, up] of facts.eating) {
      for (let m = Math.max(down, planned.start); m < Math.min(up, planned.end); m++) {
        const watched = watchers.some(([from, to]) => from <= m && m < to);
        breach('table', !watched, () => `${placed.name} needs someone in the kitchen at ${m}`);
        if (!watched) break;
      }
    }
  }
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  for (const pin of dinner.pins) {
    const step = facts.byName.get(pin.step);
    const at = toInstant(pin.start, dinner.timeZone) - zero;
    breach('pins', step !== undefined && step.planned.start !== at, () => `${pin.step} is pinned to ${at}`);
  }
  for (const dish of dinner.dishes) {
    const row = facts.plan.dishes.filter((d) => d.dish === dish.id);
    const known = row.length === 1 && dish.ways.some((w) => w.id === row[0]!.way);
    breach('choices', dish.ways.length > 0 ? !known : row.length > 0, () => `dish ${dish.id} has no one way`);
    const chosen = dinner.choices[dish.id];
    breach(
      'choices',
      chosen !== undefined && row[0]?.way !== chosen,
      () => `dish ${dish.id} is to be made ${chosen}`,
    );
  }
  for (const { placed, planned } of facts.steps) {
    const chosen = dinner.choices[placed.name];
    breach(
      'choices',
      chosen !== undefined && planned.way !== chosen,
      () => `${placed.name} is to be done ${chosen}`,
    );
    const known = planned.way === null || placed.step.ways.some((w) => w.id === planned.way);
    breach('choices', !known, () => `${placed.name} has no way ${planned.way}`);
  }
}
