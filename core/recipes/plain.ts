import { durationsIn, tellsToDo, type MethodLine } from '../sentences';
import { looksLikeIngredient } from './ingredient-line';
import type { Claims, Line, RecipeText } from './recipe';

const SERVES =
  /\b(?:serves|serving|servings|makes(?: enough for)?|feeds|enough for|portions?|yields?|for)\s*:?\s*(?:about\s+|ca\.?\s*)?(\d{1,2})(?:\s*(?:to|-|–)\s*(\d{1,2}))?\b|\b(\d{1,2})\s*(?:portions|servings|people|persons|glasses)\b/i;
const CLAIM =
  /\b(prep(?:aration)?|hands?-on|active|cook(?:ing)?|total|ready in|takes about)\b(?: time)?\s*:?\s*/gi;
const HEADING = {
  ingredients: /^(?:(?:for )?the )?(?:ingredients|you (?:will )?need|what you need|shopping|zutaten)\b/i,
  method:
    /^(?:method|directions?|instructions?|steps?|preparation|how(?: to(?: make it)?)?|what to do|to make(?: it)?|procedure)\s*:?$/i,
};
const PART = /^(?:for|to make|to assemble|to serve|to finish)\b[^.]{0,48}:?$/i;
const DECORATION = new Set(' 	#>*_=~-');
const NUMBERED = /^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+|^\s*(?:[-*•–]|step\s*\d+:?)\s+/i;
/** "Pastry: rub the butter into the flour": the part of the dish, and what is done. */
const LABELLED = /^((?:for the )?\p{L}[\p{L} ]{2,24}):\s+(?=\p{L})/iu;
const INLINE_LIST = /^[^:.]{0,40}\b(?:ingredients|zutaten|you need)\b[^:.]{0,30}:\s*(\S.+)$/i;
const labelOf = (words: string) => {
  const label = LABELLED.exec(words);
  return label && !tellsToDo(label[1]!.split(' ')[0]!.toLowerCase()) ? label : null;
};
/** "You need 600 g flour, 2 eggs and some salt." */
const NEEDED = /^(?:you(?:'ll| will)? need|take) (\d.+?)\.?$/i;
const MANY = 80;
/** More lines of one kind than any recipe has. */
const MOST_LINES = 500;

type Section = 'start' | 'ingredients' | 'method';

function linesOf(text: string): Line[] {
  const lines: Line[] = [];
  let from = 0;
  for (const line of text.split('\n')) {
    lines.push({ text: line, from });
    from += line.length + 1;
  }
  return lines;
}

/** A line without the marks of headings and emphasis around it. */
function undecorated(line: string): string {
  let [from, to] = [0, line.length];
  while (from < to && DECORATION.has(line[from]!)) from += 1;
  while (to > from && (DECORATION.has(line[to - 1]!) || line[to - 1] === ':')) to -= 1;
  return line.slice(from, to).trim();
}

/** A list of ingredients in one line: cut at its separators. */
function cut(line: Line, separator: RegExp): Line[] {
  const parts: Line[] = [];
  let at = 0;
  for (const part of line.text.split(separator)) {
    const start = line.text.indexOf(part, at);
    at = start + part.length;
    const lead = part.length - part.trimStart().length;
    if (part.trim()) parts.push({ text: part.trim(), from: line.from + start + lead });
  }
  return parts;
}

const SEPARATORS = [/\s+\/\s+/, /\s*·\s*/, /\s*;\s*/];
const separatorOf = (text: string) =>
  SEPARATORS.find((s) => text.split(s).length > 1 && text.split(s).some(looksLikeIngredient));

export function servesIn(text: string): number | null {
  const match = SERVES.exec(text);
  if (!match) return null;
  const number = Number(match[2] ?? match[1] ?? match[3]);
  return number >= 1 && number <= 100 ? number : null;
}

export function claimsIn(text: string): Claims {
  const claims: { -readonly [K in keyof Claims]: Claims[K] } = {};
  for (const match of text.matchAll(CLAIM)) {
    const rest = text.slice(match.index + match[0].length, match.index + match[0].length + 40);
    const [told] = durationsIn(rest);
    if (!told || told.from > 6) continue;
    const word = match[1]!.toLowerCase();
    const name = /^(?:prep|hand|active)/.test(word) ? 'prep' : /^cook/.test(word) ? 'cook' : 'total';
    claims[name] ??= told.usual;
  }
  return claims;
}

const isSentence = (text: string) => text.split(/\s+/).length > 9 || /[.!?]$/.test(text.trim());

/**
 * Finds title, number, ingredients and method in plain text or Markdown, with headings or without, numbered or not,
 * ingredients first or mixed in. Any text gives a recipe, though perhaps an empty one.
 */
export function readPlain(text: string): RecipeText {
  const ingredients: Line[] = [];
  const method: MethodLine[] = [];
  let title = '';
  let serves: number | null = null;
  let claims: Claims = {};
  let section: Section = 'start';
  let part: string | undefined;

  const addMethod = (line: Line) => {
    const lead = NUMBERED.exec(line.text)?.[0].length ?? line.text.length - line.text.trimStart().length;
    const words = line.text.slice(lead);
    const label = labelOf(words);
    const own = label ? label[1]!.replace(/^(?:for|make|prepare) (?:the )?/i, '') : part;
    const skip = lead + (label?.[0].length ?? 0);
    method.push({ text: line.text.slice(skip).trimEnd(), from: line.from + skip, part: own });
  };

  /** "- Shred the greens" under ingredients without such marks. */
  const isFirstStep = (line: Line) =>
    BULLET.test(line.text) &&
    ingredients.length > 0 &&
    !ingredients.some((l) => BULLET.test(l.text)) &&
    beginsWithVerb(line.text);

  for (const line of linesOf(text)) {
    if (ingredients.length >= MOST_LINES || method.length >= MOST_LINES) break;
    const plain = undecorated(line.text);
    if (!plain) continue;
    const isHeading = /^\s*(?:#|(\*\*|__)[^*_]+\1\s*$)/.test(line.text) || /:\s*$/.test(line.text.trim());
    const needed = section === 'method' ? null : NEEDED.exec(plain);
    if (needed && /,/.test(plain)) {
      const at = line.text.indexOf(needed[1]!);
      const list = { text: needed[1]!, from: line.from + at };
      ingredients.push(...cut(list, /,\s+|\s+and\s+(?=\d|some\b|an?\b)/));
      section = 'ingredients';
      continue;
    }
    const inline = INLINE_LIST.exec(line.text);
    if (inline && !isSentence(inline[1]!.replace(/,/g, ' ').slice(0, 10))) {
      const at = line.text.indexOf(inline[1]!);
      const list = { text: inline[1]!, from: line.from + at };
      ingredients.push(...cut(list, separatorOf(list.text) ?? /,\s+(?=\d|ca\.|an?\b|\p{L}+$)/u));
      section = 'ingredients';
      continue;
    }
    if (HEADING.ingredients.test(plain) && plain.length < 40) {
      section = 'ingredients';
      part = undefined;
      continue;
    }
    if (HEADING.method.test(plain)) {
      section = 'method';
      part = undefined;
      continue;
    }
    const number = servesIn(plain);
    const ownClaims = claimsIn(plain);
    const isAbout =
      (number !== null || Object.keys(ownClaims).length > 0) &&
      plain.length < MANY &&
      !looksLikeIngredient(line.text) &&
      (!hasVerbFirst(plain) || /^\p{L}+(?: time)?\s*:/iu.test(plain));
    if (section === 'start' && !title && !isSentence(plain) && !looksLikeIngredient(line.text)) {
      title =
        plain
          .replace(
            /\s*\(?(?:serves|makes|for)\s+\d.*$|\s*[/|]\s*\d+ (?:portions|servings).*$|\s*\((?:\d+ people|makes[^)]*)\)\s*$/i,
            '',
          )
          .trim() || plain;
      serves ??= number;
      continue;
    }
    const startsStep = (NUMBERED.test(line.text) && /^\s*(?:step|\d)/i.test(line.text)) || isFirstStep(line);
    if (isAbout && !startsStep && section !== 'method') {
      serves ??= number;
      claims = { ...ownClaims, ...claims };
      continue;
    }
    if (PART.test(plain) && !isSentence(plain) && (isHeading || section === 'method' || plain.length < 30)) {
      part = plain.replace(/^(?:for|to make)\s+(?:the\s+)?/i, '').replace(/:$/, '');
      continue;
    }
    const separator = section === 'method' ? undefined : separatorOf(line.text);
    if (separator) {
      ingredients.push(...cut(line, separator));
      section = section === 'start' ? 'ingredients' : section;
      continue;
    }
    if (section === 'method') {
      if (looksLikeIngredient(line.text) && !isSentence(plain) && !startsStep) ingredients.push(line);
      else if (isHeading && !isSentence(plain)) part = plain.replace(/:$/, '');
      else addMethod(line);
      continue;
    }
    if (looksLikeIngredient(line.text) && !startsStep) {
      ingredients.push(line);
      section = 'ingredients';
      continue;
    }
    const words = plain.split(/\s+/).length;
    const isListed =
      section === 'ingredients' && !isSentence(plain) && words <= 8 && !startsStep && !hasVerbFirst(plain);
    if (isListed) {
      if (isHeading) part = undefined;
      else ingredients.push(line);
      continue;
    }
    section = 'method';
    part = undefined;
    addMethod(line);
  }
  const [first] = method;
  if (!title) title = first ? `${first.text.split(/\s+/).slice(0, 4).join(' ')}` : 'A recipe';
  return {
    title: titled(title),
    text,
    serves: serves ?? servesIn(text.slice(0, 200)),
    ingredients,
    method,
    claims,
  };
}

const FIRST_VERBS =
  /^(?:heat|preheat|put|mix|cut|chop|peel|cook|boil|bake|roast|whisk|add|melt|slice|stir|toss|fry|soak|wash|drain|take|bring|warm|whip|rub|place|combine|grease|line|clean|dice)\b/i;
const BULLET = /^\s*[-*•–]\s/;
/** An order, not "butter for the tin". */
const beginsWithVerb = (text: string) => {
  const [first, second] = text.replace(NUMBERED, '').toLowerCase().split(/\s+/);
  return tellsToDo(first!) && second !== undefined && !/^(?:of|and|or|for|to)$/.test(second);
};
const hasVerbFirst = (text: string) => FIRST_VERBS.test(text.replace(NUMBERED, ''));

/** A title in capitals is written as one says it. */
function titled(title: string): string {
  const short = title.slice(0, 120);
  if (short !== short.toUpperCase()) return short;
  const low = short.toLowerCase();
  return low.charAt(0).toUpperCase() + low.slice(1);
}
