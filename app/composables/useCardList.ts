import { PLACES, factsOf, type DishFacts, type Place } from '../../core/compose';
import type { StoredCard } from '../storage/database';

export const PLACE_NAMES: Record<Place, string> = {
  starter: 'Starters',
  main: 'Mains',
  side: 'Sides',
  sauce: 'Sauces',
  dessert: 'Desserts',
  drink: 'Drinks',
  else: 'Other work',
};
export const ALL = 'all';
export const PLACE_CHOICES = [
  { value: ALL, label: 'All kinds' },
  ...PLACES.map((value) => ({ value, label: PLACE_NAMES[value] })),
];

/** Cards that fit a search by words, kind and tag. */
export function useCardFilter(cards: () => readonly StoredCard[]) {
  const text = ref('');
  const place = ref<Place | typeof ALL>(ALL);
  const tag = ref(ALL);
  const tags = computed(() => [...new Set(cards().flatMap((c) => c.card.tags ?? []))].sort());
  const shown = computed(() =>
    cards().filter(({ card }) => {
      const words = [
        card.dish.name,
        ...(card.tags ?? []),
        ...(card.dish.ingredients ?? []).map((i) => i.item),
      ];
      const fits = words.join(' ').toLowerCase().includes(text.value.trim().toLowerCase());
      const isPlace = place.value === ALL || (card.goes ?? 'else') === place.value;
      return fits && isPlace && (tag.value === ALL || card.tags?.includes(tag.value));
    }),
  );
  return { text, place, tag, tags, shown };
}

export type CardOrder = 'name' | 'hands' | 'total' | 'ahead';

/** Facts of each card, worked out once for a number at table. */
export function useCardFacts(cards: () => readonly StoredCard[], guests: () => number) {
  const facts = computed(
    () => new Map<string, DishFacts | null>(cards().map(({ id, card }) => [id, factsOf(card, guests())])),
  );
  /** Share of the hands minutes that can be done the day before. */
  const share = (id: string) => {
    const f = facts.value.get(id);
    return f && f.hands > 0 ? f.ahead / f.hands : 0;
  };
  const KEYS: Record<CardOrder, (id: string) => number> = {
    name: () => 0,
    hands: (id) => facts.value.get(id)?.hands ?? Infinity,
    total: (id) => facts.value.get(id)?.total ?? Infinity,
    ahead: (id) => -share(id),
  };
  const sorted = (list: readonly StoredCard[], order: CardOrder) =>
    [...list].sort(
      (a, b) => KEYS[order](a.id) - KEYS[order](b.id) || a.card.dish.name.localeCompare(b.card.dish.name),
    );
  return { facts, sorted };
}
