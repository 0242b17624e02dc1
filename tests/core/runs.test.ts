import { auditPlan } from '../../core/audit';
import { compileModel } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { assemblePlan } from '../../core/planner/assemble';
import { Incumbent } from '../../core/planner/descent';
import { runsFor, type Budget, type Runner } from '../../core/planner/runs';
import { Prover, type Answer } from '../../core/proof';
import { lastOf } from '../../core/slices';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const { board } = new Search(compileModel(read(dinnerFile([step('chop', 10)]))), 1);
/** Ten activities: a first plan needs 250 rounds. */
const ACTIVITIES = 10;

/** Answers known by a number, which is where their only step would like to be. */
const answerNumber = (n: number): Answer => ({
  config: board.config,
  options: [],
  start: Int32Array.of(n),
  serve: new Int32Array(0),
  isDecided: false,
});

/** A search that tells what it is asked, and whose runs come to what is foretold: each so much cheaper than where it set out. */
class Told implements Runner {
  readonly board = board;
  readonly best = new Incumbent(board);
  readonly random = new Random(1);
  readonly said: string[] = [];
  rounds = 0;
  asked = 0;

  constructor(private readonly gains: number[] = []) {
    this.best.cost = 100;
  }

  // eslint-disable-next-line require-yield
  *cooling({ onBetter }: Budget, until: number, heat: number): Generator<void, void> {
    this.said.push(`${until - this.rounds} rounds, heat ${heat}`);
    this.rounds = until;
    this.best.cost -= this.gains.shift() ?? 0;
    onBetter?.(this.best.cost);
  }

  // eslint-disable-next-line require-yield
  *startAnew(): Generator<void, boolean> {
    this.said.push('anew');
    this.best.cost = 200;
    return true;
  }

  startNear({ start }: Answer): boolean {
    this.said.push(`near ${start[0]!}`);
    this.best.cost = 90 - start[0]!;
    return start[0] !== 13;
  }

  /** Makes so many rounds with relaxed answers of these numbers, or with none to be had. */
  run(rounds: number, numbers?: number[], more: Partial<Budget> = {}): string[] {
    // eslint-disable-next-line require-yield
    const relaxed = function* (this: Told): Generator<void, Answer[]> {
      this.asked += 1;
      this.said.push('relax');
      return numbers!.map(answerNumber);
    };
    const relax = numbers && relaxed.bind(this);
    lastOf(runsFor(this, { rounds, isOver: () => false, relax, ...more }, ACTIVITIES));
    return this.said;
  }
}

test('few rounds are one run', () => {
  expect(new Told().run(300)).toEqual(['300 rounds, heat 1']);
});

test('many rounds set out from several first plans, then warm up the best of their ends twenty times', () => {
  const told = new Told([0, 150]);
  const said = told.run(2000);
  expect(said.filter((what) => what === 'anew')).toHaveLength(7);
  expect(said.filter((what) => what === '125 rounds, heat 1')).toHaveLength(8);
  expect(said.filter((what) => what === '50 rounds, heat 0.2')).toHaveLength(20);
  expect(told.best.cost).toBe(50);
});

test('only what is better than all before is told', () => {
  const costs: number[] = [];
  new Told([5, 0, 150]).run(1000, undefined, { onBetter: (cost) => costs.push(cost) });
  expect(costs).toEqual([95, 50]);
});

describe('where a relaxation can be asked', () => {
  test('one run begins again from the best of the last four answers', () => {
    const told = new Told([1, 0, 0, 60, 0, 0]);
    expect(told.run(500, [1, 2, 3, 4, 5])).toEqual([
      '100 rounds, heat 1',
      'relax',
      ...[5, 4, 3, 2].flatMap((n) => [`near ${n}`, '20 rounds, heat 0.25']),
      '320 rounds, heat 0.5',
    ]);
    // The third of them, that of answer 3, came to 87 - 60.
    expect(told.best.cost).toBe(27);
  });

  test('it goes on from the plan in hand where no answer makes a plan', () => {
    const told = new Told([20, 7]);
    expect(told.run(500, [13, 13])).toEqual([
      '100 rounds, heat 1',
      'relax',
      'near 13',
      'near 13',
      '400 rounds, heat 1',
    ]);
    expect(told.best.cost).toBe(73);
  });

  test('it keeps what the first run found where all that is near the answers is dearer', () => {
    const told = new Told([95]);
    told.run(500, [1, 2, 3]);
    expect(told.best.cost).toBe(5);
  });
});

