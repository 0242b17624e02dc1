<script setup lang="ts">
import { AVOIDABLE, hintsIn, markedOn } from '../../../core/allergens';
import { neededFor } from '../../../core/amounts';
import { factsOf, readCard, type CardFile } from '../../../core/compose';
import { useHeat } from '../../composables/useHeat';
import { KEPT_WHERE } from '../../composables/useWords';
import { duration } from '../../composables/useTimes';
import { usePreferences } from '../../stores/preferences';

const props = defineProps<{ card: CardFile; guests: number }>();
const preferences = usePreferences();
const emit = defineEmits<{ portions: [portions: number] }>();
const heating = useHeat();
/** How many portions the amounts are shown for. */
const portions = ref(props.guests);
watch(portions, (n) => emit('portions', n));
const read = computed(() => {
  const result = readCard(props.card);
  return result.ok ? result.card : null;
});
const dishes = computed(() => (read.value ? [read.value.dish, ...read.value.with] : []));
/** What is marked on the dish, and what its ingredients hint at, with a question mark. */
const has = computed(() => {
  const marked = new Set(dishes.value.flatMap(markedOn));
  const hinted = new Set(dishes.value.flatMap((d) => d.ingredients.flatMap((i) => hintsIn(i.item))));
  return AVOIDABLE.flatMap(({ id, name }) => (marked.has(id) ? [name] : hinted.has(id) ? [`${name}?`] : []));
});
/** As written beside tonight's. */
const isBeside = ref(false);
const facts = computed(() => factsOf(props.card, Math.max(1, Math.round(portions.value))));
const KINDS = { hands: 'hands', minded: 'minded', alone: 'alone' };

type Step = NonNullable<typeof read.value>['dish']['steps'][number];
function times(step: Step): string {
  const { minutes } = step;
  if (typeof minutes === 'number') return duration(minutes);
  return minutes.short === minutes.long
    ? duration(minutes.usual)
    : `${duration(minutes.short)} to ${duration(minutes.long)}`;
}
/** How many batches it goes in for so many. */
function batches(step: Step): string {
  const { scale } = step;
  const size = typeof scale === 'object' ? Math.ceil(portions.value / (scale as { batch: number }).batch) : 1;
  return size > 1 ? `in ${size} batches` : '';
}
const heat = (step: Step) =>
  (step.uses ?? []).flatMap((use) => ('oven' in use ? [`oven ${heating.both(use.oven as number)}`] : []));
function keeping(step: Step): string {
  const most = step.keeps?.most;
  if (!step.keeps || most === undefined) return '';
  const how = step.keeps.how ? ` ${KEPT_WHERE[step.keeps.how]}` : '';
  return most === null ? `keeps${how}` : `keeps ${duration(most)}${how}`;
}
const needed = (dish: (typeof dishes.value)[number]) =>
  dish.ingredients.map((i) => neededFor(i, portions.value / dish.serves, preferences.system));
</script>

<template>
  <article v-if="read" class="dish-card card" aria-labelledby="dish-title">
    <div class="head">
      <h2 id="dish-title">{{ read.dish.name }}</h2>
      <slot name="acts" />
    </div>
    <p class="soft">{{ read.tags.join(', ') }}</p>
    <p v-if="has.length">It has: {{ has.join(', ') }}. Check the packet.</p>
    <AmountScale :key="read.dish.id" v-model="portions" :dish="read.dish" :guests="guests" />
    <el-checkbox v-model="isBeside">as it is written beside it</el-checkbox>
    <p v-if="facts">
      {{ duration(facts.hands) }} of hands, {{ duration(facts.total) }} from beginning to plate,
      {{ duration(facts.ahead) }} of the hands can be done the day before.
    </p>
    <template v-for="dish in dishes" :key="dish.id">
      <h3 v-if="dish !== read.dish">{{ dish.name }}</h3>
      <ReckonTable v-if="isBeside && dish.ingredients.length" :dish="dish" :portions="portions" />
      <ul v-else-if="dish.ingredients.length" class="needed" :aria-label="`What ${dish.name} needs`">
        <li v-for="line in needed(dish)" :key="line.item">
          <strong>{{ line.amount }}</strong>
          <span>
            {{ line.item }}<template v-if="line.to">, {{ line.to }}</template>
            <span v-if="line.weight" class="soft" :title="line.weight.source">
              (about {{ line.weight.grams }} g, {{ line.weight.source }})</span
            >
          </span>
        </li>
      </ul>
      <ol class="steps" :aria-label="`Steps of ${dish.name}`">
        <li v-for="step in dish.steps" :key="step.id" :class="step.attention">
          <strong>{{ step.does }}</strong>
          <span class="soft">
            {{
              [`${times(step)} ${KINDS[step.attention]}`, batches(step), ...heat(step), keeping(step)]
                .filter(Boolean)
                .join(', ')
            }}
          </span>
          <span v-if="step.cue">Done when: {{ step.cue }}</span>
          <span v-for="caution in step.cautions" :key="caution" class="caution">{{ caution }}</span>
        </li>
      </ol>
    </template>
    <p class="soft">
      Amounts are rounded to what can be measured. Check packets for allergens; for safe temperatures and
      keeping times, follow your local food-safety advice.
    </p>
  </article>
</template>

<style scoped>
.dish-card {
  display: grid;
  gap: 0.75rem;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: start;
  justify-content: space-between;
}

.needed {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: 0.2rem 1.5rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.needed > li {
  display: grid;
  grid-template-columns: 6rem minmax(0, 1fr);
  gap: 0.5rem;
}

.steps {
  display: grid;
  gap: 0.5rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.steps > li {
  display: grid;
  padding: 0.3rem 0.75rem;
  border-left: 6px solid var(--accent);
}

/* Attention is told by the edge: solid for hands, broken for minded, double and open for alone. */
.steps > .minded {
  border-left-style: dashed;
}

.steps > .alone {
  border-left-style: double;
}

.caution {
  color: var(--warn);
}
</style>
