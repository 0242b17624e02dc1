import { useDinner } from '../stores/dinner';

/** Colours that a cook can have, by the name under which the dinner file keeps it (beside the fields it defines). */
export const COOK_COLOURS = ['slate', 'sage', 'clay', 'plum', 'straw'] as const;
export type CookColour = (typeof COOK_COLOURS)[number];

const isColour = (value: unknown): value is CookColour => COOK_COLOURS.includes(value as CookColour);

/** Names and colours of the cooks of the open dinner; a colour is what was chosen, else one after the other. */
export function useCooks() {
  const store = useDinner();
  function colourOf(id: string): CookColour {
    const at = store.dinner?.cooks.findIndex((c) => c.id === id) ?? 0;
    const chosen = (store.dinner?.cooks[at] as { colour?: unknown } | undefined)?.colour;
    return isColour(chosen) ? chosen : COOK_COLOURS[Math.max(0, at) % COOK_COLOURS.length]!;
  }
  const name = (id: string) => store.dinner?.cooks.find((c) => c.id === id)?.name ?? id;
  const hasSeveral = computed(() => (store.dinner?.cooks.length ?? 0) > 1);
  return { colourOf, name, hasSeveral, paint: (id: string) => `var(--cook-${colourOf(id)})` };
}
