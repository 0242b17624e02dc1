/** A baking tin or dish seen from above, in centimetres. */
export type Tin =
  | { readonly shape: 'round'; readonly across: number }
  | { readonly shape: 'square'; readonly side: number }
  | { readonly shape: 'oblong'; readonly long: number; readonly wide: number };

export function areaOf(tin: Tin): number {
  if (tin.shape === 'round') return Math.PI * (tin.across / 2) ** 2;
  return tin.shape === 'square' ? tin.side ** 2 : tin.long * tin.wide;
}

/** How many times the amount of a recipe for `written` fills `mine` as high. */
export function tinFactor(written: Tin, mine: Tin): number {
  return areaOf(mine) / areaOf(written);
}

const ROUND = /\b(\d{1,2}(?:[.,]\d)?)[\s-]*(cm|in|inch|inches|")(?!\s*(?:x|×|by)\b)/i;
const OBLONG =
  /\b(\d{1,2}(?:[.,]\d)?)\s*(?:cm|in)?\s*(?:x|×|by)\s*(\d{1,2}(?:[.,]\d)?)\s*(cm|in|inch|inches|")/i;
const VESSEL = /\b(tin|dish|pan|mould|mold|ring|tray|frame)\b/i;
const INCH = 2.54;

/** The first tin whose size a text tells ("a 23 cm tin", "20 x 30 cm dish"); null where none does. */
export function tinIn(text: string): Tin | null {
  if (!VESSEL.test(text)) return null;
  const size = (number: string, unit: string) =>
    Number(number.replace(',', '.')) * (unit.toLowerCase() === 'cm' ? 1 : INCH);
  const oblong = OBLONG.exec(text);
  if (oblong) {
    const [long, wide] = [size(oblong[1]!, oblong[3]!), size(oblong[2]!, oblong[3]!)];
    return long === wide ? { shape: 'square', side: long } : { shape: 'oblong', long, wide };
  }
  const one = ROUND.exec(text);
  if (!one) return null;
  const across = size(one[1]!, one[2]!);
  return /\bsquare\b/i.test(text) ? { shape: 'square', side: across } : { shape: 'round', across };
}
