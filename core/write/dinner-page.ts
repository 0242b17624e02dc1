import { neededFor, type System } from '../amounts';
import { toInstant, toWall } from '../clock';
import type { Dinner, DinnerFile } from '../dinner';
import { markdownText } from '../gather';
import { tasksOf } from '../live';
import type { Plan } from '../plan';

const FENCE = '```';

/**
 * A dinner as Markdown for people: the courses, what each dish needs for tonight, its steps, and the run sheet where
 * there is a plan. At its end stands the dinner file itself, so that reading the page back loses nothing.
 */
export function dinnerAsMarkdown(
  file: DinnerFile,
  dinner: Dinner,
  plan: Plan | null,
  system: System,
): string {
  const zone = dinner.timeZone;
  const zero = toInstant(dinner.sitDown, zone);
  const clock = (minute: number) => toWall(zero + minute, zone).replace('T', ' ');
  const courses = dinner.courses.map((course) => {
    const dishes = course.dishes.flatMap((id) => dinner.dishes.find((d) => d.id === id) ?? []);
    return `- **${markdownText(course.name)}**: ${dishes.map((d) => markdownText(d.name)).join(', ') || 'nothing yet'}`;
  });
  const dishes = dinner.dishes.map((dish) => {
    const factor = (dish.portions ?? dinner.guests) / dish.serves;
    const needs = dish.ingredients.map((i) => {
      const { amount, item, to } = neededFor(i, factor, system);
      return `- ${markdownText([amount, item].join(' '))}${to ? `, ${markdownText(to)}` : ''}`;
    });
    const steps = dish.steps.map((s, k) => `${k + 1}. ${markdownText(s.does)}`);
    return [
      `## ${markdownText(dish.name)}`,
      ...(needs.length > 0 ? [needs.join('\n')] : []),
      steps.join('\n'),
    ].join('\n\n');
  });
  const sheet = plan?.feasible
    ? [
        '## The evening',
        tasksOf(dinner, plan)
          .map((t) => `- ${clock(t.from)} ${markdownText(t.step === null ? t.text : `${t.dish}: ${t.text}`)}`)
          .join('\n'),
      ]
    : [];
  return `${[
    `# ${markdownText(dinner.title)}`,
    `${clock(0)}, ${dinner.guests} at table.`,
    courses.join('\n'),
    ...dishes,
    ...sheet,
    'The dinner file, for reading it back:',
    `${FENCE}json zeitlauf/dinner\n${JSON.stringify(file)}\n${FENCE}`,
  ].join('\n\n')}\n`;
}
