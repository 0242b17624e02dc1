import { openKernel, packModel, type Configuration, type KernelMemory } from '../../model';
import type { Descent } from '../descent';

/** What the compiled kernel exports: see `kernel/planner/entry.ts`. Addresses are in bytes. */
interface Exports extends KernelMemory {
  open(): void;
  attempt(attempt: number, tried: number): number;
  begin(rounds: number, heat: number, keepsTies: number): void;
  run(until: number): void;
  wanted(): number;
  takeUp(steps: number, reach: number): number;
  takeUpLater(steps: number): number;
  takeUpSparing(until: number): number;
  anchors(): number;
  beginCalming(limit: number): void;
  calm(until: number): void;
  fewest(): number;
  rounds(): number;
  setRounds(rounds: number): void;
  randomState(): number;
  setRandomState(state: number): void;
  failures(): number;
  likelyPauses(): number;
  boardMemory(): number;
  boardConfiguration(): number;
  setBoardConfiguration(index: number): void;
  begunMemory(): number;
  setHasBegun(hasBegun: number): void;
  bestMemory(): number;
  bestConfiguration(): number;
  bestCost(): number;
  bestPull(): number;
  setBest(configuration: number, cost: number, pull: number): void;
}

/**
 * The same search as a `Descent`, compiled to WebAssembly: what it does is the same to the last bit, several times
 * faster. It works on a copy of the descent's state: `take` it before, `give` it back after.
 */
export class Kernel {
  private readonly wasm: Exports;

  private constructor(
    private readonly descent: Descent,
    private readonly configurations: readonly Configuration[],
    private readonly ask: { isOver: () => boolean },
    wasm: Exports,
  ) {
    this.wasm = wasm;
    wasm.open();
  }

  /** The kernel for a search; null where the host has no WebAssembly. `configurations` are all that it may choose from. */
  static for(descent: Descent, configurations: readonly Configuration[]): Kernel | null {
    const { board, model } = descent;
    const packed = packModel(model, board.calendarStarts, configurations, board.config);
    const ask: { isOver: () => boolean } = { isOver: () => false };
    const wasm = openKernel<Exports>(packed, () => ask.isOver());
    return wasm && new Kernel(descent, configurations, ask, wasm);
  }

  get rounds(): number {
    return this.wasm.rounds();
  }

  get bestCost(): number {
    return this.wasm.bestCost();
  }

  attempt(attempt: number, tried: number, isOver: () => boolean): number {
    this.ask.isOver = isOver;
    return this.wasm.attempt(attempt, tried);
  }

  begin(rounds: number, heat: number, keepsTies: boolean): void {
    this.wasm.begin(rounds, heat, keepsTies ? 1 : 0);
  }

  run(until: number, isOver: () => boolean): void {
    this.ask.isOver = isOver;
    this.wasm.run(until);
  }

  get fewest(): number {
    return this.wasm.fewest();
  }

  get anchors(): Int32Array {
    return this.byActivity(this.wasm.anchors());
  }

  get wanted(): Int32Array {
    return this.byActivity(this.wasm.wanted());
  }

  takeUp(steps: number, reach: number, isOver: () => boolean): boolean {
    this.ask.isOver = isOver;
    return this.wasm.takeUp(steps, reach) !== 0;
  }

  takeUpLater(steps: number, isOver: () => boolean): boolean {
    this.ask.isOver = isOver;
    return this.wasm.takeUpLater(steps) !== 0;
  }

  takeUpSparing(until: number, isOver: () => boolean): boolean {
    this.ask.isOver = isOver;
    return this.wasm.takeUpSparing(until) !== 0;
  }

  beginCalming(limit: number): void {
    this.wasm.beginCalming(limit);
  }

  calm(until: number, isOver: () => boolean): void {
    this.ask.isOver = isOver;
    this.wasm.calm(until);
  }

  /** Takes over where the descent stands. */
  take(): void {
    const { wasm, descent, configurations } = this;
    const { best, board, forcer, opening, random } = descent;
    const indexOf = (config: Configuration) => configurations.indexOf(config);
    this.words(wasm.boardMemory()).set(board.memory);
    this.words(wasm.bestMemory()).set(best.memory);
    this.words(wasm.begunMemory()).set(descent.begun);
    wasm.setHasBegun(descent.hasBegun ? 1 : 0);
    this.failures().set(forcer.failures);
    this.likelyPauses().set(opening.likely.state);
    wasm.setBoardConfiguration(indexOf(board.config));
    wasm.setBest(indexOf(best.config), best.cost, best.pull);
    wasm.setRounds(descent.rounds);
    wasm.setRandomState(random.state);
  }

  /** Leaves the descent where the kernel stands. */
  give(): void {
    const { wasm, descent, configurations } = this;
    const { board, forcer, opening, random } = descent;
    this.giveBest();
    board.memory.set(this.words(wasm.boardMemory()));
    board.config = configurations[wasm.boardConfiguration()]!;
    forcer.failures.set(this.failures());
    opening.likely.state.set(this.likelyPauses());
    descent.rounds = wasm.rounds();
    random.state = wasm.randomState();
  }

  /** Gives back the best plan alone. */
  giveBest(): void {
    const { wasm, configurations } = this;
    const { best } = this.descent;
    best.memory.set(this.words(wasm.bestMemory()));
    best.config = configurations[wasm.bestConfiguration()]!;
    best.cost = wasm.bestCost();
    best.pull = wasm.bestPull();
  }

  /** A board's memory at an address. Made anew each time: the kernel's memory may have grown. */
  private words(at: number): Int32Array {
    return new Int32Array(this.wasm.memory.buffer, at, this.descent.board.memory.length);
  }

  private byActivity(at: number): Int32Array {
    return new Int32Array(this.wasm.memory.buffer, at, this.descent.model.activities.length);
  }

  private failures(): Float64Array {
    return new Float64Array(
      this.wasm.memory.buffer,
      this.wasm.failures(),
      this.descent.forcer.failures.length,
    );
  }

  private likelyPauses(): Int32Array {
    const { length } = this.descent.opening.likely.state;
    return new Int32Array(this.wasm.memory.buffer, this.wasm.likelyPauses(), length);
  }
}
