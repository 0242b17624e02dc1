<script setup lang="ts">
import {
  factsOf,
  freeId,
  idFrom,
  moved,
  PLACES,
  readCard,
  withFields,
  type CardFile,
  type Place,
} from '../../../core/compose';
import { AVOIDABLE, hintsIn, markedOn } from '../../../core/allergens';
import { describeProblem } from '../../../core/dinner';
import { understand } from '../../../core/sentences';
import { PLACE_NAMES } from '../../composables/useCardList';
import { duration } from '../../composables/useTimes';
import { useCards } from '../../stores/cards';

type StepFile = CardFile['dish']['steps'][number];
type IngredientFile = NonNullable<CardFile['dish']['ingredients']>[number];
const props = defineProps<{ id: string; card: CardFile }>();
const emit = defineEmits<{ close: [] }>();
const cards = useCards();

/** The dish as it was when the editor was opened, and as it is now; kept in the card file whenever it is right. */
const before = props.card;
const draft = shallowRef<CardFile>(cards.draftOf(props.id) ?? props.card);
const problems = ref<string[]>([]);
const sentence = ref('');
const facts = computed(() => factsOf(draft.value, Math.round(draft.value.dish.serves)));

async function change(next: CardFile): Promise<void> {
  draft.value = next;
  const result = readCard(next);
  problems.value = result.ok ? [] : result.problems.map(describeProblem);
  await cards.edit(props.id, next, result.ok);
}
const setDish = (part: Partial<CardFile['dish']>) =>
  change({ ...draft.value, dish: withFields(draft.value.dish, part) });
const steps = computed(() => draft.value.dish.steps);
const setSteps = (list: StepFile[]) => setDish({ steps: list });
const setStep = (at: number, step: StepFile) => setSteps(steps.value.map((s, k) => (k === at ? step : s)));

/** A sentence becomes the next step, after the one before it. */
function addSentence(): void {
  const text = sentence.value.trim();
  if (!text) return;
  sentence.value = '';
  const { step } = understand(text);
  const words = text.split(/\s+/).slice(0, 2).join(' ');
  const id = freeId(idFrom(words, 'step'), new Set(steps.value.map((s) => s.id)));
  const last = steps.value.at(-1);
  void setSteps([...steps.value, { id, ...step, ...(last && { after: [last.id] }) } as StepFile]);
}

/** Takes a step out; what came after it comes after what it came after. */
function removeStep(at: number): void {
  const gone = steps.value[at]!;
  const nameOf = (link: NonNullable<StepFile['after']>[number]) =>
    typeof link === 'string' ? link : link.step;
  void setSteps(
    steps.value
      .filter((_, k) => k !== at)
      .map((step) => {
        const { within, if: _if, ...alone } = step;
        const kept = within?.step === gone.id ? (alone as StepFile) : step;
        if (!step.after?.some((link) => nameOf(link) === gone.id)) return kept;
        const others = step.after.filter((link) => nameOf(link) !== gone.id);
        const names = new Set(others.map(nameOf));
        return {
          ...kept,
          after: [...others, ...(gone.after ?? []).filter((link) => !names.has(nameOf(link)))],
        };
      }),
  );
}

const othersOf = (at: number) => [
  ...steps.value.filter((_, k) => k !== at).map((s) => ({ name: s.id, does: s.does })),
  ...(draft.value.with ?? []).flatMap((dish) =>
    dish.steps.map((s) => ({ name: `${dish.id}/${s.id}`, does: `${dish.name}: ${s.does}` })),
  ),
];

const tags = computed(() => (draft.value.tags ?? []).join(', '));
const setTags = (text: string) =>
  change({
    ...draft.value,
    tags: [
      ...new Set(
        text
          .split(',')
          .map((t) => t.trim())
          .filter(Boolean),
      ),
    ],
  });

const ingredients = computed(() => draft.value.dish.ingredients ?? []);
const setIngredients = (list: IngredientFile[]) => setDish({ ingredients: list });
const setIngredient = (at: number, part: Partial<IngredientFile>) =>
  setIngredients(ingredients.value.map((i, k) => (k === at ? withFields(i, part) : i)));
const contains = computed(() => markedOn(draft.value.dish as Parameters<typeof markedOn>[0]));
const hinted = computed(() => {
  const ids = new Set(ingredients.value.flatMap((i) => hintsIn(i.item)));
  return AVOIDABLE.filter((a) => ids.has(a.id) && !contains.value.includes(a.id));
});
const lowOf = (i: IngredientFile) => (Array.isArray(i.amount) ? i.amount[0] : i.amount);

async function putBack(): Promise<void> {
  await change(before);
}
</script>

