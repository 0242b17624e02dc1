import type { EveningFigures } from '../../core/reasons';
import { duration } from './useTimes';

/**
 * What a dish costs one evening in a cook's words, hands apart; the other is without it. A dish takes nothing away: where
 * the evening without it came out longer at one place, that is the search's chance, and is not told.
 */
function differences(withIt: EveningFigures, without: EveningFigures): string[] {
  const away = withIt.awayMinutes - without.awayMinutes;
  const earlier = without.firstOnDay - withIt.firstOnDay;
  const parts: string[] = [];
  if (away > 0) parts.push(`${duration(away)} more away from the table`);
  if (earlier >= 5) parts.push(`work begins ${duration(earlier)} earlier`);
  return parts;
}

/** What a dish of the dinner costs it, beside its hands minutes. */
export function costBesideHands(withIt: EveningFigures, without: EveningFigures): string {
  return differences(withIt, without).join(', ') || 'no time at the table, and no earlier start';
}

/** What a dish would cost the dinner, hands and all. */
export function costInWords(withIt: EveningFigures, without: EveningFigures): string {
  const hands = withIt.handsMinutes - without.handsMinutes;
  return [`${duration(Math.max(0, hands))} of hands`, ...differences(withIt, without)].join(', ');
}
