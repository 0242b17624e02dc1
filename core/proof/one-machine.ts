import { LEAST_PIECE, NO_LIMIT, type Model } from '../model';
import type { FreeHands, Known } from './free-hands';
import type { Part } from './narrow';
import { openOptions, type Check, type Option } from './options';
import { lookFirst, lookLast } from './spans';
import type { Tree } from './tree';

/** A stretch of the only cook's hands: it begins in slots [low, high]. */
interface Task {
  /** The look at a pot that it is, if any. */
  readonly check?: Check;
  /** What it belongs to begins in slots [from, to], of which slot s stands at place `at` + s of the domain; the task `offset` later. */
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly offset: number;
  readonly length: number;
  low: number;
  high: number;
}

/** Work that pauses: so many minutes between two slots. */
interface Energy {
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
}

/**
 * Where there is one cook, all stretches of hands are tasks on one machine: of two that cannot come in one order the other order
 * holds, and between two slots there is no more work than minutes (detectable precedences and the overload check of the
 * disjunctive resource; Vilím 2004, from memory).
 */
export class OneMachine {
  private readonly model: Model;
  private tasks: Task[] = [];
  private energies: Energy[] = [];
  /** How many minutes before each slot the cook may be at work in, and the first slot before which there are so many. */
  private readonly open: Int32Array;
  private readonly slotOf: Int32Array;

  constructor(
    private readonly tree: Tree,
    private readonly hands: FreeHands,
    private readonly known: Known,
  ) {
    this.model = tree.model;
    this.open = new Int32Array(tree.model.slots + 1);
    this.slotOf = new Int32Array(tree.model.slots + 1);
  }

  private countOpen(part: Part): void {
    const { open, slotOf, hands } = this;
    const { from, to } = this.known;
    let count = 0;
    open[from] = 0;
    slotOf[0] = from;
    for (let m = from; m < to; m++) {
      if (hands.isOpen(part, m)) slotOf[++count] = m + 1;
      open[m + 1] = count;
    }
    slotOf.fill(NO_LIMIT, count + 1);
  }

  /** Null where nothing is left; otherwise true where anything was closed. */
  narrow(part: Part): boolean | null {
    if (this.model.cookCount > 1) return false;
    this.countOpen(part);
    this.readTasks();
    if (this.isOverloaded(part)) return null;
    const { tasks } = this;
    let changed = false;
    for (const task of tasks) {
      const low = this.endOfPredecessors(task);
      const high = this.startOfSuccessors(task);
      if (low === null || high === null || low > high) return null;
      if (low <= task.low && high >= task.high) continue;
      task.low = Math.max(task.low, low);
      task.high = Math.min(task.high, high);
      if (task.low > task.high) return null;
      changed = this.keep(part, task) || changed;
    }
    return changed;
  }

  private readTasks(): void {
    const { tree, model, known } = this;
    this.tasks = [];
    this.energies = [];
    for (const i of tree.order) {
      const open = openOptions(tree.options[i]!);
      if (open.length === 1) this.readOption(open[0]!);
    }
    model.courses.forEach(({ plating, clearing, eating }, course) => {
      const low = known.serveLow[course]!;
      const high = known.serveHigh[course]!;
      const place = {
        at: tree.serveAt[course]! - tree.serveLow[course]!,
        from: tree.serveLow[course]!,
        to: tree.serveHigh[course]!,
      };
      this.add({ ...place, low: low - plating, high: high - plating, offset: -plating, length: plating });
      this.add({ ...place, low: low + eating, high: high + eating, offset: eating, length: clearing });
    });
  }

