import type { Group } from './groups';
import { COMMON, holdsThing, isOfKind, type Aliases } from './things';
import type { VerbKind } from './verbs';
import type { NamedTool } from './vessels';

/** What the links of a method are read from. */
export interface Told {
  readonly groups: readonly Group[];
  readonly texts: readonly string[];
  /** Tools that each names. */
  readonly tools: readonly (readonly NamedTool[])[];
  /** Names of what the recipe lists. */
  readonly ingredients: ReadonlySet<string>;
  readonly aliases: Aliases;
}

/** What a step is known by, once it is linked. */
export interface Linked {
  /** Its own things, and those of all it comes after. */
  readonly holds: ReadonlySet<string>;
  /** What it speaks of itself, and what it makes. */
  readonly own: ReadonlySet<string>;
  /** What is set by for later: "keeping the water". */
  readonly setBy: string | undefined;
  /** What its verbs are about. */
  readonly objects: ReadonlySet<string>;
  readonly after: readonly number[];
  /** All that it comes after, by whatever way. */
  readonly above: ReadonlySet<number>;
}
const NOTHING: Linked = {
  holds: new Set(),
  own: new Set(),
  setBy: undefined,
  objects: new Set(),
  after: [],
  above: new Set(),
};

/** The steps that were linked so far: what the next can come after. */
export class Past {
  readonly linked: Linked[] = [];
  private readonly used = new Set<number>();
  /** The step told before the one that is being linked, -1 for none. */
  previous = -1;

  constructor(readonly told: Told) {}

  add(step: Linked, after: readonly number[]): void {
    this.previous = this.linked.length;
    this.linked.push(step);
    for (const j of after) this.used.add(j);
  }

  /** What is done inside another step is linked to nothing. */
  addInside(): void {
    this.linked.push(NOTHING);
  }

  /** Steps that nothing comes after yet. */
  tails(): number[] {
    return [...this.linked.keys()].filter((j) => !this.used.has(j) && !this.told.groups[j]!.isInside);
  }

  /** What is listed is only what is called so: breadcrumbs are no crumbs that were made of dough. */
  isHeld(holds: ReadonlySet<string>, name: string): boolean {
    return holdsThing(holds, name) && (!this.told.ingredients.has(name) || isOfKind(holds, name));
  }

  /** Common things tie nothing together; what no list names was made on the way ("the cream" of almonds). */
  isCommon(name: string): boolean {
    const { ingredients } = this.told;
    return COMMON.has(name) && (name === 'water' || ingredients.size === 0 || ingredients.has(name));
  }

  /** The latest step so far that is of one of these kinds. */
  lastOf(...kinds: VerbKind[]): number | undefined {
    const last = this.linked.findLastIndex((_, j) =>
      this.told.groups[j]!.acts.some(
        (a) => kinds.includes(a.verb.kind) || (a.word === 'bring' && kinds.includes('simmer')),
      ),
    );
    return last < 0 ? undefined : last;
  }
}
