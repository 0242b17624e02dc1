import { auditPlan } from '../../core/audit';
import type { Plan } from '../../core/plan';
import { demoText, planOf, read } from '../builders/dinner';

const dinner = read(JSON.parse(demoText('first-frost')));
const good = planOf(dinner, 600);

/** The rules that the audit finds broken after a plan was tampered with. */
function broken(tamper: (plan: Plan) => void): string[] {
  const plan = structuredClone(good);
  tamper(plan);
  return [...new Set(auditPlan(dinner, plan).breaches.map((b) => b.rule))];
}
const stepOf = (plan: Plan, name: string) => plan.steps.find((s) => s.step === name)!;
const move = (plan: Plan, name: string, by: number) => {
  const row = stepOf(plan, name);
  row.start += by;
  row.end += by;
  row.pieces?.forEach((p) => {
    p[0] += by;
    p[1] += by;
  });
  row.hands.forEach((h) => {
    h.from += by;
    h.to += by;
  });
};

describe('the audit finds what is wrong', () => {
  test('and nothing where nothing is', () => expect(broken(() => undefined)).toEqual([]));
  const cases: [string, string, (plan: Plan) => void][] = [
    ['a step before what it waits for', 'order', (p) => move(p, 'cream/mix', -60)],
    ['a step kept too long', 'order', (p) => move(p, 'mash/mash', -90)],
    ['a course served at another time', 'service', (p) => (p.courses[1]!.serve += 1)],
    ['plating of the wrong length', 'service', (p) => (p.courses[0]!.plating.from += 1)],
    [
      'two things in one pair of hands',
      'hands',
      (p) => move(p, 'soup/oil', stepOf(p, 'cream/warm').start - stepOf(p, 'soup/oil').start),
    ],
    ['hands in the middle of the night', 'free', (p) => move(p, 'cabbage/shred', -600)],
    ['a check left out', 'checks', (p) => stepOf(p, 'duck/braise').hands.splice(1, 1)],
    ['a check at the wrong time', 'checks', (p) => (stepOf(p, 'duck/braise').hands[1]!.from -= 9)],
    ['a step that is shorter than it is', 'duration', (p) => (stepOf(p, 'cream/set').end -= 10)],
    ['a step within another at the wrong time', 'within', (p) => move(p, 'duck/quinces', 20)],
    ['an oven that is not hot', 'programme', (p) => p.ovens[0]!.programme.forEach((s) => (s.celsius -= 30))],
    ['a step that is not planned', 'steps', (p) => (p.steps = p.steps.filter((s) => s.step !== 'soup/oil'))],
    ['a dish without its way', 'choices', (p) => (p.dishes = p.dishes.slice(1))],
    ['a cost that is not the sum', 'cost', (p) => (p.cost! -= 1)],
    ['a cost that is a cent from the sum', 'cost', (p) => (p.cost! += 0.01)],
    ['a term that is not so', 'cost', (p) => (p.terms!.held -= 1)],
  ];
  test.each(cases)('%s', (_name, rule, tamper) => expect(broken(tamper)).toContain(rule));
});

test('the cost by hand: one hour of work, plated at once, in the even school', () => {
  const small = read({
    format: 'zeitlauf/dinner',
    version: 1,
    title: 'By hand',
    sitDown: '2026-10-17T19:00',
    guests: 4,
    kitchen: {},
    cooks: [{ id: 'a', name: 'A', free: [{ from: '2026-10-17T17:00', to: '2026-10-17T21:00' }] }],
    courses: [{ id: 'c', name: 'C', dishes: ['d'] }],
    dishes: [
      {
        id: 'd',
        name: 'D',
        serves: 4,
        steps: [{ id: 's', does: 'Cook.', attention: 'hands', minutes: 60, keeps: { best: 0, most: 10 } }],
      },
    ],
  });
  const plan = planOf(small, 200);
  // Work [-63, -3), plating [-3, 0). welcome: 27 minutes of work after -30, x 2; day: 63 x 0.2.
  expect(plan.terms).toMatchObject({ welcome: 54, day: 12.6, held: 0, away: 0, wait: 0 });
  expect(plan.cost).toBeCloseTo(66.6, 2);
});
