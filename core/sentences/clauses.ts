import { verbOf, type Verb } from './verbs';

/** A stretch of a text, `to` not included. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** A verb in the imperative with the words that go with it. */
export interface Act extends Stretch {
  readonly word: string;
  readonly verb: Verb;
  /** Where the verb itself stands, as the text has it: "leave to cool", "let it get hot". */
  readonly at: number;
  readonly till: number;
}

/** Work or waiting of its own, not moving things about, ending something, plating or the oven's business. */
export const isWeighty = (act: Act): boolean =>
  !['light', 'finish', 'serve', 'preheat'].includes(act.verb.kind);

/** Runs without hands for a while. */
export const isWaiting = (act: Act): boolean => act.verb.attention !== 'hands';

/** Words before which no sentence ends: "30 min. until", "ca. 15", "approx. 2". */
const ABBREVIATED = /\b(?:ca|approx|min|mins|hr|hrs|tbsp|tsp|no|vs|e\.g|i\.e|oz|lb|secs?)\.$/i;
/** Letters of the longest sentence that is taken as one. */
const LONGEST = 1200;
const END = /[.!?](?=\s|$)|;|\n|·/g;

const ASIDE_NEXT = /^[^.;]*?\b(?:after \d|before the end|for the last|for the final)/i;

/** The sentences of a text, without the white space around them. */
export function sentencesIn(text: string): Stretch[] {
  const found: Stretch[] = [];
  let from = 0;
  const push = (to: number) => {
    const piece = text.slice(from, to);
    const lead = piece.length - piece.trimStart().length;
    const end = from + piece.trimEnd().length;
    // What goes on for so long is no sentence: it is taken in pieces.
    for (let at = from + lead; at < end; at += LONGEST) {
      found.push({ from: at, to: Math.min(end, at + LONGEST) });
    }
    from = to;
  };
  for (const match of text.matchAll(END)) {
    const end = match.index + 1;
    const before = text.slice(Math.max(0, end - 12), end);
    // What follows a semicolon goes on with the same, unless it happens inside it.
    if (match[0] === ';' && !ASIDE_NEXT.test(text.slice(end, end + 60))) continue;
    // After an abbreviation the sentence goes on, unless a capital begins another.
    if (match[0] === '.' && ABBREVIATED.test(before) && !/^\s+[A-Z]/.test(text.slice(end))) continue;
    push(end);
  }
  push(text.length);
  return found;
}

const WORD = /[\p{L}][\p{L}'’-]*/gu;
/** After these a word of the lexicon is a thing, a sign or a purpose, not something to do. */
const NO_VERB_AFTER = new Set(
  'the a an of with in into on onto to for until till from its his her their your my some any each all every more no not by at like as if when before after while than this that these those half cold hot low high medium gentle fresh dried hard soft still too very so single good bit few little is are be been being it them olive vegetable sunflower plain dark white red'.split(
    ' ',
  ),
);
const CONNECTS = new Set([
  'and',
  'then',
  'or',
  'now',
  'next',
  'finally',
  'meanwhile',
  'gently',
  'carefully',
  'quickly',
  'briefly',
  'well',
  'also',
  'just',
  'slowly',
  'again',
  'first',
  'lightly',
  'thinly',
  'finely',
  'ok',
  'please',
  'oven',
  'blind',
  'immediately',
  'afterwards',
  'lastly',
  'simply',
  'coarsely',
  'roughly',
]);
/** A sentence that begins by saying when, where or in what: the order comes after that. */
const LEADS =
  /^\W*(?:at|in|into|on|with|for|once|when|while|after|before|as|an?|to|using|over|under|off|last)\b/i;
const NO_ORDER_AFTER = new Set('will should can may must you they it to would'.split(' '));
/** "To cool, about 20 minutes", "left to stand for 10 minutes": waiting that is told with its time. */
const TIME_NEXT =
  /^[\s,]*(?:for\s+)?(?:(?:about|around|at least|another|ca\.?|roughly)\s+)?(?:\d|[¼½¾]|half an hour|an hour|(?:two|three|four|five|ten|fifteen|twenty|thirty) (?:min|h)|overnight)/i;
/** "Give it 45 minutes in the oven". */
const GIVEN = /^\s+(?:it|them|the \p{L}+|everything)\s+(?:about |another |a (?:final|further|good) )?\d/iu;
/** Things that are also something to do, which then is done to something: "salt the water", but "sugar and salt". */
const MOSTLY_THINGS = new Set(
  'salt butter cream flour oil core bone shell pod seed crumble stock dust'.split(' '),
);
/** A word in small letters that can only be something to do. */
export const tellsToDo = (word: string): boolean => verbOf(word) !== null && !MOSTLY_THINGS.has(word);
const WITHOUT_OBJECT = /^\s*(?:$|[,.;)]|(?:and|or|to|over|on|in|with|from|for)\b)/i;

