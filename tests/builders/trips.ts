import type { Board } from '../../core/planner';

/** How often a cook leaves a table laid over slots [down, up). */
export function tripsIn(board: Board, down: number, up: number, cook = 0): number {
  const off = cook * board.model.slots;
  let trips = 0;
  let back = 2;
  for (let m = down; m < up; m++) {
    if (board.owner[off + m] === 0) back += 1;
    else {
      if (back > 1) trips += 1;
      back = 0;
    }
  }
  return trips;
}
