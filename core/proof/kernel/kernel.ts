import { openKernel, type KernelMemory } from '../../model';
import type { Narrowing } from '../narrowing';
import type { Option } from '../options';
import type { Part } from '../part';
import type { Relaxation } from '../relaxation';
import type { Evening } from '../supply';
import { packTrees } from './pack';

/** What the compiled kernel exports: see `kernel/proof/entry.ts`; `d` numbers the relaxations. */
interface Exports extends KernelMemory {
  openRelaxations(): void;
  roomForOrders(d: number, length: number): number;
  narrow(d: number, firstLow: number, firstHigh: number, isAsLeft: boolean): number;
  partFirstLow(d: number): number;
  partFirstHigh(d: number): number;
  knownFrom(d: number): number;
  knownTo(d: number): number;
  quietFrom(d: number): number;
  quietTo(d: number): number;
  tripsAt(d: number, option: number, s: number, down: number, up: number, minutes: number): number;
  lookAt(d: number): void;
  span(
    d: number,
    firstLow: number,
    firstHigh: number,
    from: number,
    to: number,
    quietFrom: number,
    quietTo: number,
  ): void;
  bound(d: number): number;
  ruleOut(d: number, limit: number): number;
  countUse(d: number): void;
  beginClimb(d: number, length: number): void;
  climb(d: number, target: number, rounds: number): number;
  climbed(d: number): number;
  work(d: number): number;
  firstLow(d: number): number;
  firstHigh(d: number): number;
  firstOfDay(d: number): number;
  placeOf(d: number, what: number): number;
  priceOf(d: number, resource: number): number;
  useOf(d: number, resource: number): number;
}

/** What lies where in the kernel's memory, in the order of `placeOf`. */
const PLACES = [
  'domain',
  'serveLow',
  'serveHigh',
  'forced',
  'awayLow',
  'awayHigh',
  'firsts',
  'lasts',
  'price',
  'chosen',
  'start',
  'pause',
  'serve',
  'given',
  'away',
  'use',
  'queueShare',
  'trips',
  'taken',
  'checkLow',
  'checkHigh',
  'pauseLow',
  'pauseHigh',
  'minStart',
  'maxStart',
  'able',
  'queueLeast',
  'minEnd',
  'maxEnd',
  'linkShare',
] as const;
type Place = (typeof PLACES)[number];

/** What of a part is narrowed, and what is known then. */
const NARROWED = ['domain', 'awayLow', 'awayHigh', 'checkLow', 'checkHigh', 'pauseLow', 'pauseHigh'] as const;
const KNOWN = ['serveLow', 'serveHigh', 'minStart', 'maxStart', 'minEnd', 'maxEnd', 'forced'] as const;

type Words = Float64Array | Int32Array | Uint8Array;

/**
 * The same as a `Relaxation`, compiled to WebAssembly. Prices and the relaxed answer are kept here while it works; `take`
 * brings the prices of the relaxation here, `give` brings prices and answer back.
 */
export class RelaxationKernel {
  private readonly firsts: Int32Array;
  private readonly lasts: Int32Array;
  private readonly shortest: Int32Array;
  private readonly longest: Int32Array;
  private readonly checkFrom: Int32Array;
  private readonly checkTo: Int32Array;
  /** The domain of the part that was narrowed here last: all that is known of it lies here already. */
  private narrowed: Uint8Array | null = null;
  /** Where things lie in the kernel's memory, as long as that does not grow. */
  private places: Words[] = [];
  private placesIn: ArrayBuffer | null = null;

  private constructor(
    private readonly wasm: Exports,
    private readonly number: number,
    private readonly relaxation: Relaxation,
    private readonly ask: { isOver: () => boolean },
  ) {
    const { optionCount, checkCount } = relaxation.tree;
    this.firsts = new Int32Array(optionCount);
    this.lasts = new Int32Array(optionCount);
    this.shortest = new Int32Array(optionCount);
    this.longest = new Int32Array(optionCount);
    this.checkFrom = new Int32Array(checkCount);
    this.checkTo = new Int32Array(checkCount);
  }

