import { isWaiting, isWeighty, type Act } from './clauses';
import { durationsIn } from './durations';
import { LOOKS } from './remarks';
import { IN_OVEN, insideIn, looksIn, OFF_HEAT } from './signs';

/** Prepared in the pan where it fries: no step of its own. */
const IN_HAND = new Set(['stir', 'mix', 'whisk', 'fold', 'toss', 'baste', 'salt']);
/** What is laid, filled or topped between work of the hands and a wait belongs to the work. */
function isWorkBefore(act: Act, step: readonly Act[], rest: readonly Act[]): boolean {
  const next = rest.find(isWeighty);
  const isLaid = !['cover', 'wrap', 'add', 'pour', 'return', 'bring', 'heat'].includes(act.word);
  return (
    isLaid &&
    step.some((a) => a.verb.kind === 'prep') &&
    ['oven', 'cold', 'rest'].includes(next?.verb.kind ?? '')
  );
}

/** Acts of one sentence, put together to steps. */
export function stepsOfSentence(acts: readonly Act[], text: string): Act[][] {
  const wordsOf = (act: Act) => text.slice(act.from, act.to);
  const told = (act: Act) => durationsIn(wordsOf(act)).length > 0;
  const steps: Act[][] = [];
  let waiting: Act[] = [];
  const coreOfLast = () => steps.at(-1)?.findLast(isWeighty);
  for (const act of acts) {
    const rest = acts.slice(acts.indexOf(act) + 1);
    const next = rest.find(isWeighty);
    const isLight = !isWeighty(act) && !(told(act) && /\b(?:fridge|freezer|oven)\b/i.test(wordsOf(act)));
    if (act.word === 'keep' && !told(act) && steps.length > 0) {
      steps.at(-1)!.push(...waiting, act);
      waiting = [];
      continue;
    }
    // "Add the chestnuts, 2 minutes" after something else that has its time.
    const isOfWork = coreOfLast()?.verb.kind === 'prep' && !told(coreOfLast()!);
    const isTimed = told(act) && steps.length > 0 && !insideIn(wordsOf(act)) && !isOfWork;
    const isStirIn = /^(?:stir|whisk|mix|beat|fold|crumble) (?:in\b|[^.;,]*\binto the\b)/i.test(
      text.slice(act.at),
    );
    // Butter is melted for what comes next.
    const isForNext =
      (act.word === 'melt' || act.word === 'warm') &&
      !told(act) &&
      next !== undefined &&
      !IN_OVEN.test(wordsOf(next));
    // "Heat a pan until hot, rub the steaks with oil and sear".
    const isWhilePanHeats =
      waiting.some((a) => a.word === 'heat') &&
      act.verb.kind === 'prep' &&
      !told(act) &&
      next?.verb.kind === 'hob';
    if (
      (isLight && !isTimed) ||
      isWhilePanHeats ||
      isForNext ||
      (isStirIn && rest.some((a) => ['hob', 'simmer', 'cook'].includes(a.verb.kind)))
    ) {
      if (steps.length === 0 || (rest.some(isWeighty) && !isWorkBefore(act, steps.at(-1)!, rest)))
        waiting.push(act);
      else steps.at(-1)!.push(act);
      continue;
    }
    // "Bring to a simmer, take off the heat and leave": what was on the heat until then is a step of its own.
    const isHeatedFirst = waiting.some((a) => a.word === 'bring' || a.word === 'heat');
    const isTakenOff =
      isHeatedFirst && (act.word === 'infuse' || OFF_HEAT.test(text.slice(waiting[0]!.from, act.to)));
    if (isTakenOff && act.verb.kind === 'rest') {
      steps.push(waiting);
      waiting = [];
    }
    const core = coreOfLast();
    // "Steam for an hour; top up the water now and then": a look, inside what it looks after.
    if (core && isWaiting(core) && LOOKS.has(act.word) && looksIn(wordsOf(act))) {
      steps.at(-1)!.push(...waiting, act);
      waiting = [];
      continue;
    }
    const isMore =
      core !== undefined &&
      ((isWaiting(core) && isWaiting(act) && !told(core)) ||
        (core.verb.kind === act.verb.kind && !isWaiting(act) && !(told(core) && told(act))) ||
        (core.verb.kind === 'hob' && IN_HAND.has(act.word) && !told(act)));
    if (isMore) steps.at(-1)!.push(...waiting, act);
    else steps.push([...waiting, act]);
    waiting = [];
  }
  if (waiting.length > 0) steps.push(waiting);
  return steps;
}
