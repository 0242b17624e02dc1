import { actsIn, isWaiting, isWeighty, sentencesIn, type Act, type Stretch } from './clauses';
import { durationsIn } from './durations';
import { goesBack, isPlating, isRemark, ovenOnly } from './remarks';
import { stepsOfSentence } from './sentence-steps';
import { IN_OVEN, insideIn, keptIn, settingIn, type HeatContext } from './signs';

/** A line of a method: its text, where it stands in the whole text, and the part of the dish it is under. */
export interface MethodLine {
  readonly text: string;
  readonly from: number;
  readonly part?: string | undefined;
}

/** What will be one step: acts that go together, and the text that tells of them. */
export interface Group extends Stretch {
  readonly acts: readonly Act[];
  /** Number of its line; groups of one line are told in one breath. */
  readonly line: number;
  readonly part: string | undefined;
  /** Words before the first act: "Meanwhile". */
  readonly lead: string;
  /** Told in one sentence with the group before it. */
  readonly isSameSentence: boolean;
  /** Done inside the group before it, not after it. */
  readonly isInside: boolean;
  /** What the oven was set to when it was told, in °C, and where. */
  readonly oven: { readonly celsius: number; readonly from: number; readonly to: number } | null;
  /** Sentences without anything to do, that tell more about it. */
  readonly remarks: readonly Stretch[];
}

/** More steps than any dish has: the rest of a text that goes on is left unread. */
const MOST_STEPS = 200;

/** Work that is not done to what is already on: "40 minutes before the end, peel the apples" is beside it. */
const BEGINS = new Set('peel core chop slice dice cut wash trim knead roll whip grate make pick'.split(' '));

/** A part of a method that is about the plates. */
const PLATED = /^(?:to )?(?:plate|plating|dish) ?(?:up)?$/i;

type Open = { -readonly [K in keyof Group]: Group[K] };

