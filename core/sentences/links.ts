import { singular } from '../amounts';
import type { Act } from './clauses';
import type { Group } from './groups';
import type { NamedTool } from './vessels';
import { type Aliases, COMMON, holdsThing, heldNames, MADE, thingsIn, type Thing } from './things';
import type { VerbKind } from './verbs';

/** Begins a branch of its own. */
const FRESH =
  /\b(?:meanwhile|in the meantime|at the same time|while\b|separately|in another|in a second|before the end\b|minutes before\b)|^\W*(?:for|(?:to )?make|prepare) the (?!last|final)[^.,:]{3,30}(?:[,:]|$)/i;
/** "While still warm, stir in": with what is there. */
const STILL = /^\W*(?:while|when) (?:(?:it is|it's|they are|they're) )?(?:still )?(?:warm|hot)\b/i;
/** Fat that is melted or heated comes from the larder, whatever else had some of it. */
const FAT_FIRST =
  /^\W*(?:\p{L}+ )?(?:melt|heat|warm|brown) (?:half |most |some |a little )?(?:of )?the (?:\p{L}+ )?(?:butter|oil|fat|lard)\b/iu;
const PRONOUN = /\b(?:it|them|everything)\b/i;
const CONTINUES =
  /\bmixture\b|\bover (?:the top|it|them|everything)\b|\b(?:pour|scatter|sprinkle|spoon|strew) (?:it|this|them) over\b|\bin the (?:same )?fat\b|\bfold (?:it|them) (?:through|in)\b|^\W*(?:then |gradually |gently )?(?:beat|fold|stir|whisk|mix|rub|knead) in\b/i;
