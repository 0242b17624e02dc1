/** Slots [quietFrom, quietTo) in which no work and no table can lie; the same twice where there are none. */
export interface Quiet {
  readonly quietFrom: number;
  readonly quietTo: number;
}

/** The slots in which the dinner lies, [from, to), with the quiet ones among them, which are neither its first nor its last. */
export interface Span extends Quiet {
  readonly from: number;
  readonly to: number;
}

/** What is quiet within [from, to). */
export function quietWithin(quiet: Quiet, from: number, to: number): Quiet {
  const isWithin = from < quiet.quietFrom && quiet.quietFrom < quiet.quietTo && quiet.quietTo < to;
  return isWithin ? quiet : { quietFrom: to, quietTo: to };
}
