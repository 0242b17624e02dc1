import type { Configuration, Model } from '../model';
import { DAY_WINDOW } from '../plan';
import { Board } from './board';
import { awayHolds, totalCost } from './cost';
import { Forcer } from './force';
import { Inserter } from './insert';
import { chooseRemoval, Removal } from './neighbourhoods';
import { piecesHold } from './pieces';
import { Random } from './random';

/** A plan that the search holds on to: the board's memory and the configuration it belongs to. */
export interface Incumbent {
  readonly memory: Int32Array;
  config: Configuration;
  cost: number;
}

export interface Budget {
  /** Rounds after which the search ends by itself; makes a run repeatable. */
  readonly rounds: number;
  /** True when it has to end now, whatever the rounds. */
  readonly isOver: () => boolean;
  /** Called with each better cost. */
  readonly onBetter?: (cost: number) => void;
}

const GUIDE = 0.002;
/** Attempts at a first plan before the dinner is called impossible. */
const MAX_ATTEMPTS = 60;
const CHECK_CLOCK_EVERY = 32;
/** Temperatures of the acceptance rule, in units of cost. */
const HOT = 8;
const COLD = 0.1;
const DISPLACE_CHANCE = 0.15;
const CUT_CHANCE = 0.25;

/** Large neighbourhood search: take a few activities out, put each back at its cheapest start. */
export class Search {
  readonly board: Board;
  readonly random: Random;
  private readonly inserter: Inserter;
  private readonly forcer: Forcer;
  private readonly removal: Removal;
  private readonly open: Int32Array;
  private readonly current: Int32Array;
  readonly best: Incumbent;
  rounds = 0;

  constructor(
    readonly model: Model,
    seed: number,
  ) {
    this.board = new Board(model);
    this.random = new Random(seed);
    this.inserter = new Inserter(this.board, this.random);
    this.forcer = new Forcer(this.board, this.inserter, this.random);
    const n = model.activities.length;
    this.removal = new Removal(n);
    this.open = new Int32Array(n);
    this.current = this.board.memory.slice();
    this.best = { memory: this.board.memory.slice(), config: this.board.config, cost: Infinity };
  }

  /** Finds a first feasible plan; tries other waits and other ways of dishes as attempts go by. */
  construct(budget: Budget): boolean {
    for (let attempt = 0; !budget.isOver() && attempt < MAX_ATTEMPTS; attempt++) {
      this.chooseWays(attempt);
      if (!this.board.configurationFor(this.board.config.ways).possible) {
        continue;
      }
      this.clearBoard();
      this.board.serveAfter(this.chooseWaits(attempt));
      const { members } = this.board.config;
      members.forEach((i, k) => (this.open[k] = i));
      const limit = Math.min(40, 3 + 2 * attempt) * (members.length + 5);
      if (this.fill(members.length, limit, budget) && this.isSound()) {
        this.keepIfBetter(totalCost(this.board), budget);
        return true;
      }
    }
    return false;
  }

  /** Improves the incumbent until the budget is spent. */
  improve(budget: Budget): void {
    const { board, random } = this;
    this.showBest();
    let score = this.score();
    this.current.set(board.memory);
    let config = board.config;
    const first = this.rounds;
    const span = Math.max(1, budget.rounds - first);
    while (this.rounds < budget.rounds) {
      if (this.rounds % CHECK_CLOCK_EVERY === 0 && budget.isOver()) return;
      this.rounds += 1;
      const heat = HOT * Math.pow(COLD / HOT, (this.rounds - first) / span);
      const done = this.round(budget);
      if (done) {
        const next = this.score();
        if (next <= score || random.next() < Math.exp((score - next) / heat)) {
          if (awayHolds(board) && this.isSound()) {
            score = next;
            config = board.config;
            this.current.set(board.memory);
            this.keepIfBetter(totalCost(board), budget);
            continue;
          }
        }
      }
      board.memory.set(this.current);
      board.config = config;
    }
  }

  private keepIfBetter(cost: number, budget: Budget): void {
    if (cost >= this.best.cost - 1e-9) return;
    this.best.cost = cost;
    this.best.config = this.board.config;
    this.best.memory.set(this.board.memory);
    budget.onBetter?.(cost);
  }

