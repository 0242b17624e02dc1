<script setup lang="ts">
import { factsOf, freeId, idFrom, moved, withFields, withoutStep } from '../../../core/compose';
import { AVOIDABLE, hintsIn, markedOn } from '../../../core/allergens';
import { understand } from '../../../core/sentences';
import type { DishFile, NamedStep, StepFile } from '../../composables/useStepFields';
import { duration } from '../../composables/useTimes';

const props = defineProps<{
  /** The dish, and what is made for it. */
  dishes: readonly DishFile[];
  /** Steps of other dishes that a step of this one may come after. */
  elsewhere: readonly NamedStep[];
  cooks: readonly { id: string; name: string }[];
  problems: readonly string[];
  /** Something stands beside it: the drawing goes above the steps. */
  narrow?: boolean;
}>();
const emit = defineEmits<{ change: [dishes: DishFile[]]; close: [] }>();

const chosen = ref(props.dishes[0]!.id);
const dish = computed(() => props.dishes.find((d) => d.id === chosen.value) ?? props.dishes[0]!);
const parts = computed(() => props.dishes.map((d) => ({ value: d.id, label: d.name })));
const setWhole = (changed: DishFile) =>
  emit(
    'change',
    props.dishes.map((d) => (d.id === changed.id ? changed : d)),
  );
const setDish = (part: Partial<DishFile>) => setWhole(withFields(dish.value, part));
const steps = computed(() => dish.value.steps);
const setSteps = (list: StepFile[]) => setDish({ steps: list });
const setStep = (at: number, step: StepFile) => setSteps(steps.value.map((s, k) => (k === at ? step : s)));
const facts = computed(() => {
  const [first, ...others] = props.dishes;
  const card = { format: 'zeitlauf/dish', version: 1, dish: first!, with: others } as const;
  return factsOf(card, Math.max(1, Math.round(first!.serves)));
});

const sentence = ref('');
/** A sentence becomes the next step, after the one before it. */
function addSentence(): void {
  const text = sentence.value.trim();
  if (!text) return;
  sentence.value = '';
  const { step } = understand(text);
  const words = text.split(/\s+/).slice(0, 2).join(' ');
  const id = freeId(idFrom(words, 'step'), new Set(steps.value.map((s) => s.id)));
  const last = steps.value.at(-1);
  setSteps([...steps.value, { id, ...step, ...(last && { after: [last.id] }) } as StepFile]);
}

const othersOf = (at: number): NamedStep[] => [
  ...steps.value.filter((_, k) => k !== at).map((s) => ({ name: s.id, does: s.does })),
  ...props.dishes
    .filter((d) => d.id !== dish.value.id)
    .flatMap((d) => d.steps.map((s) => ({ name: `${d.id}/${s.id}`, does: `${d.name}: ${s.does}` }))),
  ...props.elsewhere,
];

const open = ref(new Set<string>());
function setOpen(id: string, on: boolean): void {
  const next = new Set(open.value);
  if (on) next.add(id);
  else next.delete(id);
  open.value = next;
}
/** The step that is looked at: a view beside the editor may show the same. */
const current = defineModel<string>('current');
watch(current, (id) => id && show(id));
const cardsOf = useTemplateRef<{ $el: HTMLElement }[]>('cards');
const cardOf = (id: string) => cardsOf.value?.[steps.value.findIndex((s) => s.id === id)]?.$el;
/** Chosen elsewhere, a step's card comes into sight. */
const show = (id: string) => cardOf(id)?.scrollIntoView({ block: 'nearest' });
/** Touched in the drawing, it takes the focus too. */
function go(id: string): void {
  current.value = id;
  show(id);
  cardOf(id)?.querySelector('input')?.focus({ preventScroll: true });
}

const contains = computed(() => markedOn(dish.value as Parameters<typeof markedOn>[0]));
const hinted = computed(() => {
  const ids = new Set((dish.value.ingredients ?? []).flatMap((i) => hintsIn(i.item)));
  return AVOIDABLE.filter((a) => ids.has(a.id) && !contains.value.includes(a.id));
});
const setContains = (ids: string[]) =>
  setDish({ contains: ids.length > 0 ? ids : undefined } as Partial<DishFile>);
