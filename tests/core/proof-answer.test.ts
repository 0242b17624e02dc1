import { compileModel } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { allConfigurations } from '../../core/planner/combinations';
import { Dual } from '../../core/proof/dual';
import type { Relaxation } from '../../core/proof/relaxation';
import { SideLosses } from '../../core/proof/side-losses';
import { parentStart } from '../../core/proof/spans';
import { makeTree } from '../../core/proof/tree';
import { read } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';
import { wholePart } from '../builders/whole-part';

/** What minutes [from, to) of a list add up to. */
const over = (list: Float64Array, from: number, to: number) =>
  list.subarray(from, Math.max(from, to)).reduce((sum, value) => sum + value, 0);

/** What the steps of the relaxed answer cost at the prices in force, one by one, with what waits beside its branch. */
function costOfSteps(relaxation: Relaxation, beside: SideLosses): number {
  const { tree, demand } = relaxation;
  const { weights } = tree.model;
  const { factor, held, gains } = demand.linkShares;
  let cost = tree.config.points * weights.ways;
  for (const i of tree.order) {
    const option = demand.option(i);
    const { mode, uses, pieces } = option;
    const [start, pause] = [demand.start[i]!, demand.pause[i]!];
    const end = start + mode.duration + pause;
    cost += weights.ways * mode.points;
    const count = relaxation.findStretches(option, start, pause);
    for (let k = 0; k < count; k++) {
      const [from, to] = [relaxation.from[k]!, relaxation.to[k]!];
      cost +=
        (mode.isHands ? mode.hands : 1) * (over(demand.price, from, to) + over(demand.linear, from, to));
      for (const { resource, count: n, worked } of uses)
        if (worked) cost += n * over(demand.resourcePrice[resource]!, from, to);
    }
    const { kind } = tree.branches[i]!;
    const leadsOn = kind === 'after' || kind === 'plate';
    const next = leadsOn ? parentStart(tree, i, demand.start, demand.serve) : end;
    for (const { resource, count: n, kept, worked, lead, rest } of uses) {
      const until = Math.min(demand.to, kept ? next : end + rest);
      const from = Math.max(demand.from, start + lead);
      if (!worked) cost += n * factor[resource]! * over(demand.resourcePrice[resource]!, from, until);
    }
    if (!leadsOn) continue;
    const waited = next - end;
    const fits = pieces.filter(({ from, to }) => waited >= from && waited <= to);
    const losesBeside = beside.begin(option);
    const lost = losesBeside ? beside.loss(option, end) : 0;
    const notGained = losesBeside ? beside.gainsLost(option, end) : 0;
    cost += Math.min(
      ...fits.map(
        ({ base, slope, heldBase, heldSlope, otherBase, otherSlope }) =>
          base +
          slope * waited +
          held[i]! * Math.max(0, lost - heldBase - heldSlope * waited) +
          gains[i]! * Math.max(0, notGained - otherBase - otherSlope * waited),
      ),
    );
  }
  return cost;
}

/** What plating, clearing and the pauses of the relaxed answer cost. */
function costOfService({ tree, demand }: Relaxation): number {
  const { courses, weights } = tree.model;
  let cost = 0;
  courses.forEach(({ plating, clearing, eating, ideal }, c) => {
    const at = demand.serve[c]!;
    cost += over(demand.price, at - plating, at) + over(demand.price, at + eating, at + eating + clearing);
    cost += over(demand.linear, at + eating, at + eating + clearing);
    // Guests at the door do not mind the first plating, which is work of the day all the same.
    cost += c === 0 ? weights.sameDay * plating : over(demand.linear, at - plating, at);
    if (c === 0) return;
    const wait = at - demand.serve[c - 1]! - courses[c - 1]!.eating;
    cost += weights.wait * Math.max(0, wait - ideal) + weights.rushed * Math.max(0, ideal - wait);
  });
  return cost;
}

/** What the minutes given cost, less what is paid for them and for all there is of each resource. One cook. */
function costOfSupply({ tree, demand, supply }: Relaxation): number {
  const { model, priced } = tree;
  let cost = model.weights.day * (model.zero - supply.first);
  supply.given.forEach((n, m) => {
    const price = demand.price[m]!;
    cost -= n * (supply.seated[m] ? price : Math.max(0, price));
  });
  const { factor } = demand.linkShares;
  demand.resourcePrice.forEach(
    (list, r) => (cost -= factor[r]! * priced[r]!.capacity * over(list, demand.from, demand.to)),
  );
  model.courses.forEach(({ eating }, c) => {
    const at = demand.serve[c]!;
    const minutes = [...supply.given.subarray(at, at + eating)].join('');
    cost += model.weights.away * minutes.replaceAll('0', '').length;
    cost += model.weights.trips * minutes.split(/00+/).filter((part) => part.includes('1')).length;
  });
  return cost;
}

test.each(GENERATORS)(
  '%s: at any prices the relaxed answer costs what the bound says, or more where something waits beside its branch',
  (name, generate) => {
    const random = new Random(17);
    let asked = 0;
    let paused = 0;
    let cheap = 0;
    let exact = 0;
    let shared = 0;
    for (let seed = 1; seed <= 30; seed++) {
      const model = compileModel(read(generate(seed, seed % 5 === 0 ? 'medium' : 'small')));
      const config = allConfigurations(new Search(model, 1).board)?.find(({ possible }) => possible);
      if (model.cookCount > 1 || !config) continue;
      const dual = new Dual(makeTree(model, config));
      const { relaxation, demand, supply } = dual;
      const { part, evening } = wholePart(dual);
      const begun = evening();
      if (!begun) continue;
      const beside = new SideLosses(dual.tree);
      beside.serveLow.set(begun.serveLow);
      beside.serveHigh.set(begun.serveHigh);
      const waitsBeside = dual.tree.options.flat().some((option) => beside.begin(option));
      for (let round = 0; round < 3; round++) {
        const price = () => (random.next() < 0.4 ? 0 : random.next());
        for (let m = demand.from; m < demand.to; m++) {
          // What is paid where no work can lie counts as nothing.
          const isQuiet = m >= demand.quietFrom && m < demand.quietTo;
          for (const list of demand.resourcePrice) list[m] = isQuiet ? 0 : price();
          if (isQuiet) continue;
          // A minute at table may have a price below nothing.
          demand.price[m] = (random.next() < 0.2 ? -1 : 3) * price();
        }
        demand.queueing.share.forEach((_, q) => (demand.queueing.share[q] = random.next()));
        const { share } = demand.linkShares;
        share.forEach((_, k) => (share[k] = random.next()));
        shared += share.length;
        const bound = dual.bound(part.domain, begun);
        dual.countUse();
        const cost =
          demand.queueing.pay() +
          costOfSteps(relaxation, beside) +
          costOfService(relaxation) +
          costOfSupply(relaxation);
        expect(cost).toBeGreaterThan(bound - 1e-5);
        if (!waitsBeside) {
          expect(cost).toBeCloseTo(bound, 5);
          exact += 1;
        }
        asked += 1;
        supply.seated.forEach((isSeated, m) => (cheap += isSeated && demand.price[m]! < 0 ? 1 : 0));
        paused += demand.pause.reduce((sum, minutes) => sum + minutes, 0);
      }
    }
    expect(asked).toBeGreaterThan(40);
    expect(exact).toBeGreaterThan(20);
    if (name === 'as the cook decided') expect(shared).toBeGreaterThan(0);
    expect(paused).toBeGreaterThan(0);
    expect(cheap).toBeGreaterThan(0);
  },
);
