<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { useDinner } from '../stores/dinner';

const store = useDinner();
const chosen = ref<string | null>(null);
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape') chosen.value = null;
});

watch(
  () => store.plan,
  (plan) => {
    // While the evening is planned anew there is none; what was chosen is chosen again in the new one.
    if (plan && !plan.steps.some((s) => s.step === chosen.value)) chosen.value = null;
  },
);
</script>

<template>
  <div>
    <PlanStatus />
    <div v-if="store.evening" class="evening" :class="{ 'has-detail': chosen }">
      <EveningStrip v-model:chosen="chosen" />
      <StepDetail v-if="chosen" :step="chosen" @choose="(s) => (chosen = s)" @close="chosen = null" />
    </div>
    <ImpossibleDinner v-else-if="store.plan && !store.plan.feasible" />
  </div>
</template>

<style scoped>
.evening {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  padding: 0 1.25rem 3rem;
}

.has-detail {
  grid-template-columns: minmax(0, 1fr) 20rem;
}

@media (max-width: 900px) {
  .evening,
  .has-detail {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 0.5rem;
  }
}
</style>
