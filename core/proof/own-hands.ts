import type { Mode, Model } from '../model';
import type { Option } from './options';
import type { Priced } from './tree';
import { takeInWork } from './turns';

/**
 * Where there are several cooks: prices the hands of each of them for whom there is work that nobody else may do. At a table from
 * which he is away they are what anybody's are; where he sits there are none.
 */
export function priceOwnHands(model: Model, options: readonly Option[], priced: Priced[]): void {
  for (let cook = 0; cook < model.cookCount; cook++) {
    const works = options.filter(
      ({ activity, mode }) => model.activities[activity]!.who === cook && asks(mode),
    );
    if (works.length === 0) continue;
    const resource = priced.length;
    priced.push({ capacity: 1, cook, isOrder: false });
    for (const work of works) takeInWork(work, resource);
  }
}

function asks({ isHands, hands, touchIn, touchOut, checks, takes }: Mode): boolean {
  return isHands ? hands > 0 : touchIn + touchOut + checks * takes > 0;
}
