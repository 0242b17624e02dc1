/** The twelve hours before sitting down, in minutes, that `sameDay` and `day` look at. */
export const DAY_WINDOW = 720;
/** `held` counts this much for a step that waits as long as it may. */
export const HELD_POINTS = 10;
