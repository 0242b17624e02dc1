import { isWaiting, type Act } from './clauses';
import type { Group } from './groups';
import {
  ADDS,
  ALIKE,
  ALL,
  CONTINUES,
  FAT_FIRST,
  FRESH,
  GIVES_NAME,
  LIFTED,
  LONGER,
  MIXTURE,
  NO_OBJECT,
  ON_TOP,
  PART_OF,
  PRONOUN,
  SHAPING,
  SIFTED,
  SPLIT,
  STILL,
  TOGETHER,
} from './phrases';
import {
  type Aliases,
  COLLECTIVE,
  COMMON,
  GENERIC,
  heldNames,
  holdsThing,
  madeIn,
  thingsIn,
  type Thing,
} from './things';
import type { VerbKind } from './verbs';
import type { NamedTool } from './vessels';

/** What the links of a method are read from. */
export interface Told {
  readonly groups: readonly Group[];
  readonly texts: readonly string[];
  /** Tools that each names. */
  readonly tools: readonly (readonly NamedTool[])[];
  /** Names of what the recipe lists. */
  readonly ingredients: ReadonlySet<string>;
  readonly aliases: Aliases;
}

/** What a step is known by, once it is linked. */
interface Linked {
  /** Its own things, and those of all it comes after. */
  readonly holds: ReadonlySet<string>;
  /** What it speaks of itself, and what it makes. */
  readonly own: ReadonlySet<string>;
  /** What its verbs are about. */
  readonly objects: ReadonlySet<string>;
  readonly after: readonly number[];
}
const NOTHING: Linked = { holds: new Set(), own: new Set(), objects: new Set(), after: [] };

/** Letters between a verb and what it is about: "beat the two eggs". */
const NEAR = 12;
const isObject = (thing: Thing, act: Act, from: number) => {
  const after = act.till - from;
  return thing.at > after && thing.at < after + NEAR;
};
const isVague = ({ tool }: NamedTool) => ['pan', 'pot', 'tin', 'tray', 'dish'].includes(tool);
const isLining = (group: Group) => group.acts.some((a) => ['grease', 'line', 'rub'].includes(a.word));
const isOnlyBringing = (group: Group) => group.acts.every((a) => a.word === 'bring');

/**
 * Which steps each step comes after: those that made the things it speaks of; where it speaks of nothing that was
 * made, the step before it, unless words or new things begin another branch. Steps by their numbers.
 */
export function linksOf(told: Told): number[][] {
  const linker = new Linker(told);
  told.groups.forEach((_, k) => linker.link(k));
  return linker.linked.map(({ after }) => [...after]);
}

/** Links step after step; what was linked is what the next can come after. */
class Linker {
  readonly linked: Linked[] = [];
  private readonly used = new Set<number>();
  private previous = -1;

  constructor(private readonly told: Told) {}

  link(k: number): void {
    const { groups, texts, ingredients, aliases } = this.told;
    const group = groups[k]!;
    if (group.isInside) {
      this.linked.push(NOTHING);
      return;
    }
    const step = this.spokenOf(k);
    const after = [...this.befores(k, step)].sort((a, b) => a - b);
    for (const j of after) this.used.add(j);
    const named = heldNames(step.things, aliases);
    const made = madeIn(texts[k]!);
    const ofPart = group.part ? thingsIn(group.part).map((t) => t.name) : [];
    this.linked.push({
      holds: new Set([
        ...named,
        ...made,
        ...ofPart.filter((name) => !ingredients.has(name)),
        ...after.flatMap((j) => [...this.linked[j]!.holds]),
      ]),
      own: new Set([...named, ...made.filter((name) => name !== 'meat')]),
      objects: new Set(
        step.things.filter((t) => group.acts.some((a) => isObject(t, a, group.from))).map((t) => t.name),
      ),
      after: this.reduced(after),
    });
    this.previous = k;
  }

