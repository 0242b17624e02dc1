import { isWaiting, type Act } from './clauses';
import type { Group } from './groups';
import { FAT_FIRST, FRESH, PRONOUN, STILL } from './phrases';
import type { Past } from './past';
import { ALL_LISTED, thingsIn, type Thing } from './things';

/** Letters between a verb and what it is about: "beat the two eggs". */
const NEAR = 12;
export const isObject = (thing: Thing, act: Act, from: number) => {
  const after = act.till - from;
  return thing.at > after && thing.at < after + NEAR;
};

export type Spoken = ReturnType<typeof spokenOf>;

/** What a step speaks of, and how it begins. */
export function spokenOf(past: Past, k: number) {
  const { groups, texts, ingredients, tools } = past.told;
  const { previous } = past;
  const group = groups[k]!;
  const text = texts[k]!;
  const things = thingsIn(text);
  const isNew = ({ name }: Thing) => !past.linked.some(({ holds }) => past.isHeld(holds, name));
  const isNewPart = previous >= 0 && group.part !== undefined && groups[previous]!.part !== group.part;
  const isStill = STILL.test(group.lead);
  const isBeside = FRESH.test(group.lead) && !isStill;
  return {
    things,
    isStill,
    isBeside,
    /** Begins a branch of its own. */
    isFresh: isBeside || /\bmeanwhile\b/i.test(text) || isNewPart || ALL_LISTED.test(text),
    isNew,
    hasNew: things.some((t) => isNew(t) && ingredients.has(t.name)),
    hasNamedNew: things.some((t) => isNew(t) && !past.isCommon(t.name) && ingredients.has(t.name)),
    isFatFirst: FAT_FIRST.test(text),
    isWaiting: group.acts.some(isWaiting),
    hasOwnTools: tools[k]!.some((t) => t.goes === 'hob' && !t.isAgain),
    tails: past.tails(),
  };
}

/** "The topping", which is no ingredient and has not been named: what was made last. */
export function madeLast(past: Past, step: Spoken): Thing | undefined {
  const { ingredients } = past.told;
  return step.things.find(
    (t) => t.isKnown && step.isNew(t) && !ingredients.has(t.name) && ingredients.size > 0,
  );
}

/** What is named that was not there. Waiting is for what is there, unless its verb is about something else. */
export function newThings(past: Past, group: Group, step: Spoken, last: Thing | undefined): Thing[] {
  const { ingredients } = past.told;
  const isPotted = group.acts.some((a) => a.verb.kind === 'simmer');
  // What a wait is about is new where it is listed, or cooked; what is put around a roast is not what it is about.
  const isAim = (t: Thing) =>
    group.acts.some(
      (a) =>
        isObject(t, a, group.from) &&
        (['simmer', 'cook'].includes(a.verb.kind) || (isWaiting(a) && ingredients.has(t.name))),
    );
  const wasThere = (t: Thing) =>
    step.isWaiting &&
    !isAim(t) &&
    (past.isCommon(t.name) || (t.isKnown && !(isPotted && ingredients.has(t.name))));
  return step.things.filter((t) => step.isNew(t) && t !== last && !wasThere(t));
}

/** Whether a pronoun is about the step before: in "peel the onions and slice them" it is not. */
export function isAboutBefore(
  past: Past,
  text: string,
  { things }: Spoken,
  fresh: readonly Thing[],
): boolean {
  const { ingredients } = past.told;
  const named = things.filter(
    (t) => fresh.includes(t) || (ingredients.has(t.name) && !past.isCommon(t.name)),
  );
  return (PRONOUN.exec(text)?.index ?? Infinity) < Math.min(Infinity, ...named.map((t) => t.at));
}
