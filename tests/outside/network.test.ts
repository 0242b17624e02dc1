import { Graph, alg } from '@dagrejs/graphlib';
import { compileModel, configure, NO_LIMIT, calendarStartsOf } from '../../core/model';
import { dinnerFile, read, step } from '../builders/dinner';
import { Random } from '../../core/planner/random';

type StepFile = Parameters<typeof dinnerFile>[0][number];

/** Random steps with lags of both kinds, all alone and without hands, so that only the lags count. */
function randomSteps(random: Random): StepFile[] {
  const count = 4 + random.below(10);
  return Array.from({ length: count }, (_, i) => {
    const links = Array.from({ length: random.below(3) }, () => random.below(Math.max(1, i)));
    return step(`s${i}`, 1 + random.below(30), {
      attention: 'alone',
      after:
        i === 0
          ? []
          : [...new Set(links)].map((k) => {
              const least = random.below(15);
              return random.below(2) === 0
                ? { step: `s${k}`, least }
                : { step: `s${k}`, least, most: least + random.below(60) };
            }),
      ...(random.below(4) === 0 ? { keeps: { most: 20 + random.below(80) } } : {}),
    });
  });
}

// Shortest paths in the distance graph of a simple temporal network, by graphlib's Bellman-Ford.
test('windows are those of an independent shortest-path computation', () => {
  let possible = 0;
  let impossible = 0;
  for (let seed = 1; seed <= 120; seed++) {
    const dinner = read(dinnerFile(randomSteps(new Random(seed))));
    const model = compileModel(dinner);
    const starts = calendarStartsOf(model);
    const config = configure(model, [-1], starts);
    // An edge u -> v of weight w says: time(v) - time(u) <= w. "zero" is slot 0.
    const graph = new Graph({ directed: true });
    const reversed = new Graph({ directed: true });
    const edge = (u: string, v: string, w: number) => {
      const least = Math.min(w, (graph.edge(u, v) as number | undefined) ?? Infinity);
      graph.setEdge(u, v, least);
      reversed.setEdge(v, u, least);
    };
    const plating = model.zero - model.courses[0]!.plating;
    for (const i of config.members) {
      const { role, modes } = model.activities[i]!;
      if (role !== 'step') continue;
      const { duration, most } = modes[0]!;
      edge('zero', `t${i}`, model.slots - 1);
      edge(`t${i}`, 'zero', 0);
      for (const link of config.after[i]!) {
        edge(`t${link.to}`, `t${i}`, -(duration + link.least));
        const lag = link.most >= 0 ? link.most : most;
        if (lag < NO_LIMIT) edge(`t${i}`, `t${link.to}`, duration + lag);
      }
      if (config.plates[i] === -2) continue;
      edge('zero', `t${i}`, plating - duration);
      if (most < NO_LIMIT) edge(`t${i}`, 'zero', -(plating - duration - most));
    }
    let forward: ReturnType<typeof alg.bellmanFord>;
    let backward: ReturnType<typeof alg.bellmanFord>;
    try {
      forward = alg.bellmanFord(graph, 'zero', (e) => graph.edge(e) as number);
      backward = alg.bellmanFord(reversed, 'zero', (e) => reversed.edge(e) as number);
    } catch {
      expect(config.possible).toBe(false);
      impossible += 1;
      continue;
    }
    expect(config.possible).toBe(true);
    possible += 1;
    for (const i of config.members) {
      if (model.activities[i]!.role !== 'step') continue;
      expect(config.latest[i]).toBe(forward[`t${i}`]!.distance);
      expect(config.earliest[i]).toBe(-backward[`t${i}`]!.distance + 0);
    }
  }
  expect(possible).toBeGreaterThan(40);
  expect(impossible).toBeGreaterThan(5);
});

// Critical path: forward and backward pass (Kelley and Walker, 1959); the network is our own.
test('a worked critical path: latest starts by the backward pass', () => {
  const alone = (id: string, minutes: number, after: string[]) =>
    step(id, minutes, { attention: 'alone', after });
  const dinner = read(
    dinnerFile(
      [alone('a', 20, []), alone('b', 45, ['a']), alone('c', 30, ['a']), alone('d', 15, ['b', 'c'])],
      {
        courses: [{ id: 'only', name: 'Only', dishes: ['dish'], plating: { base: 0, perGuest: 0 } }],
      },
    ),
  );
  const model = compileModel(dinner);
  const config = configure(model, [-1], calendarStartsOf(model));
  // Backward from 0: d at -15, b at -60, c at -45 (15 minutes of slack), a at -80: the path a, b, d is critical.
  expect([0, 1, 2, 3].map((i) => config.latest[i]! - model.zero)).toEqual([-80, -60, -45, -15]);
});
