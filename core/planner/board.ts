import {
  Arena,
  calendarStartsOf,
  checkFrom,
  checkTo,
  fillBits,
  fixed,
  LEAST_PIECE,
  makeBits,
  NO_LIMIT,
  room,
  serviceShift,
  StartFinder,
  Windows,
  type Activity,
  type Bits,
  type Configuration,
  type Mode,
  type Model,
} from '../model';
import { Configurations } from './configurations';

/**
 * A plan in the making: which activities are placed, when, how, and whose minutes they take.
 * Everything that a round of the search may change lies in one buffer, so that taking a copy and
 * going back to it is one move of memory.
 */
export class Board {
  readonly model: Model;
  readonly finder: StartFinder;
  readonly calendarStarts: readonly Bits[];
  /** Those of what is placed are always closed. */
  readonly windows: Windows;
  config: Configuration;

  readonly memory: Int32Array;
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly mode: Int32Array;
  readonly oven: Int32Array;
  readonly placed: Int32Array;
  readonly serve: Int32Array;
  /** Hands stretches in use of each activity, from its `firstStretch` on. */
  readonly stretches: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly cook: Int32Array;
  /** For each cook: minutes free and not yet taken; minutes taken by checks, which can move a little. */
  readonly free: readonly Bits[];
  readonly movable: readonly Bits[];
  /** Stretch number + 1 that takes each minute of each cook, 0 for none. */
  readonly owner: Int32Array;
  /** The activity of each stretch. */
  readonly stretchOf: Int32Array;

  /** Set while an activity is forced in: the limit on minutes away is then seen to afterwards. */
  ignoreAway = false;

  /** All modes of all activities, and where those of each begin. */
  private readonly modes: readonly Mode[];
  private readonly firstMode: Int32Array;
  /** 1 where the one step comes directly after the other. */
  private readonly direct: Uint8Array;
  private readonly configurations: Configurations;

  constructor(model: Model) {
    this.model = model;
    this.finder = new StartFinder(model);
    const calendarStarts = calendarStartsOf(model);
    this.calendarStarts = calendarStarts;
    const configurations = new Configurations(model, calendarStarts);
    this.configurations = configurations;
    this.config = configurations.first();
    const n = model.activities.length;
    const bitWords = makeBits(model.words * 32).length;
    const { cookCount, stretchCount, slots, courses } = model;
    const taken =
      6 * room(n) +
      room(courses.length) +
      3 * room(stretchCount) +
      2 * cookCount * room(bitWords) +
      room(cookCount * slots);
    const arena = new Arena(taken + Windows.sizeFor(model));
    this.memory = arena.memory;
    this.start = arena.take(n);
    this.end = arena.take(n);
    this.mode = arena.take(n);
    const oven = arena.take(n);
    oven.fill(-1);
    this.oven = oven;
    this.placed = arena.take(n);
    this.serve = arena.take(courses.length);
    this.stretches = arena.take(n);
    this.from = arena.take(stretchCount);
    this.to = arena.take(stretchCount);
    this.cook = arena.take(stretchCount);
    const free: Bits[] = [];
    const movable: Bits[] = [];
    for (const calendar of model.calendars) {
      const bits = arena.take(bitWords);
      bits.set(calendar);
      free.push(bits);
    }
    for (let c = 0; c < cookCount; c++) movable.push(arena.take(bitWords));
    this.free = fixed(free);
    this.movable = fixed(movable);
    this.owner = arena.take(cookCount * slots);
    this.windows = new Windows(model, calendarStarts, arena);
    const modes: Mode[] = [];
    const firstMode = new Int32Array(n);
    const stretchOf = new Int32Array(stretchCount);
    for (const a of model.activities) {
      firstMode[a.index] = modes.length;
      for (const mode of a.modes) modes.push(mode);
      stretchOf.fill(a.index, a.firstStretch, a.firstStretch + a.maxStretches);
    }
    this.modes = fixed(modes);
    this.firstMode = firstMode;
    this.stretchOf = stretchOf;
    const direct = new Uint8Array(n * model.stepCount);
    for (const pair of model.directly) direct[pair] = 1;
    this.direct = direct;
  }

