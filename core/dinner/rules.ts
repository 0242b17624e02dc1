import { toInstant } from '../clock';
import { effectiveStep, keepName } from './effective';
import { foundText, pathText, type Problem } from './problem';
import type { Dinner, Dish, Step } from './schema';
import { afterLinks, followersOf, hostName, placedSteps, type PlacedStep } from './steps';

type Report = (path: PropertyKey[], found: unknown, expected: string) => void;

/** Everything that a schema cannot say: references, cycles, fields that do not go together. */
export function ruleProblems(dinner: Dinner): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, found, expected) =>
    problems.push({ path: pathText(path), found: foundText(found), expected });
  const steps = placedSteps(dinner);
  const names = new Set(steps.map((s) => s.name));

  uniqueIds(dinner, report);
  courseRules(dinner, report);
  cookRules(dinner, report);
  for (const placed of steps) {
    fieldRules(dinner, placed, report);
    referenceRules(placed, names, report);
  }
  durationRules(dinner, report);
  cycleRules(steps, report);
  componentRules(steps, names, report);
  choiceRules(dinner, names, report);
  return problems;
}

function unique(ids: string[], path: PropertyKey[], what: string, report: Report): void {
  ids.forEach((id, i) => {
    if (ids.indexOf(id) < i) report([...path, i, 'id'], id, `an id that no other ${what} has`);
  });
}

function uniqueIds(dinner: Dinner, report: Report): void {
  const ids = (list: readonly { id: string }[]) => list.map((x) => x.id);
  unique(ids(dinner.kitchen.ovens), ['kitchen', 'ovens'], 'oven', report);
  unique(ids(dinner.cooks), ['cooks'], 'cook', report);
  unique(ids(dinner.courses), ['courses'], 'course', report);
  unique(ids(dinner.dishes), ['dishes'], 'dish', report);
  dinner.dishes.forEach((dish, d) => {
    unique(ids(dish.ways), ['dishes', d, 'ways'], 'way of this dish', report);
    unique(ids(dish.steps), ['dishes', d, 'steps'], 'step of this dish', report);
    dish.steps.forEach((step, s) =>
      unique(ids(step.ways), ['dishes', d, 'steps', s, 'ways'], 'way of this step', report),
    );
  });
}

function courseRules(dinner: Dinner, report: Report): void {
  const listed = new Set<string>();
  const dishIds = new Set(dinner.dishes.map((d) => d.id));
  dinner.courses.forEach((course, c) => {
    const { least, most } = course.pause;
    if (most < least) report(['courses', c, 'pause', 'most'], most, `at least pause.least (${least})`);
    course.dishes.forEach((id, i) => {
      const path = ['courses', c, 'dishes', i];
      if (!dishIds.has(id)) report(path, id, 'the id of a dish of this dinner');
      else if (listed.has(id)) report(path, id, 'a dish that is listed only once');
      listed.add(id);
    });
  });
}

function cookRules(dinner: Dinner, report: Report): void {
  dinner.cooks.forEach((cook, c) =>
    cook.free.forEach(({ from, to }, w) => {
      if (toInstant(to, dinner.timeZone) <= toInstant(from, dinner.timeZone)) {
        report(['cooks', c, 'free', w, 'to'], to, `a time after "from" (${from})`);
      }
    }),
  );
}

function minutesRule(minutes: Step['minutes'] | undefined, path: PropertyKey[], report: Report): void {
  if (minutes === undefined || typeof minutes === 'number') return;
  const { short, usual, long } = minutes;
  if (short > usual) report([...path, 'short'], short, `at most usual (${usual})`);
  if (long < usual) report([...path, 'long'], long, `at least usual (${usual})`);
}

function fieldRules(dinner: Dinner, placed: PlacedStep, report: Report): void {
  const { step, dish } = placed;
  const base = ['dishes', placed.dishIndex, 'steps', placed.stepIndex];
  const variants = [
    { fields: step as Partial<Step>, attention: step.attention, path: base as PropertyKey[] },
    ...step.ways.map((way, w) => ({
      fields: way as Partial<Step>,
      attention: way.attention ?? step.attention,
      path: [...base, 'ways', w] as PropertyKey[],
    })),
  ];
  for (const { fields, attention, path } of variants) {
    minutesRule(fields.minutes, [...path, 'minutes'], report);
    const isHands = attention === 'hands';
    if (isHands && fields.touch && fields.touch.in + fields.touch.out > 0) {
      report([...path, 'touch'], fields.touch, 'no touch on a hands step: all of it is hands-on');
    }
    if (attention !== 'minded' && fields.check) {
      report([...path, 'check'], fields.check, `no check on a step whose attention is "${attention}"`);
    }
    if (attention === 'minded' && !(fields.check ?? step.check)) {
      report([...path, 'check'], undefined, '{every, takes, slack}: a minded step is looked after');
    }
    if (!isHands && fields.pausable) {
      report([...path, 'pausable'], true, 'false: only a hands step can be paused');
    }
    if (!isHands && (fields.hands ?? 1) > 1) {
      report([...path, 'hands'], fields.hands, 'no hands: only a hands step takes cooks');
    }
    if (step.within && !isHands) {
      report([...path, 'attention'], attention, '"hands": a step within another is hands-on');
    }
    if ((fields.uses ?? []).filter((use) => 'oven' in use).length > 1) {
      report([...path, 'uses'], fields.uses, 'one oven at most');
    }
    const uses = fields.uses ?? step.uses ?? [];
    fields.keepsIn?.forEach((name, i) => {
      if (!uses.some((use) => keepName(use) === name)) {
        report([...path, 'keepsIn', i], name, '"ring" or a tool that this step uses');
      }
    });
  }
  if (step.if !== undefined && !step.within) {
    report([...base, 'if'], step.if, 'no condition on a step without within');
  }
  if (step.within && (step.within.at === undefined) === (step.within.before === undefined)) {
    report([...base, 'within'], step.within, 'either "at" or "before", and not both');
  }
  step.in?.forEach((way, i) => {
    if (!dish.ways.some((w) => w.id === way)) {
      report([...base, 'in', i], way, `the id of a way of dish "${dish.id}"`);
    }
  });
  if (step.who !== undefined && !dinner.cooks.some((cook) => cook.id === step.who)) {
    report([...base, 'who'], step.who, 'the id of a cook of this dinner');
  }
  if (step.plated && placed.courseIndex === null) {
    report([...base, 'plated'], step.plated, `no plated: no course lists dish "${dish.id}"`);
  }
}

