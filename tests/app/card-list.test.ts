import { readFileSync } from 'node:fs';
import { factsOf, type CardFile } from '../../core/compose';
import type { StoredCard } from '../../app/storage/database';
import { makePage } from './page';

makePage();
const { useCardFacts, useCardFilter, ALL } = await import('../../app/composables/useCardList');

const cards: StoredCard[] = (
  JSON.parse(readFileSync(new URL('../../demo/cards.json', import.meta.url), 'utf8')) as CardFile[]
).map((card, k) => ({ id: `card${k}`, card }));

test('cards are found by the name of the dish, a tag, or what goes in, in any case and with spaces around', () => {
  const { text, shown } = useCardFilter(() => cards);
  expect(shown.value).toHaveLength(cards.length);
  const [first] = cards;
  text.value = `  ${first!.card.dish.name.toUpperCase()} `;
  expect(shown.value).toContain(first);
  expect(shown.value.length).toBeLessThan(cards.length);
  const cooked = cards.find(({ card }) => (card.dish.ingredients ?? []).length > 0)!;
  text.value = cooked.card.dish.ingredients![0]!.item;
  expect(shown.value).toContain(cooked);
  text.value = 'nothing is called like this';
  expect(shown.value).toEqual([]);
});

test('kind and tag narrow what the words leave, and every tag is offered once, in order', () => {
  const { place, tag, tags, shown } = useCardFilter(() => cards);
  const used = cards.flatMap(({ card }) => card.tags ?? []);
  expect(tags.value).toEqual([...new Set(used)].sort());
  place.value = 'dessert';
  expect(shown.value.length).toBeGreaterThan(0);
  expect(shown.value.every(({ card }) => card.goes === 'dessert')).toBe(true);
  place.value = ALL;
  tag.value = tags.value[0]!;
  expect(shown.value).toEqual(cards.filter(({ card }) => card.tags?.includes(tag.value)));
});

test('a card that says no kind is other work', () => {
  const plain = { id: 'plain', card: { ...cards[0]!.card, goes: undefined } } as unknown as StoredCard;
  const { place, shown } = useCardFilter(() => [plain]);
  place.value = 'else';
  expect(shown.value).toEqual([plain]);
  place.value = 'main';
  expect(shown.value).toEqual([]);
});

test('cards stand by name, by hands, by the time from start to plate, or by what can be done the day before', () => {
  const { sorted, facts } = useCardFacts(
    () => cards,
    () => 4,
  );
  const valuesOf = (list: readonly StoredCard[], key: 'hands' | 'total') =>
    list.map(({ id }) => facts.value.get(id)?.[key] ?? Infinity);
  for (const key of ['hands', 'total'] as const) {
    const values = valuesOf(sorted(cards, key), key);
    expect(values).toEqual([...values].sort((a, b) => a - b));
  }
  const names = sorted(cards, 'name').map(({ card }) => card.dish.name);
  expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
  const shares = sorted(cards, 'ahead').map(({ card }) => {
    const { hands, ahead } = factsOf(card, 4)!;
    return hands > 0 ? ahead / hands : 0;
  });
  expect(shares).toEqual([...shares].sort((a, b) => b - a));
  expect(sorted(cards, 'hands')).not.toBe(cards);
});

test('a card that cannot be read has no facts and stands last', () => {
  const broken = {
    id: 'broken',
    card: { ...cards[0]!.card, dish: { ...cards[0]!.card.dish, serves: 0 } },
  } as unknown as StoredCard;
  const { facts, sorted } = useCardFacts(
    () => [broken, ...cards],
    () => 4,
  );
  expect(facts.value.get('broken')).toBeNull();
  expect(sorted([broken, ...cards], 'hands').at(-1)).toBe(broken);
});
