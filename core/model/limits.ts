export const NO_LIMIT = 1_000_000;

/** Shortest piece of a paused hands activity, in minutes. */
export const LEAST_PIECE = 5;
/** A paused activity is cut into no more pieces than this. */
export const MAX_PIECES = 7;
export const MAX_PAUSE = 30;
