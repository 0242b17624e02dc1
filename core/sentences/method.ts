import { freeId, idFrom } from '../dinner';
import { isWaiting } from './clauses';
import { durationsIn } from './durations';
import { coreOf, fieldsOf, sentenceOf, type Fields, type Mark, type StepFile } from './fields';
import { groupsOf, type Group, type MethodLine } from './groups';
import { growsWithPortions, guessedMinutes } from './guess';
import { linksOf } from './links';
import { insideIn, keepingIn, keptIn, looksIn, OFF_HEAT, probeIn, signIn, type HeatContext } from './signs';
import { aliasesOf, namesOf, withoutLead } from './things';
import { toolsIn, type NamedTool } from './vessels';

/** A step of a recipe, and the words it was read from. */
export interface ReadStep {
  readonly step: StepFile;
  /** Where in the whole text it is told. */
  readonly from: number;
  readonly to: number;
  readonly marks: readonly Mark[];
}

/**
 * Reads a method: its sentences become the steps of a dish, with what each comes after. What no words told is a
 * guess and is named in `guessed`. Any text gives steps that a dish can have; places are in the text whose parts the
 * lines are.
 */
export function readMethod(
  lines: readonly MethodLine[],
  context: HeatContext,
  ingredients: readonly string[] = [],
): ReadStep[] {
  const groups = groupsOf(lines, context);
  const textOf = (g: Group) => {
    const line = lines[g.line]!;
    return line.text.slice(g.from - line.from, g.to - line.from);
  };
  const texts = groups.map(textOf);
  /** With what is said about it in the sentences after: "Set them on a tray." */
  const remarksTextOf = (g: Group) =>
    g.remarks
      .map((r) => lines.find((l) => r.from >= l.from && r.to <= l.from + l.text.length))
      .flatMap((l, k) => (l ? [l.text.slice(g.remarks[k]!.from - l.from, g.remarks[k]!.to - l.from)] : []));
  const named = groups.map((g, k) => [
    ...toolsIn(withoutLead(texts[k]!)),
    ...remarksTextOf(g)
      .flatMap(toolsIn)
      .map((t) => ({ ...t, from: -1, to: -1 })),
  ]);
  const links = linksOf({
    groups,
    texts,
    tools: named,
    ingredients: namesOf(ingredients),
    aliases: aliasesOf(ingredients),
  });
  const taken = new Set<string>();
  const ids = groups.map((g, k) => {
    const words = texts[k]!.slice(Math.max(0, (g.acts[0]?.at ?? g.from) - g.from))
      .split(/\s+/)
      .slice(0, 3)
      .join(' ');
    const id = freeId(idFrom(words, `step-${k + 1}`), taken);
    taken.add(id);
    return id;
  });
  const tools: (readonly NamedTool[])[] = [];
  const vessels: Vessels[] = [];
  const places: Fields['place'][] = [];
  const steps = groups.map((group, k): ReadStep => {
    const text = texts[k]!;
    const words = calledBy(text);
    if (group.isInside) {
      [tools[k], vessels[k], places[k]] = [[], { hob: null, oven: null }, 'none'];
      return insideStep(group, texts, words, ids, groups, k);
    }
    const core = coreOf(group.acts, text, group.from);
    const read = fieldsOf(text, group.from, core, { ...context, oven: group.oven });
    const before = links[k]!;
    const around = mergedVessels(before.map((j) => vessels[j]!));
    const placesBefore = before.map((j) => places[j]!);
    const isOnHob =
      read.place === 'none' && staysOnHob(group, core?.word ?? '', text, read, named[k]!, placesBefore);
    const fields: Fields = isOnHob
      ? { ...read, place: 'ring', step: { ...read.step, uses: [{ ring: 1 }, ...(read.step.uses ?? [])] } }
      : read;
    places[k] = fields.place;
    tools[k] = toolsFor(named[k]!, around, fields.place, OFF_HEAT.test(text));
    vessels[k] = {
      hob: tools[k]!.findLast((t) => t.goes === 'hob') ?? around.hob,
      oven: tools[k]!.findLast((t) => t.goes === 'oven') ?? around.oven,
    };
    const remarks = remarksOf(group, lines, fields.step);
    const uses = [...(fields.step.uses ?? []), ...tools[k]!.map((t) => ({ tool: t.tool }))];
    const { guessed = [], ...told } = fields.step;
    const word = core?.word ?? '';
    const isGuess = told.attention === 'hands' && guessed.includes('minutes');
    const grows = told.attention === 'hands' && growsWithPortions(word);
    const left = guessed.filter((field) => !remarks.told.includes(field));
    const keeps = remarks.keeps ?? told.keeps;
    return {
      from: group.from,
      to: Math.max(group.to, ...group.remarks.map((r) => r.to)),
      marks: [
        ...fields.marks,
        ...tools[k]!.filter((t) => t.from >= 0).map((t) => ({
          field: 'uses' as const,
          from: group.from + t.from,
          to: group.from + t.to,
        })),
        ...remarks.marks,
      ],
      step: {
        id: ids[k]!,
        does: words,
        ...told,
        ...(isGuess && { minutes: guessedMinutes(word, text, ingredients) }),
        ...(grows && { scale: 'portions' as const }),
        ...remarks.fields,
        ...(remarks.isOverSoon && { touch: { in: 0, out: 0 } }),
        ...(keeps && { keeps }),
        ...(uses.length > 0 && { uses }),
        ...(before.length > 0 && { after: before.map((j) => ids[j]!) }),
        ...(left.length > 0 || grows ? { guessed: grows ? [...left, 'scale'] : left } : {}),
      },
    };
  });
  return steps.map((read) => ({ ...read, step: keepingVessels(read.step, steps) }));
}

