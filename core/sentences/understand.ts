import { actsIn } from './clauses';
import { coreOf, fieldsOf, type Mark, type StepFile } from './fields';

/** A sentence as a step without an id; `guessed` names what no words told. */
export interface Understood {
  readonly step: Omit<StepFile, 'id'>;
  readonly marks: readonly Mark[];
}

/** Takes one sentence of a recipe for one step of a dish. Any text at all gives a step. */
export function understand(sentence: string, hasFan = false): Understood {
  const text = sentence.trim();
  const acts = actsIn(text, { from: 0, to: text.length });
  const { step, marks } = fieldsOf(text, 0, coreOf(acts, text, 0), { hasFan, oven: null });
  return { step: { does: text.charAt(0).toUpperCase() + text.slice(1), ...step }, marks };
}
