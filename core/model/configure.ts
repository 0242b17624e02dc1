import { afterLinks, participants } from '../dinner';
import type { Bits } from './bits';
import { NO_LIMIT } from './limits';
import type { Configuration, Link, Model } from './model';
import { serviceShift, Windows } from './propagate';

/** Earliest and latest serving slots of each course by eating times and pauses alone. */
export function serveWindows(model: Model): { low: number[]; high: number[] } {
  const low = [model.zero];
  const high = [model.zero];
  for (let c = 1; c < model.courses.length; c++) {
    const { eating } = model.courses[c - 1]!;
    low.push(low[c - 1]! + eating + model.courses[c]!.least);
    high.push(high[c - 1]! + eating + model.courses[c]!.most);
  }
  return { low, high };
}

/** What takes part and how it is linked when each dish is made in the way `ways` names (-1: none). */
export function configure(
  model: Model,
  ways: readonly number[],
  calendarStarts: readonly Bits[],
): Configuration & { readonly possible: boolean; readonly windows: Windows } {
  const { dinner, activities } = model;
  const chosen = new Map<string, string>();
  let points = 0;
  ways.forEach((w, d) => {
    const dish = dinner.dishes[d]!;
    const way = dish.ways[w];
    if (!way) return;
    chosen.set(dish.id, way.id);
    points += way.points;
  });
  const names = participants(dinner, chosen);
  const active = Uint8Array.from(activities, (a) => (a.role !== 'step' || names.has(a.name) ? 1 : 0));
  const members = activities.filter((a) => active[a.index]).map((a) => a.index);
  const byName = new Map(activities.map((a) => [a.name, a.index]));
  const before: Link[][] = activities.map(() => []);
  const after: Link[][] = activities.map(() => []);
  for (const i of members) {
    if (activities[i]!.role !== 'step') continue;
    const dish = dinner.dishes[activities[i]!.dish]!;
    const step = dish.steps.find((s) => `${dish.id}/${s.id}` === activities[i]!.name)!;
    for (const { from, least, most } of afterLinks(dish, step)) {
      const f = byName.get(from)!;
      if (!active[f]) continue;
      const link = { from: f, to: i, least, most: most === null ? NO_LIMIT : (most ?? -1) };
      before[i]!.push(link);
      after[f]!.push(link);
    }
  }
  const hosts = Int32Array.from(activities, (a) =>
    a.host >= 0 && active[a.host] && active[a.index] ? a.host : -1,
  );
  const guests: number[][] = activities.map(() => []);
  for (const i of members) if (hosts[i]! >= 0) guests[hosts[i]!]!.push(i);
  const plates = Int32Array.from(activities, (a) => {
    if (!active[a.index] || a.course < 0 || a.role !== 'step') return -2;
    if (a.hasPlated) return a.platedMost;
    return after[a.index]!.length === 0 && hosts[a.index]! < 0 ? -1 : -2;
  });
  const earliest = new Int32Array(activities.length);
  const latest = new Int32Array(activities.length);
  const config = {
    ways,
    points,
    active,
    members,
    before,
    after,
    plates,
    hosts,
    guests,
    earliest,
    latest,
    possible: false,
  };
  const windows = new Windows(model, calendarStarts);
  const serve = serveWindows(model);
  windows.loServe.set(serve.low);
  windows.hiServe.set(serve.high);
  for (const i of members) {
    const { course, role } = activities[i]!;
    if (role === 'step') windows.open(activities[i]!, 0, model.slots - 1);
    else
      windows.open(
        activities[i]!,
        serve.low[course]! + serviceShift(model, i),
        serve.high[course]! + serviceShift(model, i),
      );
  }
  const possible = windows.tighten(config, Int32Array.from(members), members.length, model.slots);
  earliest.set(windows.loStart);
  latest.set(windows.hiStart);
  return { ...config, possible, windows };
}
