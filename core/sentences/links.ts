import { singular } from '../amounts';
import type { Group } from './groups';
import type { NamedTool } from './vessels';
import { verbOf, type VerbKind } from './verbs';

const STOP = new Set(
  `the a an of with in into on onto to for until till from and or then it them its their all each everything both
  some any more rest half well very over under about after before while when as if by at up out off down back through
  minute minutes min mins hour hours hr hrs h half quarter overnight second seconds sec day days night least most
  low medium high heat gentle cold hot warm lukewarm large small big wide heavy deep shallow little plenty
  oven fridge freezer pan pot bowl saucepan frying tin tray dish casserole blender mixer processor foil lid paper plate
  plates spoon knife skewer fork bag cup cups glasses glass jar side sides piece pieces slice slices thin thick fine
  finely thinly roughly golden brown tender soft smooth crisp pale thick set done ready just gently quickly slowly
  constantly often occasionally time times now meanwhile first last end next other another again also only without
  g kg ml l dl cl tbsp tsp oz lb cm mm room temperature boil simmer point place top bottom middle inside outside
  cooked chopped sliced diced grated crushed melted whipped beaten peeled softened dried fresh ground lined buttered
  covered uncovered mixture ingredients serving completely remaining work fan degrees mark gas not be is are no about good pinch knob handful splash bit`.split(
    /\s+/,
  ),
);
/** In many dishes at once: alone they tie nothing together, unless "the" stands before them. */
const COMMON = new Set(
  'oil butter salt pepper sugar water flour cream milk egg eggs yolk stock garlic juice lemon wine'.split(
    ' ',
  ),
);

/** What stands for others: "the vegetables" are the carrots and the onion. */
const KINDS: readonly (readonly [string, ReadonlySet<string>])[] = [
  [
    'meat',
    new Set('veal lamb beef pork chicken duck belly shoulder cheek fillet steak leg chop joint'.split(' ')),
  ],
  ['fish', new Set('trout cod salmon haddock fillet mackerel herring hake'.split(' '))],
  [
    'vegetable',
    new Set('carrot onion celery leek fennel parsnip courgette pepper potato shallot celeriac'.split(' ')),
  ],
  ['fruit', new Set('apple pear plum cherry peach berry strawberry raspberry quince rhubarb'.split(' '))],
];
const kindsOf = (name: string) => KINDS.flatMap(([kind, names]) => (names.has(name) ? [kind] : []));

interface Thing {
  readonly name: string;
  /** "the cream" is one that was there before. */
  readonly isKnown: boolean;
  readonly at: number;
}

