<script setup lang="ts">
import { ElMessage } from 'element-plus';
import { cardOf, withCard, type CardFile } from '../../core/compose';
import { parseText, type DinnerFile } from '../../core/dinner';
import { offerBringBack } from '../composables/useBringBack';
import { ALL, PLACE_CHOICES, useCardFacts, useCardFilter, type CardOrder } from '../composables/useCardList';
import { download } from '../composables/useFiles';
import { duration } from '../composables/useTimes';
import { useCards } from '../stores/cards';
import { useDinner } from '../stores/dinner';

const cards = useCards();
const store = useDinner();
const guests = computed(() => store.dinner!.guests);
const filter = useCardFilter(() => cards.cards);
const { facts, sorted } = useCardFacts(
  () => cards.cards,
  () => guests.value,
);
const order = ref<CardOrder>('name');
const ORDERS: { value: CardOrder; label: string }[] = [
  { value: 'name', label: 'By name' },
  { value: 'hands', label: 'Least of hands first' },
  { value: 'total', label: 'Quickest first' },
  { value: 'ahead', label: 'Most made ahead first' },
];
const list = computed(() => sorted(filter.shown.value, order.value));
const chosen = ref('');
const card = computed(() => (cards.cards.find((c) => c.id === chosen.value) ?? list.value[0])?.card);
const cardId = computed(() => (cards.cards.find((c) => c.id === chosen.value) ?? list.value[0])?.id ?? '');
const input = useTemplateRef<HTMLInputElement>('input');

/** Dishes of the open dinner that are not in the card file under their name. */
const fromDinner = computed(() => {
  const names = new Set(cards.cards.map((c) => c.card.dish.name));
  const listed = new Set(store.dinner!.courses.flatMap((c) => c.dishes));
  return store.dinner!.dishes.filter((d) => listed.has(d.id) && !names.has(d.name));
});

async function keep(added: CardFile): Promise<void> {
  const result = await cards.add(added);
  if (typeof result !== 'string') {
    ElMessage.error(`This dish cannot be kept: ${result[0]}.`);
    return;
  }
  chosen.value = result;
  ElMessage.success(`${added.dish.name} is in the card file.`);
}

const isEditing = ref(false);
watch(cardId, () => (isEditing.value = false));

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

async function picked(event: Event): Promise<void> {
  const target = event.target as HTMLInputElement;
  const file = target.files?.[0];
  target.value = '';
  if (!file) return;
  const parsed = parseText(await file.text());
  if (parsed.ok) await keep(parsed.value as CardFile);
  else ElMessage.error(`${file.name} is not JSON. Nothing was changed.`);
}

async function remove(): Promise<void> {
  const { name } = card.value!.dish;
  offerBringBack(`${name} is out of the card file.`, await cards.remove(cardId.value));
}

const duplicate = () =>
  keep({ ...card.value!, dish: { ...card.value!.dish, name: `${card.value!.dish.name}, again` } });
const save = () =>
  download(
    `${card.value!.dish.id}.dish.json`,
    `${JSON.stringify(card.value, null, 2)}\n`,
    'application/json',
  );

async function onto(course: string): Promise<void> {
  await store.compose((file: DinnerFile) => withCard(file, card.value!, course));
  const name = store.dinner!.courses.find((c) => c.id === course)?.name;
  ElMessage.success(`${card.value!.dish.name} is on ${name}.`);
}
</script>

<template>
  <div>
    <PlanStatus />
    <div class="dishes" :class="{ editing: isEditing }">
      <section class="list" aria-labelledby="cards-title">
        <h2 id="cards-title">The card file</h2>
        <el-input
          v-model="filter.text.value"
          placeholder="Name or ingredient"
          aria-label="Search the dishes"
          clearable
        />
        <div class="filters">
          <el-select v-model="filter.place.value" aria-label="Kind of dish">
            <el-option v-for="p in PLACE_CHOICES" :key="p.value" :value="p.value" :label="p.label" />
          </el-select>
          <el-select v-model="filter.tag.value" aria-label="Tag">
            <el-option :value="ALL" label="All tags" />
            <el-option v-for="t in filter.tags.value" :key="t" :value="t" :label="t" />
          </el-select>
          <el-select v-model="order" aria-label="Order" class="wide">
            <el-option v-for="o in ORDERS" :key="o.value" :value="o.value" :label="o.label" />
          </el-select>
        </div>
        <ul aria-label="Dishes">
          <li v-for="entry in list" :key="entry.id">
            <button :aria-current="entry.card === card ? 'true' : undefined" @click="chosen = entry.id">
              <strong>{{ entry.card.dish.name }}</strong>
              <span v-if="facts.get(entry.id)" class="soft">
                {{ duration(facts.get(entry.id)!.hands) }} of hands,
                {{ duration(facts.get(entry.id)!.total) }} in all
              </span>
            </button>
          </li>
        </ul>
        <p v-if="list.length === 0" class="soft">No dish of the card file is like that.</p>
        <div class="acts">
          <el-button type="primary" @click="writeNew">Write a new dish</el-button>
          <el-button @click="input?.click()">Take a dish file in ...</el-button>
          <input
            ref="input"
            type="file"
            accept=".json,application/json"
            hidden
            data-testid="dish-file"
            @change="picked"
          />
          <el-button
            v-for="dish in fromDinner"
            :key="dish.id"
            @click="keep(cardOf(store.file as DinnerFile, dish.id, 'else'))"
          >
            Keep {{ dish.name }}
          </el-button>
        </div>
      </section>
      <DishEditor
        v-if="card && isEditing"
        :id="cardId"
        :key="cardId"
        :card="card"
        @close="isEditing = false"
      />
      <DishCard v-else-if="card" :card="card" :guests="guests">
        <template #acts>
          <div class="acts">
            <el-dropdown trigger="click" @command="onto">
              <el-button type="primary">Onto a course</el-button>
              <template #dropdown>
                <el-dropdown-menu>
                  <el-dropdown-item v-for="c in store.dinner!.courses" :key="c.id" :command="c.id">
                    {{ c.name }}
                  </el-dropdown-item>
                </el-dropdown-menu>
              </template>
            </el-dropdown>
            <el-button @click="isEditing = true">Change</el-button>
            <el-button @click="duplicate">Duplicate</el-button>
            <el-button @click="save">Save as a file</el-button>
            <el-button @click="remove">Take out</el-button>
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

.list {
  display: grid;
  gap: 0.6rem;
}

.filters {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}

.wide {
  grid-column: 1 / -1;
}

ul {
  max-height: 32rem;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

li > button {
  display: grid;
  width: 100%;
  min-height: 44px;
  padding: 0.4rem 0.6rem;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  cursor: pointer;
}

li > button[aria-current] {
  background: var(--card);
  box-shadow: inset 4px 0 0 var(--accent);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}

.acts :deep(.el-button + .el-button) {
  margin-left: 0;
}

@media (max-width: 900px) {
  .dishes {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 0.75rem;
  }

  .editing > .list {
    display: none;
  }
}
</style>
