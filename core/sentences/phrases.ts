/** Phrases of a sentence that tell where it hangs among others. */

/** Begins a branch of its own. */
export const FRESH =
  /\b(?:meanwhile|in the meantime|at the same time|while\b|separately|in another|in a second|before the end\b|minutes before\b)|^\W*(?:for|(?:to )?make|prepare) the (?!last|final)[^.,:]{3,30}(?:[,:]|$)/i;
/** "While still warm, stir in": with what is there. */
export const STILL = /^\W*(?:while|when) (?:(?:it is|it's|they are|they're) )?(?:still )?(?:warm|hot)\b/i;
/** Fat that is melted or heated comes from the larder, whatever else had some of it. */
export const FAT_FIRST =
  /^\W*(?:in (?:a|another) [^,.;]{2,30}, |\p{L}+ )?(?:melt|heat|warm|brown) (?:half |most |some |a little )?(?:of )?the (?:\p{L}+ )?(?:butter|oil|fat|lard)\b/iu;
/** "Skim the fat from the tin": after what was in it. */
export const FROM_VESSEL = /\b(?:from|in) the (?:roasting |frying )?(?:tin|pan)\b/i;
/** "Fold through the lentils": what was made last goes into something else. */
export const INTO_OTHER = /^\s*(?:through|into|onto) the\b/i;
/** A lid of pastry over what is in the dish. */
export const OVER_VESSEL = /\b(?:over|onto) the (?:pie )?(?:dish|tin)\b/i;
/** "When the beets are cool enough, rub off the skins": about what the clause names. */
export const WHEN_READY =
  /^\W*(?:when|once|as soon as) the (?!oven\b|water\b|pan\b)[^,]*?\b(?:is|are|has|have)\b[^,]*,/i;
/** "Drain, keeping the water": it is wanted later. */
export const SET_BY =
  /\b(?:keeping|reserving|saving|reserve|save)\b[^.;,]*?\b(water|liquid|juices?|cider|marinade|liquor|fat)\b/i;
/** Speaks of what was named before. */
export const PRONOUN = /\b(?:it|them|both|everything)\b/i;
/** Goes on with what there is. */
export const CONTINUES =
  /\bmixture\b|\bthe rest\b(?! of)|^\W*(?:mix|toss|combine|stir|blend|fold) with\b|^\W*(?:remove|take)(?: it| the pan)? (?:from|off) (?:the )?heat\b|\bover (?:it|them|everything)\b|\b(?:pour|scatter|sprinkle|spoon|strew) (?:it|this|them) over\b|\bin the (?:same )?fat\b|\bfold (?:it|them) (?:through|in)\b|^\W*(?:then |gradually |gently )?(?:beat|fold|stir|whisk|mix|rub|knead) in\b/i;
/** Laid on what is there. */
export const ON_TOP = /\bon top\b(?! of)|\bover the top\b/i;
/** "Sieve and stir in the mustard": what is there. */
export const SIFTED = /^\W*(?:sieve|strain|blend|mash|drain) and\b/i;
/** Taken out of what it was cooked in. */
export const LIFTED = /^\W*(?:lift|scoop|fish|take) (?:the )?(?:\p{L}+ )?out\b/iu;
/** Shaped is what was mixed before. */
export const SHAPING = /^\W*(?:form|shape|divide|mould|roll|stamp|cut (?:out|into))\b/i;
/** "Fry for 2 minutes more": after what is on the heat. */
export const LONGER = /\b(?:more|longer|further|another \d+)\b/i;
/** "Make the sauce:" names what is to come. */
export const GIVES_NAME = /\b(?:make|prepare|for) (?:the|a|an|your) (?:\p{L}+ )?$/iu;
/** "The egg mixture" is what the eggs went into. */
export const MIXTURE = /^\p{L}+ mixture\b/iu;
/** "As small as the lentils". */
export const ALIKE = /\b(?:as \p{L}+ as|size of|like) (?:the |an? )?$/iu;
/** "Half of the oil", "the rest of the yogurt": what is left of it, not what some of it became. */
export const PART_OF = /\b(?:rest|remaining|remainder|half|some|most|a little)(?: of)?(?: the)? $/i;
/** What comes apart: it is taken from where it was parted, whatever was done with the other. */
export const SPLIT = new Set(['white', 'yolk']);
/** What is added goes to what is in the pan or the bowl. */
export const ADDS =
  /^\W*(?:then )?(?:add|(?:pour|spoon|spread|tip) (?:in|over|onto|on)|stir in|return|throw in|tip in|deglaze)\b(?! the pan)/i;
/** A verb without a thing of its own: "divide into 12", "blend with butter". */
export const NO_OBJECT =
  /^\s*(?:\w+ly\s+)?(?:(?:for\s+)?(?:about\s+|ca\.?\s*)?\d[\d\s/.–-]*(?:to \d+ )?(?:min|hour|h\b)|to|into|in|with|between|among|until|for|w\/|through|over|all over|back|on|onto|at|blind|smooth|dry|again|[,.;(]|$)/i;
/** "Stir in and cook": what was mixed goes into what is on the heat. */
export const STIRRED_IN = /^\W*(?:stir|whisk|pour) in (?:and|,)[^.]*\b(?:cook|simmer|bubble|thicken)/i;
/** After all that was made. */
export const ALL =
  /\b(?:everything|all the (?!time|way|while|(?:\w+ )?ingredients)|assemble)\b|\bwet\b.*\bdry\b/i;
/** After all that was made, unless new things are named. */
export const TOGETHER = /\btogether\b/i;
