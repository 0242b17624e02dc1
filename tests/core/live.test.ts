import { cookView, NO_SESSION, reduceSession, tasksOf, type Evening, type Session } from '../../core/live';
import { demoText, dinnerFile, planOf, read, step } from '../builders/dinner';

const dinner = read(JSON.parse(demoText('home-at-six')));
const plan = planOf(dinner, 300);
const ZERO = Date.UTC(2026, 9, 20, 17, 40);
const evening: Evening = { dinner, plan, zero: ZERO };
const MINUTE = 60_000;
const tasks = tasksOf(dinner, plan);

const afterTasks = (count: number, at: (k: number) => number): Session =>
  tasks
    .slice(0, count)
    .reduce(
      (session, task, k) => reduceSession(session, { type: 'done', task: task.id, at: at(k) }),
      reduceSession(NO_SESSION, { type: 'begin', planKey: 'k' }),
    );
const onTime = (k: number) => ZERO + tasks[k]!.to * MINUTE;

test('every hands minute of the plan is one task, in order of time', () => {
  const planned =
    plan.steps.flatMap((s) => s.hands).length +
    plan.courses.flatMap((c) => (c.clearing?.cook ? [1, 1] : [1])).length;
  expect(tasks).toHaveLength(planned);
  expect(new Set(tasks.map((t) => t.id)).size).toBe(tasks.length);
  expect(tasks.map((t) => t.from)).toEqual([...tasks.map((t) => t.from)].sort((a, b) => a - b));
});

test('work that was put down is gone on with', () => {
  const steps = [
    step('peel', 20, { pausable: true }),
    step('stir', 9),
    step('boil', 15, { after: ['peel'] }),
  ];
  const pins = [
    { step: 'dish/peel', start: '2026-10-17T17:50' },
    { step: 'dish/stir', start: '2026-10-17T18:00' },
  ];
  const paused = read(dinnerFile(steps, { pins }));
  const lines = tasksOf(paused, planOf(paused)).filter((task) => task.step === 'dish/peel');
  expect(lines.map(({ from, to, text }) => [from, to, text])).toEqual([
    [-70, -60, 'Do peel.'],
    [-51, -41, 'Go on: do peel.'],
  ]);
});

test('the first task is in hand before anything is done, and the cook is on time until its end', () => {
  const view = cookView(evening, NO_SESSION, ZERO + tasks[0]!.from * MINUTE);
  expect(view.now.map((t) => t.id)).toEqual([tasks[0]!.id]);
  expect(view.late).toBe(0);
});

test('being late is shown, and passed on to the courses to come', () => {
  const view = cookView(evening, afterTasks(3, onTime), ZERO + (tasks[3]!.to + 12) * MINUTE);
  expect(view.late).toBe(12);
  expect(view.courses.map((c) => (c.expectedAt - c.plannedAt) / MINUTE)).toEqual([12, 12, 12]);
});

test('a timer runs from when the tray really went in', () => {
  const bake = tasks.findIndex((t) => t.step === 'semolina/bake' && t.kind === 'in');
  const putIn = onTime(bake) + 7 * MINUTE;
  const session = afterTasks(bake + 1, (k) => (k === bake ? putIn : onTime(k)));
  const running = cookView(evening, session, putIn + MINUTE).running.find(
    (r) => r.planned.row.step === 'semolina/bake',
  )!;
  const row = plan.steps.find((s) => s.step === 'semolina/bake')!;
  expect((running.endsAt - putIn) / MINUTE).toBe(row.end - row.start - 1);
  expect(running.atEnd?.kind).toBe('out');
});

test('done and undo come back to where it was; done twice counts once', () => {
  const before = afterTasks(2, onTime);
  const done = reduceSession(before, { type: 'done', task: tasks[2]!.id, at: 5 });
  expect(reduceSession(done, { type: 'done', task: tasks[2]!.id, at: 9 })).toBe(done);
  expect(reduceSession(done, { type: 'undo' })).toEqual(before);
  expect(reduceSession(NO_SESSION, { type: 'undo' })).toBe(NO_SESSION);
});

test('when all is done the evening is over and every course was served', () => {
  const view = cookView(evening, afterTasks(tasks.length, onTime), ZERO + 200 * MINUTE);
  expect(view).toMatchObject({ isOver: true, now: [], next: [] });
  expect(view.courses.every((c) => c.isServed)).toBe(true);
});
