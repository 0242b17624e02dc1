import { Configuration, fixed, Model } from '../model';
import { Parcel } from '../model/parcel';
import { Branch, Option } from './options';

export class Priced {
  constructor(
    public capacity: i32,
    public cook: i32,
    public isOrder: bool,
  ) {}
}

export class Queue {
  members: StaticArray<i32>;
  least: f64;

  constructor(parcel: Parcel) {
    this.members = parcel.row();
    this.least = parcel.real();
  }
}

export class Shared {
  activity: i32;
  resource: i32;
  slope: f64;
  isGain: bool;

  constructor(parcel: Parcel) {
    this.activity = parcel.int();
    this.resource = parcel.int();
    this.slope = parcel.real();
    this.isGain = parcel.flag();
  }
}

/** Two options that cannot overlap. */
export class Apart {
  one: Option;
  other: Option;
  gap: i32;
  gapBack: i32;

  constructor(options: Array<Option>, parcel: Parcel) {
    this.one = options[parcel.int()];
    this.other = options[parcel.int()];
    this.gap = parcel.int();
    this.gapBack = parcel.int();
  }
}

export class Tree {
  config: Configuration;
  order: StaticArray<i32>;
  children: StaticArray<StaticArray<i32>>;
  courseChildren: StaticArray<StaticArray<i32>>;
  serveLow: StaticArray<i32>;
  serveHigh: StaticArray<i32>;
  serveAt: StaticArray<i32>;
  size: i32;
  optionCount: i32;
  checkCount: i32;
  priced: StaticArray<Priced>;
  branches: StaticArray<Branch>;
  options: StaticArray<StaticArray<Option>>;
  queues: StaticArray<Queue>;
  shared: StaticArray<Shared>;
  keptOrders: StaticArray<i32>;
  apart: StaticArray<Apart>;
  /** By number. */
  allOptions: StaticArray<Option>;

  constructor(
    public model: Model,
    parcel: Parcel,
  ) {
    this.config = model.configurations[parcel.int()];
    this.order = parcel.row();
    this.children = parcel.rows();
    this.courseChildren = parcel.rows();
    this.serveLow = parcel.row();
    this.serveHigh = parcel.row();
    this.serveAt = parcel.row();
    this.size = parcel.int();
    const capacities = parcel.row();
    const cooks = parcel.row();
    const orders = parcel.row();
    const priced = new StaticArray<Priced>(capacities.length);
    for (let r = 0; r < capacities.length; r++)
      priced[r] = new Priced(capacities[r], cooks[r], orders[r] !== 0);
    this.priced = priced;
    const branches = new Array<Branch>();
    for (let left = parcel.int(); left > 0; left--) branches.push(new Branch(parcel));
    this.branches = fixed(branches);
    const queues = new Array<Queue>();
    for (let left = parcel.int(); left > 0; left--) queues.push(new Queue(parcel));
    this.queues = fixed(queues);
    const shared = new Array<Shared>();
    for (let left = parcel.int(); left > 0; left--) shared.push(new Shared(parcel));
    this.shared = fixed(shared);
    const all = new Array<Option>();
    let checkCount = 0;
    const options = new StaticArray<StaticArray<Option>>(parcel.int());
    for (let i = 0; i < options.length; i++) {
      const own = new StaticArray<Option>(parcel.int());
      for (let k = 0; k < own.length; k++) {
        const option = new Option(model, parcel);
        checkCount += option.checks.length;
        own[k] = option;
        all.push(option);
      }
      options[i] = own;
    }
    this.options = options;
    this.optionCount = all.length;
    this.checkCount = checkCount;
    this.keptOrders = parcel.row();
    const apart = new Array<Apart>();
    for (let left = parcel.int(); left > 0; left--) apart.push(new Apart(all, parcel));
    this.apart = fixed(apart);
    this.allOptions = fixed(all);
  }
}
