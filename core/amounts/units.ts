/** Units of the kitchen. Volumes in millilitres, masses in grams. */

export interface Unit {
  readonly name: string;
  readonly kind: 'volume' | 'mass';
  readonly size: number;
  /** Small amounts of it are read in quarters and thirds. */
  readonly inParts: boolean;
}

/** Sizes of US customary units as defined in NIST Handbook 44, appendix C; spoons and cups of metric recipes are common practice. */
const TABLE: readonly (Unit & { readonly also: readonly string[] })[] = [
  { name: 'ml', kind: 'volume', size: 1, inParts: false, also: ['millilitre', 'milliliter'] },
  { name: 'cl', kind: 'volume', size: 10, inParts: false, also: ['centilitre', 'centiliter'] },
  { name: 'dl', kind: 'volume', size: 100, inParts: false, also: ['decilitre', 'deciliter'] },
  { name: 'l', kind: 'volume', size: 1000, inParts: false, also: ['litre', 'liter'] },
  { name: 'tsp', kind: 'volume', size: 4.928_921_593_75, inParts: true, also: ['teaspoon'] },
  { name: 'tbsp', kind: 'volume', size: 14.786_764_781_25, inParts: true, also: ['tablespoon', 'tbs'] },
  { name: 'fl oz', kind: 'volume', size: 29.573_529_562_5, inParts: true, also: ['fluid ounce'] },
  { name: 'cup', kind: 'volume', size: 236.588_236_5, inParts: true, also: [] },
  { name: 'pint', kind: 'volume', size: 473.176_473, inParts: true, also: ['pt'] },
  { name: 'quart', kind: 'volume', size: 946.352_946, inParts: true, also: ['qt'] },
  { name: 'g', kind: 'mass', size: 1, inParts: false, also: ['gram', 'gramme', 'gr'] },
  { name: 'kg', kind: 'mass', size: 1000, inParts: false, also: ['kilo', 'kilogram'] },
  { name: 'oz', kind: 'mass', size: 28.349_523_125, inParts: true, also: ['ounce'] },
  { name: 'lb', kind: 'mass', size: 453.592_37, inParts: true, also: ['pound'] },
];

const BY_NAME = new Map<string, Unit>(
  TABLE.flatMap((unit) => [unit.name, ...unit.also].map((name): [string, Unit] => [name, unit])),
);

/** The unit of that name, in the singular or the plural, with or without a full stop; null for any other word. */
export function unitOf(text: string): Unit | null {
  const name = text.trim().toLowerCase().replace(/\.$/, '').replace(/\s+/g, ' ');
  return BY_NAME.get(name) ?? BY_NAME.get(name.replace(/s$/, '')) ?? null;
}

/** `amount` of one unit in another of the same kind. Throws where the kinds differ. */
export function convert(amount: number, from: Unit, to: Unit): number {
  if (from.kind !== to.kind)
    throw new RangeError(`${from.name} is a ${from.kind}, ${to.name} is a ${to.kind}`);
  return (amount * from.size) / to.size;
}

export type System = 'metric' | 'us';

const unit = (name: string) => BY_NAME.get(name)!;
/** Units of each system from the largest, with the least amount for which each is used. */
const LADDERS: Record<System, Record<Unit['kind'], readonly (readonly [Unit, number])[]>> = {
  metric: {
    volume: [
      [unit('l'), 1],
      [unit('ml'), 0],
    ],
    mass: [
      [unit('kg'), 1],
      [unit('g'), 0],
    ],
  },
  us: {
    volume: [
      [unit('cup'), 0.25],
      [unit('tbsp'), 1],
      [unit('tsp'), 0],
    ],
    mass: [
      [unit('lb'), 1],
      [unit('oz'), 0],
    ],
  },
};

/** The same amount in a unit that a cook of that system would use. Spoons stay spoons. */
export function inSystem(amount: number, from: Unit, system: System): { amount: number; unit: Unit } {
  const isSpoon = from.name === 'tsp' || from.name === 'tbsp';
  if (isSpoon && (system === 'metric' || amount * from.size < unit('cup').size / 4))
    return { amount, unit: from };
  for (const [to, least] of LADDERS[system][from.kind]) {
    const there = convert(amount, from, to);
    if (there >= least) return { amount: there, unit: to };
  }
  return { amount, unit: from };
}
