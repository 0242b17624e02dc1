import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { auditPlan } from '../../core/audit';
import { DEMOS, demoText, dinnerFile, read, step } from '../builders/dinner';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'zeitlauf-'));

function plan(file: string, ...more: string[]) {
  return spawnSync(process.execPath, [join(ROOT, 'dist/cli/plan.mjs'), file, ...more], {
    encoding: 'utf8',
    cwd: folder,
  });
}
function written(name: string, value: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
  return path;
}

test.each(DEMOS)('prints a plan of %s that passes the audit', (name) => {
  const { status, stdout, stderr } = plan(join(ROOT, `demo/${name}.json`), '--seconds', '1');
  expect({ status, stderr }).toEqual({ status: 0, stderr: '' });
  expect(auditPlan(read(JSON.parse(demoText(name))), JSON.parse(stdout)).breaches).toEqual([]);
});

test('a broken file: one line that names the place, exit status 1', () => {
  const { status, stdout, stderr } = plan(written('broken.json', dinnerFile([step('a', 5, { who: 'bob' })])));
  expect({ status, stdout }).toEqual({ status: 1, stdout: '' });
  expect(stderr).toMatch(
    /^[^\n]*dishes\[0\]\.steps\[0\]\.who: found "bob", expected the id of a cook[^\n]*\n$/,
  );
});

test.each([
  ['no file', ['nowhere.json']],
  ['no JSON', [written('text.json', 'soup')]],
  ['a style that is none', [join(ROOT, 'demo/home-at-six.json'), '--style', 'slow']],
  ['seconds that are none', [join(ROOT, 'demo/home-at-six.json'), '--seconds', '-1']],
  ['an option that is none', [join(ROOT, 'demo/home-at-six.json'), '--fast']],
])('%s: one line, exit status 1', (_name, args) => {
  const { status, stderr } = plan(args[0]!, ...args.slice(1));
  expect(status).toBe(1);
  expect(stderr).toMatch(/^[^\n]+\n$/);
});

test('an impossible dinner: the plan file says why, exit status 2', () => {
  const file = dinnerFile([step('set', 300, { attention: 'alone', touch: { in: 1 } })]);
  const { status, stdout } = plan(written('late.json', file), '--seconds', '1');
  expect(status).toBe(2);
  expect(JSON.parse(stdout)).toMatchObject({
    feasible: false,
    steps: [],
    conflict: [{ kind: 'time' }, { kind: 'duration' }],
  });
});

test('the style is taken from the command line, and the same seed gives the same plan', () => {
  const file = written('small.json', dinnerFile([step('a', 5), step('b', 7, { after: ['a'] })]));
  const first = plan(file, '--style', 'ahead', '--seed', '4');
  expect(plan(file, '--style', 'ahead', '--seed', '4').stdout).toBe(first.stdout);
  expect(JSON.parse(first.stdout).terms.sameDay).toBeGreaterThan(0);
});

test('what is proven ends at once, however much time is allowed', () => {
  const file = written('proven.json', dinnerFile([step('a', 5), step('b', 7, { after: ['a'] })]));
  const { status, stdout } = plan(file, '--seconds', '3600');
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toMatchObject({ feasible: true, optimal: true });
});

test.each(DEMOS)('however little time is allowed, %s is not called impossible', (name) => {
  const { status, stdout } = plan(join(ROOT, `demo/${name}.json`), '--seconds', '0.01');
  expect(status).toBe(0);
  expect(auditPlan(read(JSON.parse(demoText(name))), JSON.parse(stdout)).breaches).toEqual([]);
});

test('however little time is allowed, an impossible dinner is told what cannot hold together', () => {
  const roast = (id: string) =>
    step(id, 60, { attention: 'alone', uses: [{ oven: 180 }], keeps: { most: 5 } });
  const ovens = [{ id: 'oven', name: 'Oven', shelves: 1 }];
  const file = dinnerFile([roast('a'), roast('b')], { kitchen: { ovens } });
  const { status, stdout } = plan(written('two-roasts.json', file), '--seconds', '0.01');
  expect(status).toBe(2);
  expect(JSON.parse(stdout).conflict.length).toBeGreaterThan(0);
});
