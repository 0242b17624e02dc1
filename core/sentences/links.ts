import { singular } from '../amounts';
import { isWaiting } from './clauses';
import { Past, type Told } from './past';
import {
  ADDS,
  ALIKE,
  ALL,
  CONTINUES,
  FROM_VESSEL,
  GIVES_NAME,
  INTO_OTHER,
  LIFTED,
  LONGER,
  MIXTURE,
  NO_OBJECT,
  ON_TOP,
  OVER_VESSEL,
  PART_OF,
  SET_BY,
  SHAPING,
  SIFTED,
  SPLIT,
  STIRRED_IN,
  TOGETHER,
  WHEN_READY,
} from './phrases';
import { isAboutBefore, isObject, madeLast, newThings, spokenOf, type Spoken } from './spoken';
import { COLLECTIVE, GENERIC, heldNames, holdsThing, madeIn, thingsIn } from './things';
import { cookedIn, isOnlyBringing, linedFor, linkWater } from './vessel-links';

/**
 * Which steps each step comes after: those that made the things it speaks of; where it speaks of nothing that was
 * made, the step before it, unless words or new things begin another branch. Steps by their numbers.
 */
export function linksOf(told: Told): number[][] {
  const linker = new Linker(told);
  told.groups.forEach((_, k) => linker.link(k));
  return linker.past.linked.map(({ after }) => [...after]);
}

/** Links step after step. */
class Linker {
  readonly past: Past;

  constructor(told: Told) {
    this.past = new Past(told);
  }

  link(k: number): void {
    const { groups, texts, ingredients, aliases } = this.past.told;
    const group = groups[k]!;
    if (group.isInside) {
      this.past.addInside();
      return;
    }
    const step = spokenOf(this.past, k);
    const after = [...this.befores(k, step)].sort((a, b) => a - b);
    const named = heldNames(step.things, aliases);
    const made = madeIn(texts[k]!);
    const ofPart = group.part ? thingsIn(group.part).map((t) => t.name) : [];
    const linked = {
      holds: new Set([
        ...named,
        ...made,
        ...ofPart.filter((name) => !ingredients.has(name)),
        ...after.flatMap((j) => [...this.past.linked[j]!.holds]),
      ]),
      own: new Set([...named, ...made]),
      setBy: setByIn(texts[k]!),
      objects: new Set(
        step.things.filter((t) => group.acts.some((a) => isObject(t, a, group.from))).map((t) => t.name),
      ),
      after: this.reduced(after),
      above: new Set(after.flatMap((j) => [j, ...this.past.linked[j]!.above])),
    };
    this.past.add(linked, after);
  }

  private befores(k: number, step: Spoken): Set<number> {
    const { groups, texts, tools } = this.past.told;
    const { previous } = this.past;
    const text = texts[k]!;
    const named = this.makersOf(text, step);
    const last = madeLast(this.past, step);
    if (last && last === step.things[0] && named.size === 0 && !step.isFresh) {
      const maker = step.tails.findLast((j) => !isOnlyBringing(groups[j]!));
      addTo(named, maker);
    }
    // "Sprinkle the topping over the fruit": the fruit has its maker, the topping is the other thing that was made.
    const isUnmade = step.things.some(
      (t) => t.isKnown && step.isNew(t) && GENERIC.has(t.name) && !this.past.told.ingredients.has(t.name),
    );
    if (isUnmade && !step.isFresh)
      addTo(
        named,
        step.tails.findLast((j) => !named.has(j)),
      );
    const again = tools[k]!.filter((t) => t.isAgain);
    for (const tool of again) addTo(named, cookedIn(this.past, tool, groups[k]!));
    const fresh = newThings(this.past, groups[k]!, step, last);
    const isAboutIt = isAboutBefore(this.past, text, step, fresh);
    const hasNewThings = fresh.length > 0 || step.isFatFirst;
    if (this.goesOn(k, step, named.size > 0, hasNewThings, isAboutIt)) named.add(previous);
    // What is added after something that was done meanwhile goes to what was on the heat before.
    const wasAside = previous >= 0 && /\bmeanwhile\b/i.test(texts[previous]!);
    const isStirredIn = STIRRED_IN.test(text) && groups[previous]?.acts.every((a) => a.verb.kind === 'prep');
    const isAdded =
      (wasAside || isStirredIn) && (ADDS.test(text) || CONTINUES.test(text)) && !step.hasOwnTools;
    if (LONGER.test(text) || isAdded) addTo(named, this.past.lastOf('hob', 'simmer', 'cook', 'oven'));
    for (const tool of again) addTo(named, linedFor(this.past, tool));
    // "Meanwhile" is beside what waits: what it takes was there when that began.
    const isBesideIt = step.isBeside && previous >= 0 && groups[previous]!.acts.some(isWaiting);
    if (isBesideIt && named.delete(previous)) {
      for (const j of this.past.linked[previous]!.after) named.add(j);
    }
    // "Lift the dumplings out": after what they were in.
    const [first] = step.things;
    if (LIFTED.test(text) && (named.size === 0 || (first !== undefined && step.isNew(first))))
      addTo(named, this.past.lastOf('simmer', 'cook'));
    if (OVER_VESSEL.test(text))
      addTo(
        named,
        tools.slice(0, k).findLastIndex((list) => list.some((t) => t.goes === 'oven')),
      );
    if (FROM_VESSEL.test(text) && named.size === 0)
      addTo(named, this.past.lastOf('oven', 'hob', 'simmer', 'cook'));
    // "When the beets are cool enough, rub off the skins".
    const ready = WHEN_READY.exec(text);
    if (ready) {
      const waited = this.makersOf(ready[0], {
        ...step,
        things: thingsIn(ready[0].replace(/^\W*\p{L}+/u, ' ')),
      });
      if (waited.size > 0) named.delete(previous);
      for (const j of waited) named.add(j);
    }
    if (groups[k]!.acts.every((a) => a.word === 'carve' || a.verb.kind === 'serve')) {
      const rested = this.past.lastOf('rest', 'oven');
      if (rested !== undefined) return new Set([rested]);
    }
    if (ALL.test(text) || (TOGETHER.test(text) && !hasNewThings)) {
      for (const tail of step.tails) if (groups[tail]!.part === groups[k]!.part) named.add(tail);
    }
    linkWater(this.past, groups[k]!, step, named, isAboutIt);
    named.delete(-1);
    return named;
  }