/** The steps of a method before their order is known. */
export function groupsOf(lines: readonly MethodLine[], context: HeatContext): Group[] {
  const groups: Open[] = [];
  let oven: Group['oven'] = null;
  let early: number | null = null;
  lines.forEach((line, number) => {
    early = null;
    for (const sentence of sentencesIn(line.text)) {
      if (groups.length >= MOST_STEPS) return;
      const words = line.text.slice(sentence.from, sentence.to);
      const negation = /\b(?:do not|don't|don’t|never|without)\b/i.exec(words);
      const acts = actsIn(line.text, sentence).filter(
        (a) =>
          !negation || a.at < sentence.from + negation.index || a.at > sentence.from + negation.index + 24,
      );
      const whole = { from: line.from + sentence.from, to: line.from + sentence.to };
      const last = groups.at(-1);
      const heat = settingIn(words, context);
      const heatMark = heat && {
        celsius: heat.value,
        from: whole.from + heat.from,
        to: whole.from + heat.to,
      };
      if (ovenOnly(words, acts)) {
        if (heatMark) oven = heatMark;
        continue;
      }
      // "Preheat the oven and grease a tin": the oven sees to itself, the tin is work.
      const work = acts.filter((a) => a.verb.kind !== 'preheat');
      if (work.length < acts.length && heatMark) oven = heatMark;
      const isOnPlate = PLATED.test(line.part ?? '') || (isPlating(work, words) && work.length > 0);
      if (isOnPlate || (keptIn(words) && durationsIn(words).length === 0)) {
        if (last) last.remarks = [...last.remarks, whole];
        continue;
      }
      const inside = insideIn(words);
      const isBeside = /\bbefore the end\b/i.test(words) && work.some((a) => BEGINS.has(a.word));
      if (
        inside &&
        !isBeside &&
        last &&
        work.every((a) => !isWeighty(a) || a.verb.kind === 'prep') &&
        work.length > 0
      ) {
        groups.push({
          ...shifted(whole, work, line, number),
          lead: words,
          isInside: true,
          isSameSentence: false,
          oven,
          remarks: [],
        });
        continue;
      }
      if (work.length === 0 || isRemark(words) || (last && last.line === number && goesBack(work, words))) {
        if (last) last.remarks = [...last.remarks, whole];
        continue;
      }
      // "Lift off the fat." as the first of a line belongs to what comes next.
      if (work.every((a) => a.verb.kind === 'finish') && durationsIn(words).length === 0) {
        early ??= whole.from;
        continue;
      }
      const steps = stepsOfSentence(work, line.text);
      steps.forEach((step, k) => {
        const from = k === 0 ? sentence.from : step[0]!.from;
        const until = steps[k + 1]?.[0]!.from ?? sentence.to;
        const text = line.text.slice(from, until);
        const own = settingIn(text, context);
        if (
          own &&
          (step.some((a) => a.verb.kind === 'oven') || /\boven\b|\blower\b|\breduce\b/i.test(text))
        ) {
          const at = line.from + from;
          oven = { celsius: own.value, from: at + own.from, to: at + own.to };
        }
        groups.push({
          ...shifted({ from: early ?? line.from + from, to: line.from + until }, step, line, number),
          lead: line.text.slice(from, step[0]!.at),
          isInside: false,
          isSameSentence: k > 0,
          oven,
          remarks: [],
        });
        early = null;
        const aside = asideIn(text, line.from + from, line, number);
        if (aside) groups.push({ ...aside, oven });
      });
    }
  });
  return withBeginnings(groups, (g) =>
    lines[g.line]!.text.slice(g.from - lines[g.line]!.from, g.to - lines[g.line]!.from),
  );
}

const ENCLOSES = new Set(['wrap', 'cover', 'turn', 'lower', 'raise', 'close']);
const FAT = /\b(?:butter|oil|fat|lard|dripping|ghee)\b/i;
/** What only begins the next step is told with it: "Heat the oil in a pan. Fry the onions.", "Wrap in foil. Bake." */
function withBeginnings(groups: readonly Open[], wordsOf: (group: Open) => string): Group[] {
  const kept: Open[] = [];
  for (const group of groups) {
    const last = kept.at(-1);
    const isBeside = last !== undefined && last.line === group.line && !last.isInside && !group.isInside;
    const before = isBeside ? wordsOf(last) : '';
    const isTimed = durationsIn(before).some((d) => !/^\s*before\b/i.test(before.slice(d.to)));
    const kinds = new Set(group.acts.map((a) => a.verb.kind));
    const isFat =
      last !== undefined &&
      last.acts.every((a) => a.word === 'heat' || (a.word === 'melt' && FAT.test(before)));
    const isHeating =
      !IN_OVEN.test(wordsOf(group)) &&
      isFat &&
      ((kinds.has('prep') && /\bpan\b/i.test(wordsOf(group))) ||
        kinds.has('hob') ||
        kinds.has('simmer') ||
        kinds.has('cook'));
    // "Wrap in foil. Bake for an hour.": what is only put in place belongs to the wait that follows.
    const isPlaced =
      last !== undefined &&
      last.acts.every((a) => a.verb.kind === 'light' && a.word !== 'bring') &&
      ENCLOSES.has(last.acts[0]?.word ?? '') &&
      group.acts.some(isWaiting) &&
      !kinds.has('prep');
    // "Put the fish in a pan with the milk. Bring to a simmer ..."
    const isBrought =
      last !== undefined &&
      last.acts.every((a) => a.verb.kind === 'light' && a.word !== 'bring') &&
      group.acts[0]?.word === 'bring';
    const isOne = isBeside && last.acts.length > 0 && !isTimed && (isHeating || isPlaced || isBrought);
    if (!isOne) kept.push({ ...group });
    else {
      kept[kept.length - 1] = {
        ...group,
        from: last!.from,
        lead: last!.lead,
        acts: [...last!.acts, ...group.acts],
        isSameSentence: last!.isSameSentence,
        remarks: [...last!.remarks, ...group.remarks],
      };
    }
  }
  return kept;
}

const shifted = (at: Stretch, acts: readonly Act[], line: MethodLine, number: number) => ({
  ...at,
  acts: acts.map((a) => ({
    ...a,
    from: a.from + line.from,
    to: a.to + line.from,
    at: a.at + line.from,
    till: a.till + line.from,
  })),
  line: number,
  part: line.part,
});

const ASIDE =
  /,?\s*\b((?:uncovering|adding|turning|scattering|removing|sprinkling|brushing|tossing)\b[^.;]*?\b(?:for the (?:last|final)\b|after (?:about )?\d)[^.;]*)/i;

/** "..., uncovering for the last 30 minutes": done inside the step that the sentence tells of. */
function asideIn(text: string, offset: number, line: MethodLine, number: number): Omit<Group, 'oven'> | null {
  const match = ASIDE.exec(text);
  if (!match) return null;
  const from = offset + match.index + match[0].indexOf(match[1]!);
  return {
    from,
    to: from + match[1]!.length,
    acts: [],
    line: number,
    part: line.part,
    lead: match[1]!,
    isInside: true,
    isSameSentence: true,
    remarks: [],
  };
}
