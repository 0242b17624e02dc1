/** Tools and vessels that a step takes, by the words of recipes. The first that fits counts where they overlap. */
const TOOLS: readonly (readonly [RegExp, string, 'hob' | 'oven' | 'none'])[] = [
  [/\b(?:frying pan|fry pan|skillet)\b/i, 'frying pan', 'hob'],
  [/\bgrill pan\b/i, 'grill pan', 'hob'],
  [/\bsauce ?pan\b/i, 'saucepan', 'hob'],
  [/\bstick blender\b|\bhand blender\b/i, 'stick blender', 'none'],
  [/\bfood processor\b/i, 'food processor', 'none'],
  [/\bblender\b/i, 'blender', 'none'],
  [/\bstand mixer\b/i, 'stand mixer', 'none'],
  [/\b(?:in a|with a|electric|hand) mixer\b|\bmixer\b/i, 'mixer', 'none'],
  [/\bmortar\b|\bpestle\b/i, 'mortar', 'none'],
  [/\bmandoline?\b/i, 'mandoline', 'none'],
  [/\bpasta machine\b/i, 'pasta machine', 'none'],
  [/\bice[- ]cream (?:machine|maker)\b/i, 'ice cream machine', 'none'],
  [/\bpressure cooker\b/i, 'pressure cooker', 'hob'],
  [/\bwaffle iron\b/i, 'waffle iron', 'none'],
  [/\bmicrowave\b/i, 'microwave', 'none'],
  [/\bsteamer\b/i, 'steamer', 'hob'],
  [/\bwok\b/i, 'wok', 'hob'],
  [/\bdutch oven\b|\bcasserole\b|\bcast pot\b|\bbraising pot\b/i, 'casserole', 'hob'],
  [/\b(?:baking tray|baking sheet)\b/i, 'baking tray', 'oven'],
  [/\broasting (?:tin|pan|tray)\b/i, 'roasting tin', 'oven'],
  [/\bloaf tin\b/i, 'loaf tin', 'oven'],
  [/\btray\b/i, 'tray', 'oven'],
  [/(?<!\bslow )\bpot\b/i, 'pot', 'hob'],
  [/\b(?:tin|cake pan)\b(?!s? of)/i, 'tin', 'oven'],
  [
    /\b(?:baking |gratin |pie |soufflé |heatproof |flameproof |buttered |deep |shallow |covered |ovenproof )dish\b/i,
    'dish',
    'oven',
  ],
  [/(?<=\b(?:in|into|to|of|fill) (?:the|this) )dish\b/i, 'dish', 'oven'],
  [/\b(?:a|the|fine) sieve\b/i, 'sieve', 'none'],
  [/(?<!-)\bpan\b/i, 'pan', 'hob'],
];

export interface NamedTool {
  readonly tool: string;
  readonly goes: 'hob' | 'oven' | 'none';
  readonly from: number;
  readonly to: number;
  /** "the pan", "the same pot": one that was named before. */
  readonly isAgain: boolean;
}

/** Tools that a text names, in its order, each once. */
export function toolsIn(text: string): NamedTool[] {
  const found: NamedTool[] = [];
  for (const [words, tool, goes] of TOOLS) {
    const match = words.exec(text);
    if (!match) continue;
    const from = match.index;
    const to = from + match[0].length;
    // "Tip out of the tin": it is free from then on.
    if (/\b(?:out of|from) (?:the|its|their) (?:\p{L}+ )?$/iu.test(text.slice(0, from))) continue;
    if (found.some((f) => from < f.to && f.from < to)) continue;
    // "Add wine to pot" as in "to the pot".
    const isAgain =
      /\b(?:to|in|into|from) $/i.test(text.slice(0, from)) ||
      /\b(?:the|same|that|its) (?:same |hot |warm |empty )?$/i.test(text.slice(0, from));
    found.push({ tool, goes, from, to, isAgain });
  }
  return found.sort((a, b) => a.from - b.from);
}
