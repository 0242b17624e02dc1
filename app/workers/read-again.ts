import { readDinner, type Dinner } from '../../core/dinner';

/** Reads a dinner file that the page has read before it came here. */
export function readAgain(file: unknown): { dinner: Dinner; notices: readonly string[] } {
  const result = readDinner(file);
  if (!result.ok) throw new Error('the dinner was read before it came to a worker');
  return result;
}
