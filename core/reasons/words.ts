import { minutesInWords, toInstant, toWall } from '../clock';
import { inWords, placedSteps, type Dinner } from '../dinner';
import type { TermName } from '../plan';
import type { Obstacle } from './obstacles';

/** Says reasons in a cook's words; names and clock times come from the dinner. */
export interface Words {
  readonly obstacle: (obstacle: Obstacle) => string;
  readonly term: (name: TermName, points: number) => string;
}

const TERMS: Readonly<Record<TermName, [more: string, less: string]>> = {
  wait: ['the guests wait longer', 'the guests wait less'],
  rushed: ['a pause gets shorter than is nice', 'a pause gets nearer to what is nice'],
  away: ['you are away from the table longer', 'you are away from the table less'],
  trips: ['you get up from the table once more', 'you get up from the table less often'],
  held: ['food waits longer than is good for it', 'food waits less'],
  gains: ['something gains less by waiting', 'something gains more by waiting'],
  sameDay: ['there is more to do on the day', 'there is less to do on the day'],
  welcome: ['more is left to do when the guests come', 'less is left to do when the guests come'],
  day: ['the work begins earlier', 'the work begins later'],
  ways: ['a way you like less is taken', 'a way you like more is taken'],
};

/** The words for a dinner. `names` of steps are `dish/step`; platings are named by the planner's own names. */
export function wordsFor(dinner: Dinner): Words {
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  const clock = (minute: number) => toWall(zero + minute, dinner.timeZone).slice(11);
  const steps = new Map(placedSteps(dinner).map((s) => [s.name, s]));
  const course = (id: string) => dinner.courses.find((c) => c.id === id)?.name ?? id;
  const cook = (id: string) => dinner.cooks.find((c) => c.id === id)?.name ?? id;
  const step = (name: string): string => {
    const placed = steps.get(name);
    if (placed) return inWords(placed);
    const [role, index] = name.split(' ');
    const of = dinner.courses[Number(index)]?.name ?? name;
    return role === 'clearing' ? `clearing ${of}` : `plating ${of}`;
  };
  const obstacle = (o: Obstacle): string => {
    switch (o.kind) {
      case 'after':
        return o.minutes > 0
          ? `${step(o.step)} must be done ${minutesInWords(o.minutes)} before`
          : `${step(o.step)} must be done first`;
      case 'spoils':
        return o.minutes > 0
          ? `what ${step(o.step)} made must not wait longer than ${minutesInWords(o.minutes)}`
          : `it must follow ${step(o.step)} at once`;
      case 'before':
        return o.minutes > 0
          ? `must rest ${minutesInWords(o.minutes)} before ${step(o.step)} at ${clock(o.at)}`
          : `${step(o.step)} follows at ${clock(o.at)}`;
      case 'keeps':
        return o.minutes > 0
          ? `keeps no longer than ${minutesInWords(o.minutes)} before ${step(o.step)}`
          : `${step(o.step)} must follow at once`;
      case 'plating':
        return `${course(o.course)} is plated at ${clock(o.at)}`;
      case 'keepsForPlate':
        return `keeps no longer than ${minutesInWords(o.minutes)} before ${course(o.course)} is plated`;
      case 'inside':
        return `belongs to a moment of ${step(o.step)}`;
      case 'hands':
        return `${cook(o.cook)} is busy with ${step(o.step)} until ${clock(o.until)}`;
      case 'noTime':
        return `no cook has time at ${clock(o.at)}`;
      case 'away':
        return `you would be away from the table too long during ${course(o.course)}`;
      case 'stay':
        return `someone must stay in the kitchen, and you are at the table for ${course(o.course)}`;
      case 'oven':
        return `the oven is at ${o.celsius} °C for ${step(o.step)} until ${clock(o.until)}`;
      case 'shelf':
        return `the oven is full with ${step(o.step)}`;
      case 'cold':
        return `the oven cannot be hot before ${clock(o.at)}`;
      case 'thing':
        return `the ${o.thing} is taken by ${step(o.step)} until ${clock(o.until)}`;
      case 'pin':
        return `you pinned it to ${clock(o.at)}`;
    }
  };
  return { obstacle, term: (name, points) => TERMS[name][points > 0 ? 0 : 1] };
}
