<script setup lang="ts">
import { QUARTER, type HandsColumn } from '../../../core/strip';
import { useTimes } from '../../composables/useTimes';

/** Hands minutes of a cook by the quarter hour, growing from the hands to the left. */
const props = defineProps<{
  column: HandsColumn;
  y: (minute: number) => number;
  isShown: (from: number, to: number) => boolean;
}>();
const times = useTimes();

/** Pixels for a full quarter. */
const WIDTH = 28;
const widthOf = (minutes: number) => Math.min(1, minutes / QUARTER) * WIDTH;
const shown = computed(() => props.column.loads.filter(({ from }) => props.isShown(from, from + QUARTER)));
const name = computed(() => {
  const { cook, loads } = props.column;
  const busiest = loads.reduce((a, b) => (b.minutes > a.minutes ? b : a), { from: 0, minutes: 0 });
  return `Hands of ${cook.name} by the quarter hour; the busiest is ${times.clock(busiest.from)} with ${busiest.minutes} minutes`;
});
</script>

<template>
  <svg class="load" role="img" :aria-label="name" :width="WIDTH" height="100%">
    <rect
      v-for="{ from, minutes } in shown"
      :key="from"
      :class="{ full: minutes >= QUARTER - 1 }"
      :x="WIDTH - widthOf(minutes)"
      :width="widthOf(minutes)"
      :y="y(from) + 1"
      :height="Math.max(1, y(from + QUARTER) - y(from) - 2)"
    />
  </svg>
</template>

<style scoped>
.load {
  position: absolute;
  inset: 0 auto 0 0;
  fill: color-mix(in srgb, var(--cook) 20%, transparent);
}

.full {
  fill: color-mix(in srgb, var(--cook) 42%, transparent);
}
</style>
