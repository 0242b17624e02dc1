/** Where something made waits, in a cook's words. */
export const KEPT_WHERE = {
  hot: 'hot',
  room: 'at room temperature',
  fridge: 'in the fridge',
  freezer: 'in the freezer',
} as const;