function referenceRules(placed: PlacedStep, names: ReadonlySet<string>, report: Report): void {
  const { step, dish, name } = placed;
  const base = ['dishes', placed.dishIndex, 'steps', placed.stepIndex];
  afterLinks(dish, step).forEach((link, i) => {
    const written = step.after[i];
    if (!names.has(link.from)) report([...base, 'after', i], written, 'a step of this dinner');
    else if (link.from === name) report([...base, 'after', i], written, 'another step than itself');
    else if (typeof link.most === 'number' && link.most < link.least) {
      report([...base, 'after', i, 'most'], link.most, `at least "least" (${link.least})`);
    }
  });
  const host = hostName(dish, step);
  if (host !== null && (!names.has(host) || host === name)) {
    report([...base, 'within', 'step'], step.within?.step, 'another step of this dinner');
  }
}

/** Touches longer than the step, in its base way and in each other way, at tonight's scale. */
function durationRules(dinner: Dinner, report: Report): void {
  const check = (dish: Dish, step: Step, path: PropertyKey[]) =>
    [null, ...step.ways].forEach((way, w) => {
      const { touch, duration } = effectiveStep(dinner, dish, step, way);
      if (touch.in + touch.out > duration) {
        const at = way === null ? path : [...path, 'ways', w - 1];
        report([...at, 'touch'], touch, `no longer than the step (${duration} minutes)`);
      }
    });
  dinner.dishes.forEach((dish, d) =>
    dish.steps.forEach((step, s) => check(dish, step, ['dishes', d, 'steps', s])),
  );
}

function cycleRules(steps: readonly PlacedStep[], report: Report): void {
  const byName = new Map(steps.map((s) => [s.name, s]));
  const state = new Map<string, 'open' | 'done'>();
  const trail: string[] = [];
  const visit = (name: string): void => {
    const placed = byName.get(name);
    if (!placed || state.get(name) === 'done') return;
    state.set(name, 'open');
    trail.push(name);
    afterLinks(placed.dish, placed.step).forEach((link, i) => {
      if (state.get(link.from) !== 'open') return visit(link.from);
      const circle = [...trail.slice(trail.indexOf(link.from)).reverse(), name];
      if (link.from !== name) {
        report(
          ['dishes', placed.dishIndex, 'steps', placed.stepIndex, 'after', i],
          circle.join(' before '),
          'an order without a circle',
        );
      }
    });
    trail.pop();
    state.set(name, 'done');
  };
  steps.forEach((s) => visit(s.name));
}

/** Every step of a component must lead to a step of a dish that a course lists. */
function componentRules(steps: readonly PlacedStep[], names: ReadonlySet<string>, report: Report): void {
  const byName = new Map(steps.map((s) => [s.name, s]));
  const followers = followersOf(steps);
  const leads = new Map<string, boolean>();
  const leadsToCourse = (name: string): boolean => {
    const known = leads.get(name);
    if (known !== undefined) return known;
    leads.set(name, false);
    const placed = byName.get(name)!;
    const host = hostName(placed.dish, placed.step);
    const onward = [...(followers.get(name) ?? []), ...(host !== null && names.has(host) ? [host] : [])];
    const answer = placed.courseIndex !== null || onward.some(leadsToCourse);
    leads.set(name, answer);
    return answer;
  };
  for (const { name, dishIndex, stepIndex } of steps) {
    if (!leadsToCourse(name)) {
      report(
        ['dishes', dishIndex, 'steps', stepIndex],
        name,
        'a step that leads to a dish of a course: no course lists this dish',
      );
    }
  }
}

function choiceRules(dinner: Dinner, names: ReadonlySet<string>, report: Report): void {
  dinner.pins.forEach((pin, i) => {
    if (!names.has(pin.step)) report(['pins', i, 'step'], pin.step, 'a step of this dinner');
  });
  const dishes = new Map(dinner.dishes.map((d) => [d.id, d]));
  for (const [key, way] of Object.entries(dinner.choices)) {
    const [dishId = '', stepId] = key.split('/');
    const dish = dishes.get(dishId);
    const owner = stepId === undefined ? dish : dish?.steps.find((s) => s.id === stepId);
    if (!owner || key.split('/').length > 2) {
      report(['choices', key], key, 'a dish or a "dish/step" of this dinner');
    } else if (way === null ? stepId === undefined : !owner.ways.some((w) => w.id === way)) {
      report(['choices', key], way, `the id of a way of "${key}"`);
    }
  }
}
