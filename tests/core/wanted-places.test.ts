import { compileModel } from '../../core/model';
import { Board } from '../../core/planner/board';
import { Inserter } from '../../core/planner/insert';
import { Random } from '../../core/planner/random';
import { WantedPlaces } from '../../core/planner/wanted-places';
import { dinnerFile, read, step } from '../builders/dinner';

/** A board of ten-minute steps, in minutes before sitting down; `kept` says what stands there and has to stay. */
function boardOf(names: readonly string[], kept: Readonly<Record<string, number>> = {}) {
  const dinner = read(dinnerFile(names.map((name) => step(name, 10, { keeps: { most: 400 } }))));
  const model = compileModel(dinner);
  const board = new Board(model);
  board.serveAfter([0]);
  const inserter = new Inserter(board, new Random(1));
  const open = new Int32Array(model.activities.length);
  const indexOf = (name: string) => model.activities.find((a) => a.name === `dish/${name}`)!.index;
  const service = board.config.members.filter((i) => board.activity(i).role !== 'step');
  [...names.map(indexOf), ...service].forEach((i, k) => (open[k] = i));
  board.tighten(open, board.config.members.length);
  for (const i of service) inserter.insert(i, 0, true, false);
  for (const [name, start] of Object.entries(kept))
    inserter.insertAt(indexOf(name), 0, -1, model.zero + start);
  const places = new WantedPlaces(board, inserter, open);
  return {
    want: (name: string, start: number) => places.want(indexOf(name), start < 0 ? model.zero + start : -1),
    places,
    open,
    indexOf,
    startOf: (name: string) => board.start[indexOf(name)]! - model.zero,
  };
}

test('what is ahead goes where it is wanted, and the rest, in its order, as late before its place as there is room', () => {
  const { want, places, startOf } = boardOf(['wash', 'peel', 'chop', 'stir']);
  want('stir', -45);
  want('peel', -50);
  want('chop', -40);
  want('wash', -60);
  expect(places.putEarlier(1)).toBe(0);
  expect(['wash', 'peel', 'chop', 'stir'].map(startOf)).toEqual([-75, -65, -55, -45]);
});

test('what is wanted later than there is room closes up', () => {
  const { want, places, startOf } = boardOf(['wash', 'peel', 'stir'], { stir: -30 });
  want('wash', -45);
  want('peel', -35);
  expect(places.putEarlier(0)).toBe(0);
  expect(['wash', 'peel'].map(startOf)).toEqual([-50, -40]);
});

test('the other way round what stands in the way is gone past by going later', () => {
  const { want, places, startOf } = boardOf(['wash', 'peel', 'chop', 'stir'], { stir: -65 });
  want('wash', -70);
  want('peel', -60);
  want('chop', -20);
  expect(places.putLater()).toBe(0);
  expect(['wash', 'peel', 'chop'].map(startOf)).toEqual([-55, -45, -20]);
});

test('what has no place that is wanted is left over', () => {
  const { want, places, open, indexOf, startOf } = boardOf(['wash', 'peel']);
  want('wash', -40);
  want('peel', 0);
  expect(places.putEarlier(0)).toBe(1);
  expect(open[0]).toBe(indexOf('peel'));
  expect(startOf('wash')).toBe(-40);
});
