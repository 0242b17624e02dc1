/** A row of numbers that is read from front to back. */
export class Parcel {
  private at: i32 = 0;

  constructor(private numbers: StaticArray<f64>) {}

  real(): f64 {
    return this.numbers[this.at++];
  }

  int(): i32 {
    return this.real() as i32;
  }

  flag(): bool {
    return this.real() != 0;
  }

  row(): StaticArray<i32> {
    const count = this.int();
    const row = new StaticArray<i32>(count);
    for (let k = 0; k < count; k++) row[k] = this.int();
    return row;
  }

  rows(): StaticArray<StaticArray<i32>> {
    const count = this.int();
    const list = new StaticArray<StaticArray<i32>>(count);
    for (let k = 0; k < count; k++) list[k] = this.row();
    return list;
  }
}
