import { Bits, Configuration, Model } from '../model';

/** The configurations come with the model: see `core/planner/configurations.ts`. */
export class Configurations {
  constructor(
    private model: Model,
    _calendarStarts: StaticArray<Bits>,
  ) {}

  first(): Configuration {
    return this.model.configurations[this.model.firstConfiguration];
  }

  forWays(ways: StaticArray<i32>): Configuration {
    const all = this.model.configurations;
    for (let k = 0; k < all.length; k++) if (isSame(all[k].ways, ways)) return all[k];
    return unreachable();
  }
}

function isSame(a: StaticArray<i32>, b: StaticArray<i32>): bool {
  for (let k = 0; k < a.length; k++) if (a[k] != b[k]) return false;
  return true;
}
