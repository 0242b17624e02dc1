import { effectiveStep, placedSteps } from '../dinner';
import type { Dinner, EffectiveStep, PlacedStep, Step, StepWay } from '../dinner';
import type { HandsSpan, Plan, PlanStep } from '../plan';

/** One stretch of hands as a cook follows it: a line of the run sheet. */
export interface Task {
  /** Stays the same for the same stretch of the same step. */
  readonly id: string;
  readonly kind: HandsSpan['why'] | 'plate' | 'clear';
  /** `dish/step`, or null for plating and clearing. */
  readonly step: string | null;
  readonly course: string | null;
  readonly cook: string;
  /** Minutes relative to sitting down, half-open. */
  readonly from: number;
  readonly to: number;
  /** What to do, in words. */
  readonly text: string;
  readonly dish: string;
}

/** A planned step with what the dinner says of it. */
export interface PlannedStep {
  readonly row: PlanStep;
  readonly step: Step;
  readonly placed: PlacedStep;
  readonly course: string | null;
  readonly way: StepWay | null;
  /** The step as it is done in that way. */
  readonly as: EffectiveStep;
}

const lowered = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** `goesOn` where the work was begun before and put down. */
function taskText(
  does: string,
  why: HandsSpan['why'],
  condition: string | undefined,
  goesOn: boolean,
): string {
  if (why === 'check') return `Look after it: ${lowered(does)}`;
  if (why === 'out') return `Ready, take it off: ${lowered(does)}`;
  const what = goesOn ? `Go on: ${lowered(does)}` : does;
  return condition ? `If ${condition}: ${lowered(what)}` : what;
}

/** The planned steps, each with its dish and step. Steps the dinner no longer has are passed over. */
export function plannedSteps(dinner: Dinner, plan: Plan): PlannedStep[] {
  const byName = new Map(placedSteps(dinner).map((p) => [p.name, p]));
  return plan.steps.flatMap((row) => {
    const placed = byName.get(row.step);
    if (!placed) return [];
    const { dish, step } = placed;
    const way = step.ways.find((w) => w.id === row.way) ?? null;
    const course = placed.courseIndex === null ? null : dinner.courses[placed.courseIndex]!.id;
    return [{ row, placed, step, course, way, as: effectiveStep(dinner, dish, step, way) }];
  });
}

/** Every hands stretch of a plan in order of time: the run sheet. */
export function tasksOf(dinner: Dinner, plan: Plan): Task[] {
  const tasks: Task[] = [];
  for (const { row, placed, step, course } of plannedSteps(dinner, plan)) {
    const groups = new Map<string, HandsSpan>();
    row.hands.forEach((span) => {
      const key = `${span.from}-${span.cook}`;
      if (!groups.has(key)) groups.set(key, span);
    });
    let count = 0;
    for (const span of groups.values()) {
      tasks.push({
        id: `${row.step}#${span.why}${count++}`,
        kind: span.why,
        step: row.step,
        course,
        cook: span.cook,
        from: span.from,
        to: span.to,
        text: taskText(step.does, span.why, step.if, span.why === 'work' && span.from > row.start),
        dish: placed.dish.name,
      });
    }
  }
  plan.courses.forEach((course) => {
    const { name } = dinner.courses.find((c) => c.id === course.id)!;
    const service = [
      { kind: 'plate' as const, span: course.plating, text: `Plate and carry: ${name}` },
      { kind: 'clear' as const, span: course.clearing, text: `Clear the table: ${name}` },
    ];
    for (const { kind, span, text } of service) {
      if (!span || span.cook === null) continue;
      tasks.push({
        id: `${course.id}#${kind}`,
        kind,
        step: null,
        course: course.id,
        cook: span.cook,
        from: span.from,
        to: span.to,
        text,
        dish: name,
      });
    }
  });
  return tasks.sort((a, b) => a.from - b.from || a.to - b.to || (a.id < b.id ? -1 : 1));
}