  /** The configuration for a choice of dish ways; made once, then remembered. */
  configurationFor(ways: readonly number[]): Configuration {
    return this.configurations.forWays(ways);
  }

  activity(i: number): Activity {
    return this.model.activities[i]!;
  }

  /** True for what is pinned or has begun, and can be made in one way only. */
  isFast(i: number): boolean {
    const { pin, modes } = this.activity(i);
    return pin !== -1 && modes.length === 1;
  }

  modeOf(i: number): Mode {
    return this.modes[this.firstMode[i]! + this.mode[i]!]!;
  }

  /** True where `later` comes directly after `earlier`. */
  comesDirectly(earlier: number, later: number): boolean {
    return this.direct[earlier * this.model.stepCount + later] === 1;
  }

  /** Places an activity; its stretches of hands are the caller's to occupy, and its window to close. */
  place(i: number, mode: number, oven: number, start: number, end: number): void {
    this.mode[i] = mode;
    this.oven[i] = oven;
    this.start[i] = start;
    this.end[i] = end;
    this.placed[i] = 1;
  }

  /** Closes the window of a placed activity. */
  close(i: number): void {
    this.windows.fix(i, this.start[i]!, this.end[i]!, this.modeOf(i).most);
  }

  /** True where stretch `s` is a check, which may move within its slack. */
  isCheck(s: number): boolean {
    const i = this.stretchOf[s]!;
    const mode = this.modeOf(i);
    if (mode.isHands) return false;
    const k = s - this.model.activities[i]!.firstStretch - (mode.touchIn > 0 ? 1 : 0);
    return k >= 0 && k < mode.checks;
  }

  /** True for placed work that may be put down for other work and taken up again. */
  isInterruptible(i: number): boolean {
    const mode = this.modeOf(i);
    const isLong = mode.pausable && mode.hands === 1 && mode.duration >= 2 * LEAST_PIECE;
    const { guests, hosts } = this.config;
    return isLong && guests[i]!.length === 0 && hosts[i] === -1;
  }

  /** From which slot on stretch `s`, which begins in slot `from`, may make way: all of a check, all of such work but its beginning. */
  private firstMovable(s: number, from: number): number {
    if (this.isCheck(s)) return from;
    const i = this.stretchOf[s]!;
    if (from >= this.model.zero || !this.isInterruptible(i)) return NO_LIMIT;
    return s === this.model.activities[i]!.firstStretch ? from + LEAST_PIECE : from;
  }

  /** The first and the last slot at which check stretch `s` may start. */
  firstOfCheck(s: number): number {
    const i = this.stretchOf[s]!;
    return this.start[i]! + checkFrom(this.modeOf(i), this.checkNumber(s));
  }

  lastOfCheck(s: number): number {
    const i = this.stretchOf[s]!;
    return this.start[i]! + checkTo(this.modeOf(i), this.checkNumber(s));
  }

  private checkNumber(s: number): number {
    const i = this.stretchOf[s]!;
    return s - this.model.activities[i]!.firstStretch - (this.modeOf(i).touchIn > 0 ? 1 : 0) + 1;
  }

  occupy(s: number, cook: number, from: number, to: number): void {
    this.from[s] = from;
    this.to[s] = to;
    this.cook[s] = cook;
    fillBits(this.free[cook]!, from, to, false);
    const first = this.firstMovable(s, from);
    if (first < to) fillBits(this.movable[cook]!, first, to, true);
    const row = cook * this.model.slots;
    for (let m = row + from; m < row + to; m++) this.owner[m] = s + 1;
  }

  release(s: number): void {
    const cook = this.cook[s]!;
    const from = this.from[s]!;
    const to = this.to[s]!;
    fillBits(this.free[cook]!, from, to, true);
    fillBits(this.movable[cook]!, from, to, false);
    const row = cook * this.model.slots;
    for (let m = row + from; m < row + to; m++) this.owner[m] = 0;
  }

