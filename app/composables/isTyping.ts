/** What takes letters itself. A radio button or a box to tick does not: keys work as before after a click. */
const TAKES_KEYS =
  'input:not([type="radio"], [type="checkbox"]), textarea, select, [contenteditable], [role="dialog"]';

/** True where a key is meant for what has the focus, not for the page. */
export function isTyping(event: KeyboardEvent): boolean {
  return !!(event.target as HTMLElement | null)?.closest(TAKES_KEYS);
}