/** A vessel that what comes directly after a step uses too is not washed in between. */
function keepingVessels(step: StepFile, steps: readonly ReadStep[]): StepFile {
  const toolsOf = (s: StepFile) =>
    (s.uses ?? []).flatMap((use) => ('tool' in use ? [use.tool as string] : []));
  const next = steps.filter(({ step: s }) => s.after?.includes(step.id)).flatMap(({ step: s }) => toolsOf(s));
  const kept = toolsOf(step).filter((tool) => next.includes(tool));
  return kept.length > 0 ? { ...step, keepsIn: kept } : step;
}

/** The vessels in which what a step comes after was made. */
interface Vessels {
  readonly hob: NamedTool | null;
  readonly oven: NamedTool | null;
}
const mergedVessels = (all: readonly Vessels[]): Vessels => ({
  hob: all.findLast((v) => v.hob)?.hob ?? null,
  oven: all.findLast((v) => v.oven)?.oven ?? null,
});

/** What leads to the next step: "chop the shallot and". */
const LOOSE_END = /(?:[\s,;]+(?:and|then|or))+[\s,;.]*$/i;
/** Marks of emphasis around words: "**Slice** the leeks". */
const EMPHASIS = /\*+|`+|(?<![\p{L}\d])_+|_+(?![\p{L}\d])/gu;
const LOOSE_BEGINNING = /^\W*(?:then|and|meanwhile|now|so)\b[\s,]*/i;

/** What a step is called: its words, without what leads from one step to the next. */
const calledBy = (text: string) =>
  sentenceOf(text.replace(EMPHASIS, '').replace(LOOSE_BEGINNING, '').replace(LOOSE_END, ''));

const ADDED = new Set(['ladle', 'pour', 'tip', 'drop', 'lower', 'slide']);
const MOVED = new Set(['turn', 'toss', 'flip', 'stir']);
/** What is added to a pan on the hob, or tossed in it for some minutes, is done on the hob too. */
function staysOnHob(
  group: Group,
  word: string,
  text: string,
  read: Fields,
  named: readonly NamedTool[],
  before: readonly Fields['place'][],
): boolean {
  if (read.step.attention !== 'hands' || OFF_HEAT.test(text)) return false;
  // What is tipped into a blender has left the hob.
  if (named.some((t) => t.goes === 'none')) return false;
  const isTimed = !read.step.guessed?.includes('minutes');
  const isOnHeat = before.includes('ring');
  const first = group.acts[0]?.word ?? '';
  const isInPan = isTimed && named.some((t) => t.goes === 'hob' && t.isAgain);
  const isMoved = isTimed && isOnHeat && MOVED.has(word);
  const isAdded = isOnHeat && (first === 'add' || (isTimed && ADDED.has(first)));
  return isInPan || isMoved || (isAdded && !/^\W*add\b[^.]*\bpour\b/i.test(text));
}

/** The tools that a step names; "the pan", or none where there is heat, is the vessel of what it comes after. */
function toolsFor(
  named: readonly NamedTool[],
  around: Vessels,
  place: Fields['place'],
  isOffHeat: boolean,
): NamedTool[] {
  const resolved = named.map((t) => {
    const isVague = ['pan', 'pot', 'tray', 'tin', 'dish'].includes(t.tool) && t.isAgain;
    const known = around[t.goes === 'oven' ? 'oven' : 'hob'];
    return isVague && known ? { ...known, from: t.from, to: t.to } : t;
  });
  if (resolved.some((t) => t.goes !== 'none')) return resolved;
  // A casserole goes from the hob into the oven; a frying pan seldom does unless it is named.
  const deep = around.hob && ['casserole', 'pot', 'frying pan'].includes(around.hob.tool) ? around.hob : null;
  const inherited =
    place === 'oven' ? (around.oven ?? deep) : place === 'ring' || isOffHeat ? around.hob : null;
  return inherited ? [...resolved, { ...inherited, from: -1, to: -1 }] : resolved;
}

interface Remarks {
  readonly fields: Partial<StepFile>;
  readonly keeps: StepFile['keeps'];
  readonly marks: readonly Mark[];
  /** There is no time in it for putting in and taking out. */
  readonly isOverSoon: boolean;
  /** Fields that were a guess and are told by a remark. */
  readonly told: readonly string[];
}

/** Minutes between looks where only that something is looked at was told. */
const LOOKED_AT = 10;

/** What the sentences after a step say about it: how long it took, its sign, how long it keeps. */
function remarksOf(group: Group, lines: readonly MethodLine[], step: Partial<StepFile>): Remarks {
  const line = lines[group.line]!;
  const marks: Mark[] = [];
  const told: string[] = [];
  let fields: Partial<StepFile> = {};
  let keeps: StepFile['keeps'];
  let isOverSoon = false;
  for (const remark of group.remarks) {
    const own = lines.find((l) => remark.from >= l.from && remark.to <= l.from + l.text.length) ?? line;
    const text = own.text.slice(remark.from - own.from, remark.to - own.from);
    const mark = (field: Mark['field'], at: { from: number; to: number }) =>
      marks.push({ field, from: remark.from + at.from, to: remark.from + at.to });
    const keeping = keepingIn(text);
    if (keeping) {
      keeps = keeping.value;
      mark('keeps', keeping);
      continue;
    }
    const kept = keptIn(text);
    if (kept) {
      keeps = { most: null, how: kept };
      continue;
    }
    const looks = looksIn(text);
    if (looks && step.attention !== 'hands') {
      fields = { ...fields, attention: 'minded', ...(looks.value && { check: { every: looks.value } }) };
      if (!looks.value && !step.check) fields = { ...fields, check: { every: LOOKED_AT } };
      told.push('check');
      mark('check', looks);
      continue;
    }
    const [duration] = durationsIn(text);
    if (duration && step.guessed?.includes('minutes')) {
      const { short, usual, long } = duration;
      fields = { ...fields, minutes: short === long ? usual : { short, usual, long } };
      isOverSoon = short < 2;
      told.push('minutes');
      mark('minutes', duration);
    }
    const sign = signIn(text);
    if (sign && !step.cue) {
      fields = { ...fields, cue: sentenceOf(sign.value) };
      mark('cue', sign);
    }
    const probe = probeIn(text);
    if (probe && !step.probe) {
      fields = { ...fields, probe: probe.value };
      mark('probe', probe);
    }
  }
  return { fields, keeps, marks, told, isOverSoon: isOverSoon && step.touch !== undefined };
}

/** Something done inside the step before it, by the words that say when. */
function insideStep(
  group: Group,
  texts: readonly string[],
  words: string,
  ids: readonly string[],
  groups: readonly Group[],
  k: number,
): ReadStep {
  const text = texts[k]!;
  const inside = insideIn(text);
  const isLongEnough = (j: number) =>
    inside?.before !== undefined && durationsIn(texts[j]!).some((d) => d.usual > inside.before!);
  // What runs by itself, or goes on long enough, before all else: "for the last 5 minutes" of the simmering, not of
  // the shredding.
  const before = [...groups.slice(0, k).keys()].filter((j) => !groups[j]!.isInside);
  const isHost = (j: number) => isLongEnough(j) || groups[j]!.acts.some(isWaiting);
  const host = (inside?.isHalfway ? undefined : before.findLast(isHost)) ?? before.at(-1)!;
  const condition = /\bif\s+([^.;,]+)/i.exec(text)?.[1]?.trim();
  const [hostTime] = durationsIn(texts[host]!);
  const half = inside?.isHalfway && hostTime ? Math.round(hostTime.usual / 2) : 0;
  const place = inside?.before === undefined ? { at: inside?.at ?? half } : { before: inside.before };
  return {
    from: group.from,
    to: group.to,
    marks: inside
      ? [{ field: 'after', from: group.from + inside.duration.from, to: group.from + inside.duration.to }]
      : [],
    step: {
      id: ids[k]!,
      does: words,
      attention: 'hands',
      minutes: 1,
      guessed: ['minutes'],
      within: { step: ids[host]!, ...place },
      ...(condition && { if: condition }),
    },
  };
}
