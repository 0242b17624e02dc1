<script setup lang="ts">
import type { Bar } from '../../composables/useStrip';

defineProps<{
  bars: readonly Bar[];
  count: number;
  y: (minute: number) => number;
  chosen: string | null;
}>();
const emit = defineEmits<{ choose: [step: string] }>();
const LANE = 28;
</script>

<template>
  <div class="column" role="group" aria-label="Waiting: what rests, chills and is kept">
    <StripBar
      v-for="bar in bars"
      :key="bar.key"
      :bar="bar"
      :left="bar.lane * LANE"
      :y="y"
      :place="bar.waiting?.how ? `(${bar.waiting.how})` : ''"
      :is-chosen="bar.step === chosen"
      @choose="emit('choose', bar.step)"
    />
  </div>
</template>

<style scoped>
.column {
  position: relative;
  overflow-x: auto;
  overflow-y: hidden;
}
</style>
