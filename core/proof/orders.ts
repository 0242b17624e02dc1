/** Activity `to` starts at least `lag` minutes after activity `from` starts. */
export interface Order {
  readonly from: number;
  readonly to: number;
  readonly lag: number;
  readonly rest: Order | null;
}

/** True where that order is one of those decided. */
export function isDecided(orders: Order | null, { from, to, lag }: Order): boolean {
  for (let order = orders; order !== null; order = order.rest) {
    if (order.from === from && order.to === to && order.lag === lag) return true;
  }
  return false;
}