  /** Common things tie nothing together; what no list names was made on the way ("the cream" of almonds). */
  private isCommon(name: string): boolean {
    const { ingredients } = this.told;
    return COMMON.has(name) && (ingredients.size === 0 || ingredients.has(name));
  }

  /** The latest step so far that is of one of these kinds. */
  private lastOf(...kinds: VerbKind[]): number | undefined {
    const last = this.linked.findLastIndex((_, j) =>
      this.told.groups[j]!.acts.some((a) => kinds.includes(a.verb.kind)),
    );
    return last < 0 ? undefined : last;
  }

  /** What a step speaks of, and how it begins. */
  spokenOf(k: number) {
    const { groups, texts, ingredients, tools } = this.told;
    const { previous } = this;
    const group = groups[k]!;
    const text = texts[k]!;
    const things = thingsIn(text);
    const isNew = ({ name }: Thing) => !this.linked.some(({ holds }) => holdsThing(holds, name));
    const isNewPart = previous >= 0 && group.part !== undefined && groups[previous]!.part !== group.part;
    const isStill = STILL.test(group.lead);
    const isBeside = FRESH.test(group.lead) && !isStill;
    return {
      things,
      isStill,
      isBeside,
      /** Begins a branch of its own. */
      isFresh: isBeside || /\bmeanwhile\b/i.test(text) || isNewPart,
      isNew,
      hasNamedNew: things.some((t) => isNew(t) && !this.isCommon(t.name) && ingredients.has(t.name)),
      isFatFirst: FAT_FIRST.test(text),
      isWaiting: group.acts.some(isWaiting),
      hasOwnTools: tools[k]!.some((t) => t.goes === 'hob' && !t.isAgain),
      tails: [...this.linked.keys()].filter((j) => !this.used.has(j) && !groups[j]!.isInside),
    };
  }

  private befores(k: number, step: Spoken): Set<number> {
    const { groups, texts, tools } = this.told;
    const { previous } = this;
    const text = texts[k]!;
    const named = this.makersOf(text, step);
    const madeLast = this.madeLast(step);
    if (madeLast && madeLast === step.things[0] && named.size === 0 && !step.isFresh) {
      const maker = step.tails.findLast((j) => !isOnlyBringing(groups[j]!));
      addTo(named, maker);
    }
    // "Sprinkle the topping over the fruit": the fruit has its maker, the topping is the other thing that was made.
    const isUnmade = step.things.some(
      (t) => t.isKnown && step.isNew(t) && GENERIC.has(t.name) && !this.told.ingredients.has(t.name),
    );
    if (isUnmade && !step.isFresh)
      addTo(
        named,
        step.tails.findLast((j) => !named.has(j)),
      );
    const newThings = this.newThings(groups[k]!, step, madeLast);
    const isAboutIt = this.isAboutIt(text, step, newThings);
    const hasNewThings = newThings.length > 0 || step.isFatFirst;
    if (this.goesOn(k, step, named.size > 0, hasNewThings, isAboutIt)) named.add(previous);
    // What is added after something that was done meanwhile goes to what was on the heat before.
    const wasAside = previous >= 0 && /\bmeanwhile\b/i.test(texts[previous]!);
    const isAdded = wasAside && (ADDS.test(text) || CONTINUES.test(text)) && !step.hasOwnTools;
    if (LONGER.test(text) || isAdded) addTo(named, this.lastOf('hob', 'simmer', 'cook', 'oven'));
    for (const tool of tools[k]!.filter((t) => t.isAgain)) addTo(named, this.userOf(tool, groups[k]!));
    // "Meanwhile" is beside what waits: what it takes was there when that began.
    const isBesideIt = step.isBeside && previous >= 0 && groups[previous]!.acts.some(isWaiting);
    if (isBesideIt && named.delete(previous)) {
      for (const j of this.linked[previous]!.after) named.add(j);
    }
    // "Lift the dumplings out": after what they were in.
    const [first] = step.things;
    if (LIFTED.test(text) && (named.size === 0 || (first !== undefined && step.isNew(first))))
      addTo(named, this.lastOf('simmer', 'cook'));
    if (ALL.test(text) || (TOGETHER.test(text) && !hasNewThings)) {
      for (const tail of step.tails) if (groups[tail]!.part === groups[k]!.part) named.add(tail);
    }
    this.linkWater(groups[k]!, step, named, isAboutIt);
    named.delete(-1);
    return named;
  }

