import type { f64 } from '../model';
import type { Demand } from './demand';
import type { Option } from './options';
import { guestFirst, guestLast, setParentRow } from './spans';
import { NEVER, Row, waitBackward } from './waiting';

/** The way down the tree: with what each start goes together best in all the rest of the evening. */
export class Marginals {
  private readonly scratch: Float64Array;
  private readonly scratch2: Float64Array;
  private readonly ends = new Row();
  private readonly into = new Row();

  constructor(private readonly demand: Demand) {
    const { slots } = demand.tree.model;
    this.scratch = new Float64Array(slots + 64);
    this.scratch2 = new Float64Array(slots + 64);
  }

  /** After `Demand.cost`: what the whole evening costs at least with each single start or serving slot. */
  find(): void {
    const { demand } = this;
    const { tree, service } = demand;
    const whole = service.marginals(demand.looseCost);
    for (let x = tree.order.length - 1; x >= 0; x--) {
      const i = tree.order[x]!;
      const { kind } = tree.branches[i]!;
      if (kind === 'none') {
        const least = demand.leastOf(i);
        for (const option of tree.options[i]!) {
          option.total.fill(NEVER, option.gapFrom, option.gapTo);
          for (let k = option.first; k <= option.last; k++) {
            if (k === option.gapFrom) k = option.gapTo;
            option.total[k] = demand.atStart(option, k) - least + whole;
          }
        }
      } else if (kind === 'inside') this.hearHost(i);
      else this.hear(i);
    }
  }

  private hear(i: number): void {
    const { demand, scratch, scratch2, ends, into } = this;
    const { tree } = demand;
    const { kind, parent } = tree.branches[i]!;
    const message = demand.messages[i]!;
    setParentRow(tree, i, into);
    for (const option of tree.options[i]!) {
      const { up, total, reach } = option;
      for (let k = into.first; k <= into.last; k++) {
        if (k === into.gapFrom) k = into.gapTo;
        let value: f64 = NEVER;
        if (kind === 'plate') value = demand.service.total[parent]![k]!;
        else {
          for (const o of tree.options[parent]!)
            if (k >= o.first && k <= o.last) value = Math.min(value, o.total[k]!);
        }
        value -= message[k]!;
        scratch[k] =
          value > NEVER / 2
            ? NEVER
            : value + (option.keeps ? demand.usePrice(option, into.low + k, true) : 0);
      }
      demand.rowOfEnds(option, ends);
      into.list = scratch;
      ends.list = scratch2;
      scratch2.fill(NEVER, ends.first, ends.last + 1);
      for (const piece of option.pieces) waitBackward(piece, into, ends);
      if (demand.beside.begin(option)) demand.beside.hear(option, into, ends, scratch2);
      if (option.keeps) {
        for (let k = ends.first; k <= ends.last; k++) {
          if (k === ends.gapFrom) k = ends.gapTo;
          if (scratch2[k]! < NEVER) scratch2[k]! -= demand.usePrice(option, ends.low + k, true);
        }
      }
      if (reach > 0) this.hearPaused(option, scratch2);
      else {
        total.fill(NEVER, option.gapFrom, option.gapTo);
        for (let k = option.first; k <= option.last; k++) {
          if (k === option.gapFrom) k = option.gapTo;
          total[k] = up[k]! + scratch2[k]!;
        }
      }
    }
  }

  private hearPaused(option: Option, rest: Float64Array): void {
    const { demand } = this;
    const { up, total, first, last, reach, low, mode } = option;
    if (option.uses.length > 0) {
      for (let k = first; k <= last + reach; k++) {
        if (rest[k]! < NEVER)
          rest[k]! += demand.usePrice(option, Math.min(demand.to, low + k + mode.duration));
      }
    }
    demand.paused[option.number]!.fromEnds(rest, total);
    for (let k = first; k <= last; k++) total[k]! += up[k]!;
  }

  private hearHost(i: number): void {
    const { demand } = this;
    const { tree } = demand;
    const message = demand.messages[i]!;
    const hosts = tree.options[tree.branches[i]!.parent]!;
    for (const guest of tree.options[i]!) guest.total.fill(NEVER);
    for (const host of hosts) {
      for (const guest of tree.options[i]!) {
        const first = guestFirst(tree.model, guest, host);
        const last = guestLast(tree.model, guest, host);
        for (let k = host.first; k <= host.last; k++) {
          if (k === host.gapFrom) k = host.gapTo;
          const others = host.total[k]! - message[host.index * host.count + k]!;
          if (others > NEVER / 2) continue;
          const from = Math.max(guest.first, host.low + k + first - guest.low);
          const to = Math.min(guest.last, host.low + k + last - guest.low);
          for (let g = from; g <= to; g++) {
            const cost = demand.atStart(guest, g) + others;
            if (cost < guest.total[g]!) guest.total[g] = cost;
          }
        }
      }
    }
  }
}
