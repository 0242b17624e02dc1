import type { Model } from '../model';
import type { Check, Option } from './options';
import type { Tree } from './tree';
import type { Row } from './waiting';

/** A shorter run of closed starts is passed over one by one. */
const LEAST_GAP = 30;

/** The first start that a step inside its host may have, from the host's start. */
export function guestFirst(model: Model, guest: Option, host: Option): number {
  return Math.max(0, guestDue(model, guest, host) - model.activities[guest.activity]!.slack);
}

/** The last one. */
export function guestLast(model: Model, guest: Option, host: Option): number {
  const { slack, fromEnd } = model.activities[guest.activity]!;
  const due = guestDue(model, guest, host);
  const late = fromEnd ? due + host.reach : due;
  return Math.min(late + slack, host.mode.duration + host.reach - guest.mode.duration);
}

function guestDue(model: Model, guest: Option, host: Option): number {
  const { offset, fromEnd } = model.activities[guest.activity]!;
  return fromEnd ? host.mode.duration - offset : offset;
}

/** The first slot in which a look at a pot may begin, whatever open start of it. */
export function lookFirst(option: Option, check: Check): number {
  return Math.max(check.from, option.low + option.first + check.low);
}

/** The last one. */
export function lookLast(option: Option, check: Check): number {
  return Math.min(check.to, option.low + option.last + check.high);
}

/** False where some minute of a look at a pot is fixed: then what takes that minute is the look itself. */
export function lookMayClash(option: Option, check: Check): boolean {
  return lookLast(option, check) - lookFirst(option, check) >= option.mode.takes;
}

/** The only option with an open start; null where there are more. */
export function onlyOpen(options: readonly Option[]): Option | null {
  let only: Option | null = null;
  for (const option of options) {
    if (option.last < option.first) continue;
    if (only !== null) return null;
    only = option;
  }
  return only;
}

/** When what step `i` hangs on begins: its plating, or the start of the step that it leads to. */
export function parentStart(tree: Tree, i: number, start: Int32Array, serve: Int32Array): number {
  const { kind, parent } = tree.branches[i]!;
  return kind === 'plate' ? serve[parent]! - tree.model.courses[parent]!.plating : start[parent]!;
}

/** Sets `row` to the starts (or serving slots less plating) that step `i` hangs on. */
export function setParentRow(tree: Tree, i: number, row: Row): void {
  const { kind, parent } = tree.branches[i]!;
  if (kind === 'plate') {
    row.low = tree.serveLow[parent]! - tree.model.courses[parent]!.plating;
    row.first = 0;
    row.last = tree.serveHigh[parent]! - tree.serveLow[parent]!;
    row.setGap(0, 0);
    return;
  }
  const options = tree.options[parent]!;
  row.low = options[0]!.low;
  row.first = row.last = -1;
  let from = 0;
  let to = 0;
  for (const option of options) {
    const { first, last, gapFrom, gapTo } = option;
    if (last < first) continue;
    row.first = row.first < 0 ? first : Math.min(row.first, first);
    row.last = Math.max(row.last, last);
    if (gapTo - gapFrom <= to - from) continue;
    from = gapFrom;
    to = gapTo;
  }
  // What is closed to one of the options may be open to another.
  for (const option of options) {
    const { first, last, gapFrom, gapTo } = option;
    if (last < first || last < from || first >= to) continue;
    from = Math.max(from, gapFrom);
    to = Math.min(to, gapTo);
  }
  row.setGap(from, to);
}

/** Looks for the widest run of closed starts of an option; one that is not worth a leap counts for none. */
export function findGap(option: Option, domain: Uint8Array): void {
  const { first, last, at } = option;
  let run = 0;
  let widest = 0;
  let to = 0;
  for (let k = first; k <= last; k++) {
    run = domain[at + k] === 0 ? run + 1 : 0;
    if (run <= widest) continue;
    widest = run;
    to = k + 1;
  }
  const isNone = widest < LEAST_GAP;
  option.gapFrom = isNone ? last + 1 : to - widest;
  option.gapTo = isNone ? last + 1 : to;
}