  private isSound(): boolean {
    return awayHolds(this.board) && piecesHold(this.board);
  }

  /** Cost with a gentle pull of everything towards the evening, so that idle time can vanish. */
  private score(): number {
    const { board, model } = this;
    let early = 0;
    for (const i of board.config.members) {
      const ahead = model.zero - board.start[i]!;
      if (ahead > 0 && ahead <= DAY_WINDOW) early += ahead;
    }
    return totalCost(board) + GUIDE * model.weights.day * early;
  }

  private round(budget: Budget): boolean {
    const { random, model } = this;
    const luck = random.next();
    if (luck < 0.04 && model.courses.length > 1) return this.moveCourse(budget);
    if (luck < 0.06 && model.dishWays.some((ways) => ways.length > 1)) return this.switchWay(budget);
    if (luck < 0.06 + DISPLACE_CHANCE) return this.displace();
    const size = 1 + random.below(random.next() < 0.3 ? 14 : 6);
    chooseRemoval(this.board, random, this.removal, size);
    return this.takeOutAndFill();
  }

  /** Moves one activity somewhere else and lets what stands there find other places. */
  private displace(): boolean {
    const { board, random, open } = this;
    const { members } = board.config;
    const i = members[random.below(members.length)]!;
    if (board.activity(i).role !== 'step') return false;
    board.unplace(i);
    open[0] = i;
    if (!board.tighten(open, 1)) return false;
    let count = 0;
    if (!this.forcer.force(i, (victim) => (open[count++] = victim), 1 + random.below(3))) return false;
    return count === 0 || this.reinsert(count);
  }

  private takeOutAndFill(): boolean {
    const { removal, board, open } = this;
    for (let k = 0; k < removal.count; k++) board.unplace((open[k] = removal.list[k]!));
    return this.reinsert(removal.count);
  }

  /** Puts `count` activities in `open` back, none by force. */
  private reinsert(count: number): boolean {
    const { board, open, random } = this;
    if (!board.tighten(open, count)) return false;
    if (random.next() < CUT_CHANCE && !this.cutWindows(count)) return false;
    const noise = random.next() < 0.5 ? 0 : 2 * random.next();
    const byLateness = random.next() < 0.6;
    const push = random.next() < 0.3;
    while (count > 0) {
      const k = this.nextOpen(count, byLateness);
      const i = open[k]!;
      if (!this.inserter.insert(i, noise, random.next() < 0.3, push)) {
        this.forcer.failures[i]! += 1;
        return false;
      }
      open[k] = open[--count]!;
      board.windows.fix(i, board.start[i]!, board.end[i]!, board.modeOf(i).most);
      if (count > 0 && !board.windows.tighten(board.config, open, count)) return false;
    }
    return true;
  }

  /**
   * Keeps all of `open` before (or after) a moment chosen at random, so that a whole chain can leave
   * its part of the evening together, which no single step would do by itself.
   */
  private cutWindows(count: number): boolean {
    const { board, open, random } = this;
    const { windows, config } = board;
    const isBefore = random.next() < 0.6;
    const low = Math.min(...Array.from({ length: count }, (_, k) => windows.loStart[open[k]!]!));
    const high = Math.max(...Array.from({ length: count }, (_, k) => windows.hiStart[open[k]!]!));
    const other = board.start[config.members[random.below(config.members.length)]!]!;
    const cut =
      random.next() < 0.5 ? Math.min(high, Math.max(low, other)) : low + random.below(high - low + 1);
    for (let k = 0; k < count; k++) {
      const i = open[k]!;
      if (isBefore && windows.loStart[i]! <= cut) windows.hiStart[i] = Math.min(windows.hiStart[i]!, cut);
      if (!isBefore && windows.hiStart[i]! >= cut) windows.loStart[i] = Math.max(windows.loStart[i]!, cut);
    }
    return windows.tighten(config, open, count);
  }