  private readOption(option: Option): void {
    const { mode, longest } = option;
    const low = option.low + option.first;
    const high = option.low + option.last;
    const place = { at: option.at - option.low, from: low, to: high };
    const addAfter = (offset: number, length: number) =>
      this.add({ ...place, low: low + offset, high: high + offset, offset, length });
    if (mode.isHands) {
      if (mode.hands === 0) return;
      if (longest === 0) addAfter(0, mode.duration);
      else {
        addAfter(0, LEAST_PIECE);
        const to = high + mode.duration + longest;
        this.energies.push({ from: low + LEAST_PIECE, to, minutes: mode.duration - LEAST_PIECE });
      }
      return;
    }
    addAfter(0, mode.touchIn);
    addAfter(mode.duration - mode.touchOut, mode.touchOut);
    for (const check of option.checks) {
      const first = lookFirst(option, check);
      const last = lookLast(option, check);
      this.add({ ...place, check, low: first, high: last, offset: 0, length: mode.takes });
    }
  }

  private add(task: Task): void {
    if (task.length > 0) this.tasks.push(task);
  }

  /** True where some two slots have more work between them than minutes. */
  private isOverloaded(part: Part): boolean {
    const spans = [
      ...this.tasks.map(({ low, high, length }) => ({ from: low, to: high + length, minutes: length })),
      ...this.energies,
    ].sort((a, b) => a.to - b.to);
    const { open } = this;
    for (const { from } of spans) {
      let work = 0;
      for (const span of spans) {
        if (span.from < from) continue;
        work += span.minutes;
        if (open[from]! + work > open[span.to]! - this.atTable(part, from, span.to)) return true;
      }
    }
    return false;
  }

  /** Minutes of slots [from, to) in which the cook, who eats, has to be at table though leaving it for some. */
  private atTable({ awayHigh }: Part, from: number, to: number): number {
    const { model, known } = this;
    if (!model.eats[0]) return 0;
    let minutes = 0;
    for (let c = 0; c < awayHigh.length; c++) {
      if (awayHigh[c] === 0) continue;
      const down = Math.max(from, known.serveHigh[c]!);
      const up = Math.min(to, known.serveLow[c]! + model.courses[c]!.eating);
      minutes += Math.max(0, up - down - awayHigh[c]!);
    }
    return minutes;
  }

  /** The first slot that what must come before `task` leaves to it; null where it can come neither before nor after another. */
  private endOfPredecessors(task: Task): number | null {
    const before: Task[] = [];
    for (const other of this.tasks) {
      if (other === task) continue;
      if (!this.mustPrecede(other, task)) continue;
      if (this.mustPrecede(task, other)) return null;
      before.push(other);
    }
    before.sort((a, b) => b.low - a.low);
    let work = 0;
    let end = task.low;
    for (const { low, length } of before) {
      work += length;
      end = Math.max(end, this.slotOf[Math.min(this.model.slots, this.open[low]! + work)]!);
    }
    return end;
  }

  /** The last slot that what must come after `task` leaves to it. */
  private startOfSuccessors(task: Task): number | null {
    const after: Task[] = [];
    for (const other of this.tasks) {
      if (other === task || !this.mustPrecede(task, other)) continue;
      after.push(other);
    }
    after.sort((a, b) => a.high + a.length - b.high - b.length);
    let work = task.length;
    let start = task.high;
    for (const { high, length } of after) {
      work += length;
      const left = this.open[high + length]! - work;
      if (left < 0) return null;
      start = Math.min(start, this.slotOf[left + 1]! - 1);
    }
    return start;
  }

  /** Closes what lies outside of a task's slots. */
  private keep(part: Part, { check, at, from, to, offset, low, high }: Task): boolean {
    let changed = false;
    if (check) {
      const { number } = check;
      changed = part.checkLow[number]! < low || part.checkHigh[number]! > high;
      part.checkLow[number] = Math.max(part.checkLow[number]!, low);
      part.checkHigh[number] = Math.min(part.checkHigh[number]!, high);
      return changed;
    }
    for (let s = from; s <= to; s++) {
      if (part.domain[at + s] === 0 || (s + offset >= low && s + offset <= high)) continue;
      part.domain[at + s] = 0;
      changed = true;
    }
    return changed;
  }

  /** True where `b` cannot come before `a`. */
  private mustPrecede(a: Task, b: Task): boolean {
    return this.open[b.low]! + b.length > this.open[a.high]!;
  }
}
