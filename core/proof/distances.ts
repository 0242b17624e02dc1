import { NO_LIMIT } from '../model';
import { ORDER } from './part';
import { guestFirst, guestLast } from './spans';
import type { Tree } from './tree';

/** Where nothing is asked. */
export const UNKNOWN = -NO_LIMIT;

/**
 * The least minutes from the start of each step (or the serving slot of a course, numbered after all activities) to that of each other,
 * as links, pauses between courses, what is done inside a step and what stays taken demand, whatever the ways of the steps; UNKNOWN where they demand nothing.
 */
export class Distances {
  readonly count: number;
  private readonly least: Int32Array;

  constructor(private readonly tree: Tree) {
    const { model } = tree;
    const courses = model.activities.length;
    const count = courses + model.courses.length;
    this.count = count;
    this.least = new Int32Array(count * count).fill(UNKNOWN);
    for (const i of tree.order) this.addStep(i, courses);
    const { keptOrders } = tree;
    for (let x = 0; x < keptOrders.length; x += ORDER)
      this.raise(keptOrders[x]!, keptOrders[x + 1]!, keptOrders[x + 2]!);
    for (let c = 1; c < model.courses.length; c++) {
      const { eating } = model.courses[c - 1]!;
      const { least, most } = model.courses[c]!;
      this.raise(courses + c - 1, courses + c, eating + least);
      this.raise(courses + c, courses + c - 1, -eating - most);
    }
    this.close();
  }

  between(from: number, to: number): number {
    return this.least[from * this.count + to]!;
  }

  /** Has at least so many minutes lie between two. `close` tells what that means for others. */
  raise(from: number, to: number, minutes: number): void {
    const place = from * this.count + to;
    this.least[place] = Math.max(this.least[place]!, minutes);
  }

  private addStep(i: number, courses: number): void {
    const { config, model, options } = this.tree;
    let shortest = NO_LIMIT;
    for (const { mode } of options[i]!) shortest = Math.min(shortest, mode.duration);
    for (const { to, least, most } of config.after[i]!) {
      this.raise(i, to, shortest + least);
      this.limit(i, to, this.longest(i, most), 0);
    }
    const plates = config.plates[i]!;
    const { course } = model.activities[i]!;
    if (plates !== -2) {
      const { plating } = model.courses[course]!;
      this.raise(i, courses + course, shortest + plating);
      this.limit(i, courses + course, this.longest(i, plates), plating);
    }
    const host = config.hosts[i]!;
    if (host < 0) return;
    let first = NO_LIMIT;
    let last = -NO_LIMIT;
    for (const inside of options[i]!) {
      for (const around of options[host]!) {
        first = Math.min(first, guestFirst(model, inside, around));
        last = Math.max(last, guestLast(model, inside, around));
      }
    }
    this.raise(host, i, first);
    this.raise(i, host, -last);
  }

  /** The most minutes from the start of a step until what is made has to be used. */
  private longest(i: number, most: number): number {
    let longest = 0;
    for (const { mode, reach } of this.tree.options[i]!)
      longest = Math.max(longest, mode.duration + reach + (most >= 0 ? most : mode.most));
    return longest;
  }

  private limit(i: number, to: number, longest: number, later: number): void {
    if (longest < NO_LIMIT) this.raise(to, i, -longest - later);
  }

  /** Whatever is demanded by way of others. False where something would have to start later than it does. */
  close(): boolean {
    const { count, least } = this;
    for (let via = 0; via < count; via++) {
      for (let from = 0; from < count; from++) {
        const first = least[from * count + via]!;
        if (first === UNKNOWN) continue;
        for (let to = 0; to < count; to++) {
          const rest = least[via * count + to]!;
          if (rest !== UNKNOWN && to !== from) this.raise(from, to, first + rest);
        }
      }
    }
    for (let i = 0; i < count; i++) {
      for (let j = 0; j < i; j++) {
        const there = least[i * count + j]!;
        const back = least[j * count + i]!;
        if (there !== UNKNOWN && back !== UNKNOWN && there + back > 0) return false;
      }
    }
    return true;
  }
}
