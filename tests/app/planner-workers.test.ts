import { expose, releaseProxy, type Remote } from 'comlink';
import { makePlanner } from '../../app/composables/usePlanner';
import { listening } from '../../app/workers/listening';
import type { Plan } from '../../core/plan';
import { inTurns } from '../../core/slices';

/** How long a worker of the test goes on with a plan: until it is told to stop, or for ever. */
type Manner = 'answers' | 'proves or listens' | 'listens' | 'is deaf';

type Order = [unknown, Plan | null, number, number, 'search' | 'proof' | undefined, Remote<() => void>];

let manner: Manner;
let made: SimulatedWorker[];

/** Stands for the planning worker: the same messages, no thread. */
class SimulatedWorker {
  ended = false;
  readonly asked: unknown[] = [];
  readonly parts: (string | undefined)[] = [];
  stop = () => {};
  private readonly ports = new MessageChannel();

  constructor() {
    made.push(this);
    expose(
      {
        plan: (...[file, , , seed, part, onBetter]: Order) => {
          this.asked.push(file);
          this.parts.push(part);
          onBetter[releaseProxy]();
          if (manner === 'answers') return { feasible: true, cost: seed, bound: null };
          if (manner === 'proves or listens' && part === 'proof')
            return { feasible: true, cost: 7, bound: 7, optimal: true };
          return new Promise((resolve) => (this.stop = () => resolve(null)));
        },
        stop: () => manner.endsWith('listens') && this.stop(),
      },
      this.ports.port2,
    );
  }

  postMessage(message: unknown, transfer: Transferable[]): void {
    if (!this.ended) this.ports.port1.postMessage(message, transfer);
  }

  addEventListener(type: string, heard: EventListener): void {
    this.ports.port1.addEventListener(type, heard);
    this.ports.port1.start();
  }

  removeEventListener(type: string, heard: EventListener): void {
    this.ports.port1.removeEventListener(type, heard);
  }

  terminate(): void {
    this.ended = true;
    this.ports.port1.close();
  }
}

beforeEach(() => {
  made = [];
  Object.assign(globalThis, { Worker: SimulatedWorker, navigator: { hardwareConcurrency: 2 } });
});

afterEach(() => made.forEach((worker) => worker.terminate()));

const ignore = () => {};

test('of two workers the better plan is kept, and both are used again', async () => {
  manner = 'answers';
  const planner = makePlanner();
  expect((await planner.plan('first', null, 1, ignore))?.cost).toBe(1);
  expect((await planner.plan('second', null, 1, ignore))?.cost).toBe(1);
  expect(new Set(made.flatMap((worker) => worker.asked))).toEqual(new Set(['first', 'second']));
  expect(made.length).toBeLessThanOrEqual(2);
});

test.each([
  [1, [undefined]],
  [2, ['proof', 'search']],
  [3, ['proof', 'search']],
  [4, ['proof', 'search', 'search']],
  [16, ['proof', 'search', 'search', 'search']],
])(
  'with %d cores, of which one is left to the page where there are more than two, the runs are %j',
  async (cores, parts) => {
    Object.assign(globalThis, { navigator: { hardwareConcurrency: cores } });
    manner = 'answers';
    expect((await makePlanner().plan('dinner', null, 1, ignore))?.cost).toBe(1);
    expect(made.flatMap((worker) => worker.parts).sort()).toEqual(parts);
  },
);

test('what one worker has proven is the plan, and the others are told to stop', async () => {
  Object.assign(globalThis, { navigator: { hardwareConcurrency: 4 } });
  manner = 'proves or listens';
  const planner = makePlanner();
  for (const dinner of ['first', 'second']) {
    expect(await planner.plan(dinner, null, 60, ignore)).toMatchObject({ cost: 7, optimal: true });
  }
  expect(made).toHaveLength(3);
  expect(made.some((worker) => worker.ended)).toBe(false);
});

test('a new call ends the one before it, and keeps workers that listen', async () => {
  manner = 'listens';
  const planner = makePlanner();
  const first = planner.plan('first', null, 1, ignore);
  await until(() => made.some((worker) => worker.asked.length > 0));
  const before = made.length;
  const second = planner.plan('second', null, 1, ignore);
  expect(await first).toBeNull();
  await until(() => made.every((worker) => worker.asked.includes('second')));
  expect(made).toHaveLength(before);
  expect(made.some((worker) => worker.ended)).toBe(false);
  planner.cancel();
  expect(await second).toBeNull();
});

test('a worker that does not listen is ended, and another does the work', async () => {
  manner = 'is deaf';
  const planner = makePlanner();
  const first = planner.plan('first', null, 1, ignore);
  await until(() => made.some((worker) => worker.asked.length > 0));
  const deaf = [...made];
  manner = 'answers';
  expect((await planner.plan('second', null, 1, ignore))?.cost).toBe(1);
  expect(await first).toBeNull();
  expect(deaf.every((worker) => worker.ended)).toBe(true);
});

test('workers are made ready once, and a call does not wait for that', async () => {
  manner = 'listens';
  const planner = makePlanner();
  planner.warmUp('any');
  await until(() => made.length > 0 && made.every((worker) => worker.asked.length === 1));
  planner.warmUp('any');
  const planned = planner.plan('wanted', null, 1, ignore);
  await until(() => made.every((worker) => worker.asked.includes('wanted')));
  expect(made.every((worker) => worker.asked.length === 2 && !worker.ended)).toBe(true);
  planner.cancel();
  expect(await planned).toBeNull();
});

test('slices are run to their end, with room for messages in between', async () => {
  let heard = 0;
  const busy = (milliseconds: number) => {
    const end = performance.now() + milliseconds;
    while (performance.now() < end);
  };
  function* slices() {
    for (let k = 0; k < 4; k++) {
      busy(15);
      yield;
    }
    return heard;
  }
  setImmediate(function again() {
    heard += 1;
    if (heard < 3) setImmediate(again);
  });
  expect(
    await inTurns(
      slices(),
      listening(() => true),
    ),
  ).toBeGreaterThan(0);
  heard = 0;
  setImmediate(() => (heard = 1));
  expect(
    await inTurns(
      slices(),
      listening(() => heard === 0),
    ),
  ).toBeNull();
});

async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 1));
}
