<script setup lang="ts">
import { chainFrom, firstOfDay, shortOf, type Wish } from '../../../core/reasons';
import { useCourses } from '../../composables/useCourses';
import { useSteps } from '../../composables/useSteps';
import { useTried } from '../../composables/useTried';
import { duration, useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useReasons } from '../../stores/reasons';
import type { Tried } from '../../workers/reasons.worker';

/** Questions about the whole evening, answered from the plan and from other plans that are tried. */
const emit = defineEmits<{ choose: [step: string] }>();
const store = useDinner();
const reasons = useReasons();
const steps = useSteps();
const times = useTimes();
const courses = useCourses();
const { asked, trying, ask: askFor, stop } = useTried<Wish | 'why'>();

const first = computed(() => firstOfDay(store.plan!));
const firstStart = computed(() => store.plan!.steps.find((row) => row.step === first.value)?.start ?? 0);
const chain = computed(() => (first.value ? chainFrom(first.value, [...reasons.whys.values()]) : []));
const questions = computed(() => [
  {
    key: 'why',
    wish: 'why' as const,
    text: `What makes the work begin at ${times.clock(firstStart.value)}?`,
  },
  { key: 'start', wish: { kind: 'start' } as const, text: 'What would let me begin later?' },
  ...store.plan!.courses.map(({ id }) => ({
    key: `sit ${id}`,
    wish: { kind: 'sit', course: id } as const,
    text: `What would let me sit through ${courses.name(id)}?`,
  })),
]);

/** A cook who sits through a course already has no need of a change. */
const isGranted = (wish: Wish | 'why') =>
  wish !== 'why' && wish.kind === 'sit' && shortOf(wish, store.dinner!, store.plan!) === 0;

function ask(wish: Wish | 'why'): void {
  const { file, plan } = store;
  if (wish === 'why' || isGranted(wish)) askFor(wish);
  else askFor(wish, (remote, tell) => remote.ask(file, plan!, wish, tell));
}

const isAsked = (wish: Wish | 'why') => JSON.stringify(asked.value) === JSON.stringify(wish);
function brings({ before, after }: Tried): string {
  if (asked.value !== 'why' && asked.value?.kind === 'start') return `${duration(before - after)} later`;
  return after === 0 ? 'not away at all' : `${after} min away during it instead of ${before}`;
}
</script>

<template>
  <section class="ask" aria-labelledby="ask-title">
    <h2 id="ask-title">Ask the evening</h2>
    <div v-for="{ key, wish, text } in questions" :key="key">
      <button class="question" :aria-expanded="isAsked(wish)" @click="ask(wish)">{{ text }}</button>
      <template v-if="isAsked(wish)">
        <ol v-if="wish === 'why'" class="chain">
          <li v-for="link in chain" :key="link.step">
            <button class="link-button" @click="emit('choose', link.step)">
              {{ times.clockSince(link.start, 0) }} {{ steps.does(link.step) }}
            </button>
            <span v-if="link.holds">Not later: {{ steps.reason(link.holds).text }}.</span>
            <span v-else>Nothing holds it there but the cost.</span>
          </li>
          <li v-if="chain.length === 0" class="soft">Looking ...</li>
        </ol>
        <p v-else-if="isGranted(wish)" role="status">
          Nothing is needed: nobody who eats leaves the table during it.
        </p>
        <TriedList v-else :trying="trying" :brings="brings" @stop="stop" />
      </template>
    </div>
    <p v-if="trying.all > 0" class="soft">Each was tried on this very evening, with little else moved.</p>
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 0.5rem;
}

h2 {
  font-size: 1.2rem;
}

.question {
  width: 100%;
  min-height: 44px;
  padding: 0.4rem 0.75rem;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  font-weight: 600;
  text-align: left;
  cursor: pointer;
}

.question[aria-expanded='true'] {
  border-color: var(--accent);
}

.chain {
  display: grid;
  gap: 0.4rem;
  padding-left: 1.4rem;
}
</style>
