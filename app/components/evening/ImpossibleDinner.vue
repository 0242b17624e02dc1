<script setup lang="ts">
import { useQuestion } from '../../composables/useOwnWorker';
import { useSteps } from '../../composables/useSteps';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const steps = useSteps();
const question = useQuestion();
/** Pins that cannot hold together, where they are what stands in the way. */
const hardPins = shallowRef<readonly string[]>([]);

watch(
  () => store.plan,
  (plan) => {
    hardPins.value = [];
    if (plan?.feasible !== false || store.dinner!.pins.length === 0) return;
    void question.begin(async (remote) => {
      const found = await remote.hardPins(store.file);
      if (store.plan === plan) hardPins.value = found ?? [];
    });
  },
  { immediate: true },
);
const unpin = (step: string) =>
  store.change([{ path: 'pins', value: store.dinner!.pins.filter((pin) => pin.step !== step) }]);
const pinnedTo = (step: string) => store.dinner!.pins.find((pin) => pin.step === step)?.start.slice(11);
</script>

<template>
  <section class="impossible card" aria-labelledby="impossible-title">
    <h2 id="impossible-title">This dinner cannot be cooked as it stands</h2>
    <template v-if="store.plan?.conflict?.length">
      <p>These cannot hold together:</p>
      <ul>
        <li v-for="conflict in store.plan.conflict" :key="conflict.text">{{ conflict.text }}</li>
      </ul>
    </template>
    <p v-else>What stands in the way was not found in so short a time.</p>
    <p v-if="question.isComparing.value" class="soft" role="status">Looking whether it is a pin ...</p>
    <template v-if="hardPins.length">
      <p>
        {{
          hardPins.length === 1
            ? 'This pin makes it impossible:'
            : 'These pins cannot hold together; one less and they can:'
        }}
      </p>
      <ul class="remedies">
        <li v-for="step in hardPins" :key="step">
          {{ pinnedTo(step) }} {{ steps.does(step) }}
          <el-button @click="unpin(step)">Unpin</el-button>
        </li>
      </ul>
    </template>
    <template v-if="store.plan?.remedies?.length">
      <p>Each of these was tried and makes it possible, the best evening first:</p>
      <ul class="remedies">
        <li v-for="remedy in store.plan.remedies" :key="remedy.text">
          <el-button @click="store.change(remedy.change)">{{ remedy.text }}</el-button>
        </li>
      </ul>
    </template>
    <p v-else>Nothing that was tried makes it possible. Leave out a dish, or begin earlier.</p>
  </section>
</template>

<style scoped>
.impossible {
  display: grid;
  gap: 0.75rem;
  max-width: 50rem;
  margin: 1rem auto;
}

.remedies {
  display: grid;
  gap: 0.5rem;
  padding: 0;
  list-style: none;
}
</style>
