<script setup lang="ts">
import type { WeakSpot } from '../../../core/reasons';
import { useCooks } from '../../composables/useCooks';
import { useSteps } from '../../composables/useSteps';
import { useTried } from '../../composables/useTried';
import { useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useReasons } from '../../stores/reasons';
import { useStripLook } from '../../stores/strip';
import type { Tried } from '../../workers/reasons.worker';

/** Where the evening is tight, and what helps most. */
const emit = defineEmits<{ choose: [step: string] }>();
const store = useDinner();
const cooks = useCooks();
const reasons = useReasons();
const look = useStripLook();
const steps = useSteps();
const times = useTimes();
const { asked, trying, ask, stop } = useTried<WeakSpot>();

function words(spot: WeakSpot): { title: string; text: string } {
  const span = `${times.clockSince(spot.from, 0)} to ${times.clockSince(spot.to, spot.from)}`;
  switch (spot.kind) {
    case 'tight':
      return {
        title: `${times.clockSince(spot.from, 0)} ${steps.does(spot.step)}`,
        text: `It may take ${spot.over} min longer than planned, and then runs ${spot.short} min into what follows.`,
      };
    case 'peak':
      return {
        title: `${span}: no hand free`,
        text: `${cooks.name(spot.cook)} has ${spot.minutes} minutes of work in this half hour.`,
      };
    case 'oven':
      return {
        title: `${span}: the oven`,
        text: `${spot.steps.length} things stand when they do because of what else is in the oven: ${spot.steps.map(steps.dishOf).join(', ')}.`,
      };
  }
}
function show(spot: WeakSpot): void {
  if (spot.kind === 'tight') emit('choose', spot.step);
  look.ask(spot.from);
}
function help(spot: WeakSpot): void {
  const { file, plan } = store;
  ask(spot, (remote, tell) => remote.help(file, plan!, spot, tell));
}
const BRINGS = {
  tight: (t: Tried) => (t.after === 0 ? 'no longer tight' : `short by ${t.after} min instead of ${t.before}`),
  peak: (t: Tried) =>
    t.after === 0 ? 'no such half hour is left' : `${t.after} minutes instead of ${t.before}`,
  oven: (t: Tried) =>
    t.after === 0 ? 'nothing waits for the oven' : `${t.after} such things instead of ${t.before}`,
};
</script>

<template>
  <section class="tight" aria-labelledby="tight-title">
    <h2 id="tight-title">Tight places</h2>
    <p v-if="reasons.weak.length === 0">
      None: nothing runs into what follows if it takes as long as it may, and there is a hand free in every
      half hour.
    </p>
    <article v-for="(spot, k) in reasons.weak" :key="k">
      <h3>{{ words(spot).title }}</h3>
      <p>{{ words(spot).text }}</p>
      <div class="row">
        <el-button size="small" @click="show(spot)">Show it</el-button>
        <el-button size="small" @click="help(spot)">What helps?</el-button>
      </div>
      <TriedList v-if="asked === spot" :trying="trying" :brings="BRINGS[spot.kind]" @stop="stop" />
    </article>
  </section>
</template>

<style scoped>
.tight,
article {
  display: grid;
  gap: 0.4rem;
}

article {
  padding-top: 0.5rem;
  border-top: 1px solid var(--line);
}

h2 {
  font-size: 1.2rem;
}

h3 {
  font-size: 1rem;
}
</style>