const LIFTED = /^\W*(?:lift|scoop|fish|take) (?:the )?(?:\p{L}+ )?out\b/iu;
/** Shaped is what was mixed before. */
const SHAPING = new Set(['form', 'shape', 'divide', 'mould', 'roll']);
/** "Fry for 2 minutes more": after what is on the heat. */
const LONGER = /\b(?:more|longer|further|another \d+)\b/i;
/** "Make the sauce:" names what is to come. */
const GIVES_NAME = /\b(?:make|prepare|for) (?:the|a|an|your) (?:\p{L}+ )?$/iu;
/** "As small as the lentils". */
const ALIKE = /\b(?:as \p{L}+ as|size of|like) (?:the |an? )?$/iu;
/** "Half of the oil", "the rest of the yogurt": what is left of it, not what some of it became. */
const PART_OF = /\b(?:rest|remaining|remainder|half|some|most|a little)(?: of)?(?: the)? $/i;
/** What comes apart: it is taken from where it was parted, whatever was done with the other. */
const SPLIT = new Set(['white', 'yolk']);
/** Letters between a verb and what it is about: "beat the two eggs". */
const NEAR = 12;
const isObject = (thing: Thing, act: Act, from: number) => {
  const after = act.at - from + act.word.length;
  return thing.at > after && thing.at < after + NEAR;
};
const PARTLY = /\b(?:rest of|remaining|half of|remainder|some of|a little of)\b/i;
/** What is added goes to what is in the pan or the bowl. */
const ADDS = /^\W*(?:then )?(?:add|pour in|stir in|return|throw in|tip in|deglaze)\b/i;
/** A verb without a thing of its own: "divide into 12", "blend with butter". */
const NO_OBJECT =
  /^\s*(?:(?:for\s+)?(?:about\s+|ca\.?\s*)?\d[\d\s/.–-]*(?:to \d+ )?(?:min|hour|h\b)|to|into|in|with|between|among|until|for|through|over|on|onto|at|blind|smooth|dry|again|[,.;(]|$)/i;
const ALL = /\b(?:everything|all the (?!time|way|while)|assemble)\b|\bwet\b.*\bdry\b/i;
const TOGETHER = /\btogether\b/i;
/**
 * Which steps each step comes after: those that made the things it speaks of; where it speaks of nothing that was
 * made, the step before it, unless words or new things begin another branch. Steps by their numbers.
 */
export function linksOf(
  groups: readonly Group[],
  textOf: (group: Group) => string,
  tools: readonly (readonly NamedTool[])[],
  ingredients: ReadonlySet<string>,
  aliases: Aliases,
): number[][] {
  /** What each step holds: its own things, and those of all it comes after. */
  const holds: Set<string>[] = [];
  /** What each speaks of itself. */
  const own: Set<string>[] = [];
  /** What its verbs are about. */
  const objects: Set<string>[] = [];
  const links: number[][] = [];
  const used = new Set<number>();
  let previous = -1;
  /** Common things tie nothing together; what no list names was made on the way ("the cream" of almonds). */
  const isCommon = (name: string) => COMMON.has(name) && (ingredients.size === 0 || ingredients.has(name));

  /** The latest step so far that is of one of these kinds. */
  const lastOf = (...kinds: VerbKind[]) =>
    [...holds.keys()].findLast((j) => groups[j]!.acts.some((a) => kinds.includes(a.verb.kind)));

  groups.forEach((group, k) => {
    const text = textOf(group);
    const things = thingsIn(text);
    const [first] = group.acts;
    if (group.isInside) {
      links.push([]);
      holds.push(new Set());
      own.push(new Set());
      objects.push(new Set());
      return;
    }
    const tails = [...holds.keys()].filter((j) => !used.has(j) && !groups[j]!.isInside);
    const isNewLine = previous >= 0 && groups[previous]!.line !== group.line;
    const isNewPart = previous >= 0 && group.part !== undefined && groups[previous]!.part !== group.part;
    const isStill = STILL.test(group.lead);
    const isFresh = (FRESH.test(group.lead) && !isStill) || /\bmeanwhile\b/i.test(text) || isNewPart;
    const isNew = ({ name }: Thing) => !holds.some((held) => holdsThing(held, name));
    const hasNamedNew = things.some((t) => isNew(t) && !isCommon(t.name) && ingredients.has(t.name));
    const named = new Set<number>();
    const isFatFirst = FAT_FIRST.test(text);
    for (const { name, isKnown, at } of things) {
      if (isFatFirst && isCommon(name)) continue;
      const lead = text.slice(0, at);
      if (ALIKE.test(lead) || (isFresh && GIVES_NAME.test(lead))) continue;
      if (ingredients.has(name) && PART_OF.test(lead)) continue;
      if (isCommon(name)) {
        const isWorkedOn = tails.some((j) => objects[j]!.has(name));
        if (!isKnown || isFresh || PARTLY.test(text) || (hasNamedNew && !isWorkedOn)) continue;
        if (previous >= 0 && holdsThing(holds[previous]!, name)) {
          named.add(previous);
          continue;
        }
      }
      // The latest that holds it: what is at the end of a branch before what was used up.
      const owners = [...holds.keys()].filter((j) => holdsThing(holds[j]!, name) && !groups[j]!.isInside);
      const open = owners.filter((j) => tails.includes(j));
      const among = open.length > 0 ? open : owners;
      // The one that spoke of it itself, before one that only has it from others; another branch only wants the former.
      const owner =
        (SPLIT.has(name) ? owners.findLast((j) => own[j]!.has(name)) : undefined) ??
        among.findLast((j) => holdsThing(own[j]!, name)) ??
        (isFresh && ingredients.has(name) ? undefined : among.at(-1));
      if (owner !== undefined) named.add(owner);
    }
    const isWaiting = group.acts.some((a) => a.verb.attention !== 'hands');
    // "The topping", which is no ingredient and has not been named: what was made last.
    const madeLast = things.find(
      (t) => t.isKnown && isNew(t) && !ingredients.has(t.name) && ingredients.size > 0,
    );
    if (madeLast && madeLast === things[0] && named.size === 0 && !isFresh) {
      const maker = tails.findLast((j) => !groups[j]!.acts.every((a) => a.word === 'bring'));
      if (maker !== undefined) named.add(maker);
    }
    // "Poach the eggs": what the verb itself is about, and is no ingredient that was there.
    const object = things.find((t) =>
      group.acts.some((a) => a.verb.kind === 'simmer' && isObject(t, a, group.from)),
    );
    // Waiting is for what is there, unless something is named that was not.
    const newThings = things.filter(
      (t) => isNew(t) && t !== madeLast && !(isWaiting && t !== object && (isCommon(t.name) || t.isKnown)),
    );
    const hasNewThings = newThings.length > 0 || isFatFirst;
    // "Peel the onions and slice them": the pronoun is about what the step itself names.
    const pronounAt = PRONOUN.exec(text)?.index ?? Infinity;
    const isAboutIt =
      pronounAt <
      Math.min(
        Infinity,
        ...things
          .filter((t) => newThings.includes(t) || (ingredients.has(t.name) && !isCommon(t.name)))
          .map((t) => t.at),
      );
    const ownTools = tools[k]!.some((t) => t.goes === 'hob' && !t.isAgain);
    const isWithoutObject =
      first !== undefined && NO_OBJECT.test(text.slice(first.at - group.from + first.word.length));
    const goesOn =
      previous >= 0 &&
      !isFresh &&
      (isAboutIt ||
        CONTINUES.test(text) ||
        (SHAPING.has(first?.word ?? '') && named.size === 0 && !hasNamedNew) ||
        isStill ||
        /^\W*return\b/i.test(text) ||
        (ADDS.test(text) && !ownTools) ||
        (isWithoutObject && named.size === 0) ||
        (group.isSameSentence && !hasNamedNew) ||
        (!isNewLine &&
          first?.verb.kind === 'light' &&
          !ownTools &&
          first.word !== 'bring' &&
          first.word !== 'heat' &&
          first.word !== 'put') ||
        (named.size === 0 && !hasNewThings));
    if (goesOn) named.add(previous);
    // What is added after something that was done meanwhile goes to what was on the heat before.
    const wasAside = previous >= 0 && /\bmeanwhile\b/i.test(textOf(groups[previous]!));
    if (LONGER.test(text) || (wasAside && (ADDS.test(text) || CONTINUES.test(text)) && !ownTools)) {
      const heated = lastOf('hob', 'simmer', 'cook', 'oven');
      if (heated !== undefined) named.add(heated);
    }
    for (const tool of tools[k]!.filter((t) => t.isAgain)) {
      const users = [...holds.keys()].filter((j) =>
        tools[j]!.some((t) => t.tool === tool.tool || (isVague(tool) && t.goes === tool.goes)),
      );
      const isOnHob = tool.goes === 'oven' && group.acts.some((a) => a.verb.kind === 'simmer');
      const heated = isOnHob ? lastOf('oven') : lastOf('hob', 'simmer', 'cook');
      const isOfHeat = isOnHob || (isVague(tool) && tool.goes === 'hob');
      const user = isOfHeat && heated !== undefined ? Math.max(heated, users.at(-1) ?? 0) : users.at(-1);
      // "In the same pan": after what was in it; and a tin that was lined is for what goes into it.
      if (user !== undefined && (tool.goes === 'hob' || isOnHob || isLining(groups[user]!))) named.add(user);
    }
    // "Meanwhile" is beside what waits: what it takes was there when that began.
    if (FRESH.test(group.lead) && !isStill && previous >= 0 && named.has(previous)) {
      named.delete(previous);
      for (const j of links[previous]!) named.add(j);
    }
    // "Lift the dumplings out": after what they were in.
    if (LIFTED.test(text)) {
      const pot = lastOf('simmer', 'cook');
      if (pot !== undefined) named.add(pot);
    }
    const isAll = ALL.test(text) || (TOGETHER.test(text) && !hasNewThings);
    if (isAll) for (const tail of tails) if (groups[tail]!.part === group.part) named.add(tail);
    // Water that was brought to the boil is for what is cooked next without a vessel of its own.
    const boiling = tails.findLast(
      (j) => groups[j]!.acts.every((a) => a.word === 'bring') && /\bwater\b/i.test(textOf(groups[j]!)),
    );
    if (boiling !== undefined && isWaiting && !ownTools && !named.has(boiling) && named.size === 0)
      named.add(boiling);
    if (
      boiling !== undefined &&
      group.acts.some((a) => a.word === 'cook' || a.word === 'boil') &&
      !ownTools
    ) {
      if (!isAboutIt) named.delete(previous === boiling ? -1 : previous);
      named.add(boiling);
    }
    named.delete(-1);
    const after = [...named].sort((a, b) => a - b);
    for (const j of after) used.add(j);
    links.push(reduced(after, links));
    const isFoam = /\bwhites\b|\bcream (?:to|until|lightly|softly)\b/i.test(text);
    const made = (isFoam ? [] : MADE)
      .filter(([words]) => words.test(text))
      .flatMap(([, names]) => names.map(singular));
    objects.push(
      new Set(things.filter((t) => group.acts.some((a) => isObject(t, a, group.from))).map((t) => t.name)),
    );
    own.push(new Set([...heldNames(things, aliases), ...made.filter((name) => name !== 'meat')]));
    holds.push(
      new Set([
        ...heldNames(things, aliases),
        ...made,
        ...(group.part ? thingsIn(group.part).map((t) => t.name) : []).filter((n) => !ingredients.has(n)),
        ...after.flatMap((j) => [...holds[j]!]),
      ]),
    );
    previous = k;
  });
  return links;
}

const isVague = ({ tool }: NamedTool) => ['pan', 'pot', 'tin', 'tray', 'dish'].includes(tool);
const isLining = (group: Group) => group.acts.some((a) => ['grease', 'line', 'rub'].includes(a.word));

/** Without those that another of them comes after already. */
function reduced(after: readonly number[], links: readonly (readonly number[])[]): number[] {
  const above = (j: number): Set<number> => new Set((links[j] ?? []).flatMap((i) => [i, ...above(i)]));
  const implied = new Set(after.flatMap((j) => [...above(j)]));
  return after.filter((j) => !implied.has(j));
}
