import type { f64 } from '../model';
import type { LinkShares } from './link-shares';
import type { Option, Piece } from './options';
import type { SideLosses } from './side-losses';
import { NEVER, waitBackward, waitForward, type Row } from './waiting';

/** What a step may lose beside its branch: by being held, by not waiting, by both. */
const HELD = 1;
const GAINS = 2;
const BOTH = 3;

/**
 * What waits for its branch and for other things beside it loses by whichever costs most. Of those a part knows when they begin at
 * the earliest and at the latest, and so what is lost by when the step ends.
 */
export class Beside {
  private readonly begun: Float64Array;
  private readonly told: Float64Array;
  private readonly dearest: Float64Array;

  constructor(
    slots: number,
    private readonly losses: SideLosses,
    private readonly shares: LinkShares,
  ) {
    this.begun = new Float64Array(slots + 64);
    this.told = new Float64Array(slots + 64);
    this.dearest = new Float64Array(slots + 64);
  }

  /** Takes an option in hand; false where nothing is lost for sure beside its branch. */
  begin(option: Option): boolean {
    return this.losses.begin(option);
  }

  /** Lowers what is told to what the branch leads to, `message`, to what the option in hand costs at least: its ends and the wait. */
  tell(option: Option, ends: Row, into: Row, message: Float64Array): void {
    const { begun, told, dearest } = this;
    dearest.fill(NEVER, into.first, into.last + 1);
    ends.list = option.ends;
    into.list = dearest;
    for (const piece of option.pieces) waitForward(piece, ends, into);
    for (let which = HELD; which <= BOTH; which++) {
      if (!this.counts(which)) continue;
      told.fill(NEVER, into.first, into.last + 1);
      for (let k = ends.first; k <= ends.last; k++) {
        if (k === ends.gapFrom) k = ends.gapTo;
        const cost = option.ends[k]!;
        begun[k] = cost >= NEVER ? NEVER : cost + this.lost(option, ends.low + k, which);
      }
      ends.list = begun;
      into.list = told;
      for (const piece of piecesBut(option, which)) waitForward(piece, ends, into);
      for (let k = into.first; k <= into.last; k++) {
        if (k === into.gapFrom) k = into.gapTo;
        if (told[k]! > dearest[k]!) dearest[k] = told[k]!;
      }
    }
    for (let k = into.first; k <= into.last; k++) {
      if (k === into.gapFrom) k = into.gapTo;
      if (dearest[k]! < message[k]!) message[k] = dearest[k]!;
    }
  }

  /** Raises what each end of the option in hand goes together with, `heard`, to what it costs at least with what is lost beside. */
  hear(option: Option, from: Row, ends: Row, heard: Float64Array): void {
    const { told } = this;
    ends.list = told;
    for (let which = HELD; which <= BOTH; which++) {
      if (!this.counts(which)) continue;
      told.fill(NEVER, ends.first, ends.last + 1);
      for (const piece of piecesBut(option, which)) waitBackward(piece, from, ends);
      for (let k = ends.first; k <= ends.last; k++) {
        if (k === ends.gapFrom) k = ends.gapTo;
        const cost = told[k]! + this.lost(option, ends.low + k, which);
        if (cost > heard[k]!) heard[k] = cost;
      }
    }
  }

  /** How much more the option in hand costs with an end in slot `end` than a piece of its branch says of so long a wait. */
  more(option: Option, end: number, piece: Piece, waited: number): f64 {
    const { losses, shares } = this;
    const held = losses.loss(option, end) - piece.heldBase - piece.heldSlope * waited;
    const gains = losses.gainsLost(option, end) - piece.otherBase - piece.otherSlope * waited;
    const i = option.activity;
    return shares.held[i]! * Math.max(0, held) + shares.gains[i]! * Math.max(0, gains);
  }

  /** What an option that ends in slot `end` and waits so long for its branch loses at least: by being held, or by not waiting. */
  loss(option: Option, end: number, waited: number, isGain: boolean): f64 {
    const { losses } = this;
    losses.begin(option);
    const known = isGain ? losses.gainsLost(option, end) : losses.loss(option, end);
    for (const piece of option.pieces) {
      if (piece.from > waited || piece.to < waited) continue;
      const lost = isGain
        ? piece.otherBase + piece.otherSlope * waited
        : piece.heldBase + piece.heldSlope * waited;
      return Math.max(lost, known);
    }
    return known;
  }

  /** Whether so much is lost for sure. */
  private counts(which: number): boolean {
    const { losesHeld, losesGains } = this.losses;
    return ((which & HELD) === 0 || losesHeld) && ((which & GAINS) === 0 || losesGains);
  }

  /** What the option in hand loses at least where it ends in a slot. */
  private lost(option: Option, end: number, which: number): f64 {
    const { losses, shares } = this;
    let lost: f64 = 0;
    if ((which & HELD) !== 0) lost += shares.held[option.activity]! * losses.loss(option, end);
    if ((which & GAINS) !== 0) lost += shares.gains[option.activity]! * losses.gainsLost(option, end);
    return lost;
  }
}

/** What its branch says of all that is not lost beside it. */
function piecesBut(option: Option, which: number): readonly Piece[] {
  if (which === HELD) return option.plainPieces;
  return which === GAINS ? option.heldPieces : option.barePieces;
}
