<script setup lang="ts">
import { ElMessage } from 'element-plus';
import { factsOf, readCard, withCard, type CardFile } from '../../core/compose';
import { describeProblem, type DinnerFile } from '../../core/dinner';
import { listedAndTold } from '../../core/gather';
import { claimedTotal, draftOf, type ReadRecipes } from '../../core/recipes';
import { useHeat } from '../composables/useHeat';
import { useReader } from '../composables/useReader';
import type { DishFile } from '../composables/useStepFields';
import { duration } from '../composables/useTimes';
import { useCards } from '../stores/cards';
import { useDinner } from '../stores/dinner';
import { useDrafts } from '../stores/drafts';

/** What is being read, kept so that a reload loses nothing. */
interface Reading {
  readonly text: string;
  readonly read: ReadRecipes | null;
  readonly at: number;
  readonly card: CardFile | null;
}
const NAME = 'reading';
const EMPTY: Reading = { text: '', read: null, at: 0, card: null };

const cards = useCards();
const store = useDinner();
const drafts = useDrafts();
const heat = useHeat();
const reader = useReader();
const current = ref<string>();

const reading = computed(() => (drafts.of(NAME) as Reading | undefined) ?? EMPTY);
const set = (part: Partial<Reading>) => drafts.set(NAME, { ...reading.value, ...part });
const text = computed({ get: () => reading.value.text, set: (value) => void set({ text: value }) });
const context = computed(() => ({ hasFan: heat.hasFan.value, guests: store.dinner!.guests }));
const recipe = computed(() => reading.value.read?.recipes[reading.value.at]);
const cardOf = (read: ReadRecipes, at: number) =>
  read.recipes[at] ? draftOf(read.recipes[at], context.value) : null;

async function read(): Promise<void> {
  const result = await reader.read(text.value, context.value);
  if (result) await set({ read: result, at: 0, card: cardOf(result, 0) });
}
const choose = (at: number) => set({ at, card: cardOf(reading.value.read!, at) });

const card = computed(() => reading.value.card);
const steps = computed(() => new Set(card.value?.dish.steps.map((s) => s.id)));
const problems = computed(() => {
  const result = card.value && readCard(card.value);
  return !result || result.ok ? [] : result.problems.map(describeProblem);
});
const setDishes = ([dish, ...others]: DishFile[]) =>
  set({ card: { ...card.value!, dish: dish!, ...(others.length > 0 && { with: others }) } });

/** What the recipe claims beside what its steps add up to. */
const claim = computed(() => {
  const claimed = recipe.value && claimedTotal(recipe.value);
  const facts = card.value && factsOf(card.value, Math.round(card.value.dish.serves));
  if (claimed === null || claimed === undefined || !facts) return '';
  const sum = `its steps take ${duration(facts.total)}, ${duration(facts.hands)} of them hands`;
  return `The recipe says ${duration(claimed)}; ${sum}.`;
});
/** The list compared with the method. */
const compared = computed(() => {
  const { unused, unlisted } = card.value ? listedAndTold(card.value.dish) : { unused: [], unlisted: [] };
  return [
    unused.length > 0 ? `No step speaks of ${unused.join(', ')}.` : '',
    unlisted.length > 0 ? `The list leaves out ${unlisted.join(', ')}.` : '',
  ].filter(Boolean);
});
const guesses = computed(
  () => (card.value?.dish.steps ?? []).filter((s) => s.guessed?.includes('minutes')).length,
);

async function keep(kept: CardFile): Promise<string | null> {
  const result = await cards.add(kept);
  if (typeof result === 'string') return result;
  ElMessage.error(`This dish cannot be kept: ${result[0]}.`);
  return null;
}

async function keepIt(course?: string): Promise<void> {
  const kept = card.value!;
  const id = await keep(kept);
  if (id === null) return;
  if (course) await store.compose((file: DinnerFile) => withCard(file, kept, course));
  await drafts.set(NAME, null);
  ElMessage.success(`${kept.dish.name} is in the card file.`);
  await navigateTo(course ? '/menu' : `/dishes?card=${id}`);
}

async function keepAll(): Promise<void> {
  const all = reading.value.read!.cards;
  let last: string | null = null;
  for (const one of all) last = await keep(one);
  if (last === null) return;
  await drafts.set(NAME, null);
  ElMessage.success(`${all.length} in the card file.`);
  await navigateTo(`/dishes?card=${last}`);
}

async function openDinner(): Promise<void> {
  if (!(await store.openFile(reading.value.read!.dinner))) return;
  await drafts.set(NAME, null);
  await navigateTo('/menu');
}

const another = () => set({ read: null, card: null, at: 0 });
</script>

<template>
  <div>
    <PlanStatus />
    <div class="read">
      <RecipeInput
        v-if="!card && !reading.read?.cards.length"
        v-model="text"
        :is-reading="reader.isReading.value"
        :problems="reading.read?.problems ?? []"
        @read="read"
        @cancel="reader.cancel"
      />
      <section v-else-if="!card" class="card" aria-labelledby="cards-title">
        <h2 id="cards-title">Dishes in this file</h2>
        <ul>
          <li v-for="one in reading.read!.cards" :key="one.dish.id">{{ one.dish.name }}</li>
        </ul>
        <div class="row">
          <el-button type="primary" @click="keepAll">Keep them in the card file</el-button>
          <el-button v-if="reading.read!.dinner" @click="openDinner">Open the whole dinner</el-button>
          <el-button @click="another">Something else</el-button>
        </div>
      </section>
      <template v-else>
        <div class="row top">
          <el-select
            v-if="reading.read!.recipes.length > 1"
            :model-value="reading.at"
            aria-label="Which recipe"
            class="which"
            @change="choose"
          >
            <el-option v-for="(r, k) in reading.read!.recipes" :key="k" :value="k" :label="r.title" />
          </el-select>
          <p role="status">
            {{ card.dish.steps.length }} steps<template v-if="guesses"
              >, {{ guesses }} with a guess for how long</template
            >.
            {{ claim }}
          </p>
          <p v-for="difference in compared" :key="difference" class="soft">{{ difference }}</p>
        </div>
        <div class="beside">
          <RecipeWords
            v-if="recipe"
            :recipe="recipe"
            :steps="steps"
            :current="current"
            @choose="(step) => (current = step)"
          />
          <DishEditor
            v-model:current="current"
            :dishes="[card.dish, ...(card.with ?? [])]"
            :elsewhere="[]"
            :cooks="[]"
            :problems="problems"
            narrow
            @change="setDishes"
            @close="keepIt()"
          >
            <template #done>Keep in the card file</template>
            <template #acts>
              <OntoCourse @choose="keepIt">Keep, and onto a course</OntoCourse>
              <el-button @click="another">Back to the text</el-button>
            </template>
          </DishEditor>
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.read {
  display: grid;
  gap: 1rem;
  padding: 0.25rem 1.25rem 2rem;
}

.beside {
  display: grid;
  grid-template-columns: minmax(0, 24rem) minmax(0, 1fr);
  gap: 1.25rem;
  align-items: start;
}

.which {
  width: 18rem;
}

@media (max-width: 1000px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }

  .read {
    padding-inline: 0.75rem;
  }
}
</style>
