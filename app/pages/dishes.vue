<script setup lang="ts">
import { ElMessage } from 'element-plus';
import { cardOf, factsOf, withCard, type CardFile } from '../../core/compose';
import { parseText, type DinnerFile } from '../../core/dinner';
import { recipeData } from '../../core/write';
import { offerBringBack } from '../composables/useBringBack';
import { download } from '../composables/useFiles';
import { useCards } from '../stores/cards';
import { useDinner } from '../stores/dinner';

const cards = useCards();
const store = useDinner();
const route = useRoute();
const file = computed(() => store.file as DinnerFile);
const guests = computed(() => store.dinner!.guests);

/** A dish of the open dinner by its id, or one of the card file. */
interface Chosen {
  readonly of: 'tonight' | 'cards';
  readonly id: string;
}
const chosen = shallowRef<Chosen>({ of: 'cards', id: '' });
const isEditing = ref(false);
function choose(next: Chosen, edit = false): void {
  chosen.value = next;
  isEditing.value = edit;
}
const tonight = computed(() => {
  const { of, id } = chosen.value;
  return of === 'tonight' ? file.value.dishes.find((d) => d.id === id) : undefined;
});
const stored = computed(() => cards.cards.find((c) => c.id === chosen.value.id) ?? cards.cards[0]);
/** The dish that is shown, as a card. */
const card = computed((): CardFile | undefined =>
  tonight.value ? cardOf(file.value, tonight.value.id, 'else') : stored.value?.card,
);
// A view that leads here may name a dish of the dinner that is to be changed, or a card that is to be shown.
watch(
  () => [route.query['change'], route.query['card']],
  ([changed, shown]) => {
    if (typeof changed === 'string') choose({ of: 'tonight', id: changed }, true);
    else if (typeof shown === 'string') choose({ of: 'cards', id: shown });
  },
  { immediate: true },
);

async function keep(added: CardFile): Promise<void> {
  const result = await cards.add(added);
  if (typeof result !== 'string') {
    ElMessage.error(`This dish cannot be kept: ${result[0]}.`);
    return;
  }
  choose({ of: 'cards', id: result });
  ElMessage.success(`${added.dish.name} is in the card file.`);
}

/** A dish to begin with: one step, to be told in words. */
async function writeNew(): Promise<void> {
  const steps = [
    { id: 'first', does: 'Begin here', attention: 'hands' as const, minutes: 5, guessed: ['minutes'] },
  ];
  await keep({
    format: 'zeitlauf/dish',
    version: 1,
    goes: 'main',
    tags: [],
    dish: { id: 'new-dish', name: 'A new dish', serves: guests.value, ingredients: [], steps },
  });
  await nextTick();
  isEditing.value = true;
}

async function takeIn(taken: File): Promise<void> {
  const parsed = parseText(await taken.text());
  if (parsed.ok) await keep(parsed.value as CardFile);
  else ElMessage.error(`${taken.name} is not JSON. Nothing was changed.`);
}

async function remove(): Promise<void> {
  const { id, card: gone } = stored.value!;
  offerBringBack(`${gone.dish.name} is out of the card file.`, await cards.remove(id));
}

const duplicate = () =>
  keep({ ...card.value!, dish: { ...card.value!.dish, name: `${card.value!.dish.name}, again` } });
const save = () =>
  download(
    `${card.value!.dish.id}.dish.json`,
    `${JSON.stringify(card.value, null, 2)}\n`,
    'application/json',
  );

const saveData = () => {
  const total = factsOf(card.value!, Math.max(1, Math.round(card.value!.dish.serves)))?.total;
  const text = `${JSON.stringify(recipeData(card.value!, total), null, 2)}\n`;
  download(`${card.value!.dish.id}.recipe.json`, text, 'application/ld+json');
};
type SaveAs = 'dish' | 'data';
const saveAs = (as: SaveAs) => (as === 'dish' ? save() : saveData());

/** How many portions the card shown is reckoned for, where that is not the number at table. */
const portions = ref<number | null>(null);
watch(card, () => (portions.value = null));

async function onto(course: string): Promise<void> {
  await store.compose((whole) => withCard(whole, card.value!, course, portions.value ?? undefined));
  const name = store.dinner!.courses.find((c) => c.id === course)?.name;
  ElMessage.success(`${card.value!.dish.name} is on ${name}.`);
}
</script>

<template>
  <div>
    <PlanStatus />
    <div class="dishes" :class="{ editing: isEditing }">
      <DishList
        class="list"
        :chosen="tonight ? chosen : { of: 'cards', id: stored?.id ?? '' }"
        @choose="(next) => choose(next)"
        @write="writeNew"
        @take="takeIn"
      />
      <template v-if="isEditing">
        <TonightEditor v-if="tonight" :id="tonight.id" :key="tonight.id" @close="isEditing = false" />
        <CardEditor
          v-else-if="stored"
          :id="stored.id"
          :key="stored.id"
          :card="stored.card"
          @close="isEditing = false"
        />
      </template>
      <DishCard v-else-if="card" :card="card" :guests="guests" @portions="(n) => (portions = n)">
        <template #acts>
          <div class="row">
            <template v-if="tonight">
              <el-button type="primary" @click="isEditing = true">Change for this dinner</el-button>
              <el-button @click="keep(card)">Keep in the card file</el-button>
              <SaveDish @save="saveAs" />
            </template>
            <template v-else>
              <OntoCourse is-first @choose="onto">Onto a course</OntoCourse>
              <el-button @click="isEditing = true">Change</el-button>
              <el-button @click="duplicate">Duplicate</el-button>
              <SaveDish @save="saveAs" />
              <el-button @click="remove">Take out</el-button>
            </template>
          </div>
        </template>
      </DishCard>
    </div>
  </div>
</template>

<style scoped>
.dishes {
  display: grid;
  grid-template-columns: minmax(0, 22rem) minmax(0, 1fr);
  gap: 1.25rem;
  align-items: start;
  padding: 0.25rem 1.25rem 2rem;
}

/* What is changed has the whole width: the drawing of the dish stands beside its steps. */
.editing {
  grid-template-columns: minmax(0, 1fr);
}

.editing > .list {
  display: none;
}

@media (max-width: 900px) {
  .dishes {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 0.75rem;
  }
}
</style>
