import { dinnerFile, planOf, read, step } from '../builders/dinner';

test('what may stand as long as it likes is not made earlier than it need be, though that costs nothing', () => {
  const dinner = read(
    dinnerFile([
      step('knead', 10),
      { id: 'rise', does: 'Let it rise.', attention: 'alone', minutes: 150, after: ['knead'] },
      step('grind', 5),
      step('shell', 8),
      step('fill', 6, { after: ['rise', 'grind', 'shell'] }),
    ]),
  );
  for (const rounds of [150, 400]) {
    const startOf = new Map(planOf(dinner, rounds).steps.map((row) => [row.step, row.start]));
    const rest = 6 + 5 + 8;
    expect(startOf.get('dish/grind')).toBeGreaterThanOrEqual(-dinner.arrive - rest);
    expect(startOf.get('dish/shell')).toBeGreaterThanOrEqual(-dinner.arrive - rest);
  }
});
