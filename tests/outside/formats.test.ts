import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import ICAL from 'ical.js';
import { dinnerJsonSchema } from '../../core/dinner';
import { tasksOf } from '../../core/live';
import { planToCalendar } from '../../core/write';
import { DEMOS, demoText, planOf, read } from '../builders/dinner';

// RFC 5545, read by ical.js, an independent parser.
test('the calendar file holds every task and course with an alarm, at the right instants', () => {
  const dinner = read(JSON.parse(demoText('home-at-six')));
  const plan = planOf(dinner, 200);
  const text = planToCalendar(dinner, plan, 0);
  const calendar = new ICAL.Component(ICAL.parse(text));
  const events = calendar.getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
  const tasks = tasksOf(dinner, plan);
  expect(events).toHaveLength(tasks.length + plan.courses.length);
  expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
  expect(events.every((e) => e.component.getAllSubcomponents('valarm').length === 1)).toBe(true);
  // 19:40 in Vienna on 20 October 2026 is 17:40 UTC.
  const starter = events.find((e) => e.summary === 'Starter is on the table')!;
  expect(starter.startDate.toJSDate().toISOString()).toBe('2026-10-20T17:40:00.000Z');
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
});

// JSON Schema 2020-12, checked by Ajv.
describe('the JSON Schema', () => {
  const validate = new Ajv2020({ strict: false }).compile(dinnerJsonSchema());
  test.each(DEMOS)('accepts %s', (name) => expect(validate(JSON.parse(demoText(name)))).toBe(true));
  test('refuses a dinner without cooks', () => {
    expect(validate({ ...JSON.parse(demoText('home-at-six')), cooks: [] })).toBe(false);
  });
  test('is the one in docs/', () => {
    const written = JSON.parse(
      readFileSync(new URL('../../docs/dinner.schema.json', import.meta.url), 'utf8'),
    );
    expect(written).toEqual(JSON.parse(JSON.stringify(dinnerJsonSchema())));
  });
});