  /** A kernel for each relaxation of one model; null where the host has no WebAssembly. */
  static for(relaxations: readonly Relaxation[]): RelaxationKernel[] | null {
    if (relaxations.length === 0) return [];
    const ask = { isOver: () => false };
    const wasm = openKernel<Exports>(packTrees(relaxations.map(({ tree }) => tree)), () => ask.isOver());
    if (!wasm) return null;
    wasm.openRelaxations();
    return relaxations.map((relaxation, d) => new RelaxationKernel(wasm, d, relaxation, ask));
  }

  get work(): number {
    return this.wasm.work(this.number);
  }

  get best(): number {
    return this.wasm.climbed(this.number);
  }

  /** Narrows a part in place and tells what is known of it then; false where nothing is left. */
  narrow(part: Part, isAsLeft: boolean, narrowing: Narrowing): boolean {
    const { wasm, number } = this;
    const { known } = narrowing;
    this.narrowed = null;
    for (const place of NARROWED) this.write(place, part[place]);
    const { orders } = part;
    const at = wasm.roomForOrders(number, orders.length);
    new Int32Array(this.buffer, at, orders.length).set(orders);
    if (!wasm.narrow(number, part.firstLow, part.firstHigh, isAsLeft)) return false;
    for (const place of NARROWED) this.read(place, part[place]);
    part.firstLow = wasm.partFirstLow(number);
    part.firstHigh = wasm.partFirstHigh(number);
    for (const place of KNOWN) this.read(place, known[place]);
    known.from = wasm.knownFrom(number);
    known.to = wasm.knownTo(number);
    this.read('trips', narrowing.trips);
    this.read('able', narrowing.able);
    narrowing.quiet = { quietFrom: wasm.quietFrom(number), quietTo: wasm.quietTo(number) };
    this.tellOptions(part);
    this.narrowed = part.domain;
    return true;
  }

  /** What is open to each option of a part that was narrowed. */
  private tellOptions({ checkLow, checkHigh, pauseLow, pauseHigh }: Part): void {
    this.read('firsts', this.firsts);
    this.read('lasts', this.lasts);
    for (const options of this.relaxation.tree.options) {
      for (const option of options) {
        const { number } = option;
        option.first = this.firsts[number]!;
        option.last = this.lasts[number]!;
        option.shortest = pauseLow[number]!;
        option.longest = pauseHigh[number]!;
        for (const check of option.checks) {
          check.from = checkLow[check.number]!;
          check.to = checkHigh[check.number]!;
        }
      }
    }
  }

  /** See `Tables`; in the part that was narrowed last. */
  tripsAt({ number }: Option, s: number, down: number, up: number, minutes: number): number {
    return this.wasm.tripsAt(this.number, number, s, down, up, minutes);
  }

  bound(domain: Uint8Array, evening: Evening): number {
    this.lookAt(domain, evening);
    return this.wasm.bound(this.number);
  }

  ruleOut(domain: Uint8Array, evening: Evening, limit: number): boolean {
    this.lookAt(domain, evening);
    if (!this.wasm.ruleOut(this.number, limit)) return false;
    this.read('domain', domain);
    evening.firstLow = this.wasm.firstLow(this.number);
    evening.firstHigh = this.wasm.firstHigh(this.number);
    return true;
  }

  beginClimb(length: number): void {
    this.wasm.beginClimb(this.number, length);
  }

  climb(domain: Uint8Array, evening: Evening, target: number, rounds: number, isOver: () => boolean): number {
    this.lookAt(domain, evening);
    this.ask.isOver = isOver;
    return this.wasm.climb(this.number, target, rounds);
  }

  countUse(): void {
    this.wasm.countUse(this.number);
  }

