import { LEAST_PIECE } from '../model';
import { CookTimes } from './cook-times';
import type { Known } from './known';
import type { Option } from './options';
import { lookFirst, lookLast, onlyOpen } from './spans';
import type { Tree } from './tree';

/** What is no look at a pot. */
export const NO_CHECK = -1;
/** What is no task in one piece. */
export const NO_TASK = -1;
/** Hands are anybody's. */
const ANYBODY = -1;

/** Work between two slots: a task, or work that pauses. One of them a row. */
export class Works {
  count = 0;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly minutes: Int32Array;
  /** The task that it is, or NO_TASK where it may pause. */
  readonly task: Int32Array;

  constructor(most: number) {
    this.from = new Int32Array(most);
    this.to = new Int32Array(most);
    this.minutes = new Int32Array(most);
    this.task = new Int32Array(most);
  }

  add(from: number, to: number, minutes: number, task: number): void {
    const n = this.count++;
    this.from[n] = from;
    this.to[n] = to;
    this.minutes[n] = minutes;
    this.task[n] = task;
  }
}

/** What has one machine to itself while it lasts, one a row: each begins in slots [low, high]. */
export class Tasks {
  count = 0;
  readonly low: Int32Array;
  readonly high: Int32Array;
  readonly length: Int32Array;
  /** What it belongs to begins in slots [from, to], of which slot s stands at place `at` + s of the domain; the task `offset` later. */
  readonly at: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly offset: Int32Array;
  /** By number: the look at a pot that it is, or NO_CHECK. */
  readonly check: Int32Array;
  /** All work: the tasks, and what pauses, between the slots that it has. */
  readonly works: Works;
  private readonly times: CookTimes;
  /** The cook whose hands are read, or ANYBODY; and whose those of the step in hand are. */
  private cook = ANYBODY;
  private who = ANYBODY;

  constructor(private readonly tree: Tree) {
    let most = 2 * tree.model.courses.length;
    for (const i of tree.order) {
      let looks = 0;
      for (const option of tree.options[i]!) looks = Math.max(looks, option.checks.length);
      most += 2 + looks;
    }
    this.low = new Int32Array(most);
    this.high = new Int32Array(most);
    this.length = new Int32Array(most);
    this.at = new Int32Array(most);
    this.from = new Int32Array(most);
    this.to = new Int32Array(most);
    this.offset = new Int32Array(most);
    this.check = new Int32Array(most);
    this.works = new Works(2 * most);
    this.times = new CookTimes(tree.model);
  }

  private clear(cook: number): void {
    this.count = 0;
    this.works.count = 0;
    this.cook = cook;
    this.who = ANYBODY;
  }

  /** The stretches of hands that surely are that cook's: of steps of which one option is open, platings and clearings. */
  readHands(known: Known, cook: number): void {
    const { tree } = this;
    const { courses, activities } = tree.model;
    this.clear(cook);
    for (const i of tree.order) {
      const option = onlyOpen(tree.options[i]!);
      this.who = activities[i]!.who;
      if (option !== null) this.readStep(option, known.maxEnd[i]!);
    }
    this.who = ANYBODY;
    for (let c = 0; c < courses.length; c++) {
      const { plating, clearing, eating } = courses[c]!;
      this.addOfCourse(c, known.serveLow[c]!, known.serveHigh[c]!, -plating, plating);
      this.addOfCourse(c, known.serveLow[c]!, known.serveHigh[c]!, eating, clearing);
    }
  }

  /** The uses of a resource of which there is one. */
  readUses(resource: number, known: Known): void {
    const { tree } = this;
    this.clear(ANYBODY);
    for (const i of tree.order) {
      const option = onlyOpen(tree.options[i]!);
      if (option === null) continue;
      for (const use of option.uses) {
        if (use.resource !== resource) continue;
        if (use.worked) this.readStep(option, known.maxEnd[i]!);
        else if (option.reach === 0)
          this.addAfter(option, use.lead, option.mode.duration + use.rest - use.lead);
      }
    }
  }

  private addOfCourse(c: number, first: number, last: number, offset: number, length: number): void {
    if (length === 0) return;
    const { tree } = this;
    const n = this.add(first + offset, last + offset, length, NO_CHECK);
    this.place(n, tree.serveAt[c]! - tree.serveLow[c]!, tree.serveLow[c]!, tree.serveHigh[c]!, offset);
  }

  private readStep(option: Option, end: number): void {
    const { mode } = option;
    const { duration, touchIn, touchOut, takes } = mode;
    if (!mode.isHands) {
      this.addAfter(option, 0, touchIn);
      this.addAfter(option, duration - touchOut, touchOut);
      for (const check of option.checks)
        this.add(lookFirst(option, check), lookLast(option, check), takes, check.number);
      return;
    }
    if (mode.hands > 0) this.readWork(option, end);
  }

  /** Work, of which the first piece is a task, all of it where it does not pause. */
  private readWork(option: Option, end: number): void {
    const { longest } = option;
    const { duration } = option.mode;
    this.addAfter(option, 0, longest === 0 ? duration : LEAST_PIECE);
    const from = option.low + option.first + LEAST_PIECE;
    if (longest > 0 && this.isRead(from, end)) this.works.add(from, end, duration - LEAST_PIECE, NO_TASK);
  }

  /** True where all hands in slots [from, to) are those that are read. */
  private isRead(from: number, to: number): boolean {
    return this.cook === ANYBODY || this.times.areHis(this.cook, this.who, from, to);
  }

  private addAfter(option: Option, offset: number, length: number): void {
    if (length <= 0) return;
    const first = option.low + option.first;
    const last = option.low + option.last;
    const n = this.add(first + offset, last + offset, length, NO_CHECK);
    this.place(n, option.at - option.low, first, last, offset);
  }

  /** The number of the task, or NO_TASK where it is not read. */
  private add(low: number, high: number, length: number, check: number): number {
    if (!this.isRead(low, high + length)) return NO_TASK;
    const n = this.count++;
    this.low[n] = low;
    this.high[n] = high;
    this.length[n] = length;
    this.check[n] = check;
    this.works.add(low, high + length, length, n);
    return n;
  }

  private place(n: number, at: number, from: number, to: number, offset: number): void {
    if (n === NO_TASK) return;
    this.at[n] = at;
    this.from[n] = from;
    this.to[n] = to;
    this.offset[n] = offset;
  }
}