<template>
  <section class="card editor" aria-labelledby="editor-title">
    <div class="row head">
      <h2 id="editor-title">{{ draft.dish.name }}</h2>
      <el-button type="primary" @click="emit('close')">Done</el-button>
      <el-button :disabled="draft === before" @click="putBack">As it was</el-button>
    </div>
    <div class="row">
      <label for="dish-name">Name</label>
      <NameInput
        id="dish-name"
        class="grow"
        :model-value="draft.dish.name"
        maxlength="120"
        @update:model-value="(name) => setDish({ name })"
      />
      <FieldNumber
        label="For so many"
        :min="1"
        :max="100"
        :model-value="draft.dish.serves"
        @update:model-value="(n) => setDish({ serves: n ?? 1 })"
      />
      <el-select
        :model-value="draft.goes ?? 'else'"
        class="goes"
        aria-label="Goes with"
        @change="(goes: Place) => change({ ...draft, goes })"
      >
        <el-option v-for="p in PLACES" :key="p" :value="p" :label="PLACE_NAMES[p]" />
      </el-select>
    </div>
    <div class="row">
      <label for="dish-tags">Tags</label>
      <el-input
        id="dish-tags"
        class="grow"
        :model-value="tags"
        placeholder="meatless, autumn"
        @change="setTags"
      />
    </div>
    <div class="row">
      <label for="dish-contains">It has</label>
      <el-select
        id="dish-contains"
        class="grow"
        :model-value="contains"
        multiple
        aria-label="It has"
        placeholder="nothing marked"
        @change="(ids: string[]) => setDish({ contains: ids.length > 0 ? ids : undefined })"
      >
        <el-option v-for="a in AVOIDABLE" :key="a.id" :value="a.id" :label="a.name" />
      </el-select>
      <el-button v-for="a in hinted" :key="a.id" @click="setDish({ contains: [...contains, a.id] })">
        {{ a.name }}?
      </el-button>
    </div>
    <p v-if="hinted.length" class="soft">Suggested by the ingredients. Check the packet.</p>
    <p v-if="facts" role="status">
      Alone: {{ duration(facts.hands) }} of hands, {{ duration(facts.total) }} from beginning to plate: begin
      {{ duration(facts.total) }} before it goes on the table at the latest.
    </p>
    <div v-if="problems.length" role="alert" class="problems">
      <p>Not right yet. It is kept here, and in the card file it stays as it was:</p>
      <ul>
        <li v-for="problem in problems.slice(0, 4)" :key="problem">{{ problem }}</li>
      </ul>
    </div>
    <h3>Steps</h3>
    <ol class="chain" aria-label="Steps">
      <StepCard
        v-for="(step, k) in steps"
        :key="step.id"
        :step="step"
        :at="k"
        :dish-name="draft.dish.name"
        :is-first="k === 0"
        :is-last="k === steps.length - 1"
        @change="(s) => setStep(k, s)"
        @move="(by) => setSteps(moved(steps, k, k + by))"
        @remove="removeStep(k)"
      >
        <template #more="{ set }">
          <StepFields :step="step" :others="othersOf(k)" :set="set" />
        </template>
      </StepCard>
    </ol>
    <form class="row" @submit.prevent="addSentence">
      <el-input
        v-model="sentence"
        class="grow"
        maxlength="300"
        placeholder="Simmer 25 to 35 min, stir every 10"
        aria-label="The next step, as a sentence"
      />
      <el-button native-type="submit">Add the step</el-button>
    </form>
    <h3>Ingredients, for {{ draft.dish.serves }}</h3>
    <ul class="ingredients" aria-label="Ingredients">
      <li v-for="(i, k) in ingredients" :key="k" class="row">
        <FieldNumber
          label="Amount"
          none="to taste"
          :step="0.5"
          :usual="1"
          :model-value="lowOf(i)"
          @update:model-value="(n) => setIngredient(k, { amount: n ?? undefined })"
        />
        <el-input
          class="unit"
          :model-value="i.unit ?? ''"
          placeholder="g"
          :aria-label="`Unit of ingredient ${k + 1}`"
          @input="(v: string) => setIngredient(k, { unit: v })"
        />
        <NameInput
          class="grow"
          :model-value="i.item"
          :aria-label="`Ingredient ${k + 1}`"
          @update:model-value="(item) => setIngredient(k, { item })"
        />
        <el-input
          class="to"
          :model-value="i.to ?? ''"
          placeholder="diced"
          :aria-label="`What is done with ingredient ${k + 1}`"
          @input="(v: string) => setIngredient(k, { to: v })"
        />
        <el-input
          class="to"
          :model-value="i.group ?? ''"
          placeholder="shelf"
          :aria-label="`Shelf of ingredient ${k + 1}`"
          @input="(v: string) => setIngredient(k, { group: v })"
        />
        <el-checkbox
          :model-value="i.whole ?? false"
          @change="(v) => setIngredient(k, { whole: v === true ? true : undefined })"
        >
          whole
        </el-checkbox>
        <el-button
          :aria-label="`Take out ingredient ${k + 1}`"
          @click="setIngredients(ingredients.filter((_, x) => x !== k))"
          >×</el-button
        >
      </li>
    </ul>
    <div>
      <el-button @click="setIngredients([...ingredients, { item: 'something', amount: 1 }])"
        >One more ingredient</el-button
      >
    </div>
  </section>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 0.75rem;
}

.head h2,
.grow {
  flex: 1;
  min-width: 12rem;
}

.goes {
  width: 9rem;
}

.unit {
  width: 4.5rem;
}

.to {
  width: 6rem;
}

.ingredients .grow {
  min-width: 8rem;
}

.chain,
.ingredients {
  display: grid;
  gap: 0.5rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.problems {
  color: var(--warn);
}
</style>
