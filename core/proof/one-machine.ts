import { hasBit, NO_LIMIT, type Model } from '../model';
import type { FreeHands } from './free-hands';
import type { Known } from './known';
import { NO_CHECK, NO_TASK, Tasks } from './machine-tasks';
import type { Part } from './part';
import { Sorted } from './sorted';
import type { Priced, Tree } from './tree';

/**
 * All stretches of hands that surely are one cook's are tasks on one machine: of two that cannot come in one order the other order
 * holds, and between two slots there is no more work than minutes (detectable precedences, the overload check and edge finding of
 * the disjunctive resource; Vilím 2004, from memory). Uses of a resource of which there is one are tasks on a machine, too.
 */
export class OneMachine {
  private readonly model: Model;
  private readonly tasks: Tasks;
  /** Resources of which there is one. */
  private readonly single: Int32Array;
  /** How many minutes before each slot the cook may be at work in, and the first slot before which there are so many. */
  private readonly open: Int32Array;
  private readonly slotOf: Int32Array;
  /** By task: minutes open before its first and last slot, and before it can end. */
  private readonly first: Int32Array;
  private readonly last: Int32Array;
  private readonly end: Int32Array;
  /** By task: the slots between which others leave it, as far as found. */
  private readonly lows: Int32Array;
  private readonly highs: Int32Array;
  /** After `narrow`: true where nothing is left, since some task can come neither before nor after another. */
  isStuck = false;
  /** All work by the first slot that it may have, and by when it ends at the latest. */
  private readonly byFrom: Sorted;
  private readonly byEnd: Sorted;

  constructor(
    tree: Tree,
    private readonly hands: FreeHands,
    private readonly known: Known,
  ) {
    this.model = tree.model;
    const tasks = new Tasks(tree);
    this.tasks = tasks;
    let singles = 0;
    for (let r = 0; r < tree.priced.length; r++) singles += isMachine(tree.priced[r]!) ? 1 : 0;
    const single = new Int32Array(singles);
    for (let r = tree.priced.length - 1; r >= 0; r--) if (isMachine(tree.priced[r]!)) single[--singles] = r;
    this.single = single;
    this.open = new Int32Array(tree.model.slots + 1);
    this.slotOf = new Int32Array(tree.model.slots + 1);
    const most = tasks.low.length;
    this.first = new Int32Array(most);
    this.last = new Int32Array(most);
    this.end = new Int32Array(most);
    this.lows = new Int32Array(most);
    this.highs = new Int32Array(most);
    this.byFrom = new Sorted(tasks.works.from.length);
    this.byEnd = new Sorted(tasks.works.from.length);
  }

  private countOpen(part: Part, cook: number): void {
    const { open, slotOf, hands } = this;
    const { from, to } = this.known;
    const calendar = this.model.calendars[cook]!;
    let count = 0;
    open[from] = 0;
    slotOf[0] = from;
    for (let m = from; m < to; m++) {
      if (hasBit(calendar, m) && hands.isOpen(part, m)) slotOf[++count] = m + 1;
      open[m + 1] = count;
    }
    slotOf.fill(NO_LIMIT, count + 1);
  }

  private countAll(): void {
    const { open, slotOf } = this;
    for (let m = 0; m < open.length; m++) {
      open[m] = m;
      slotOf[m] = m;
    }
  }

  /** True where anything was closed; see `isStuck`. */
  narrow(part: Part): boolean {
    const { tasks, model, single } = this;
    let changed = false;
    this.isStuck = false;
    for (let cook = 0; cook < model.cookCount && !this.isStuck; cook++) {
      tasks.readHands(this.known, cook);
      if (model.cookCount > 1 && tasks.works.count < 2) continue;
      this.countOpen(part, cook);
      const mostAtTable = model.cookCount === 1 ? this.atTable(part, 0, model.slots) : 0;
      changed = this.sequence(part, mostAtTable) || changed;
    }
    if (single.length > 0) this.countAll();
    for (let n = 0; n < single.length && !this.isStuck; n++) {
      tasks.readUses(single[n]!, this.known);
      changed = this.sequence(part, 0) || changed;
    }
    return changed;
  }