const GREASED = /^\s+(?:an?|the|your) (?:[\p{L}-]+ ){0,3}(?:dish|tin|tray|mould|pan|basin|sheet)\b/iu;
/** Words that stand for others, by the words after them: "take out" moves, "let the fat get hot" heats. */
const MEANT: readonly (readonly [string, RegExp, string])[] = [
  ['give', GIVEN, 'leave'],
  ['let', /^[^.;,]*\b(?:become|get|grow) (?:very )?hot\b/i, 'heat'],
  ['let', /^\s+(?:it|them|the \p{L}+) (?:foam|sizzle|colou?r|brown|caramelise)\b/iu, 'fry'],
  ['dissolve', /^[^.;,]*\bover (?:a )?(?:low|gentle|medium) heat\b/i, 'melt'],
  // What drains so long does so by itself.
  ['drain', /^[^.;,]*\bfor (?:about |at least )?(?:\d{2}|an hour|half an hour|\d+ h)/i, 'stand'],
  // Milk that is heated to just below boiling.
  [
    'heat',
    /^[^.;,]*\b(?:to|until)(?: it is)? (?:just )?(?:below |under |almost )?(?:the |a )?(?:boil|simmer|boiling|boils|steaming|steams)\b/i,
    'bring',
  ],
  // "Oil an ovenproof dish".
  ['oil', GREASED, 'grease'],
  ['butter', GREASED, 'grease'],
  ['let', /^\s+(?:it|them|the \p{L}+) (?:evaporate|bubble|reduce|boil)\b/iu, 'reduce'],
  ['put', /^[^.;]*\bin (?:iced|cold|hot|warm) water\b[^.;]*\d/i, 'soak'],
  ['squeeze', /^\s+(?:in|over)\b/i, 'season'],
  ['push', /^[^.;,]*\bthrough\b/i, 'sieve'],
  ['bring', /^[^.;,]*\bto room temperature\b/i, 'stand'],
  ['slip', /^\s+(?:in|into)\b/i, 'slide'],
  ['dip', /^[^.;,]*\bboiling water\b/i, 'blanch'],
  ['plunge', /^[^.;,]*\bboiling water\b/i, 'blanch'],
  ['top', /^\s+and tail\b/i, 'trim'],
  ['steam', /^\s+(?:dry|off)\b/i, 'stand'],
  ['cool', /^[^.;,]*\b(?:tap|cold water|running water|iced? water)\b/i, 'refresh'],
  ['heat', /^[^.;,]*\bthrough\b/, 'reheat'],
  // "Fridge 3 hours": a place with a time, in a note.
  ['fridge', /^\s*(?:for )?\d/, 'chill'],
  ['freezer', /^\s*(?:for )?\d/, 'freeze'],
  ['reduce', /^\s+the heat\b/i, 'lower'],
  ['work', /^\s+in\b/i, 'knead'],
  ['finish', /^[^.;,]*\bunder (?:a|the) (?:hot )?grill\b/i, 'grill'],
  ['turn', /^[^.;,]*\bin (?:it|the butter|the oil|the fat) for (?:about )?\d/i, 'fry'],
  // "Allow 15 minutes for this" says how long, not what to do.
  ['allow', /^\s+(?:yourself )?(?:about |a good )?(?:\d|an? |half )[^.;,]*\.?$/i, ''],
];
const TAKEN_OUT = /^[^.;,\d]*\b(?:out|off)\b(?![^.;,]*\d)/i;
const COLD_PLACE = /^[^.;]*\b(?:fridge|refrigerator|freezer)\b/i;

/** The word that a word means here; an empty one where it is nothing to do. */
function meantBy(word: string, after: string): string {
  if (word === 'take') return TAKEN_OUT.test(after) && !COLD_PLACE.test(after) ? 'move' : word;
  return MEANT.find(([said, words]) => said === word && words.test(after))?.[2] ?? word;
}