  /** Takes over the prices of the relaxation. */
  take(): void {
    const { price, resourcePrice, queueing, linkShares } = this.relaxation.demand;
    this.write('price', price);
    this.write('queueShare', queueing.share);
    this.write('linkShare', linkShares.share);
    resourcePrice.forEach((list, r) => {
      new Float64Array(this.buffer, this.wasm.priceOf(this.number, r), list.length).set(list);
    });
  }

  /** Gives the prices back. */
  givePrices(): void {
    const { price, resourcePrice, queueing, linkShares } = this.relaxation.demand;
    this.read('price', price);
    this.read('queueShare', queueing.share);
    this.read('linkShare', linkShares.share);
    resourcePrice.forEach((list, r) => {
      list.set(new Float64Array(this.buffer, this.wasm.priceOf(this.number, r), list.length));
    });
  }

  /** Gives the prices and, after `countUse`, the relaxed answer back. */
  give(): void {
    const { demand, supply, use, resourceUse } = this.relaxation;
    this.givePrices();
    this.read('chosen', demand.chosen);
    this.read('start', demand.start);
    this.read('pause', demand.pause);
    this.read('serve', demand.serve);
    this.read('given', supply.given);
    this.read('away', supply.away);
    this.read('use', use);
    this.read('taken', demand.taken);
    resourceUse.forEach((list, r) => {
      list.set(new Float64Array(this.buffer, this.wasm.useOf(this.number, r), list.length));
    });
    supply.first = this.wasm.firstOfDay(this.number);
  }

  private lookAt(domain: Uint8Array, evening: Evening): void {
    if (domain !== this.narrowed) this.writeEvening(domain, evening);
    const { from, to, quietFrom, quietTo, queueing } = this.relaxation.demand;
    this.write('queueLeast', queueing.least);
    const { firstLow, firstHigh } = evening;
    this.wasm.span(this.number, firstLow, firstHigh, from, to, quietFrom, quietTo);
  }

  private writeEvening(domain: Uint8Array, evening: Evening): void {
    const { tree } = this.relaxation;
    this.narrowed = null;
    this.write('domain', domain);
    this.write('serveLow', evening.serveLow);
    this.write('serveHigh', evening.serveHigh);
    this.write('forced', evening.forced);
    this.write('awayLow', evening.awayLow);
    this.write('awayHigh', evening.awayHigh);
    this.write('trips', evening.trips);
    this.write('able', evening.able);
    for (const options of tree.options) {
      for (const { number, first, last, shortest, longest, checks } of options) {
        this.firsts[number] = first;
        this.lasts[number] = last;
        this.shortest[number] = shortest;
        this.longest[number] = longest;
        for (const check of checks) {
          this.checkFrom[check.number] = check.from;
          this.checkTo[check.number] = check.to;
        }
      }
    }
    this.write('firsts', this.firsts);
    this.write('lasts', this.lasts);
    this.write('pauseLow', this.shortest);
    this.write('pauseHigh', this.longest);
    this.write('checkLow', this.checkFrom);
    this.write('checkHigh', this.checkTo);
    this.wasm.lookAt(this.number);
  }

  private get buffer(): ArrayBuffer {
    return this.wasm.memory.buffer;
  }

  /** What lies there, in a row like `words`. */
  private rowAt(place: Place, words: Words): Words {
    const { buffer } = this;
    if (buffer !== this.placesIn) this.places = [];
    this.placesIn = buffer;
    const which = PLACES.indexOf(place);
    this.places[which] ??= rowLike(words, buffer, this.wasm.placeOf(this.number, which));
    return this.places[which];
  }

  private write(place: Place, words: Words): void {
    this.rowAt(place, words).set(words);
  }

  private read(place: Place, words: Words): void {
    words.set(this.rowAt(place, words));
  }
}

function rowLike(words: Words, buffer: ArrayBuffer, at: number): Words {
  if (words instanceof Float64Array) return new Float64Array(buffer, at, words.length);
  if (words instanceof Int32Array) return new Int32Array(buffer, at, words.length);
  return new Uint8Array(buffer, at, words.length);
}
