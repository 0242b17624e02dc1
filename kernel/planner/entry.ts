import { Model } from '../model';
import { isOver, received } from '../model/entry';
import { Calming } from './calming';
import { Descent } from './descent';
import { Random } from './random';
import { Sparing } from './sparing';

// What the host calls; see `core/planner/kernel/kernel.ts`. Addresses are bytes in the kernel's memory.

let descent: Descent | null = null;
let calming: Calming | null = null;
let sparing: Sparing | null = null;

function search(): Descent {
  return descent as Descent;
}

function quiet(): Calming {
  return calming as Calming;
}

/** Builds the search for the model that was written. */
export function open(): void {
  descent = new Descent(new Model(received()), new Random(1));
  calming = new Calming(search());
  sparing = new Sparing(search());
}

export function attempt(number: i32, tried: i32): i32 {
  return search().attempt(number, tried, isOver);
}

export function begin(rounds: i32, heat: f64, keepsTies: bool): void {
  search().begin(rounds, heat, keepsTies);
}

export function run(until: i32): void {
  search().run(until, isOver);
}

export function wanted(): usize {
  return changetype<usize>(search().wanted);
}

export function takeUp(steps: i32, reach: i32): bool {
  return search().takeUp(steps, reach, isOver);
}

export function takeUpLater(steps: i32): bool {
  return search().takeUpLater(steps, isOver);
}

export function takeUpSparing(until: i32): bool {
  return (sparing as Sparing).takeUpSparing(until, isOver);
}

export function anchors(): usize {
  return changetype<usize>(quiet().anchors);
}

export function beginCalming(limit: f64): void {
  quiet().beginCalming(limit);
}

export function calm(until: i32): void {
  quiet().calm(until, isOver);
}

export function fewest(): i32 {
  return quiet().fewest;
}

export function rounds(): i32 {
  return search().rounds;
}

export function setRounds(rounds: i32): void {
  search().rounds = rounds;
}

export function randomState(): i32 {
  return search().random.state;
}

export function setRandomState(state: i32): void {
  search().random.state = state;
}

export function failures(): usize {
  return changetype<usize>(search().forcer.failures);
}

export function likelyPauses(): usize {
  return changetype<usize>(search().opening.likely.state);
}

export function boardMemory(): usize {
  return changetype<usize>(search().board.memory);
}

export function boardConfiguration(): i32 {
  return search().board.config.index;
}

export function setBoardConfiguration(index: i32): void {
  search().board.config = search().model.configurations[index];
}

export function begunMemory(): usize {
  return changetype<usize>(search().begun);
}

export function setHasBegun(hasBegun: bool): void {
  search().hasBegun = hasBegun;
}

export function bestMemory(): usize {
  return changetype<usize>(search().best.memory);
}

export function bestConfiguration(): i32 {
  return search().best.config.index;
}

export function bestCost(): f64 {
  return search().best.cost;
}

export function bestPull(): f64 {
  return search().best.pull;
}

export function setBest(configuration: i32, cost: f64, pull: f64): void {
  const best = search().best;
  best.config = search().model.configurations[configuration];
  best.cost = cost;
  best.pull = pull;
}
