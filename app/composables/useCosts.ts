import type { EveningFigures } from '../../core/reasons';
import { duration } from './useTimes';

/** How one evening differs from another in a cook's words, hands apart; the other is without the dish in question. */
function differences(withIt: EveningFigures, without: EveningFigures): string[] {
  const away = withIt.awayMinutes - without.awayMinutes;
  const earlier = without.firstOnDay - withIt.firstOnDay;
  const parts: string[] = [];
  if (away > 0) parts.push(`${duration(away)} more away from the table`);
  else if (away < 0) parts.push(`${duration(-away)} less away from the table`);
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
