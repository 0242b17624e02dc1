<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core';
import type { Panel } from '../components/evening/StripTools.vue';
import { useBending } from '../stores/bending';
import { useDinner } from '../stores/dinner';
import { useStripLook } from '../stores/strip';

const store = useDinner();
const look = useStripLook();
const bending = useBending();
const chosen = ref<string | null>(null);
const panel = ref<Panel | null>(null);
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key !== 'Escape') return;
  if (bending.inHand) bending.drop();
  else if (chosen.value) chosen.value = null;
  else panel.value = null;
});

watch(
  () => store.plan,
  (plan) => {
    // While the evening is planned anew there is none; what was chosen is chosen again in the new one.
    if (plan && !plan.steps.some((s) => s.step === chosen.value)) chosen.value = null;
    bending.drop();
  },
);
/** Where the panel covers the lower part of the window, what is chosen comes above it. */
const isBelow = useMediaQuery('(max-width: 900px)');
watch(chosen, (step) => {
  const row = store.plan?.steps.find((s) => s.step === step);
  if (row && isBelow.value && look.inView) look.ask(row.start);
});
/** From another place than the strip: shown there too. */
function show(step: string): void {
  chosen.value = step;
  const row = store.plan?.steps.find((s) => s.step === step);
  const seen = look.inView;
  if (row && seen && (row.start < seen.from || row.start > seen.to)) look.ask(row.start);
}
</script>

<template>
  <div>
    <div class="above">
      <PlanStatus />
      <StripTools v-if="store.evening" v-model:panel="panel" />
    </div>
    <div v-if="store.evening" class="evening" :class="{ 'has-detail': chosen || panel }">
      <EveningList v-if="look.look === 'list'" v-model:chosen="chosen" />
      <EveningStrip v-else v-model:chosen="chosen" />
      <StepDetail v-if="chosen" :step="chosen" @choose="show" @close="chosen = null" />
      <aside v-else-if="panel" class="side card" aria-label="About the evening">
        <el-button class="close" @click="panel = null">Close</el-button>
        <AskPanel v-if="panel === 'ask'" @choose="show" />
        <TightPanel v-else-if="panel === 'tight'" @choose="show" />
        <BendsPanel v-else @choose="show" />
      </aside>
    </div>
    <ImpossibleDinner v-else-if="store.plan && !store.plan.feasible" />
    <BendNote />
  </div>
</template>

<style scoped>
.above {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
}

.tools {
  padding-inline: 1.25rem;
}

.evening {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  padding: 0 1.25rem 3rem;
}

.has-detail {
  grid-template-columns: minmax(0, 1fr) 20rem;
}

.side {
  position: sticky;
  top: 84px;
  align-self: start;
  max-height: calc(100vh - 96px);
  overflow-y: auto;
}

.side :deep(h2) {
  min-height: 44px;
  padding-right: 5rem;
}

.close {
  position: absolute;
  top: 0.75rem;
  right: 0.75rem;
}

@media (max-width: 900px) {
  .tools {
    padding-inline: 0.5rem;
  }

  .evening,
  .has-detail {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 0.5rem;
  }

  .side {
    position: fixed;
    inset: auto 0 0;
    z-index: 12;
    max-height: 60vh;
    border-radius: 14px 14px 0 0;
  }
}
</style>
