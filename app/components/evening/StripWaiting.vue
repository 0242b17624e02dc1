<script setup lang="ts">
import type { Bar } from '../../composables/useStrip';

const props = defineProps<{
  bars: readonly Bar[];
  count: number;
  y: (minute: number) => number;
  chosen: string | null;
}>();
const emit = defineEmits<{ choose: [step: string] }>();
/** Pixels for the whole column: many lanes stand closer. */
const WIDTH = 230;
const lane = computed(() => Math.min(27, WIDTH / Math.max(1, props.count)));
</script>

<template>
  <div class="column" role="group" aria-label="Waiting: what rests, chills and is kept">
    <svg class="threads" aria-hidden="true" width="100%" height="100%">
      <template v-for="bar in bars" :key="bar.key">
        <line v-for="m in bar.threads" :key="m" x1="0" :x2="bar.lane * lane" :y1="y(m)" :y2="y(m)" />
      </template>
    </svg>
    <StripBar
      v-for="bar in bars"
      :key="bar.key"
      :bar="bar"
      :left="bar.lane * lane"
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
