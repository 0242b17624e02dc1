<script setup lang="ts">
import { costByPausesOf } from '../../../core/reasons';
import { useSteps } from '../../composables/useSteps';
import { useTimes } from '../../composables/useTimes';
import { useBending } from '../../stores/bending';
import { useDinner } from '../../stores/dinner';

/** While something is moved: where it is, what else would move, and what that costs. */
const store = useDinner();
const bending = useBending();
const times = useTimes();
const steps = useSteps();

const held = computed(() => bending.inHand);
const plan = computed(() => {
  const found = bending.preview;
  return found ? costByPausesOf(store.dinner!, found) : null;
});
const others = computed(() => [...bending.moves.keys()].filter((step) => step !== held.value?.id));
const rise = computed(() => (plan.value ? plan.value.cost! - store.plan!.cost! : 0));
const why = computed(() => (plan.value ? steps.costBeside(plan.value, store.plan!).slice(0, 3) : []));
const MOST_NAMED = 3;
const by = (minutes: number) => `${Math.abs(minutes)} min ${minutes < 0 ? 'earlier' : 'later'}`;
</script>

<template>
  <div
    v-if="held && bending.isMoved"
    class="note card"
    role="status"
    aria-live="polite"
    :data-at="bending.outcome?.at"
    :data-to="held.to"
  >
    <p>
      <strong>{{ times.clock(held.to) }}</strong> {{ held.name.replace(/[.]$/, '') }},
      {{ by(held.to - held.from) }}
    </p>
    <p v-if="bending.settled && !bending.settled.plan && !bending.settled.isFinal">
      Looking whether it can be there ...
    </p>
    <p v-else-if="bending.settled && !bending.settled.plan" class="warn">
      It cannot be there with all else as it must be.
    </p>
    <template v-else-if="plan">
      <p v-if="others.length">
        {{ others.length }} {{ others.length === 1 ? 'other thing moves' : 'other things move' }}:
        {{
          others
            .slice(0, MOST_NAMED)
            .map((step) => steps.does(step).replace(/[.]$/, ''))
            .join('; ')
        }}{{ others.length > MOST_NAMED ? ' ...' : '' }}
      </p>
      <p v-else>Nothing else moves.</p>
      <p v-if="rise > 0.5">Costs {{ rise.toFixed(1) }} more: {{ why.join(', ') }}.</p>
      <p v-else-if="rise < -0.5">Better by {{ (-rise).toFixed(1) }}: {{ why.join(', ') }}.</p>
      <p v-else>Costs nothing.</p>
    </template>
    <p class="soft">Let go, or Enter: it stays there. Esc: as it was.</p>
  </div>
</template>

<style scoped>
.note {
  position: fixed;
  right: 1.25rem;
  bottom: 1rem;
  z-index: 15;
  display: grid;
  gap: 0.25rem;
  width: min(24rem, calc(100vw - 2rem));
  border: 2px solid var(--focus);
  pointer-events: none;
  will-change: transform;
}

.warn {
  color: var(--warn);
  font-weight: 600;
}
</style>