  private sequence(part: Part, mostAtTable: number): boolean {
    const { tasks } = this;
    this.sort();
    this.isStuck = this.isOverloaded(part, mostAtTable);
    if (this.isStuck) return false;
    this.measure();
    let changed = false;
    this.findLast();
    this.findFirst();
    for (let n = 0; n < tasks.count; n++) {
      const low = Math.max(this.lows[n]!, this.endOfPredecessors(n));
      const high = Math.min(this.highs[n]!, this.startOfSuccessors(n));
      if (low > high) this.isStuck = true;
      if (this.isStuck) return false;
      if (low > tasks.low[n]! || high < tasks.high[n]!) changed = this.keep(part, n, low, high) || changed;
    }
    return changed;
  }

  private sort(): void {
    const { byFrom, byEnd } = this;
    const { from, to, count } = this.tasks.works;
    byFrom.sort(from, count);
    byEnd.sort(to, count);
  }

  private measure(): void {
    const { tasks, open, first, last, end } = this;
    const { low, high, length, count } = tasks;
    this.lows.set(low);
    this.highs.set(high);
    for (let n = 0; n < count; n++) {
      first[n] = open[low[n]!]!;
      last[n] = open[high[n]!]!;
      end[n] = first[n]! + length[n]!;
    }
  }

  /** What cannot end by some slot together with all that must, ends after it, and so begins after the rest. */
  private findLast(): void {
    const { tasks, open, slotOf, lows, byEnd, byFrom } = this;
    const { from, to, minutes, task, count } = tasks.works;
    for (let y = 0; y < count; y++) {
      const by = to[byEnd.order[y]!]!;
      if (y + 1 < count && to[byEnd.order[y + 1]!] === by) continue;
      const room = open[by]!;
      let work = 0;
      let end = 0;
      let longest = -1;
      for (let x = count - 1; x >= 0; x--) {
        const w = byFrom.order[x]!;
        const before = open[from[w]!]!;
        if (to[w]! <= by) {
          work += minutes[w]!;
          end = Math.max(end, before + work);
        } else {
          const n = task[w]!;
          if (n !== NO_TASK && (longest < 0 || tasks.length[n]! > tasks.length[longest]!)) longest = n;
        }
        if (longest < 0 || work === 0 || before + work + tasks.length[longest]! <= room) continue;
        lows[longest] = Math.max(lows[longest]!, slotOf[Math.min(open.length - 1, end)]!);
      }
    }
  }

  /** What cannot begin from some slot on together with all that must, begins before it, and so ends before the rest. */
  private findFirst(): void {
    const { tasks, open, slotOf, highs, byEnd, byFrom } = this;
    const { from, to, minutes, task, count } = tasks.works;
    for (let x = 0; x < count; x++) {
      const since = from[byFrom.order[x]!]!;
      if (x > 0 && from[byFrom.order[x - 1]!] === since) continue;
      const before = open[since]!;
      let work = 0;
      let start = open.length;
      let longest = -1;
      for (let y = 0; y < count; y++) {
        const w = byEnd.order[y]!;
        const room = open[to[w]!]!;
        if (from[w]! >= since) {
          work += minutes[w]!;
          start = Math.min(start, room - work);
        } else {
          const n = task[w]!;
          if (n !== NO_TASK && (longest < 0 || tasks.length[n]! > tasks.length[longest]!)) longest = n;
        }
        if (longest < 0 || work === 0 || before + work + tasks.length[longest]! <= room) continue;
        const left = start - tasks.length[longest]!;
        if (left < 0) this.isStuck = true;
        else highs[longest] = Math.min(highs[longest]!, slotOf[left + 1]! - 1);
      }
    }
  }

