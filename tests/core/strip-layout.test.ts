import fc from 'fast-check';
import { tasksOf } from '../../core/live';
import {
  assignShelves,
  cutPanes,
  heatEdges,
  layOutStrip,
  loadByQuarter,
  makeScale,
  wrapWords,
  yOf,
  type StripMeasure,
} from '../../core/strip';
import { DEMOS, demoText, planOf, read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const MEASURE: StripMeasure = {
  perMinute: 3,
  fold: 60,
  characters: 30,
  mostLines: 3,
  line: 20,
  around: 8,
  leastLabel: 0,
  courseLabel: 36,
};

describe('places in an oven', () => {
  const NEEDS = fc.array(
    fc
      .tuple(
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 5, max: 60 }),
        fc.constantFrom(0.5, 1, 2),
        fc.constantFrom('top' as const, 'middle' as const, 'low' as const, 'any' as const),
      )
      .map(([from, length, shelves, shelf]) => ({ from, to: from + length, shelves, shelf })),
    { minLength: 1, maxLength: 8 },
  );

  test('no two things are in one place at one time', () => {
    fc.assert(
      fc.property(NEEDS, (needs) => {
        const { tops, shelves } = assignShelves(needs, 2);
        return needs.every(
          (a, i) =>
            tops[i]! + a.shelves <= shelves &&
            needs.every(
              (b, k) =>
                i >= k ||
                a.to <= b.from ||
                b.to <= a.from ||
                tops[i]! + a.shelves <= tops[k]! ||
                tops[k]! + b.shelves <= tops[i]!,
            ),
        );
      }),
      { seed: 4, numRuns: 300 },
    );
  });

  test('what asks for a shelf gets it where it is free, and else the nearest', () => {
    const need = (from: number, to: number, shelf: 'top' | 'low' | 'any') => ({
      from,
      to,
      shelves: 1,
      shelf,
    });
    expect(assignShelves([need(0, 30, 'any'), need(0, 30, 'top')], 2).tops).toEqual([1, 0]);
    expect(assignShelves([need(0, 30, 'low'), need(10, 40, 'low')], 2).tops).toEqual([1, 0]);
    expect(assignShelves([need(0, 30, 'low'), need(30, 40, 'low')], 2).tops).toEqual([1, 1]);
  });
});

describe('what the oven has', () => {
  const oven = { heats: 10, cools: 4 };

  test('it heats at its rate and stays', () => {
    expect(heatEdges([{ from: -60, to: 0, celsius: 200 }], oven)).toEqual([
      [
        { minute: -60, celsius: 20 },
        { minute: -42, celsius: 200 },
        { minute: 0, celsius: 200 },
      ],
    ]);
  });

  test('it cools slowly to a lower setting, and may not get there', () => {
    const [line] = heatEdges(
      [
        { from: 0, to: 60, celsius: 200 },
        { from: 60, to: 70, celsius: 150 },
      ],
      oven,
    );
    expect(line!.at(-1)).toEqual({ minute: 70, celsius: 160 });
  });

  test('switched off in between it cools, and begins again where it is', () => {
    const edges = heatEdges(
      [
        { from: 0, to: 60, celsius: 200 },
        { from: 90, to: 120, celsius: 200 },
      ],
      oven,
    );
    expect(edges).toHaveLength(2);
    expect(edges[1]![0]).toEqual({ minute: 90, celsius: 80 });
  });
});

test('the load of all quarters is all the work there is, and none is over a quarter for one cook', () => {
  const dinner = read(JSON.parse(demoText('walnut-harvest')));
  const plan = planOf(dinner, 500);
  for (const cook of dinner.cooks) {
    const tasks = tasksOf(dinner, plan).filter((t) => t.cook === cook.id);
    const loads = loadByQuarter(tasks);
    const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
    expect(sum(loads.map((l) => l.minutes))).toBe(sum(tasks.map((t) => t.to - t.from)));
    expect(Math.max(...loads.map((l) => l.minutes))).toBeLessThanOrEqual(15);
  }
});

test('text breaks between words and loses none', () => {
  expect(wrapWords('Peel and dice the celeriac.', 12)).toEqual(['Peel and', 'dice the', 'celeriac.']);
  fc.assert(
    fc.property(fc.array(fc.stringMatching(/^[a-z]{1,9}$/), { minLength: 1 }), (words) => {
      const text = words.join(' ');
      return wrapWords(text, 12).join(' ') === text && wrapWords(text, 12).every((line) => line.length <= 12);
    }),
    { seed: 8, numRuns: 200 },
  );
});

test('panes hold the whole strip, cut between blocks, none much taller than need be', () => {
  let cut = 0;
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -900, max: 100 }), { minLength: 3, maxLength: 40 }),
      fc.integer({ min: 1, max: 3 }),
      (starts, count) => {
        const labels = starts.map((at) => ({ at, height: 30 })).sort((a, b) => a.at - b.at);
        const scale = makeScale(
          starts.map((from) => ({ from, to: from + 10 })),
          2,
          40,
          [labels],
        );
        const panes = cutPanes(scale, count);
        if (panes.length > 1) cut += 1;
        const tallestBlock = Math.max(...scale.segments.map((s) => s.height));
        const ends = scale.segments.map((s) => s.top + s.height);
        return (
          panes.length <= count &&
          panes[0]!.top === 0 &&
          panes.at(-1)!.bottom === scale.height &&
          panes.every(
            (p, k) =>
              (k === 0 || p.top === panes[k - 1]!.bottom) &&
              ends.includes(p.bottom) &&
              p.bottom - p.top <= scale.height / count + tallestBlock + 1,
          )
        );
      },
    ),
    { seed: 6, numRuns: 200 },
  );
  expect(cut).toBeGreaterThan(60);
});

describe('the layout of an evening', () => {
  const EVENINGS = [
    ...DEMOS.map((name) => [name, read(JSON.parse(demoText(name)))] as const),
    ['eighty steps', read(generateDinner(3, 'large'))] as const,
  ];

  test.each(EVENINGS)(
    '%s: every task has one label, labels never collide, none covers a course',
    (_, dinner) => {
      const plan = planOf(dinner, 300);
      const layout = layOutStrip(dinner, plan, MEASURE);
      const labels = layout.hands.flatMap((column) => column.labels);
      expect(labels.map((l) => l.task.id).sort()).toEqual(layout.tasks.map((t) => t.id).sort());
      for (const column of layout.hands) {
        const sorted = [...column.labels].sort((a, b) => a.top - b.top);
        sorted.forEach((label, k) => {
          const next = sorted[k + 1];
          if (next) expect(label.top + label.height).toBeLessThanOrEqual(next.top + 1e-6);
          expect(label.top + label.height).toBeLessThanOrEqual(layout.scale.height + 1e-6);
        });
        for (const course of layout.courses) {
          const line = yOf(layout.scale, course.serve);
          const covers = sorted.filter((l) => l.top < line - 1e-6 && l.top + l.height > line + 1e-6);
          expect(covers.map((l) => l.task.text)).toEqual([]);
        }
      }
    },
  );

  test('what stands in an oven at one time is said to share it', () => {
    const dinner = read(JSON.parse(demoText('walnut-harvest')));
    const layout = layOutStrip(dinner, planOf(dinner, 500), MEASURE);
    for (const oven of layout.ovens) {
      for (const bar of oven.bars) {
        const together = oven.bars.filter((b) => b !== bar && b.from < bar.to && bar.from < b.to);
        expect([...bar.sharesWith].sort()).toEqual(together.map((b) => b.dish).sort());
      }
    }
  });
});
