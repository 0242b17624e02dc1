import { withoutDish } from '../compose';
import { placedSteps, type Dinner } from '../dinner';
import type { Conflict } from '../plan';
import { demandsOf, type Demand } from './demands';
import { withoutAsksOf, withoutTime, withSteps } from './less';
import { inARow, onlyDishOf, partiesOf, timeOf, type Party } from './parties';

/** What is found out about a dinner that is asked less of. */
export interface Probe {
  /** Whether it is proven that the dinner as it is has no plan. */
  readonly isProven: boolean;
  /** Whether a plan exists: true, or false where none was found. */
  readonly isFeasible: (dinner: Dinner) => boolean;
  /** True where it is proven that there is none; false says nothing. */
  readonly isImpossible: (dinner: Dinner) => boolean;
  /** True where there is no time for more looks: nothing more is proven or set aside then. */
  readonly isOver: () => boolean;
}

/** Steps that are told one by one; more would not be read. */
const MOST_TOLD = 8;

/**
 * A small set of demands that cannot hold together, all others set aside: leave any one out and they can. Then the dishes that have
 * no part in it are set aside and, where it is proven that they cannot, the steps. In slices, one for each dinner that is looked at.
 */
export function* findConflict(
  dinner: Dinner,
  { isProven, isFeasible, isImpossible, isOver }: Probe,
): Generator<void, Conflict[]> {
  const less = new Less(dinner, isProven ? isImpossible : (other) => !isOver() && !isFeasible(other));
  const demands = demandsOf(dinner);
  const withoutIdle = () =>
    less.fewest(
      less.core.dishes.map(({ id }) => id),
      withoutDishes,
    );
  // Of fewer dishes all that follows is proven sooner.
  if (isProven) yield* withoutIdle();
  // Where plans have to be looked for, one is found the later the less is asked: what helps by itself is enough then.
  const alone = isProven ? [] : yield* thatHelp(demands, dinner, isFeasible, isOver);
  const needed = alone.length > 0 ? alone : yield* less.fewest(demands, without);
  // Of nothing it is known then whether it is in the way.
  if (needed.length === demands.length && isOver()) return [];
  const left = needed.toReversed();
  yield* withoutIdle();
  if (!isProven || isOver()) return toldOfDishes(left, less.core, dinner);
  const steps = yield* less.fewest(
    placedSteps(less.core).map(({ name }) => name),
    (core, some) => withoutAsksOf(core, new Set(some)),
  );
  const inTheWay = yield* whatMatters(left, partiesOf(dinner, new Set(steps)), less, dinner);
  return toldOfSteps(left, inTheWay, dinner);
}

const without = (dinner: Dinner, demands: readonly Demand[]) =>
  demands.reduce((rest, demand) => demand.without(rest), dinner);

/** The demands of which each helps where it is set aside by itself; where time is short, one of them at least. */
function* thatHelp(
  demands: readonly Demand[],
  dinner: Dinner,
  isFeasible: Probe['isFeasible'],
  isOver: Probe['isOver'],
): Generator<void, Demand[]> {
  const helping: Demand[] = [];
  for (const demand of demands) {
    yield;
    if (helping.length > 0 && isOver()) break;
    if (isFeasible(demand.without(dinner))) helping.push(demand);
  }
  return helping;
}

/** A dinner of which less and less is asked, as long as it cannot be. */
class Less {
  constructor(
    public core: Dinner,
    private readonly cannotBe: (dinner: Dinner) => boolean,
  ) {}

  /** Takes what is left of the dinner, if that cannot be either. */
  *isStill(rest: Dinner | null): Generator<void, boolean> {
    yield;
    if (rest === null || !this.cannotBe(rest)) return false;
    this.core = rest;
    return true;
  }

  /** Sets aside what may be set aside, as much at once as may be, and gives back what may not. */
  *fewest<Item>(
    items: readonly Item[],
    withoutSome: (core: Dinner, some: readonly Item[]) => Dinner | null,
  ): Generator<void, Item[]> {
    if (items.length === 0 || (yield* this.isStill(withoutSome(this.core, items)))) return [];
    if (items.length === 1) return [...items];
    const half = items.length >> 1;
    const first = yield* this.fewest(items.slice(0, half), withoutSome);
    return [...first, ...(yield* this.fewest(items.slice(half), withoutSome))];
  }
}

/** The dinner without these dishes and what was made for them alone; null where none would be left. */
function withoutDishes(dinner: Dinner, ids: readonly string[]): Dinner | null {
  const rest = ids.reduce(
    (core, id) => (core.dishes.some((dish) => dish.id === id) ? withoutDish(core, id) : core),
    dinner,
  );
  return rest.dishes.length === 0 ? null : rest;
}