  /** The steps that made, or last had, what a step speaks of. */
  private makersOf(text: string, step: Spoken): Set<number> {
    const { groups, ingredients } = this.told;
    const { previous, linked } = this;
    const { isFresh, tails } = step;
    const named = new Set<number>();
    for (const { name, isKnown, at } of step.things) {
      if (step.isFatFirst && this.isCommon(name)) continue;
      const lead = text.slice(0, at);
      if (ALIKE.test(lead) || (isFresh && GIVES_NAME.test(lead))) continue;
      const isWorkedOn = tails.some((j) => linked[j]!.objects.has(name));
      if (ingredients.has(name) && PART_OF.test(lead) && !isWorkedOn) continue;
      if (this.isCommon(name) && !MIXTURE.test(text.slice(at))) {
        const isApart = PART_OF.test(lead) || step.hasNamedNew;
        if (!isKnown || isFresh || (isApart && !isWorkedOn)) continue;
        if (previous >= 0 && holdsThing(linked[previous]!.holds, name)) {
          named.add(previous);
          continue;
        }
      }
      // The latest that holds it: what is at the end of a branch before what was used up.
      const owners = [...linked.keys()].filter(
        (j) => holdsThing(linked[j]!.holds, name) && !groups[j]!.isInside,
      );
      const open = owners.filter((j) => tails.includes(j));
      // "The vegetables" are all of them.
      if (COLLECTIVE.has(name)) {
        for (const j of open) named.add(j);
      }
      const among = open.length > 0 ? open : owners;
      // The one that spoke of it itself, before one that only has it from others; another branch only wants the former.
      const owner =
        (SPLIT.has(name) ? owners.findLast((j) => linked[j]!.own.has(name)) : undefined) ??
        among.findLast((j) => holdsThing(linked[j]!.own, name)) ??
        (isFresh && ingredients.has(name) ? undefined : among.at(-1));
      addTo(named, owner);
    }
    return named;
  }

  /** "The topping", which is no ingredient and has not been named: what was made last. */
  private madeLast(step: Spoken): Thing | undefined {
    const { ingredients } = this.told;
    return step.things.find(
      (t) => t.isKnown && step.isNew(t) && !ingredients.has(t.name) && ingredients.size > 0,
    );
  }

  /** What is named that was not there. Waiting is for what is there, unless its verb is about something else. */
  private newThings(group: Group, step: Spoken, madeLast: Thing | undefined): Thing[] {
    const object = step.things.find((t) =>
      group.acts.some((a) => ['simmer', 'cook'].includes(a.verb.kind) && isObject(t, a, group.from)),
    );
    // What is listed and poured into a pot is new; what is put around a roast is not what the roasting is about.
    const isPotted = group.acts.some((a) => a.verb.kind === 'simmer');
    const isListed = (t: Thing) => isPotted && this.told.ingredients.has(t.name);
    const wasThere = (t: Thing) =>
      step.isWaiting && t !== object && (this.isCommon(t.name) || (t.isKnown && !isListed(t)));
    return step.things.filter((t) => step.isNew(t) && t !== madeLast && !wasThere(t));
  }

