/** Numbers to each order; NO_ORDER in place of the first one says that there are no more. */
export const ORDER = 3;
export const NO_ORDER = -1;

/** A part of the space of plans: what is still open, and in which minutes the day's work may begin. */
export class Part {
  constructor(
    readonly domain: Uint8Array,
    public firstLow: number,
    public firstHigh: number,
    /** For each course: how many minutes in all the cooks who eat are away from the table, least and most. */
    readonly awayLow: Int32Array,
    readonly awayHigh: Int32Array,
    /** By number of the check: the slots in which it may begin. */
    readonly checkLow: Int32Array,
    readonly checkHigh: Int32Array,
    /** By number of the option: minutes of pause, least and most. */
    readonly pauseLow: Int32Array,
    readonly pauseHigh: Int32Array,
    /** Orders that this part has decided on, ORDER numbers each: what comes first, what comes after it, and the lag between their starts. */
    public orders: Int32Array,
  ) {}
}