  /** True where some two slots have more work between them than minutes. */
  private isOverloaded(part: Part, mostAtTable: number): boolean {
    const { open } = this;
    const { order } = this.byEnd;
    const { from, to, minutes, count } = this.tasks.works;
    for (let n = 0; n < count; n++) {
      const begin = from[n]!;
      const before = open[begin]!;
      let work = 0;
      for (let x = 0; x < count; x++) {
        const other = order[x]!;
        if (from[other]! < begin) continue;
        work += minutes[other]!;
        const left = open[to[other]!]! - before - work;
        if (left < mostAtTable && left < this.atTable(part, begin, to[other]!)) return true;
        if (left < 0) return true;
      }
    }
    return false;
  }

  /** How many of the open minutes in slots [from, to) the cook, who eats, has to be at table though leaving it for some. */
  private atTable(part: Part, from: number, to: number): number {
    const { awayHigh } = part;
    const { model, known, open } = this;
    if (!model.eats[0]) return 0;
    let minutes = 0;
    for (let c = 0; c < awayHigh.length; c++) {
      if (awayHigh[c] === 0) continue;
      const down = Math.max(from, known.serveHigh[c]!);
      const up = Math.min(to, known.serveLow[c]! + model.courses[c]!.eating);
      if (down < up) minutes += Math.max(0, open[up]! - open[down]! - awayHigh[c]!);
    }
    return minutes;
  }

  /** The first slot that what must come before task `n` leaves to it. */
  private endOfPredecessors(n: number): number {
    const { tasks, open, slotOf, first, last, end } = this;
    const { order } = this.byFrom;
    const { task, count } = tasks.works;
    let work = 0;
    let slot = tasks.low[n]!;
    for (let x = count - 1; x >= 0; x--) {
      const other = task[order[x]!]!;
      if (other === NO_TASK || last[other]! >= end[n]! || other === n) continue;
      if (last[n]! < end[other]!) this.isStuck = true;
      work += tasks.length[other]!;
      slot = Math.max(slot, slotOf[Math.min(open.length - 1, first[other]! + work)]!);
    }
    return slot;
  }

  /** The last slot that what must come after task `n` leaves to it. */
  private startOfSuccessors(n: number): number {
    const { tasks, open, slotOf, last, end } = this;
    const { order } = this.byEnd;
    const { task, to, count } = tasks.works;
    let work = tasks.length[n]!;
    let slot = tasks.high[n]!;
    for (let x = 0; x < count; x++) {
      const other = task[order[x]!]!;
      if (other === NO_TASK || end[other]! <= last[n]! || other === n) continue;
      work += tasks.length[other]!;
      const left = open[to[order[x]!]!]! - work;
      if (left < 0) {
        this.isStuck = true;
        return slot;
      }
      slot = Math.min(slot, slotOf[left + 1]! - 1);
    }
    return slot;
  }

  /** Closes what has task `n` begin outside slots [low, high]. */
  private keep(part: Part, n: number, low: number, high: number): boolean {
    const { check, at, from, to, offset } = this.tasks;
    const number = check[n]!;
    if (number !== NO_CHECK) {
      const isNews = part.checkLow[number]! < low || part.checkHigh[number]! > high;
      part.checkLow[number] = Math.max(part.checkLow[number]!, low);
      part.checkHigh[number] = Math.min(part.checkHigh[number]!, high);
      return isNews;
    }
    let changed = false;
    for (let s = from[n]!; s <= to[n]!; s++) {
      const place = at[n]! + s;
      const begins = s + offset[n]!;
      if (part.domain[place] === 0 || (begins >= low && begins <= high)) continue;
      part.domain[place] = 0;
      changed = true;
    }
    return changed;
  }
}

/** True where there is one of it, so that its uses come one after the other. */
function isMachine(priced: Priced): boolean {
  return priced.capacity === 1 && !priced.isOrder;
}
