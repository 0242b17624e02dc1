import { whole, type f64 } from '../model';

/** A small seeded generator (xorshift, 32 bits): the same seed gives the same plan everywhere. */
export class Random {
  /** All that it remembers. */
  state: number;

  constructor(seed: number) {
    this.state = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ 0x27d4eb2f;
    if (this.state === 0) this.state = 1;
    for (let i = 0; i < 8; i++) this.next();
  }

  /** A number in [0, 1). */
  next(): f64 {
    let x = this.state;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    this.state = x;
    // In two parts: the kernel has no unsigned numbers.
    const upper: f64 = x >>> 1;
    return (2 * upper + (x & 1)) * (1 / 4294967296);
  }

  /** A whole number in [0, limit). */
  below(limit: number): number {
    return whole(this.next() * limit);
  }
}
