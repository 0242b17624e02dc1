import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { auditPlan } from '../../core/audit';
import type { Plan } from '../../core/plan';
import { dinnerFile, read, step } from '../builders/dinner';

// Job shop with six jobs and six machines, least makespan 55 (Fisher and Thompson, 1963).
// Pairs of machine and minutes, written down from memory.
const JOBS: [number, number][][] = [
  [
    [2, 1],
    [0, 3],
    [1, 6],
    [3, 7],
    [5, 3],
    [4, 6],
  ],
  [
    [1, 8],
    [2, 5],
    [4, 10],
    [5, 10],
    [0, 10],
    [3, 4],
  ],
  [
    [2, 5],
    [3, 4],
    [5, 8],
    [0, 9],
    [1, 1],
    [4, 7],
  ],
  [
    [1, 5],
    [0, 5],
    [2, 5],
    [3, 3],
    [4, 8],
    [5, 9],
  ],
  [
    [2, 9],
    [1, 3],
    [4, 5],
    [5, 4],
    [0, 3],
    [3, 1],
  ],
  [
    [1, 3],
    [3, 3],
    [5, 9],
    [0, 10],
    [4, 4],
    [2, 1],
  ],
];
const LEAST = 55;

const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T20:00' }];
const FILE = dinnerFile([], {
  arrive: 0,
  kitchen: {
    rings: 0,
    wash: 0,
    tools: Object.fromEntries([0, 1, 2, 3, 4, 5].map((m) => [`machine ${m}`, 1])),
  },
  cooks: JOBS.map((_, j) => ({ id: `cook-${j}`, name: `Cook ${j}`, free })),
  courses: [
    {
      id: 'only',
      name: 'Only',
      plating: { base: 0, perGuest: 0 },
      dishes: JOBS.map((_, j) => `job-${j}`),
    },
  ],
  dishes: JOBS.map((job, j) => ({
    id: `job-${j}`,
    name: `Job ${j}`,
    serves: 4,
    steps: job.map(([machine, minutes], k) =>
      step(`s${k}`, minutes, {
        who: `cook-${j}`,
        uses: [{ tool: `machine ${machine}` }],
        after: k === 0 ? [] : [`s${k - 1}`],
      }),
    ),
  })),
});

test('as a dinner, the evening comes to 55 minutes, proven', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zeitlauf-'));
  const path = join(folder, 'job-shop.json');
  writeFileSync(path, JSON.stringify(FILE));
  // Outside Jest's sandbox the proof takes seconds; inside, minutes.
  const cli = fileURLToPath(new URL('../../dist/cli/plan.mjs', import.meta.url));
  const { stdout } = spawnSync(process.execPath, [cli, path, '--seconds', '25'], { encoding: 'utf8' });
  const plan = JSON.parse(stdout) as Plan;
  expect(auditPlan(read(FILE), plan).breaches).toEqual([]);
  expect(plan.cost).toBeCloseTo(plan.terms!.day, 6);
  expect(Math.round(plan.terms!.day / 0.2)).toBe(LEAST);
  expect(plan).toMatchObject({ optimal: true, bound: plan.cost });
});
