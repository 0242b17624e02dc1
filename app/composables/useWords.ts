/** Where something made waits, in a cook's words. */
export const KEPT_WHERE = {
  hot: 'hot',
  room: 'at room temperature',
  fridge: 'in the fridge',
  freezer: 'in the freezer',
} as const;

const GUESSED: Readonly<Record<string, string>> = {
  minutes: 'how long',
  attention: 'what it needs of you',
  check: 'how often it is looked at',
  uses: 'how hot',
  keeps: 'how long it keeps',
  scale: 'that it grows with the portions',
};

/** What of a step is a guess, in a cook's words. */
export const guessesInWords = (fields: readonly string[]): string =>
  fields.map((field) => GUESSED[field] ?? field).join(', ');