  unplace(i: number): void {
    if (!this.placed[i]) return;
    const first = this.model.activities[i]!.firstStretch;
    for (let k = this.stretches[i]! - 1; k >= 0; k--) this.release(first + k);
    this.stretches[i] = 0;
    this.placed[i] = 0;
  }

  /** The longest lag that a link from placed activity `from` allows. */
  lagOf(most: number, from: number): number {
    return most >= 0 ? most : this.modeOf(from).most;
  }

  platingStart(course: number): number {
    return this.serve[course]! - this.model.courses[course]!.plating;
  }

  /** Opens windows for the activities in `open`, and tightens. */
  tighten(open: Int32Array, count: number): boolean {
    const { windows, config, model } = this;
    windows.loServe.set(this.serve);
    windows.hiServe.set(this.serve);
    for (let k = 0; k < count; k++) {
      const i = open[k]!;
      const activity = model.activities[i]!;
      if (activity.role === 'step') windows.open(activity, config.earliest[i]!, config.latest[i]!);
      else {
        const at = this.serve[activity.course]! + serviceShift(model, i);
        windows.open(activity, at, at);
      }
      if (windows.loStart[i]! > windows.hiStart[i]!) {
        windows.empty = i;
        return false;
      }
    }
    return windows.tighten(config, open, count);
  }

  /** The same where nothing has changed since but that `i` was placed. */
  follow(i: number, open: Int32Array, count: number): boolean {
    return this.windows.follow(this.config, i, open, count);
  }

  /** Sets serving times from the waits before courses 1, 2, ... */
  serveAfter(waits: readonly number[]): void {
    const { courses, zero } = this.model;
    this.serve[0] = zero;
    for (let c = 1; c < courses.length; c++) {
      this.serve[c] = this.serve[c - 1]! + courses[c - 1]!.eating + waits[c]!;
    }
  }

  /**
   * Until when placed activity `i` keeps `thing`, leaving `except` out of account: its end where it
   * keeps nothing or nothing that follows is placed.
   */
  keptUntil(i: number, thing: number, except: number): number {
    return keeps(this.modeOf(i), thing)
      ? Math.max(this.end[i]!, this.keptBy(i, thing, except))
      : this.end[i]!;
  }

  /**
   * The slot at which what follows `i` sets `thing` free; -1 where nothing that follows is placed, or
   * where the one that will take it over is not.
   */
  keptBy(i: number, thing: number, except: number): number {
    const after = this.config.after[i]!;
    let user = -1;
    let last = -1;
    let userToCome = false;
    for (let k = 0; k < after.length; k++) {
      const j = after[k]!.to;
      if (j === except) continue;
      if (!this.placed[j]) {
        if (mayUse(this.model.activities[j]!, thing)) userToCome = true;
        continue;
      }
      const at = this.start[j]!;
      last = Math.max(last, at);
      if (usesThing(this.modeOf(j), thing) && (user < 0 || at < user)) user = at;
    }
    if (user >= 0) return user;
    if (userToCome) return -1;
    if (after.length > 0) return last;
    return this.config.plates[i] === -2 ? -1 : this.platingStart(this.model.activities[i]!.course);
  }
}

/** True where some mode of the activity takes `thing`. */
function mayUse(activity: Activity, thing: number): boolean {
  for (const mode of activity.modes) if (usesThing(mode, thing)) return true;
  return false;
}

/** True where `thing` stays taken after the activity ends. */
function keeps(mode: Mode, thing: number): boolean {
  for (let k = 0; k < mode.things.length; k++) {
    if (mode.things[k]!.thing === thing) return mode.things[k]!.kept;
  }
  return false;
}

export function usesThing(mode: Mode, thing: number): boolean {
  for (let k = 0; k < mode.things.length; k++) if (mode.things[k]!.thing === thing) return true;
  return false;
}

/** How many of `thing` a mode takes. */
export function takes(mode: Mode, thing: number): number {
  for (let k = 0; k < mode.things.length; k++) {
    if (mode.things[k]!.thing === thing) return mode.things[k]!.count;
  }
  return 0;
}
