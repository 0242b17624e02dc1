import { ORDER } from './part';

/** Activity `to` starts at least `lag` minutes after activity `from` starts. */
export interface Order {
  readonly from: number;
  readonly to: number;
  readonly lag: number;
}

/** A row with one order more. */
export function withOrder(orders: Int32Array, { from, to, lag }: Order): Int32Array {
  return Int32Array.of(from, to, lag, ...orders);
}

/** True where that order is one of those decided. */
export function isDecided(orders: Int32Array, { from, to, lag }: Order): boolean {
  for (let x = 0; x < orders.length; x += ORDER) {
    if (orders[x] === from && orders[x + 1] === to && orders[x + 2] === lag) return true;
  }
  return false;
}
