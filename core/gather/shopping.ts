import { amountText, gramsOf, inNumber, inSystem, sensible, singular, unitOf, type System } from '../amounts';
import type { Dinner, Dish } from '../dinner';
import { byShelf, isStaple, shelfOf } from './shelves';

type Ingredient = Dish['ingredients'][number];

/** What one dish wants of a thing. */
export interface Wanted {
  readonly dish: string;
  readonly amount: string;
}

/** One line of the list: a thing, how much of it in all, and what it is for. */
export interface ShoppingLine {
  /** Stays the same for the same thing. */
  readonly key: string;
  readonly item: string;
  /** "1.2 kg", "3 to 4", "2 tins", "500 g and 2 cups"; '' where only "to taste". */
  readonly amount: string;
  readonly shelf: string;
  readonly isStaple: boolean;
  readonly wanted: readonly Wanted[];
}

export interface ShoppingShelf {
  readonly shelf: string;
  readonly lines: readonly ShoppingLine[];
}

/** How warm it is to be when it is used, which a shop does not ask. "Hot paprika" and "soft cheese" are other things. */
const STATE = /^(?:(?:ice[- ])?cold|softened|melted|warm|lukewarm|soft(?= butter))\s+(?=\S)/i;
const bought = (item: string) => item.trim().replace(STATE, '');

/** Two names of one thing: "Onions" and "onion", "cold butter" and "butter". */
export function itemKey(item: string): string {
  const words = bought(item).toLowerCase().replace(/\s+/g, ' ').split(' ');
  return [...words.slice(0, -1), singular(words.at(-1)!)].join(' ');
}

interface Sum {
  /** From and to, in the smallest unit of the kind, or in pieces. */
  readonly low: number;
  readonly high: number;
}

/** Amounts of a thing that can be added up go under one name: masses, volumes, pieces, each word of its own. */
function kindOf(unitName: string): { kind: string; size: number } {
  const unit = unitOf(unitName);
  if (unit) return { kind: unit.kind, size: unit.size };
  return { kind: `word ${itemKey(unitName || 'piece')}`, size: 1 };
}

function textOf(kind: string, sum: Sum, isWhole: boolean, system: System): string {
  const isMeasured = kind === 'mass' || kind === 'volume';
  const word = kind.replace(/^word /, '');
  const one = (amount: number) => {
    const smallest = unitOf(kind === 'mass' ? 'g' : 'ml')!;
    const there = isMeasured ? inSystem(amount, smallest, system) : { amount, unit: null };
    // Bought, not measured: pieces are rounded up.
    const number = isMeasured
      ? sensible(there.amount, there.unit, false)
      : isWhole || amount > 1
        ? Math.ceil(amount - 1e-9)
        : sensible(amount, null, false);
    return {
      text: amountText(number, there.unit),
      unit: there.unit?.name ?? (word === 'piece' ? '' : inNumber(word, number)),
    };
  };
  const [from, to] = [one(sum.low), one(sum.high)];
  const unit = to.unit ? ` ${to.unit}` : '';
  if (from.text === to.text && from.unit === to.unit) return `${to.text}${unit}`;
  return `${from.text}${from.unit === to.unit || !from.unit ? '' : ` ${from.unit}`} to ${to.text}${unit}`;
}

/**
 * Volumes join masses where the weight of a cup is known ("250 g and 2 cups of flour" is one amount); spoonfuls
 * of what has no known weight stay beside them.
 */
function joined(sums: Map<string, Sum>, item: string): Map<string, Sum> {
  const [mass, volume] = [sums.get('mass'), sums.get('volume')];
  if (!mass || !volume) return sums;
  const weight = (amount: number) => gramsOf(item, amount)?.grams;
  const [low, high] = [weight(volume.low), weight(volume.high)];
  if (low === undefined || high === undefined) return sums;
  const others = [...sums].filter(([kind]) => kind !== 'mass' && kind !== 'volume');
  return new Map([['mass', { low: mass.low + low, high: mass.high + high }], ...others]);
}

/** All that the dishes of a dinner need, for their portions, added up by thing and put in order of the shelves. */
export function shoppingList(dinner: Dinner, system: System): ShoppingShelf[] {
  interface Entry {
    readonly item: string;
    readonly shelf: string;
    readonly sums: Map<string, Sum>;
    isWhole: boolean;
    readonly wanted: Wanted[];
  }
  const entries = new Map<string, Entry>();
  for (const dish of dinner.dishes) {
    const factor = (dish.portions ?? dinner.guests) / dish.serves;
    for (const ingredient of dish.ingredients) {
      const key = itemKey(ingredient.item);
      const entry = entries.get(key) ?? {
        item: bought(ingredient.item),
        shelf: shelfOf(ingredient.item, ingredient.group),
        sums: new Map<string, Sum>(),
        isWhole: false,
        wanted: [],
      };
      entries.set(key, entry);
      entry.isWhole ||= ingredient.whole;
      const amount = rangeOf(ingredient);
      if (!amount) {
        entry.wanted.push({ dish: dish.name, amount: 'to taste' });
        continue;
      }
      const { kind, size } = kindOf(ingredient.unit ?? '');
      const mine = { low: amount[0] * size * factor, high: amount[1] * size * factor };
      const sum = entry.sums.get(kind) ?? { low: 0, high: 0 };
      entry.sums.set(kind, { low: sum.low + mine.low, high: sum.high + mine.high });
      entry.wanted.push({ dish: dish.name, amount: textOf(kind, mine, ingredient.whole, system) });
    }
  }
  const lines = [...entries].map(([key, entry]): ShoppingLine => ({
    key,
    item: entry.item,
    amount: [...joined(entry.sums, entry.item)]
      .map(([kind, sum]) => textOf(kind, sum, entry.isWhole, system))
      .join(' and '),
    shelf: entry.shelf,
    isStaple: isStaple(entry.item),
    wanted: entry.wanted,
  }));
  const shelves = [...new Set(lines.map((l) => l.shelf))].sort(byShelf);
  return shelves.map((shelf) => ({
    shelf,
    lines: lines.filter((l) => l.shelf === shelf).sort((a, b) => a.item.localeCompare(b.item)),
  }));
}

function rangeOf({ amount }: Ingredient): readonly [number, number] | null {
  if (amount === undefined) return null;
  return typeof amount === 'number' ? [amount, amount] : [amount[0], amount[1]];
}