  private nextOpen(count: number, byLateness: boolean): number {
    const { loStart, hiStart } = this.board.windows;
    const { open, random } = this;
    let chosen = 0;
    let best = -Infinity;
    for (let k = 0; k < count; k++) {
      const i = open[k]!;
      const key = (byLateness ? hiStart[i]! : loStart[i]! - hiStart[i]!) + 10 * random.next();
      if (key > best) [best, chosen] = [key, k];
    }
    return chosen;
  }

  /** Puts all of `open` back, by force where needed, within `limit` steps. */
  private fill(count: number, limit: number, budget: Budget): boolean {
    const { board, open, random, forcer } = this;
    const eject = (victim: number) => (open[count++] = victim);
    let urgent = -1;
    for (let step = 0; count > 0; step++) {
      if (step > limit || (step % CHECK_CLOCK_EVERY === 0 && budget.isOver())) return false;
      if (!board.tighten(open, count)) {
        const victim = this.culprit();
        if (victim < 0) return false;
        board.unplace(victim);
        open[count++] = victim;
        continue;
      }
      let k = urgent < 0 ? this.nextOpen(count, true) : 0;
      if (urgent >= 0) while (open[k] !== urgent) k += 1;
      urgent = -1;
      const i = open[k]!;
      if (this.inserter.insert(i, random.next(), random.next() < 0.3, true)) {
        open[k] = open[--count]!;
        continue;
      }
      forcer.failures[i]! += 1;
      open[k] = open[--count]!;
      if (forcer.force(i, eject)) continue;
      open[count++] = i;
      this.freeNeighbours(i, eject);
      urgent = i;
    }
    return true;
  }

  /** Takes out what is linked to `i`: where nothing else is in its way, the links are too tight. */
  private freeNeighbours(i: number, eject: (victim: number) => void): void {
    const { board } = this;
    const { before, after, guests, hosts } = board.config;
    const linked = [
      ...before[i]!.map((l) => l.from),
      ...after[i]!.map((l) => l.to),
      ...guests[i]!,
      hosts[i]!,
    ];
    for (const u of linked) {
      if (u < 0 || !board.placed[u]) continue;
      board.unplace(u);
      eject(u);
    }
  }

  /** One of the two placed activities that squeezed a window shut; -1 where none did. */
  private culprit(): number {
    const { windows, placed } = this.board;
    const isVictim = (u: number) => u >= 0 && placed[u] === 1 && this.board.activity(u).role === 'step';
    const low = windows.loFrom[windows.empty]!;
    const high = windows.hiFrom[windows.empty]!;
    this.forcer.failures[windows.empty]! += 1;
    if (isVictim(low) && isVictim(high)) {
      const { failures } = this.forcer;
      return failures[low]! * this.random.next() <= failures[high]! * this.random.next() ? low : high;
    }
    if (isVictim(low)) return low;
    if (isVictim(high)) return high;
    const neighbours = [
      ...this.board.config.before[windows.empty]!.map((l) => l.from),
      ...this.board.config.after[windows.empty]!.map((l) => l.to),
      ...this.board.config.guests[windows.empty]!,
      this.board.config.hosts[windows.empty]!,
    ].filter(isVictim);
    return neighbours.length > 0 ? neighbours[this.random.below(neighbours.length)]! : -1;
  }

  private clearBoard(): void {
    const { board } = this;
    for (const a of this.model.activities) board.unplace(a.index);
  }

  private chooseWays(attempt: number): void {
    const { dishWays } = this.model;
    const ways = dishWays.map((list) =>
      list.length === 0 ? -1 : list[attempt === 0 ? 0 : this.random.below(list.length)]!,
    );
    this.clearBoard();
    this.board.config = this.board.configurationFor(ways);
  }

  private chooseWaits(attempt: number): number[] {
    return this.model.courses.map(({ least, ideal, most }) => {
      if (attempt === 0) return Math.min(most, Math.max(least, ideal));
      return attempt === 1 ? most : least + this.random.below(most - least + 1);
    });
  }

