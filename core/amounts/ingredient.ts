import type { Dinner } from '../dinner';
import { gramsOf, type Weighed } from './density';
import { amountText, sensible } from './round';
import { inSystem, unitOf, type System } from './units';
import { inNumber } from './words';

type Ingredient = Dinner['dishes'][number]['ingredients'][number];

/** One line of what is needed, for the number at table. */
export interface Needed {
  /** "1 ½ tbsp", "250 g", "2 to 3", or "to taste". */
  readonly amount: string;
  readonly item: string;
  readonly to: string | undefined;
  /** What it weighs, where it is measured by volume and its density is known. */
  readonly weight: Weighed | null;
}

/** The ingredient times `factor`, rounded sensibly, in the units of `system`. */
export function neededFor(ingredient: Ingredient, factor: number, system: System): Needed {
  const { item, to, amount, unit: name = '', whole } = ingredient;
  if (amount === undefined) return { amount: 'to taste', item, to, weight: null };
  const [low, high] = typeof amount === 'number' ? [amount, amount] : amount;
  const unit = unitOf(name);
  const one = (size: number) => {
    const there = unit ? inSystem(size * factor, unit, system) : { amount: size * factor, unit: null };
    const rounded = sensible(there.amount, there.unit, whole);
    return { text: amountText(rounded, there.unit), unit: there.unit?.name ?? inNumber(name, rounded) };
  };
  const from = one(low);
  const until = one(high);
  const range =
    from.text === until.text && from.unit === until.unit
      ? until.text
      : `${from.text}${from.unit === until.unit ? '' : ` ${from.unit}`} to ${until.text}`;
  return {
    amount: until.unit ? `${range} ${until.unit}` : range,
    item,
    to,
    weight: unit?.kind === 'volume' ? gramsOf(item, high * factor * unit.size) : null,
  };
}
