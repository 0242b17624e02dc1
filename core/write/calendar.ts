import ical, { ICalAlarmType } from 'ical-generator';
import { toInstant } from '../clock';
import type { Dinner } from '../dinner';
import { leadDays } from '../gather';
import { tasksOf } from '../live';
import type { Plan } from '../plan';

const MINUTE = 60_000;
/** Minutes that a reminder takes in the calendar. */
const LEAD_LENGTH = 15;
/** Minutes before a course at which its alarm sounds. */
const COURSE_ALARM = 10;

const slug = (text: string) => text.toLowerCase().replace(/[^a-z0-9]+/g, '-');
/** The same thing of the same dinner has the same name each time the file is written. */
const uidOf = (dinner: Dinner) => (id: string) =>
  `${slug(dinner.title)}-${slug(dinner.sitDown)}-${slug(id)}@zeitlauf`;

/**
 * What has to be bought, thawed or begun ahead of time, as an iCalendar file (RFC 5545): an event of a quarter of an
 * hour for each, with an alarm at its time. `stamp` is the moment of writing, in milliseconds since 1970.
 */
export function leadsToCalendar(dinner: Dinner, plan: Plan, stamp: number): string {
  const zero = toInstant(dinner.sitDown, dinner.timeZone) * MINUTE;
  const calendar = ical({
    name: `${dinner.title}, ahead of time`,
    prodId: { company: 'Zeitlauf', product: 'Ahead', language: 'EN' },
  });
  const uid = uidOf(dinner);
  for (const lead of leadDays(dinner, plan).flatMap((day) => day.leads)) {
    calendar.createEvent({
      id: uid(`${lead.kind}-${lead.dish}-${lead.step ?? lead.text}`),
      start: new Date(zero + lead.by * MINUTE),
      end: new Date(zero + (lead.by + LEAD_LENGTH) * MINUTE),
      stamp: new Date(stamp),
      summary: `${lead.dish}: ${lead.text}`,
      alarms: [{ type: ICalAlarmType.display, trigger: 0, description: lead.text }],
    });
  }
  return calendar.toString();
}

/**
 * The plan as an iCalendar file (RFC 5545): an event for each hands stretch and each course, each
 * with an alarm. `stamp` is the moment of writing, in milliseconds since 1970.
 */
export function planToCalendar(dinner: Dinner, plan: Plan, stamp: number): string {
  const zero = toInstant(dinner.sitDown, dinner.timeZone) * MINUTE;
  const at = (minute: number) => new Date(zero + minute * MINUTE);
  const calendar = ical({
    name: dinner.title,
    prodId: { company: 'Zeitlauf', product: 'Plan', language: 'EN' },
  });
  const uid = uidOf(dinner);
  for (const task of tasksOf(dinner, plan)) {
    const placed = dinner.dishes.flatMap((d) => d.steps.map((s) => ({ name: `${d.id}/${s.id}`, step: s })));
    const step = placed.find((p) => p.name === task.step)?.step;
    const notes = [step?.cue && `Done when: ${step.cue}`, ...(step?.cautions ?? [])].filter((n) => n);
    calendar.createEvent({
      id: uid(`${task.id}-${task.from}`),
      start: at(task.from),
      end: at(task.to),
      stamp: new Date(stamp),
      summary: task.step === null ? task.text : `${task.dish}: ${task.text}`,
      ...(notes.length > 0 ? { description: notes.join('\n') } : {}),
      alarms: [{ type: ICalAlarmType.display, trigger: 0, description: task.text }],
    });
  }
  for (const course of plan.courses) {
    const { name, eating } = dinner.courses.find((c) => c.id === course.id)!;
    calendar.createEvent({
      id: uid(`course-${course.id}`),
      start: at(course.serve),
      end: at(course.serve + Math.max(1, eating)),
      stamp: new Date(stamp),
      summary: `${name} is on the table`,
      alarms: [
        {
          type: ICalAlarmType.display,
          trigger: COURSE_ALARM * 60,
          description: `${name} in ${COURSE_ALARM} minutes`,
        },
      ],
    });
  }
  return calendar.toString();
}