  /** The steps that made, or last had, what a step speaks of. */
  private makersOf(text: string, step: Spoken): Set<number> {
    const { groups, ingredients } = this.past.told;
    const { previous, linked } = this.past;
    const { isFresh, tails } = step;
    const named = new Set<number>();
    for (const { name, isKnown, at } of step.things) {
      const keeper = linked.findLastIndex(({ setBy }) => setBy === name);
      if (keeper >= 0) {
        named.add(keeper);
        continue;
      }
      if (step.isFatFirst && this.past.isCommon(name)) continue;
      const lead = text.slice(0, at);
      if (ALIKE.test(lead) || (isFresh && GIVES_NAME.test(lead))) continue;
      const isWorkedOn = tails.some((j) => linked[j]!.objects.has(name));
      if (ingredients.has(name) && PART_OF.test(lead) && !isWorkedOn) continue;
      if (this.past.isCommon(name) && !MIXTURE.test(text.slice(at))) {
        const isApart = PART_OF.test(lead) || step.hasNew;
        if (!isKnown || isFresh || (isApart && !isWorkedOn)) continue;
        if (previous >= 0 && holdsThing(linked[previous]!.holds, name)) {
          named.add(previous);
          continue;
        }
      }
      // The latest that holds it: what is at the end of a branch before what was used up.
      const owners = [...linked.keys()].filter(
        (j) => this.past.isHeld(linked[j]!.holds, name) && !groups[j]!.isInside,
      );
      const open = owners.filter((j) => tails.includes(j));
      // "The vegetables" are all of them.
      if (COLLECTIVE.has(name)) {
        for (const j of open) named.add(j);
      }
      const among = open.length > 0 ? open : owners;
      // The one that spoke of it itself, before one that only has it from others; another branch only wants the former.
      const owner =
        (SPLIT.has(name) ? this.partOf(name, owners, tails) : undefined) ??
        among.findLast((j) => holdsThing(linked[j]!.own, name)) ??
        (isFresh && ingredients.has(name) ? undefined : among.at(-1));
      addTo(named, owner);
    }
    return named;
  }

  /** Where what comes apart was last, on its own branch. */
  private partOf(name: string, owners: readonly number[], tails: readonly number[]): number | undefined {
    const owner = owners.findLast((j) => this.past.linked[j]!.own.has(name));
    if (owner === undefined || [...SPLIT].every((part) => this.past.linked[owner]!.own.has(part)))
      return owner;
    return tails.findLast((j) => this.past.linked[j]!.above.has(owner)) ?? owner;
  }

  /** Whether a step goes on with the step told before it. */
  private goesOn(
    k: number,
    step: Spoken,
    hasMakers: boolean,
    hasNewThings: boolean,
    isAboutIt: boolean,
  ): boolean {
    const { groups, texts } = this.past.told;
    const { previous } = this.past;
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
      (/^\W*return\b(?! the pan)/i.test(text) && !/\boven\b/i.test(text)) ||
      /\bover\W*$/i.test(text) ||
      (ADDS.test(text) && !hasOwnTools) ||
      (isWithoutObject && !hasMakers) ||
      (first !== undefined && INTO_OTHER.test(text.slice(first.till - group.from))) ||
      (group.isSameSentence && !hasNamedNew) ||
      isMovingOn ||
      (!hasMakers && !hasNewThings)
    );
  }

  /** Without those that another of them comes after already. */
  private reduced(after: readonly number[]): number[] {
    const implied = new Set(after.flatMap((j) => [...this.past.linked[j]!.above]));
    return after.filter((j) => !implied.has(j));
  }
}

const setByIn = (text: string): string | undefined => {
  const match = SET_BY.exec(text);
  return match ? singular(match[1]!.toLowerCase()) : undefined;
};

function addTo(set: Set<number>, step: number | undefined): void {
  if (step !== undefined) set.add(step);
}
