import type { Known } from './known';
import type { Option } from './options';
import type { Tree } from './tree';
import { ONE_TRIP, type Visits } from './visits';

/** The minutes in which some work of a part can lie, whatever starts are chosen, and the longest time in which none can. */
export class PossibleWork {
  /** 1 for each minute in which hands can be at work. */
  readonly minutes: Uint8Array;
  /** By minute: the number of the group that it lies in. Between two groups lie minutes enough without work that no trip from a table reaches over them. */
  readonly group: Int32Array;
  /** No work and no table can lie in slots [quietFrom, quietTo): see `Quiet`. */
  quietFrom = 0;
  quietTo = 0;
  /** How much may begin at each slot less how much may end there: of hands, and of tables. */
  private readonly hands: Int32Array;
  private readonly tables: Int32Array;
  private readonly own: Int32Array;
  /** By minute: how many stretches of hands may lie in it. */
  private readonly working: Int32Array;

  constructor(
    private readonly tree: Tree,
    private readonly visits: readonly Visits[],
  ) {
    const { slots } = tree.model;
    this.minutes = new Uint8Array(slots);
    this.group = new Int32Array(slots);
    this.hands = new Int32Array(slots + 1);
    this.tables = new Int32Array(slots + 1);
    this.own = new Int32Array(slots + 1);
    this.working = new Int32Array(slots);
  }

  /** In a part that was narrowed. */
  find(known: Known, domain: Uint8Array): void {
    const { tree, hands, tables } = this;
    const { courses } = tree.model;
    const { serveLow, serveHigh } = known;
    hands.fill(0);
    tables.fill(0);
    for (const i of tree.order) this.addStep(hands, known, i, domain);
    for (let c = 0; c < courses.length; c++) {
      const { plating, eating, clearing } = courses[c]!;
      const low = serveLow[c]!;
      const high = serveHigh[c]!;
      this.add(hands, known, low - plating, high);
      this.add(hands, known, low + eating, high + eating + clearing);
      this.add(tables, known, low, high + eating);
    }
    this.measure(known);
  }

  private measure(known: Known): void {
    const { minutes, group, hands, tables } = this;
    const { from, to } = known;
    let groups = 0;
    let idle = 0;
    minutes.fill(0);
    this.quietFrom = 0;
    this.quietTo = 0;
    let working = 0;
    let seated = 0;
    let end = from;
    for (let m = from; m < to; m++) {
      const isQuiet = working + seated === 0;
      working += hands[m]!;
      seated += tables[m]!;
      if (working > 0) {
        minutes[m] = 1;
        if (idle > ONE_TRIP) groups += 1;
        idle = 0;
      } else idle += 1;
      group[m] = groups;
      this.working[m] = working;
      const isBusy = working + seated > 0;
      if (!isQuiet && !isBusy) end = m;
      if (!isQuiet || !isBusy || end === from || m - end <= this.quietTo - this.quietFrom) continue;
      this.quietFrom = end;
      this.quietTo = m;
    }
  }

  private add(edges: Int32Array, known: Known, first: number, end: number): void {
    edges[Math.min(Math.max(first, known.from), known.to)]! += 1;
    edges[Math.min(Math.max(end, known.from), known.to)]! -= 1;
  }

  private addStep(hands: Int32Array, known: Known, i: number, domain: Uint8Array): void {
    for (const option of this.tree.options[i]!) this.addHands(hands, known, option, domain);
  }

  /** After `find`: fills `row`, in slots [down, up), with 1 where work can lie that is neither that of step `i` nor of one inside it. */
  findOthers(known: Known, domain: Uint8Array, i: number, down: number, up: number, row: Uint8Array): void {
    const { tree, own, working } = this;
    own.fill(0);
    this.addStep(own, known, i, domain);
    for (const guest of tree.children[i]!)
      if (tree.branches[guest]!.kind === 'inside') this.addStep(own, known, guest, domain);
    let mine = 0;
    for (let m = known.from; m < up; m++) {
      mine += own[m]!;
      if (m >= down) row[m] = working[m]! > mine ? 1 : 0;
    }
  }

  /** Wherever hands may be at work, by runs of open starts. */
  private addHands(hands: Int32Array, known: Known, option: Option, domain: Uint8Array): void {
    const { at, low, first, last, longest, mode } = option;
    let begin = -1;
    for (let k = first; k <= last + 1; k++) {
      const isOpen = k <= last && domain[at + k] !== 0;
      if (isOpen && begin < 0) begin = k;
      if (isOpen || begin < 0) continue;
      const from = low + begin;
      const to = low + k - 1;
      begin = -1;
      if (mode.isHands) {
        const end = Math.min(to + mode.duration + longest, known.maxEnd[option.activity]!);
        if (mode.hands > 0) this.add(hands, known, from, end);
        continue;
      }
      for (const stretch of this.visits[option.number]!.stretches) {
        const earliest = stretch.earliest(from);
        const latest = stretch.latest(to);
        if (earliest <= latest) this.add(hands, known, earliest, latest + stretch.minutes);
      }
    }
  }
}
