import { hasBit } from '../model';
import type { Known } from './known';
import type { Part } from './part';
import type { Tree } from './tree';

/** What somebody has to stay with runs in no minute in which all who might are at the table: closes starts, and serving slots. */
export class Staying {
  /** By slot: minutes before it in which everybody who is free surely sits. */
  private readonly seated: Int32Array;
  /** 1 for each minute in which something surely runs that has to be stayed with. */
  private readonly stayed: Uint8Array;
  private readonly hasAny: boolean;

  constructor(
    private readonly tree: Tree,
    private readonly known: Known,
  ) {
    const { slots } = tree.model;
    let hasAny = false;
    for (const i of tree.order) for (const option of tree.options[i]!) hasAny = hasAny || option.mode.stay;
    this.hasAny = hasAny;
    this.seated = new Int32Array(slots + 1);
    this.stayed = new Uint8Array(slots);
  }

  /** True where anything was closed. */
  narrow(part: Part): boolean {
    if (!this.hasAny) return false;
    const isCloser = this.closeStarts(part);
    return this.closeSlots(part) || isCloser;
  }

  private closeStarts(part: Part): boolean {
    const { domain } = part;
    const { tree, seated } = this;
    const { model } = tree;
    let changed = false;
    this.findSeated();
    for (const i of tree.order) {
      for (const option of tree.options[i]!) {
        const { at, low, first, last, mode, shortest } = option;
        if (!mode.stay) continue;
        for (let k = first; k <= last; k++) {
          const end = Math.min(model.slots, low + k + mode.duration + shortest);
          if (domain[at + k] === 0 || seated[end] === seated[low + k]) continue;
          domain[at + k] = 0;
          changed = true;
        }
      }
    }
    return changed;
  }

  private findSeated(): void {
    const { tree, known, seated } = this;
    const { courses, slots, watched } = tree.model;
    const { serveLow, serveHigh } = known;
    seated.fill(0);
    for (let c = 0; c < courses.length; c++) {
      for (let m = serveHigh[c]!; m < serveLow[c]! + courses[c]!.eating; m++)
        if (!hasBit(watched, m)) seated[m + 1] = 1;
    }
    for (let m = 0; m < slots; m++) seated[m + 1]! += seated[m]!;
  }

  private closeSlots(part: Part): boolean {
    const { domain } = part;
    const { tree, known, stayed } = this;
    const { courses, watched } = tree.model;
    const { maxStart, minEnd, serveLow, serveHigh } = known;
    let isStayed = false;
    stayed.fill(0);
    for (const i of tree.order) {
      let mustStay = true;
      for (const { mode, first, last } of tree.options[i]!)
        mustStay = mustStay && (mode.stay || last < first);
      if (!mustStay || maxStart[i]! >= minEnd[i]!) continue;
      stayed.fill(1, maxStart[i]!, minEnd[i]!);
      isStayed = true;
    }
    if (!isStayed) return false;
    let changed = false;
    for (let c = 0; c < courses.length; c++) {
      const at = tree.serveAt[c]! - tree.serveLow[c]!;
      for (let down = serveLow[c]!; down <= serveHigh[c]!; down++) {
        if (domain[at + down] === 0) continue;
        for (let m = down; m < down + courses[c]!.eating; m++) {
          if (stayed[m] === 0 || hasBit(watched, m)) continue;
          domain[at + down] = 0;
          changed = true;
          break;
        }
      }
    }
    return changed;
  }
}
