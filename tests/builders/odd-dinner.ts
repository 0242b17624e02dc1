import type { DinnerFile } from '../../core/dinner';
import { Maker } from './maker';

type StepFile = DinnerFile['dishes'][number]['steps'][number];

const MINUTE = 60_000;
const clock = (time: number) => new Date(time).toISOString().slice(0, 16);
const timeOf = (text: string) => Date.parse(`${text}Z`);

/** Cuts a cook's free time in up to four, some of the cuts of no length. */
function cutTime(make: Maker, { from, to }: { from: string; to: string }): { from: string; to: string }[] {
  const pieces: { from: string; to: string }[] = [];
  const end = timeOf(to);
  let begin = timeOf(from);
  for (let cuts = make.between(1, 3); cuts > 0 && begin < end - 40 * MINUTE; cuts--) {
    const length = make.between(20, Math.max(21, Math.floor((0.8 * (end - begin)) / MINUTE)));
    const cut = Math.min(end, begin + length * MINUTE);
    pieces.push({ from: clock(begin), to: clock(cut) });
    begin = cut + make.pick([0, 5, 17]) * MINUTE;
  }
  if (begin < end) pieces.push({ from: clock(begin), to });
  return pieces;
}

function bendKitchen(make: Maker, dinner: DinnerFile): void {
  const kitchen = (dinner.kitchen ??= {});
  if (make.chance(0.3)) kitchen.wash = make.pick([0, 1, 8]);
  if (make.chance(0.2)) kitchen.rings = make.pick([1, 2, 3]);
  const tools = kitchen.tools ?? {};
  for (const tool of Object.keys(tools)) if (make.chance(0.3)) tools[tool] = 2;
  for (const oven of kitchen.ovens ?? []) {
    if (make.chance(0.3)) oven.heats = make.pick([5, 7.5, 20]);
    if (make.chance(0.3)) oven.cools = make.pick([1.5, 3]);
    if (make.chance(0.2)) oven.shelves = make.pick([1, 3]);
  }
}

function bendTable(make: Maker, dinner: DinnerFile): void {
  dinner.style = make.pick(['ahead', 'even', 'fresh']);
  if (make.chance(0.3)) dinner.arrive = make.pick([0, 5, 60]);
  if (make.chance(0.3)) dinner.away = make.pick([2, 5, 20]);
  for (const cook of dinner.cooks) {
    if (dinner.cooks.length > 1 && make.chance(0.25)) cook.eats = false;
    if (make.chance(0.4)) cook.free = cook.free.flatMap((window) => cutTime(make, window));
  }
  if (make.chance(0.25)) {
    const sitDown = timeOf(dinner.sitDown);
    const from = clock(sitDown - make.between(60, 300) * MINUTE);
    const to = clock(sitDown + make.between(60, 200) * MINUTE);
    dinner.cooks.push({ id: 'helper', name: 'Helper', eats: make.chance(0.4), free: [{ from, to }] });
  }
  for (const course of dinner.courses) {
    if (make.chance(0.3)) course.eating = make.pick([8, 15, 35]);
    if (make.chance(0.3)) {
      course.pause = make.pick([
        { least: 0, ideal: 0, most: 60 },
        { least: 10, ideal: 10, most: 10 },
        { least: 5, ideal: 20, most: 40 },
      ]);
    }
    if (make.chance(0.3)) {
      course.plating = make.pick([
        { base: 0, perGuest: 0 },
        { base: 3, perGuest: 1 },
      ]);
    }
    if (make.chance(0.3)) course.clearing = make.pick([0, 1, 6]);
  }
}

function bendStep(make: Maker, step: StepFile): void {
  if (step.check && make.chance(0.3)) {
    step.check = { ...step.check, takes: make.between(1, 3), slack: make.pick([0, 1, 4]) };
  }
  if (step.attention === 'hands' && make.chance(0.1)) step.pausable = true;
  if (make.chance(0.08)) step.scale = make.pick(['portions', 0.3, { batch: 3 }]);
  if (step.keeps && make.chance(0.15)) {
    step.keeps = make.pick([
      { best: 0, most: 0 },
      { best: 5, most: 5 },
      { best: 3, most: null },
      { best: 30, most: 90, gains: { until: 45, points: 7 } },
    ]);
  }
  if (make.chance(0.05)) step.stay = true;
  if (step.attention === 'alone' && make.chance(0.03)) step.minutes = make.between(600, 1500);
  step.after = step.after?.map((link) => {
    if (typeof link !== 'string' || !make.chance(0.1)) return link;
    return make.pick([
      { step: link, least: 2, most: 30 },
      { step: link, most: null },
      { step: link, most: 0 },
    ]);
  });
}

/**
 * A dinner like the given one on an odd evening: cooks called away in between, even from the table, a helper, short pauses or
 * long ones, much to carry, slow ovens, few rings, all in any style. It may be impossible.
 */
export function makeOdd(dinner: DinnerFile, seed: number): DinnerFile {
  const make = new Maker(seed * 15_485_863);
  bendKitchen(make, dinner);
  bendTable(make, dinner);
  for (const dish of dinner.dishes) for (const step of dish.steps) bendStep(make, step);
  return dinner;
}