/** "While the broth simmers," is about when. */
const LEAD = /^\W*(?:while|when|once|as soon as|after|before|\p{L}+ (?:minutes|hours) before)\b[^,]*,/iu;
/** Things that a text speaks of. */
function thingsIn(text: string): Thing[] {
  // What something is to look like is no thing: "until doubled".
  const plain = text
    .replace(LEAD, (lead) => ' '.repeat(lead.length))
    .toLowerCase()
    .replace(/\b(?:until|till)\b[^.;,]*/g, (sign) => ' '.repeat(sign.length));
  const words = [...plain.matchAll(/[\p{L}][\p{L}'-]*/gu)];
  return words.flatMap((match, k) => {
    const word = match[0];
    if (STOP.has(word) || word.length < 3 || (/ly$/.test(word) && word !== 'jelly')) return [];
    const isVerb = verbOf(word) !== null && !/^(?:butter|flour|oil|cream|dress|stock|crumble)$/.test(word);
    const before = words.slice(Math.max(0, k - 2), k).map((w) => w[0]);
    const isKnown = before.includes('the') || before.includes('this');
    if (isVerb && before.at(-1) !== 'the') return [];
    return [{ name: singular(word), isKnown, at: match.index }];
  });
}

const FRESH =
  /\b(?:meanwhile|in the meantime|at the same time|while\b|separately|in another|in a second|for the (?:sauce|dressing|garnish|topping))/i;
const PRONOUN = /\b(?:it|them|everything)\b/i;
const CONTINUES =
  /\bmixture\b|(?:^\W*(?:then )?|\b(?:and|then) )(?:beat|fold|stir|whisk|mix|rub|knead) in\b/i;
/** "Fry for 2 minutes more": after what is on the heat. */
const LONGER = /\b(?:more|longer|further|another \d+)\b/i;
const PARTLY = /\b(?:rest of|remaining|half of|remainder|some of|a little of)\b/i;
/** What is added goes to what is in the pan or the bowl. */
const ADDS = /^\W*(?:then )?(?:add|pour in|stir in|return|throw in|tip in|deglaze)\b/i;
/** A verb without a thing of its own: "divide into 12", "blend with butter". */
const NO_OBJECT =
  /^\s*(?:(?:for\s+)?(?:about\s+|ca\.?\s*)?\d[\d\s/.–-]*(?:to \d+ )?(?:min|hour|h\b)|into|in|with|until|for|through|over|on|onto|at|blind|smooth|dry|again|[,.;(]|$)/i;
const ALL = /\b(?:everything|all the|together|assemble)\b/i;
/** What is made of several things has a name of its own. */
const MADE: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\b(?:knead|rub|pulse|bring together|yeast)\b/i, ['dough', 'pastry', 'crumb']],
  [
    /\b(?:whisk|beat|fold|mix|stir|combine)\b/i,
    ['batter', 'mixture', 'dressing', 'sauce', 'marinade', 'custard'],
  ],
  [/\b(?:line|fill|roll out)\b/i, ['case', 'base', 'shell']],
  [/\b(?:reduce|simmer|deglaze|strain)\b/i, ['sauce', 'soup', 'stew']],
  [/\b(?:blend|puree|purée)\b/i, ['soup', 'sauce', 'puree']],
  [/\b(?:sear|brown|roast|braise|cook)\b/i, ['meat', 'juice']],
];

/**
 * Which steps each step comes after: those that made the things it speaks of; where it speaks of nothing that was
 * made, the step before it, unless words or new things begin another branch. Steps by their numbers.
 */
export function linksOf(
  groups: readonly Group[],
  textOf: (group: Group) => string,
  tools: readonly (readonly NamedTool[])[],
  ingredients: ReadonlySet<string>,
): number[][] {
  /** What each step holds: its own things, and those of all it comes after. */
  const holds: Set<string>[] = [];
  /** What each speaks of itself. */
  const own: Set<string>[] = [];
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
      return;
    }
    const tails = [...holds.keys()].filter((j) => !used.has(j) && !groups[j]!.isInside);
    const isNewLine = previous >= 0 && groups[previous]!.line !== group.line;
    const isNewPart = previous >= 0 && groups[previous]!.part !== group.part;
    const isFresh = FRESH.test(group.lead) || /\bmeanwhile\b/i.test(text) || isNewPart;
    const isNew = ({ name }: Thing) => !holds.some((held) => holdsThing(held, name));
    const hasNamedNew = things.some((t) => isNew(t) && !isCommon(t.name) && ingredients.has(t.name));
    const named = new Set<number>();
    for (const { name, isKnown } of things) {
      if (isCommon(name) && (!isKnown || isFresh || PARTLY.test(text) || hasNamedNew)) continue;
      // The latest that holds it: what is at the end of a branch before what was used up.
      const owners = [...holds.keys()].filter((j) => holdsThing(holds[j]!, name) && !groups[j]!.isInside);
      const open = owners.filter((j) => tails.includes(j));
      const among = open.length > 0 ? open : owners;
      // The one that spoke of it itself, before one that only has it from others; another branch only wants the former.
      const owner =
        among.findLast((j) => own[j]!.has(name)) ??
        (isFresh && ingredients.has(name) ? undefined : among.at(-1));
      if (owner !== undefined) named.add(owner);
    }
    const isWaiting = group.acts.some((a) => a.verb.attention !== 'hands');
    // "The topping", which is no ingredient and has not been named: what was made last.
    const madeLast = things.find(
      (t) => t.isKnown && isNew(t) && !ingredients.has(t.name) && ingredients.size > 0,
    );
    if (madeLast && !isFresh) {
      const maker = tails.findLast((j) => !groups[j]!.acts.every((a) => a.word === 'bring'));
      if (maker !== undefined) named.add(maker);
    }
    // Waiting is for what is there, unless something is named that was not.
    const newThings = things.filter(
      (t) => isNew(t) && t !== madeLast && !(isWaiting && (isCommon(t.name) || t.isKnown)),
    );
    const hasNewThings = newThings.length > 0;
    // "Peel the onions and slice them": the pronoun is about what the step itself names.
    const pronounAt = PRONOUN.exec(text)?.index ?? Infinity;
    const isAboutIt = pronounAt < Math.min(Infinity, ...newThings.map((t) => t.at));
    const ownTools = tools[k]!.some((t) => t.goes === 'hob' && !t.isAgain);
    const isWithoutObject =
      first !== undefined && NO_OBJECT.test(text.slice(first.at - group.from + first.word.length));
    const goesOn =
      previous >= 0 &&
      !isFresh &&
      (isAboutIt ||
        CONTINUES.test(text) ||
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
    for (const tool of tools[k]!) {
      const users = [...holds.keys()].filter((j) =>
        tools[j]!.some((t) => t.tool === tool.tool || (tool.tool === 'pan' && t.goes === 'hob')),
      );
      const heated = lastOf('hob', 'simmer', 'cook');
      const user =
        tool.tool === 'pan' && heated !== undefined ? Math.max(heated, users.at(-1) ?? 0) : users.at(-1);
      // "In the same pan": after what was in it; and a tin that was lined is for what goes into it.
      if (user !== undefined && tool.isAgain && (tool.goes === 'hob' || isLining(groups[user]!)))
        named.add(user);
    }
    // "Meanwhile" is beside what waits: what it takes was there when that began.
    if (FRESH.test(group.lead) && previous >= 0 && named.has(previous)) {
      named.delete(previous);
      for (const j of links[previous]!) named.add(j);
    }
    if (ALL.test(text)) for (const tail of tails) if (groups[tail]!.part === group.part) named.add(tail);
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
    own.push(new Set(things.flatMap((t) => [t.name, ...kindsOf(t.name)])));
    const made = MADE.filter(([words]) => words.test(text)).flatMap(([, names]) => names.map(singular));
    holds.push(
      new Set([
        ...things.flatMap((t) => [t.name, ...kindsOf(t.name)]),
        ...made,
        ...(group.part ? thingsIn(group.part).map((t) => t.name) : []),
        ...after.flatMap((j) => [...holds[j]!]),
      ]),
    );
    previous = k;
  });
  return links;
}

const isLining = (group: Group) => group.acts.some((a) => a.word === 'grease' || a.word === 'line');

/** The names of things in a list of ingredients, as steps may speak of them. */
export function namesOf(lines: readonly string[]): Set<string> {
  return new Set(lines.flatMap((line) => thingsIn(line).flatMap((t) => [t.name, ...kindsOf(t.name)])));
}

/** Whether a step holds a thing: by its name, a part of its name ("crumbs" of "breadcrumbs"), or as one of a kind. */
const holdsThing = (held: ReadonlySet<string>, name: string) =>
  held.has(name) ||
  kindsOf(name).some((kind) => held.has(kind)) ||
  (name.length > 4 && [...held].some((h) => h.endsWith(name)));

/** Without those that another of them comes after already. */
function reduced(after: readonly number[], links: readonly (readonly number[])[]): number[] {
  const above = (j: number): Set<number> => new Set((links[j] ?? []).flatMap((i) => [i, ...above(i)]));
  const implied = new Set(after.flatMap((j) => [...above(j)]));
  return after.filter((j) => !implied.has(j));
}