describe('where it is seen how many rounds there is time for', () => {
  test('of several first plans the next take more, and so does warming up', () => {
    const told = new Told();
    const said = told.run(2000, undefined, { fit: () => 9000 });
    expect(said[0]).toBe('125 rounds, heat 1');
    // The other seven share what half of nine thousand leaves them.
    expect(said.filter((what) => what === '625 rounds, heat 1')).toHaveLength(7);
    expect(said.filter((what) => what === '225 rounds, heat 0.2')).toHaveLength(20);
    expect(told.rounds).toBe(9000);
  });

  test('a slow machine warms up for less', () => {
    const told = new Told();
    told.run(2000, undefined, { fit: () => 1000 });
    expect(told.rounds).toBe(1000);
  });

  test('a short run goes before one long run', () => {
    expect(new Told().run(300, undefined, { fit: () => 500 })).toEqual([
      '30 rounds, heat 1',
      '470 rounds, heat 1',
    ]);
  });

  test('what is tried near relaxed answers takes its share of all', () => {
    expect(new Told().run(500, [1, 2, 3, 4], { fit: () => 1000 })).toEqual([
      '100 rounds, heat 1',
      'relax',
      ...[4, 3, 2, 1].flatMap((n) => [`near ${n}`, '40 rounds, heat 0.25']),
      '740 rounds, heat 0.5',
    ]);
  });
});

test('a run told how hot to begin is one run, whatever else there may be', () => {
  const told = new Told();
  expect(told.run(5000, [1], { heat: 0.3 })).toEqual(['5000 rounds, heat 0.3']);
  expect(told.asked).toBe(0);
});

/** How many steps of the best plan of a search start no more than five minutes from where an answer has them. */
function countNear({ board: at, best, model }: Search, { start }: Answer): number {
  at.memory.set(best.memory);
  return best.config.members.filter(
    (i) => model.activities[i]!.role === 'step' && Math.abs(at.start[i]! - start[i]!) <= 5,
  ).length;
}

test('plans near the relaxed answers of a climb break no rule, and are nearer to them than others', () => {
  let made = 0;
  let near = 0;
  let nearAnew = 0;
  for (let seed = 1; seed <= 10; seed++) {
    const dinner = read(generateDinner(seed, 'medium'));
    const search = new Search(compileModel(dinner), seed);
    const budget = { rounds: 400, isOver: () => false };
    expect(search.construct(budget)).toBe(true);
    search.improve(budget);
    const answers: Answer[] = [];
    const prover = new Prover(search.model, [search.best.config], {
      target: search.best.cost,
      work: Infinity,
      settle: () => ({ cost: Infinity, isLeast: false }),
      onRelaxed: (answer) => answers.push(answer),
    });
    prover.run(() => answers.length === 8);
    expect(answers).toHaveLength(8);
    for (const answer of answers.slice(-4)) {
      if (!search.startNear(answer, budget)) continue;
      made += 1;
      near += countNear(search, answer);
      search.showBest();
      const plan = assemblePlan(search.board, [], null);
      expect(auditPlan(dinner, plan).breaches).toEqual([]);
      expect(plan.cost).toBeCloseTo(search.best.cost, 1);
      expect(lastOf(search.startAnew(budget))).toBe(true);
      nearAnew += countNear(search, answer);
    }
  }
  expect(made).toBeGreaterThan(20);
  expect(near).toBeGreaterThan(1.5 * nearAnew);
});
