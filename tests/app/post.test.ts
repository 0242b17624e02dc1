import { isPacked, packEvening, unpackEvening } from '../../app/composables/usePost';
import { DEMOS, demoText, planOf, read } from '../builders/dinner';

const evening = (name: (typeof DEMOS)[number], cook: string | null = null) => {
  const file = JSON.parse(demoText(name)) as Record<string, unknown>;
  return { file, plan: planOf(read(file), 200), cook };
};

test.each(DEMOS)('%s: what is sent is what arrives, and fits a message', async (name) => {
  const sent = evening(name);
  const text = await packEvening(sent);
  expect(text.length).toBeLessThan(8000);
  expect(text).toMatch(/^zeitlauf-evening:1:[A-Za-z0-9_-]+$/);
  expect(isPacked(`\n${text}`)).toBe(true);
  expect(await unpackEvening(`\n${text}\n`)).toEqual(sent);
});

test('whose it is comes along, where that is one of the cooks', async () => {
  const named = async (cook: string) =>
    (await unpackEvening(await packEvening(evening('walnut-harvest', cook))))?.cook;
  expect(await named('jonas')).toBe('jonas');
  expect(await named('nobody')).toBeNull();
});

test('a plan that does not hold is left out; the dinner is kept', async () => {
  const { file, plan } = evening('home-at-six');
  const moved = { ...plan, steps: plan.steps.map((row) => ({ ...row, start: row.start + 7 })) };
  const arrived = await unpackEvening(await packEvening({ file, plan: moved, cook: null }));
  expect(arrived).toEqual({ file, plan: null, cook: null });
});

test('what is no evening is none: cut off, changed, of another kind, or blown up', async () => {
  const text = await packEvening(evening('home-at-six'));
  expect(await unpackEvening(text.slice(0, text.length / 2))).toBeNull();
  expect(await unpackEvening(text.replace(/.{20}$/, 'A'.repeat(20)))).toBeNull();
  expect(await unpackEvening('zeitlauf-evening:1:%%%')).toBeNull();
  expect(isPacked('{"format":"zeitlauf/dinner"}')).toBe(false);
  const { plan, file } = evening('home-at-six');
  const huge = { ...file, note: 'a'.repeat(3_000_000) };
  const small = await packEvening({ file: { ...file, note: 'a'.repeat(1000) }, plan, cook: null });
  expect(await unpackEvening(small)).not.toBeNull();
  await expect(packEvening({ file: huge, plan, cook: null }).then(unpackEvening)).resolves.toBeNull();
});
