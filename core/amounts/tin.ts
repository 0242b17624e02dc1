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