  /** Gives one course another wait; moves it, all later ones, and what hangs on them. */
  private moveCourse(budget: Budget): boolean {
    const { board, random, model } = this;
    const c = 1 + random.below(model.courses.length - 1);
    const { least, most, ideal } = model.courses[c]!;
    const wait = board.serve[c]! - board.serve[c - 1]! - model.courses[c - 1]!.eating;
    const luck = random.next();
    const wanted =
      luck < 0.3
        ? ideal
        : luck < 0.7
          ? wait + (random.next() < 0.5 ? -1 : 1) * (1 + random.below(3))
          : least + random.below(most - least + 1);
    const shift = Math.max(least, Math.min(most, wanted)) - wait;
    if (shift === 0) return false;
    const reach = [20, 45, 120, 10_000][random.below(4)]!;
    const from = board.serve[c]! - reach;
    const eatingBefore = board.serve[c - 1]!;
    const moved: number[] = [];
    for (const i of board.config.members) {
      const a = board.activity(i);
      const isLater =
        a.role === 'step'
          ? a.course >= c && board.start[i]! >= from
          : a.role === 'plating'
            ? a.course >= c
            : a.course >= c;
      const atTable = board.end[i]! > eatingBefore && board.start[i]! > eatingBefore - 30;
      if (isLater || (atTable && a.role === 'step' && random.next() < 0.5)) moved.push(i);
    }
    const old = moved.map((i) => board.start[i]! + shift);
    for (const i of moved) board.unplace(i);
    for (let k = c; k < model.courses.length; k++) board.serve[k]! += shift;
    for (const i of board.config.members) {
      if (board.placed[i] && !this.stillHolds(i)) {
        board.unplace(i);
        moved.push(i);
      }
    }
    return this.putBack(moved, old, budget);
  }

  /** True where placed `i` still agrees with the plating it leads to and the eating times. */
  private stillHolds(i: number): boolean {
    const { board } = this;
    const mode = board.modeOf(i);
    if (mode.stay || mode.things.some((use) => use.kept)) return false;
    const plates = board.config.plates[i]!;
    if (plates === -2) return true;
    const waited = board.platingStart(board.activity(i).course) - board.end[i]!;
    return waited >= 0 && waited <= (plates >= 0 ? plates : mode.most);
  }

  /** Puts moved activities at their shifted places where those are free, then fills in the rest. */
  private putBack(moved: readonly number[], at: readonly number[], budget: Budget): boolean {
    const { board, open } = this;
    let count = moved.length;
    const left: number[] = [];
    const order = moved.map((_, k) => k).sort((a, b) => (at[b] ?? -1) - (at[a] ?? -1));
    for (const k of order) {
      const i = moved[k]!;
      const start = at[k];
      open[0] = i;
      const isBack =
        start !== undefined &&
        start >= 0 &&
        board.tighten(open, 1) &&
        this.inserter.insertAt(i, board.mode[i]!, board.oven[i]!, start);
      if (!isBack) left.push(i);
    }
    count = left.length;
    left.forEach((i, k) => (open[k] = i));
    return count === 0 || this.fill(count, 2 * moved.length + 10, budget);
  }

  /** Makes one dish another way: its steps, and what takes part because of them, are placed anew. */
  private switchWay(budget: Budget): boolean {
    const { board, random, model } = this;
    const choices = model.dishWays.map((list, d) => (list.length > 1 ? d : -1)).filter((d) => d >= 0);
    const d = choices[random.below(choices.length)]!;
    const ways = [...board.config.ways];
    const list = model.dishWays[d]!;
    ways[d] = list[random.below(list.length)]!;
    if (ways[d] === board.config.ways[d]) return false;
    const config = board.configurationFor(ways);
    if (!config.possible) return false;
    let count = 0;
    for (const a of model.activities) {
      const i = a.index;
      const isSame =
        a.dish !== d &&
        board.config.active[i] === config.active[i] &&
        board.config.plates[i] === config.plates[i] &&
        board.config.hosts[i] === config.hosts[i] &&
        board.config.after[i]!.length === config.after[i]!.length;
      if (isSame) continue;
      board.unplace(a.index);
      if (config.active[a.index]) this.open[count++] = a.index;
    }
    board.config = config;
    return this.fill(count, 3 * count + 10, budget);
  }

  /** Puts the best plan found back on the board. */
  showBest(): void {
    this.board.memory.set(this.best.memory);
    this.board.config = this.best.config;
  }
}
