import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';

test('where one of two steps cannot come first it comes second, though no minute is spoken for yet', () => {
  const { evening, leave, span, narrowing, model } = partOfSteps([step('chop', 30), step('stir', 30)]);
  leave(0, -100, -70);
  leave(1, -95, -60);
  expect(evening()).not.toBeNull();
  expect(span(0)).toEqual([-100, -90]);
  expect(span(1)).toEqual([-70, -60]);
  expect(narrowing.known.forced.subarray(0, model.zero - 90).some((cooks) => cooks > 0)).toBe(false);
});

test('what two must do before a third begins moves it by the work of both', () => {
  const { evening, leave, span } = partOfSteps([step('chop', 20), step('peel', 20), step('stir', 30)]);
  leave(0, -120, -85);
  leave(1, -120, -85);
  leave(2, -110, -40);
  expect(evening()).not.toBeNull();
  // Neither 20 minutes fit after the 30 that begin at -110 at the earliest, so both come first: 40 minutes from -120 on.
  expect(span(2)[0]).toBe(-80);
});

test('three half hours do not go into eighty minutes, and just go into ninety', () => {
  const steps = [step('chop', 30), step('stir', 30), step('knead', 30)];
  const tight = partOfSteps(steps);
  const wide = partOfSteps(steps);
  for (let n = 0; n < 3; n++) {
    tight.leave(n, -100, -50);
    wide.leave(n, -110, -50);
  }
  expect(tight.evening()).toBeNull();
  expect(wide.evening()).not.toBeNull();
});

test('work that may pause counts with all of its minutes, up to when it can end', () => {
  const steps = [step('chop', 30), step('stir', 30), step('knead', 30, { pausable: true })];
  const resting = partOfSteps(steps);
  const rigid = partOfSteps(steps);
  for (const dinner of [resting, rigid]) for (let n = 0; n < 3; n++) dinner.leave(n, -100, -50);
  rigid.part.pauseHigh[rigid.options[2]!.number] = 0;
  expect(rigid.evening()).toBeNull();
  expect(resting.evening()).not.toBeNull();
});

test('work that may pause ends before what it leads to begins, however late it may begin', () => {
  const pausing = (id: string) => step(id, 15, { pausable: true });
  const dinner = partOfSteps([
    pausing('whisk'),
    pausing('knead'),
    step('chop', 10),
    step('fry', 20, { after: ['whisk', 'knead', 'chop'] }),
  ]);
  const enough = partOfSteps([
    pausing('whisk'),
    pausing('knead'),
    step('chop', 9),
    step('fry', 20, { after: ['whisk', 'knead', 'chop'] }),
  ]);
  for (const { leave } of [dinner, enough]) {
    for (const n of [0, 1, 2]) leave(n, -99, -60);
    leave(3, -60, -60);
  }
  // Thirty-nine minutes for forty of work, though with pauses counted from its last start it could end later.
  expect(dinner.evening()).toBeNull();
  expect(enough.evening()).not.toBeNull();
  const { number } = enough.options[0]!;
  expect(enough.part.pauseHigh[number]).toBeLessThanOrEqual(39 - 15);
});

test('the minutes before the day may begin are no minutes for its work', () => {
  const dinner = partOfSteps([step('chop', 30), step('stir', 30), step('knead', 30)]);
  for (let n = 0; n < 3; n++) dinner.leave(n, -140, -50);
  dinner.part.firstLow = dinner.model.zero - 100;
  expect(dinner.evening()).toBeNull();
});

test('what cannot end in time together with all that must comes after it, though no two of them say so', () => {
  const dinner = partOfSteps([step('chop', 20), step('peel', 20), step('stir', 30)]);
  dinner.leave(0, -100, -60);
  dinner.leave(1, -100, -60);
  dinner.leave(2, -100, -55);
  expect(dinner.evening()).not.toBeNull();
  // Seventy minutes do not go into the sixty up to -40, by when two of them must be done.
  expect(dinner.span(2)).toEqual([-60, -55]);
});

test('what cannot begin so late together with all that must comes before it', () => {
  const dinner = partOfSteps([step('chop', 20), step('peel', 20), step('stir', 30)]);
  dinner.leave(0, -100, -60);
  dinner.leave(1, -100, -60);
  dinner.leave(2, -115, -70);
  expect(dinner.evening()).not.toBeNull();
  expect(dinner.span(2)).toEqual([-115, -110]);
});

test('two cooks have one mixer: who needs it comes after the other', () => {
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const uses = [{ tool: 'mixer' }];
  const steps = [step('whip', 20, { uses }), step('beat', 20, { uses })];
  const dinner = partOfSteps(steps, {
    kitchen: { ovens: [], tools: { mixer: 1 } },
    cooks: [
      { id: 'ada', name: 'Ada', free },
      { id: 'ben', name: 'Ben', free },
    ],
  });
  expect(dinner.model.cookCount).toBe(2);
  dinner.leave(0, -100, -75);
  dinner.leave(1, -90, -60);
  expect(dinner.evening()).not.toBeNull();
  // The second would end at -70 at the earliest, when the first must have begun.
  expect(dinner.span(0)).toEqual([-100, -80]);
  expect(dinner.span(1)).toEqual([-80, -60]);
});

test('until a second cook comes one of two comes first, and so do two works of one cook', () => {
  const until = '2026-10-17T23:59';
  const cooks = [
    { id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T15:00', to: until }] },
    { id: 'ben', name: 'Ben', free: [{ from: '2026-10-17T18:00', to: until }] },
  ];
  const spansOf = (more: object, shift: number) => {
    const dinner = partOfSteps([step('chop', 30, more), step('stir', 30, more)], { cooks });
    dinner.leave(0, -140 + shift, -110 + shift);
    dinner.leave(1, -135 + shift, -100 + shift);
    expect(dinner.evening()).not.toBeNull();
    return [dinner.span(0), dinner.span(1)].map((span) => span.map((s) => s! - shift));
  };
  const inTurn = [
    [-140, -130],
    [-110, -100],
  ];
  // Ben comes an hour before the plates go out: both have to be done by then.
  expect(spansOf({}, 0)).toEqual(inTurn);
  expect(spansOf({}, 40)).not.toEqual(inTurn);
  expect(spansOf({ who: 'ada' }, 40)).toEqual(inTurn);
});
