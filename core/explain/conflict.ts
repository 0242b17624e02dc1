import { withoutDish } from '../compose';
import { placedSteps, type Dinner } from '../dinner';
import type { Conflict } from '../plan';
import { demandsOf, type Demand } from './demands';
import { withoutAsksOf, withoutTime, withSteps } from './less';
import { inARow, partiesOf, timeOf, type Party } from './parties';

/** What is found out about a dinner that is asked less of. */
export interface Probe {
  /** Whether a plan exists: true, or false where none was found. */
  readonly isFeasible: (dinner: Dinner) => boolean;
  /** True where it is proven that there is none; false says nothing. */
  readonly isImpossible: (dinner: Dinner) => boolean;
}

/** Steps that are told one by one; more would not be read. */
const MOST_TOLD = 8;

/**
 * A small set of demands that cannot hold together, all others set aside: leave any one out and they can. What helps by
 * itself is in every such set. The dishes that have no part in it are set aside then, and, where all this is proven, the steps.
 */
export function findConflict(dinner: Dinner, probe: Probe): Conflict[] {
  const { left, core } = withFewestDemands(dinner, probe);
  const fewer = withFewestDishes(core, probe);
  const steps = placedSteps(fewer).map(({ name }) => name);
  if (!probe.isImpossible(fewer)) return toldOfDishes(left, fewer, steps, dinner);
  return toldOfSteps(left, whatIsInTheWay(left, dinner, fewer, steps, probe), dinner);
}

/** The demands of which none can be set aside, and the dinner without the others. */
function withFewestDemands(dinner: Dinner, { isFeasible }: Probe): { left: Demand[]; core: Dinner } {
  const demands = demandsOf(dinner);
  const needed = demands.filter((demand) => isFeasible(demand.without(dinner)));
  const others = demands.filter((demand) => !needed.includes(demand));
  const bare = others.reduce((less, demand) => demand.without(less), dinner);
  if (needed.length > 0 && !isFeasible(bare)) return { left: needed, core: bare };
  let core = dinner;
  const left = demands.filter((demand) => {
    if (needed.includes(demand)) return true;
    const less = demand.without(core);
    if (isFeasible(less)) return true;
    core = less;
    return false;
  });
  return { left, core };
}

/** The dinner without the dishes that have no part in what cannot be. */
function withFewestDishes(dinner: Dinner, { isFeasible }: Probe): Dinner {
  let core = dinner;
  for (const dish of dinner.dishes) {
    if (core.dishes.length <= 1 || !core.dishes.some((d) => d.id === dish.id)) continue;
    const fewer = withoutDish(core, dish.id);
    if (fewer.dishes.length > 0 && !isFeasible(fewer)) core = fewer;
  }
  return core;
}

/** A step of a conflict: the demands that it makes there, and whether it matters how long it takes. */
interface InTheWay {
  readonly party: Party;
  readonly asks: ReadonlySet<Demand>;
  readonly takesTime: boolean;
}

/** The steps without which an impossible dinner is not proven to be impossible any more, and of what they ask what matters. */
function whatIsInTheWay(
  left: readonly Demand[],
  dinner: Dinner,
  core: Dinner,
  steps: readonly string[],
  { isImpossible }: Probe,
): InTheWay[] {
  let least = core;
  const canGo = (less: Dinner): boolean => {
    const isStillImpossible = isImpossible(less);
    if (isStillImpossible) least = less;
    return isStillImpossible;
  };
  const needed = (some: readonly string[]): string[] => {
    if (some.length === 0 || canGo(withoutAsksOf(least, new Set(some)))) return [];
    if (some.length === 1) return [...some];
    const half = some.length >> 1;
    return [...needed(some.slice(0, half)), ...needed(some.slice(half))];
  };
  return partiesOf(dinner, new Set(needed(steps))).map((party) => {
    const { name } = party.placed;
    const asks = left.filter(
      ({ concerns, withoutFor }) =>
        concerns(party, dinner) && !(withoutFor && canGo(withoutFor(least, name))),
    );
    const takesTime = !canGo(withSteps(least, (other) => other === name, withoutTime));
    return { party, asks: new Set(asks), takesTime };
  });
}

const CANNOT_FOLLOW = 'cannot follow each other as they ask to';

/** What is asked, of which dishes; of which of their steps nobody knows. */
function toldOfDishes(
  left: readonly Demand[],
  core: Dinner,
  steps: readonly string[],
  dinner: Dinner,
): Conflict[] {
  const names = inARow(core.dishes.map((d) => d.name));
  if (left.length === 0) {
    return [{ kind: 'order', steps: [...steps], text: `The steps of ${names} ${CANNOT_FOLLOW}.` }];
  }
  return left.map(({ kind, tell }) => ({ kind, steps: [...steps], text: `${names}: ${tell([], dinner)}.` }));
}

/** What stands in the way where no step does. */
const SERVING: Conflict = {
  kind: 'order',
  steps: [],
  text: 'Someone plates each course right before it goes out, and clears it once it is eaten.',
};

/** What is asked, by which steps, and how long those take of which that matters and is not told yet. */
function toldOfSteps(left: readonly Demand[], inTheWay: readonly InTheWay[], dinner: Dinner): Conflict[] {
  const all = inTheWay.map(({ party }) => party);
  const isTimed = new Set(inTheWay.filter(({ takesTime }) => takesTime).map(({ party }) => party));
  const rows = left.map((demand): Conflict => {
    const asking = inTheWay.filter(({ asks }) => asks.has(demand)).map(({ party }) => party);
    const told = asking.length <= MOST_TOLD ? asking : [];
    if (demand.kind === 'hands') for (const party of told) isTimed.delete(party);
    const steps = namesOf(asking.length > 0 ? asking : all);
    return { kind: demand.kind, steps, text: toldOf(told, demand.tell(told, dinner)) };
  });
  if (all.length === 0) return [...rows, SERVING];
  if (left.length > 0 && isTimed.size === 0) return rows;
  const timed = isTimed.size > 0 ? [...isTimed] : all;
  const times = timed.slice(0, MOST_TOLD).map(timeOf).join('; ');
  const text = left.length === 0 ? `these steps ${CANNOT_FOLLOW}: ${times}` : times;
  return [...rows, { kind: 'order', steps: namesOf(timed), text: toldOf(timed, text) }];
}

const namesOf = (parties: readonly Party[]) => parties.map(({ placed }) => placed.name);

/** The sentence about steps, after their dish where they are all of one. */
function toldOf([first]: readonly Party[], text: string): string {
  if (first?.isOfOnlyDish) return `${first.placed.dish.name}: ${text}.`;
  return `${text.slice(0, 1).toUpperCase()}${text.slice(1)}.`;
}
