import type { Dinner } from '../dinner';
import type { Plan } from '../plan';
import type { Session } from './session';
import { plannedSteps, tasksOf, type PlannedStep, type Task } from './tasks';

const MINUTE = 60_000;

/** Something that runs by itself. Times in milliseconds since 1970. */
export interface Running {
  readonly planned: PlannedStep;
  readonly startedAt: number;
  readonly endsAt: number;
  /** What to do when it ends, or null where nothing is. */
  readonly atEnd: Task | null;
}

export interface CourseState {
  readonly id: string;
  readonly name: string;
  readonly plannedAt: number;
  /** When it will be on the table if nothing is caught up. */
  readonly expectedAt: number;
  readonly isServed: boolean;
}

export interface CookView {
  /** What is in hand, or comes first: one for each cook at most. */
  readonly now: readonly Task[];
  readonly next: readonly Task[];
  readonly running: readonly Running[];
  readonly courses: readonly CourseState[];
  /** Whole minutes that the cook is behind the plan; 0 when on time. */
  readonly late: number;
  readonly isOver: boolean;
}

export interface Evening {
  readonly dinner: Dinner;
  readonly plan: Plan;
  /** The instant of sitting down, in milliseconds since 1970. */
  readonly zero: number;
}

/** When a plan minute is, in milliseconds since 1970. */
export function instantOf(evening: Evening, minute: number): number {
  return evening.zero + minute * MINUTE;
}

function runningSteps(
  evening: Evening,
  tasks: readonly Task[],
  doneAt: ReadonlyMap<string, number>,
  now: number,
): Running[] {
  return plannedSteps(evening.dinner, evening.plan).flatMap((planned): Running[] => {
    if (planned.as.attention === 'hands') return [];
    const { row } = planned;
    const mine = tasks.filter((t) => t.step === row.step);
    const first = mine.find((t) => t.kind === 'in');
    const last = mine.find((t) => t.kind === 'out') ?? null;
    const begun = first ? doneAt.get(first.id) : instantOf(evening, row.start);
    if (begun === undefined) return [];
    const startedAt = first ? begun - (first.to - first.from) * MINUTE : begun;
    const endsAt = startedAt + (row.end - row.start) * MINUTE;
    const isOver = last ? doneAt.has(last.id) : now >= endsAt;
    return startedAt > now || isOver ? [] : [{ planned, startedAt, endsAt, atEnd: last }];
  });
}

/** What a cook needs to see at `now` (milliseconds since 1970). */
export function cookView(evening: Evening, session: Session, now: number): CookView {
  const tasks = tasksOf(evening.dinner, evening.plan);
  const doneAt = new Map(session.done.map((entry) => [entry.task, entry.at]));
  const pending = tasks.filter((t) => !doneAt.has(t.id));
  const first = pending[0];
  const overdue = first ? now - instantOf(evening, first.to) : 0;
  const late = Math.max(0, Math.floor(overdue / MINUTE));
  const seen = new Set<string>();
  const current: Task[] = [];
  for (const task of pending) {
    if (seen.has(task.cook)) continue;
    seen.add(task.cook);
    current.push(task);
  }
  const courses = evening.plan.courses.map((course): CourseState => {
    const plate = tasks.find((t) => t.kind === 'plate' && t.course === course.id);
    const plannedAt = instantOf(evening, course.serve);
    const servedAt = plate ? doneAt.get(plate.id) : now >= plannedAt ? plannedAt : undefined;
    return {
      id: course.id,
      name: evening.dinner.courses.find((c) => c.id === course.id)!.name,
      plannedAt,
      expectedAt: servedAt ?? plannedAt + late * MINUTE,
      isServed: servedAt !== undefined,
    };
  });
  return {
    now: current,
    next: pending.filter((t) => !current.includes(t)).slice(0, 4),
    running: runningSteps(evening, tasks, doneAt, now).sort((a, b) => a.endsAt - b.endsAt),
    courses,
    late,
    isOver: pending.length === 0,
  };
}
