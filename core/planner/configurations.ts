import { configure, type Bits, type Configuration, type Model } from '../model';

/** What takes part for each choice of the dishes' ways: made once, then remembered. */
export class Configurations {
  private readonly known = new Map<string, Configuration>();

  constructor(
    private readonly model: Model,
    private readonly calendarStarts: readonly Bits[],
  ) {}

  /** That of the first way of each dish. */
  first(): Configuration {
    return this.forWays(this.model.dishWays.map((ways) => ways[0] ?? -1));
  }

  forWays(ways: readonly number[]): Configuration {
    const key = ways.join();
    let config = this.known.get(key);
    if (!config) {
      config = configure(this.model, ways, this.calendarStarts);
      this.known.set(key, config);
    }
    return config;
  }
}