</script>

<template>
  <section class="card editor" aria-labelledby="editor-title">
    <div class="row head">
      <h2 id="editor-title">{{ dishes[0]!.name }}</h2>
      <el-button type="primary" @click="emit('close')"><slot name="done">Done</slot></el-button>
      <slot name="acts" />
    </div>
    <el-segmented
      v-if="parts.length > 1"
      v-model="chosen"
      :options="parts"
      aria-label="The dish, and what is made for it"
    />
    <div class="row">
      <label for="dish-name">Name</label>
      <NameInput
        id="dish-name"
        class="grow"
        :model-value="dish.name"
        maxlength="120"
        @update:model-value="(name) => setDish({ name })"
      />
      <FieldNumber
        label="For so many"
        :min="1"
        :max="100"
        :model-value="dish.serves"
        @update:model-value="(n) => setDish({ serves: n ?? 1 })"
      />
      <slot v-if="dish === dishes[0]" name="fields" />
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
        @change="setContains"
      >
        <el-option v-for="a in AVOIDABLE" :key="a.id" :value="a.id" :label="a.name" />
      </el-select>
      <el-button v-for="a in hinted" :key="a.id" @click="setContains([...contains, a.id])">
        {{ a.name }}?
      </el-button>
    </div>
    <p v-if="hinted.length" class="soft">Suggested by the ingredients. Check the packet.</p>
    <p v-if="facts" role="status">
      Alone: {{ duration(facts.hands) }} of hands. Begin at the latest {{ duration(facts.total) }} before it
      goes on the table.
    </p>
    <div v-if="problems.length" role="alert" class="problems">
      <p>Not right yet. It is kept here, and where it is used it stays as it was:</p>
      <ul>
        <li v-for="problem in problems.slice(0, 4)" :key="problem">{{ problem }}</li>
      </ul>
    </div>
    <DishWays :dish="dish" :set="setDish" />
    <h3>Steps</h3>
    <div class="strip" :class="{ narrow }">
      <DishChain :steps="steps" :dish-name="dish.name" :current="current" @choose="go" />
      <div class="cards">
        <ol class="list" aria-label="Steps">
          <StepCard
            v-for="(step, k) in steps"
            :key="step.id"
            ref="cards"
            :step="step"
            :at="k"
            :dish-name="dish.name"
            :is-first="k === 0"
            :is-last="k === steps.length - 1"
            :class="{ current: step.id === current }"
            :open="open.has(step.id)"
            @update:open="(on) => setOpen(step.id, on)"
            @focusin="current = step.id"
            @change="(s) => setStep(k, s)"
            @move="(by) => setSteps(moved(steps, k, k + by))"
            @remove="setWhole(withoutStep(dish, k))"
          >
            <template #more="{ set }">
              <StepFields
                :step="step"
                :others="othersOf(k)"
                :dish-ways="dish.ways ?? []"
                :cooks="cooks"
                :set="set"
              />
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
      </div>
    </div>
    <DishIngredients :dish="dish" :set="setDish" />
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

.strip {
  display: grid;
  grid-template-columns: fit-content(36%) minmax(0, 1fr);
  gap: 1rem;
  align-items: start;
}

.strip > :first-child {
  position: sticky;
  top: 90px;
  max-height: calc(100vh - 110px);
}

.cards,
.list {
  display: grid;
  gap: 0.5rem;
}

.list {
  margin: 0;
  padding: 0;
  list-style: none;
}

.list > .current {
  outline: 3px solid var(--focus);
}

.problems {
  color: var(--warn);
}

.strip.narrow {
  grid-template-columns: minmax(0, 1fr);
}

.strip.narrow > :first-child {
  position: static;
  max-height: 30rem;
}

@media (max-width: 900px) {
  .strip {
    grid-template-columns: minmax(0, 1fr);
  }

  .strip > :first-child {
    position: static;
    max-height: 24rem;
  }
}
</style>
