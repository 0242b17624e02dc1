import { Configuration, Model } from '../model';
import { Parcel } from '../model/parcel';
import { Branch, Option } from './options';

export class Priced {
  constructor(public capacity: i32) {}
}

export class Queue {
  members: Array<i32>;
  least: f64;

  constructor(parcel: Parcel) {
    this.members = parcel.ints();
    this.least = parcel.real();
  }
}

export class Tree {
  config: Configuration;
  order: Array<i32>;
  children: Array<Array<i32>>;
  courseChildren: Array<Array<i32>>;
  serveLow: StaticArray<i32>;
  serveHigh: StaticArray<i32>;
  serveAt: Array<i32>;
  size: i32;
  optionCount: i32 = 0;
  checkCount: i32 = 0;
  priced: Array<Priced> = [];
  branches: Array<Branch> = [];
  options: Array<Array<Option>> = [];
  queues: Array<Queue> = [];

  constructor(
    public model: Model,
    parcel: Parcel,
  ) {
    this.config = model.configurations[parcel.int()];
    this.order = parcel.ints();
    this.children = parcel.lists();
    this.courseChildren = parcel.lists();
    this.serveLow = parcel.row();
    this.serveHigh = parcel.row();
    this.serveAt = parcel.ints();
    this.size = parcel.int();
    const capacities = parcel.ints();
    for (let r = 0; r < capacities.length; r++) this.priced.push(new Priced(capacities[r]));
    for (let left = parcel.int(); left > 0; left--) this.branches.push(new Branch(parcel));
    for (let left = parcel.int(); left > 0; left--) this.queues.push(new Queue(parcel));
    for (let left = parcel.int(); left > 0; left--) {
      const options = new Array<Option>();
      for (let own = parcel.int(); own > 0; own--) {
        const option = new Option(model, parcel);
        this.checkCount += option.checks.length;
        options.push(option);
      }
      this.optionCount += options.length;
      this.options.push(options);
    }
  }
}