  /** Whether a pronoun is about the step before: in "peel the onions and slice them" it is not. */
  private isAboutIt(text: string, { things }: Spoken, newThings: readonly Thing[]): boolean {
    const { ingredients } = this.told;
    const named = things.filter(
      (t) => newThings.includes(t) || (ingredients.has(t.name) && !this.isCommon(t.name)),
    );
    return (PRONOUN.exec(text)?.index ?? Infinity) < Math.min(Infinity, ...named.map((t) => t.at));
  }

  /** Whether a step goes on with the step told before it. */
  private goesOn(
    k: number,
    step: Spoken,
    hasMakers: boolean,
    hasNewThings: boolean,
    isAboutIt: boolean,
  ): boolean {
    const { groups, texts } = this.told;
    const { previous } = this;
    const { hasNamedNew, hasOwnTools } = step;
    if (previous < 0 || step.isFresh) return false;
    const group = groups[k]!;
    const text = texts[k]!;
    const [first] = group.acts;
    const isWithoutObject = first !== undefined && NO_OBJECT.test(text.slice(first.till - group.from));
    const isMovingOn =
      groups[previous]!.line === group.line &&
      first?.verb.kind === 'light' &&
      !(hasNamedNew && !hasMakers) &&
      !hasOwnTools &&
      !['bring', 'heat', 'put'].includes(first.word);
    return (
      isAboutIt ||
      CONTINUES.test(text) ||
      (ON_TOP.test(text) && (first?.verb.kind === 'light' || !hasNewThings)) ||
      SIFTED.test(text) ||
      step.isStill ||
      (SHAPING.test(text) && !hasMakers && !hasNamedNew) ||
      (/^\W*return\b/i.test(text) && !/\boven\b/i.test(text)) ||
      (ADDS.test(text) && !hasOwnTools) ||
      (isWithoutObject && !hasMakers) ||
      (group.isSameSentence && !hasNamedNew) ||
      isMovingOn ||
      (!hasMakers && !hasNewThings)
    );
  }

  /** "In the same pan": after what was in it; and a tin that was lined is for what goes into it. */
  private userOf(tool: NamedTool, group: Group): number | undefined {
    const { groups, tools } = this.told;
    const users = [...this.linked.keys()].filter((j) =>
      tools[j]!.some((t) => t.tool === tool.tool || (isVague(tool) && t.goes === tool.goes)),
    );
    const isOnHob = tool.goes === 'oven' && group.acts.some((a) => a.verb.kind === 'simmer');
    const heated = isOnHob ? this.lastOf('oven') : this.lastOf('hob', 'simmer', 'cook');
    const isOfHeat = isOnHob || (isVague(tool) && tool.goes === 'hob');
    const user = isOfHeat && heated !== undefined ? Math.max(heated, users.at(-1) ?? 0) : users.at(-1);
    const isTold = user !== undefined && (tool.goes === 'hob' || isOnHob || isLining(groups[user]!));
    return isTold ? user : undefined;
  }

  /** Water that was brought to the boil is for what is cooked next without a vessel of its own. */
  private linkWater(group: Group, step: Spoken, named: Set<number>, isAboutIt: boolean): void {
    const { groups, texts } = this.told;
    const water = step.tails.findLast((j) => isOnlyBringing(groups[j]!) && /\bwater\b/i.test(texts[j]!));
    if (water === undefined || step.hasOwnTools) return;
    if (step.isWaiting && named.size === 0) named.add(water);
    if (!group.acts.some((a) => a.word === 'cook' || a.word === 'boil')) return;
    if (!isAboutIt && this.previous !== water) named.delete(this.previous);
    named.add(water);
  }

  /** Without those that another of them comes after already. */
  private reduced(after: readonly number[]): number[] {
    const above = (j: number): number[] => this.linked[j]!.after.flatMap((i) => [i, ...above(i)]);
    const implied = new Set(after.flatMap(above));
    return after.filter((j) => !implied.has(j));
  }
}

type Spoken = ReturnType<Linker['spokenOf']>;

function addTo(set: Set<number>, step: number | undefined): void {
  if (step !== undefined) set.add(step);
}
