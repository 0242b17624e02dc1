import type { f64 } from '../model';

/** How much of the squares of the excess goes on into the next step, and what keeps a quiet price from leaping. */
const MEMORY: f64 = 0.9;
const QUIET: f64 = 1e-3;

/** A row of prices on its way up: where it turns to, how much the excess of each swings, and the best prices so far. */
export class Rise {
  /** What the direction of this step measures, squared and scaled. */
  norm: f64 = 0;
  private readonly slope: Float64Array;
  /** The running mean of the squares of the excess: a price that swings takes shorter steps. */
  private readonly swing: Float64Array;
  private readonly best: Float64Array;
  /** What each price does not go below. */
  readonly least: Float64Array;
  private known: f64 = 0;
  private momentum: f64 = 0;
  private isPlain = false;

  /** `most` is what no price goes above. */
  constructor(
    private readonly price: Float64Array,
    private readonly most: f64,
  ) {
    this.slope = new Float64Array(price.length);
    this.swing = new Float64Array(price.length);
    this.best = new Float64Array(price.length);
    this.least = new Float64Array(price.length);
  }

  begin(): void {
    this.slope.fill(0);
    this.swing.fill(0);
    this.known = 0;
  }

  keep(): void {
    this.best.set(this.price);
  }

  takeBest(): void {
    this.price.set(this.best);
  }

  /** Begins a step; a plain one measures all prices alike. */
  beginStep(momentum: f64, isPlain: boolean): void {
    this.norm = 0;
    this.known = MEMORY * this.known + 1 - MEMORY;
    this.momentum = momentum;
    this.isPlain = isPlain;
  }

  /** Turns price `m` to where there is excess. */
  turn(m: number, excess: f64): void {
    const { price, slope, swing } = this;
    swing[m] = MEMORY * swing[m]! + (1 - MEMORY) * excess * excess;
    let d = excess + this.momentum * slope[m]!;
    if (d < 0 && price[m]! <= this.least[m]!) d = 0;
    slope[m] = d;
    if (d !== 0) this.norm += (d * d) / this.usualSwing(m);
  }

  /** Moves the prices of [from, to). */
  move(from: number, to: number, scale: f64): void {
    const { price, slope } = this;
    for (let m = from; m < to; m++) {
      if (slope[m] === 0) continue;
      const next = price[m]! + (scale * slope[m]!) / this.usualSwing(m);
      price[m] = Math.min(this.most, Math.max(this.least[m]!, next));
    }
  }

  private usualSwing(m: number): f64 {
    return this.isPlain ? 1 : Math.sqrt(this.swing[m]! / this.known + QUIET);
  }
}