/** A step of a conflict: the demands that it makes there, and whether it matters how long it takes. */
interface InTheWay {
  readonly party: Party;
  readonly asks: ReadonlySet<Demand>;
  readonly takesTime: boolean;
}

/** Of what the steps in the way ask what matters. */
function* whatMatters(
  left: readonly Demand[],
  parties: readonly Party[],
  less: Less,
  dinner: Dinner,
): Generator<void, InTheWay[]> {
  const list: InTheWay[] = [];
  for (const party of parties) {
    const { name } = party.placed;
    const asks = new Set<Demand>();
    for (const demand of left) {
      if (!demand.concerns(party, dinner)) continue;
      if (demand.withoutFor && (yield* less.isStill(demand.withoutFor(less.core, name)))) continue;
      asks.add(demand);
    }
    const rest = withSteps(less.core, (other) => other === name, withoutTime);
    list.push({ party, asks, takesTime: !(yield* less.isStill(rest)) });
  }
  return list;
}

/** What is asked by more steps than are told one by one. */
const summedUp = (demand: Demand, asking: readonly Party[], dinner: Dinner) =>
  demand.sumUp?.(asking, dinner) ?? demand.tell([], dinner);

const CANNOT_FOLLOW = 'cannot follow each other as they ask to';

/** What is asked, of which dishes; of which of their steps nobody knows. */
function toldOfDishes(left: readonly Demand[], core: Dinner, dinner: Dinner): Conflict[] {
  const steps = placedSteps(core).map(({ name }) => name);
  const dishes = core.dishes.map((d) => d.name);
  if (left.length === 0) {
    return [{ kind: 'order', steps, text: `The steps of ${inARow(dishes)} ${CANNOT_FOLLOW}.` }];
  }
  const whose = dishes.length < dinner.dishes.length ? `${inARow(dishes)}: ` : '';
  const parties = partiesOf(dinner, new Set(steps));
  return left.map((demand) => {
    const asking = parties.filter((party) => demand.concerns(party, dinner));
    return { kind: demand.kind, steps, text: sentence(whose, summedUp(demand, asking, dinner)) };
  });
}

/** What stands in the way where no step does. */
const SERVING: Conflict = {
  kind: 'service',
  steps: [],
  text: 'Someone plates each course right before it goes out, and clears it once it is eaten.',
};

/** What is asked, by which steps, and how long those take of which that matters and is not told yet. */
function toldOfSteps(left: readonly Demand[], inTheWay: readonly InTheWay[], dinner: Dinner): Conflict[] {
  const all = inTheWay.map(({ party }) => party);
  const dish = onlyDishOf(all.map(({ placed }) => placed));
  const toldOf = (told: readonly Party[], text: string) =>
    sentence(told.length > 0 && dish !== null ? `${dish}: ` : '', text);
  const isTimed = new Set(inTheWay.filter(({ takesTime }) => takesTime).map(({ party }) => party));
  const rows = left.map((demand): Conflict => {
    const asking = inTheWay.filter(({ asks }) => asks.has(demand)).map(({ party }) => party);
    for (const party of asking) if (demand.tellsTime?.(party, dinner)) isTimed.delete(party);
    const steps = namesOf(asking.length > 0 ? asking : all);
    if (asking.length > MOST_TOLD)
      return { kind: demand.kind, steps, text: toldOf([], summedUp(demand, asking, dinner)) };
    return { kind: demand.kind, steps, text: toldOf(asking, demand.tell(asking, dinner)) };
  });
  if (all.length === 0) return [...rows, SERVING];
  if (left.length > 0 && isTimed.size === 0) return rows;
  const timed = isTimed.size > 0 ? [...isTimed] : all;
  const times = timed.slice(0, MOST_TOLD).map(timeOf).join('; ');
  const [kind, text] =
    left.length === 0 ? ['order', `these steps ${CANNOT_FOLLOW}: ${times}`] : ['duration', times];
  return [...rows, { kind, steps: namesOf(timed), text: toldOf(timed, text) }];
}

const namesOf = (parties: readonly Party[]) => parties.map(({ placed }) => placed.name);

/** What is told, after the dishes that it is told of, if any. */
function sentence(whose: string, text: string): string {
  return whose === '' ? `${text.slice(0, 1).toUpperCase()}${text.slice(1)}.` : `${whose}${text}.`;
}