/** "While the meatballs bake, ...": what goes on is told, not what to do. */
const CLAUSE = /^\W*(?:while|when|once|as soon as|until)\b(?! (?:it is |they are )?still)[^,]*$/i;
/** "Until just warm": what is seen, not what to do. */
const AS_SIGN = /\b(?:until|till)\b(?:(?!\b(?:and|then|or)\b)[^,.;:(])*$/i;
/** "Until risen and brown": a second word for how it looks. */
const SIGN_BEFORE = /\b(?:until|till)\b[^.;:(]*\band\s+$/i;
const LOOKS_LIKE = new Set('brown crisp dry clean cool warm set thin'.split(' '));
const LETS = new Set(['leave', 'let', 'allow', 'set', 'keep']);

type Found = Pick<Act, 'word' | 'verb' | 'at' | 'till'>;

function verbsIn(text: string): Found[] {
  const words = [...text.matchAll(WORD)];
  const found: Found[] = [];
  let depth = 0;
  let read = 0;
  for (let k = 0; k < words.length; k++) {
    const match = words[k]!;
    for (; read < match.index; read++) {
      if (text[read] === '(') depth += 1;
      else if (text[read] === ')') depth = Math.max(0, depth - 1);
    }
    if (depth > 0) continue;
    const till = match.index + match[0].length;
    const after = text.slice(till);
    const word = meantBy(match[0].toLowerCase(), after);
    const verb = verbOf(word);
    if (!verb) continue;
    const before = words[k - 1]?.[0].toLowerCase();
    const between = before === undefined ? '' : text.slice(words[k - 1]!.index + before.length, match.index);
    const isStart =
      before === undefined ||
      /[,:;(–—.!?+&]/.test(between) ||
      (/\d/.test(between) === false && CONNECTS.has(before)) ||
      (before === 'to' && words[k - 2]?.[0].toLowerCase() === 'continue') ||
      (before === 'that' && k === 2 && words[0]![0].toLowerCase() === 'after');
    // "leave to cool", "let it cool", "leave the dough to rise": the waiting verb is what counts.
    const last = found.at(-1);
    const isLet =
      last !== undefined &&
      LETS.has(last.word) &&
      verb.attention !== 'hands' &&
      !/[.;]/.test(text.slice(last.at, match.index)) &&
      match.index - last.at < 60;
    if (
      isLet &&
      (before === 'to' ||
        LETS.has(before!) ||
        !NO_VERB_AFTER.has(before!) ||
        before === 'it' ||
        before === 'them')
    ) {
      found[found.length - 1] = { ...last, word, verb, till };
      continue;
    }
    const isAfterLead =
      found.length === 0 &&
      !(CLAUSE.test(text.slice(0, match.index)) && after.includes(',')) &&
      LEADS.test(text) &&
      before !== undefined &&
      !NO_VERB_AFTER.has(before) &&
      !NO_ORDER_AFTER.has(before);
    const isTimedWait =
      (verb.kind === 'rest' || verb.kind === 'cold' || word === 'drain') &&
      before === 'to' &&
      (last === undefined ? words[k - 2]?.[0].toLowerCase() === 'left' : last.verb.attention === 'hands') &&
      TIME_NEXT.test(after);
    if (!isStart && !isAfterLead && !isTimedWait) continue;
    if (AS_SIGN.test(text.slice(0, match.index))) continue;
    if (LOOKS_LIKE.has(word) && SIGN_BEFORE.test(text.slice(0, match.index)) && WITHOUT_OBJECT.test(after))
      continue;
    if ((before === 'and' || before === 'or') && MOSTLY_THINGS.has(word) && WITHOUT_OBJECT.test(after))
      continue;
    const next = words[k + 1]?.[0].toLowerCase();
    // "The rest of", "a swirl of", "core 63 °C": things, not something to do.
    if (next === 'of' && /^\s+of\b/.test(after)) continue;
    // "Bacon, cut small,": how it is, not what to do.
    if (word === 'cut' && /^ (?:small|fine|up|thin|thick|lengthways),/i.test(after)) continue;
    if (word === 'core' && /^(?: temperature)?[^\p{L}]*\d/u.test(after)) continue;
    // "Roughly cut, and simmer": how it was cut, not an order to cut it.
    if (before !== undefined && /ly$/.test(before) && k > 1 && /^\s*[,)]/.test(after)) continue;
    // "Lay on a cloth to drain for 15 minutes" is waiting, whatever "drain" is elsewhere.
    const meant = isTimedWait && word === 'drain' ? 'stand' : word;
    found.push({ word: meant, verb: verbOf(meant)!, at: match.index, till });
  }
  return found;
}

const CONNECTION = /(?:,?\s*(?:and|then|and then)\s*|,\s*)$/i;

/** What a sentence tells to do, in order; each act reaches to where the next begins. */
export function actsIn(text: string, sentence: Stretch): Act[] {
  const words = text.slice(sentence.from, sentence.to);
  const found = verbsIn(words);
  return found.map(({ word, verb, at, till }, k): Act => {
    // Words before the first verb belong to it: "Meanwhile", "In a bowl".
    const from = k === 0 ? 0 : at;
    const end = found[k + 1]?.at ?? words.length;
    const to = end === words.length ? end : end - (CONNECTION.exec(words.slice(0, end))?.[0].length ?? 0);
    return {
      word,
      verb,
      at: sentence.from + at,
      till: sentence.from + till,
      from: sentence.from + from,
      to: sentence.from + Math.max(to, till),
    };
  });
}
