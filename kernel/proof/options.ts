import { fixed, Mode, Model } from '../model';
import { Parcel } from '../model/parcel';

/** What the relaxation reads of options and branches, in the order in which `core/proof/kernel/pack.ts` writes it. */

export class Piece {
  from: i32;
  to: i32;
  base: f64;
  slope: f64;
  heldBase: f64;
  heldSlope: f64;
  otherBase: f64;
  otherSlope: f64;

  constructor(parcel: Parcel) {
    this.from = parcel.int();
    this.to = parcel.int();
    const heldBase = parcel.real();
    const heldSlope = parcel.real();
    const otherBase = parcel.real();
    const otherSlope = parcel.real();
    this.heldBase = heldBase;
    this.heldSlope = heldSlope;
    this.otherBase = otherBase;
    this.otherSlope = otherSlope;
    this.base = heldBase + otherBase;
    this.slope = heldSlope + otherSlope;
  }
}

function piecesFrom(parcel: Parcel): StaticArray<Piece> {
  const pieces = new Array<Piece>();
  for (let left = parcel.int(); left > 0; left--) pieces.push(new Piece(parcel));
  return fixed(pieces);
}

export class Side {
  to: i32;
  best: i32;
  most: i32;
  slope: f64;

  constructor(parcel: Parcel) {
    this.to = parcel.int();
    this.best = parcel.int();
    this.most = parcel.int();
    this.slope = parcel.real();
  }
}

export class Use {
  resource: i32;
  count: i32;
  kept: bool;
  worked: bool;
  lead: i32;
  rest: i32;

  constructor(parcel: Parcel) {
    this.resource = parcel.int();
    this.count = parcel.int();
    this.kept = parcel.flag();
    this.worked = parcel.flag();
    this.lead = parcel.int();
    this.rest = parcel.int();
  }
}

export class Check {
  low: i32;
  high: i32;
  number: i32;
  from: i32 = 0;
  to: i32 = 0;

  constructor(parcel: Parcel) {
    this.low = parcel.int();
    this.high = parcel.int();
    this.number = parcel.int();
  }
}

export class Option {
  activity: i32;
  index: i32;
  number: i32;
  mode: Mode;
  reach: i32;
  shortest: i32;
  longest: i32;
  low: i32;
  count: i32;
  at: i32;
  first: i32;
  last: i32;
  gapFrom: i32;
  gapTo: i32;
  keeps: bool;
  uses: StaticArray<Use>;
  checks: StaticArray<Check>;
  pieces: StaticArray<Piece>;
  sides: StaticArray<Side>;
  gainSides: StaticArray<i32>;
  plainPieces: StaticArray<Piece>;
  heldPieces: StaticArray<Piece>;
  barePieces: StaticArray<Piece>;
  up: StaticArray<f64>;
  total: StaticArray<f64>;
  ends: StaticArray<f64>;

  constructor(model: Model, parcel: Parcel) {
    const activity = parcel.int();
    const index = parcel.int();
    this.activity = activity;
    this.index = index;
    this.number = parcel.int();
    this.mode = model.activities[activity].modes[index];
    const reach = parcel.int();
    this.reach = reach;
    this.shortest = 0;
    this.longest = reach;
    this.low = parcel.int();
    const count = parcel.int();
    this.count = count;
    this.at = parcel.int();
    this.first = 0;
    this.last = count - 1;
    this.gapFrom = count;
    this.gapTo = count;
    this.keeps = parcel.flag();
    const up = new StaticArray<f64>(count);
    this.up = up;
    this.total = new StaticArray<f64>(count);
    this.ends = reach > 0 ? new StaticArray<f64>(count + reach) : up;
    const uses = new Array<Use>();
    for (let left = parcel.int(); left > 0; left--) uses.push(new Use(parcel));
    this.uses = fixed(uses);
    const checks = new Array<Check>();
    for (let left = parcel.int(); left > 0; left--) checks.push(new Check(parcel));
    this.checks = fixed(checks);
    this.pieces = piecesFrom(parcel);
    const sides = new Array<Side>();
    for (let left = parcel.int(); left > 0; left--) sides.push(new Side(parcel));
    this.sides = fixed(sides);
    this.gainSides = parcel.row();
    this.plainPieces = piecesFrom(parcel);
    this.heldPieces = piecesFrom(parcel);
    this.barePieces = piecesFrom(parcel);
  }
}

export class Branch {
  kind: string;
  parent: i32;

  constructor(parcel: Parcel) {
    const kind = parcel.int();
    this.kind = kind == 0 ? 'after' : kind == 1 ? 'inside' : kind == 2 ? 'plate' : 'none';
    this.parent = parcel.int();
  }
}
