import { DAY_WINDOW } from '../../core/plan';
import { compileModel } from '../../core/model';
import { GUIDE, rawTerms } from '../../core/planner/cost';
import { LinkCosts } from '../../core/planner/link-costs';
import { Random } from '../../core/planner/random';
import { Ranking } from '../../core/planner/ranking';
import { Search } from '../../core/planner/search';
import type { Board } from '../../core/planner';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

/** What the plan on the board costs by links and ways. */
function costOfLinks(board: Board): number {
  const { held, gains, ways } = rawTerms(board);
  const { weights } = board.model;
  return held * weights.held + gains * weights.gains + ways * weights.ways;
}

test('what the links of a step are said to cost is what the plan costs more with it than without', () => {
  let costly = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const search = new Search(compileModel(read(generateDinner(seed, 'medium'))), seed);
    const { board, model } = search;
    if (!search.construct({ rounds: 1, isOver: () => false })) continue;
    search.showBest();
    const links = new LinkCosts(board);
    const plan = board.memory.slice();
    for (const i of board.config.members) {
      if (board.activity(i).role !== 'step') continue;
      board.memory.set(plan);
      const withIt = costOfLinks(board);
      const [start, end, mode] = [board.start[i]!, board.end[i]!, board.modeOf(i)];
      board.unplace(i);
      const expected = withIt - costOfLinks(board);
      links.beginAt(i);
      links.endIn(i, mode);
      const ahead = model.zero - start;
      const guide = ahead > 0 && ahead <= DAY_WINDOW ? GUIDE * model.weights.day * ahead : 0;
      expect(links.ofStart(mode, start) + links.ofEnd(mode, end) - guide).toBeCloseTo(expected, 9);
      if (expected > 0) costly += 1;
    }
  }
  expect(costly).toBeGreaterThan(20);
});

test('starts are ranked by what they cost at least, equals in the order in which they came', () => {
  const ranking = new Ranking();
  const random = new Random(5);
  const added = Array.from({ length: 100 }, (_, start) => ({ start, least: random.below(12) }));
  for (const { start, least } of added) ranking.add(start, least / 2, least);
  const expected = [...added].sort((a, b) => a.least - b.least || a.start - b.start);
  const ranked = Array.from({ length: ranking.count }, (_, k) => ({
    start: ranking.start[k]!,
    least: ranking.least[k]!,
  }));
  expect(ranked).toEqual(expected);
  expect([...ranking.links].slice(0, 100)).toEqual(expected.map(({ least }) => least / 2));
});
