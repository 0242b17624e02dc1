import fc from 'fast-check';
import {
  allBits,
  andShifted,
  countBits,
  fillBits,
  hasBit,
  makeBits,
  nextBit,
  nextGap,
  previousBit,
  previousGap,
} from '../../core/model';
import { erodeBits, orShifted } from '../../core/model/bits';

const SIZE = 320;
const WORDS = SIZE >> 5;

/** A set of minutes twice: as bits, and as the slow twin that the bits are checked against. */
const SETS = fc
  .array(fc.tuple(fc.nat(SIZE - 1), fc.integer({ min: 1, max: 70 }), fc.boolean()), { maxLength: 12 })
  .map((spans) => {
    const bits = makeBits(SIZE + 64);
    const slow = new Array<boolean>(SIZE + 96).fill(false);
    for (const [from, length, on] of spans) {
      const to = Math.min(SIZE, from + length);
      fillBits(bits, from, to, on);
      slow.fill(on, from, to);
    }
    return { bits, slow };
  });
const SPAN = fc
  .tuple(fc.nat(SIZE - 1), fc.nat(SIZE))
  .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);

describe('sets of minutes agree with a list of booleans', () => {
  test('single minutes, counts, runs', () => {
    fc.assert(
      fc.property(SETS, SPAN, ({ bits, slow }, [from, to]) => {
        const part = slow.slice(from, to);
        const first = part.indexOf(true);
        const last = part.lastIndexOf(true);
        const gap = part.indexOf(false);
        expect(hasBit(bits, from)).toBe(slow[from]);
        expect(countBits(bits, from, to)).toBe(part.filter(Boolean).length);
        expect(allBits(bits, from, to)).toBe(part.every(Boolean));
        expect(nextBit(bits, from, to)).toBe(first < 0 ? -1 : from + first);
        expect(previousBit(bits, from, to)).toBe(last < 0 ? -1 : from + last);
        expect(nextGap(bits, from, to)).toBe(gap < 0 ? to : from + gap);
        const lastGap = part.lastIndexOf(false);
        expect(previousGap(bits, from, to - 1)).toBe(lastGap < 0 ? from - 1 : from + lastGap);
      }),
      { seed: 21, numRuns: 500 },
    );
  });

  test('erosion keeps the starts from which all minutes are there', () => {
    let kept = 0;
    fc.assert(
      fc.property(SETS, fc.integer({ min: 1, max: 90 }), ({ bits, slow }, length) => {
        const target = makeBits(SIZE + 64);
        erodeBits(target, bits, length, 0, WORDS - 1);
        for (let t = 0; t + length < SIZE; t++) {
          const fits = slow.slice(t, t + length).every(Boolean);
          if (fits) kept += 1;
          if (hasBit(target, t) !== fits) return false;
        }
        return true;
      }),
      { seed: 22, numRuns: 200 },
    );
    expect(kept).toBeGreaterThan(1000);
  });

  test('shifting moves minutes down and up', () => {
    fc.assert(
      fc.property(SETS, SETS, fc.integer({ min: -60, max: 60 }), (a, b, shift) => {
        const both = a.bits.slice();
        const either = a.bits.slice();
        andShifted(both, b.bits, shift, 0, WORDS - 1);
        orShifted(either, b.bits, shift, 0, WORDS - 1);
        for (let t = 64; t < SIZE - 64; t++) {
          const other = b.slow[t + shift]!;
          if (hasBit(both, t) !== (a.slow[t]! && other)) return false;
          if (hasBit(either, t) !== (a.slow[t]! || other)) return false;
        }
        return true;
      }),
      { seed: 23, numRuns: 300 },
    );
  });
});
