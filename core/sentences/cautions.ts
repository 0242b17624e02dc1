import type { DinnerFile } from '../dinner';

type StepFile = DinnerFile['dishes'][number]['steps'][number];

/** A caution that a step seems to want, and whose figure it is. Figures are written down from memory. */
export interface Suggested {
  readonly key: string;
  readonly text: string;
  readonly source: string;
}

interface Rule extends Suggested {
  readonly fits: (words: string, step: StepFile) => boolean;
}

const LOCAL = 'See your local food-safety advice.';
const RULES: readonly Rule[] = [
  {
    key: 'poultry',
    fits: (words) => /\b(chicken|duck|turkey|poultry|goose|quail|guinea fowl)\b/.test(words),
    text: `Raw poultry: wash hands, board and knife, never the bird; 74 °C in the middle. ${LOCAL}`,
    source: 'USDA FSIS safe minimum internal temperature chart; UK FSA',
  },
  {
    key: 'minced',
    fits: (words) => /\b(minced?|ground) (meat|beef|pork|lamb|veal)\b|\bburgers?\b/.test(words),
    text: `Minced meat: 71 °C in the middle. ${LOCAL}`,
    source: 'USDA FSIS safe minimum internal temperature chart',
  },
  {
    key: 'fish',
    fits: (words) =>
      /\b(raw|fillets? of|cod|trout|salmon|haddock)\b/.test(words) &&
      /\b(cook|bake|poach|fry|roast|grill|steam)\b/.test(words),
    text: `Fish: 63 °C in the middle. ${LOCAL}`,
    source: 'USDA FSIS safe minimum internal temperature chart',
  },
  {
    key: 'egg',
    fits: (words) => /\b(raw eggs?|egg yolks?|custard)\b/.test(words),
    text: `Egg: 71 °C in the middle, or eggs meant to be eaten raw. ${LOCAL}`,
    source: 'USDA FSIS safe minimum internal temperature chart',
  },
  {
    key: 'sugar',
    fits: (words) => /\b(caramel|boil.* sugar|hot sugar|brittle)\b/.test(words),
    text: 'Hot sugar burns deep: nobody small nearby, cold water at hand, nothing tasted.',
    source: 'common practice',
  },
  {
    key: 'frying',
    fits: (words) => /\b(deep.fry|frying oil|hot (oil|fat))\b/.test(words),
    text: 'Hot oil: dry what goes in, turn handles inwards, lid at hand, never water on it.',
    source: 'common practice',
  },
  {
    key: 'alcohol',
    fits: (words) =>
      /\b(flambé|flambe|brandy|rum|wine)\b/.test(words) && /\b(pour|add|flame|flamb)/.test(words),
    text: 'Alcohol near a flame: from a jug, never from the bottle.',
    source: 'common practice',
  },
  {
    key: 'reheat',
    fits: (words) => /\b(reheat|heat (it )?(up )?again|warm (it )?through)\b/.test(words),
    text: `Reheat through: 74 °C, once only. ${LOCAL}`,
    source: 'USDA FSIS',
  },
  {
    key: 'room',
    fits: (_words, step) => {
      const { minutes, keeps } = step;
      const long = typeof minutes === 'number' ? minutes : minutes.long;
      const stands =
        step.attention === 'alone' && !(step.uses ?? []).length && keeps?.how === 'room' && long > 120;
      return stands || (keeps?.how === 'room' && typeof keeps.most === 'number' && keeps.most > 120);
    },
    text: `At room temperature no longer than two hours in all for what can spoil; one in great heat. ${LOCAL}`,
    source: 'USDA FSIS',
  },
  {
    key: 'chilli',
    fits: (words) => /\bchill?i(es)?\b(?! the)/.test(words) && /\b(chop|slice|seed|cut)\b/.test(words),
    text: 'Chilli on fingers: wash them before touching eyes.',
    source: 'common practice',
  },
];

const HANDLES = /\b(salt|season|cut|joint|bone|trim|sear|brown|roast|bake|braise|fry|grill|poach|cook)\b/;

/** How a caution begins: two that begin alike say the same. */
const beginning = (text: string) =>
  text
    .toLowerCase()
    .split(/[\s:,]+/)
    .slice(0, 2)
    .join(' ');

/** Keys of cautions that the cook has hidden at a step; a field beside those that the dinner file defines. */
export function hiddenCautions(step: StepFile): string[] {
  const { hides } = step as { hides?: unknown };
  return Array.isArray(hides) ? hides.filter((key): key is string => typeof key === 'string') : [];
}

/**
 * Cautions for what a step does, by its words, its dish's name and where what it makes waits, without those that stand
 * there already and those that the cook has hidden.
 */
export function suggestCautions(step: StepFile, dishName: string): Suggested[] {
  const does = step.does.toLowerCase();
  // What the dish is made of is only of account where the step handles or heats it.
  const words = HANDLES.test(does) ? `${does} ${dishName.toLowerCase()}` : does;
  const has = new Set((step.cautions ?? []).map(beginning));
  const hidden = new Set(hiddenCautions(step));
  return RULES.filter(
    (rule) => rule.fits(words, step) && !has.has(beginning(rule.text)) && !hidden.has(rule.key),
  ).map(({ key, text, source }) => ({ key, text, source }));
}
