<script setup lang="ts">
import type { Bar } from '../../../core/strip';
import type { StripColumns } from '../../composables/useStrip';
import { KEPT_WHERE } from '../../composables/useWords';

/** What rests, chills and waits, to the right of the hands. */
const props = defineProps<{
  bars: readonly Bar[];
  count: number;
  width: number;
  columns: StripColumns;
  y: (minute: number) => number;
  chosen: string | null;
  moves: ReadonlyMap<string, number>;
}>();
const emit = defineEmits<{ choose: [step: string] }>();
/** Many lanes stand closer. */
const lane = computed(() => Math.min(props.columns.lane, props.width / Math.max(1, props.count)));
const placeOf = (bar: Bar) =>
  bar.waiting?.how ? KEPT_WHERE[bar.waiting.how as keyof typeof KEPT_WHERE] : '';
const placed = computed(() =>
  props.bars.map((bar) => ({
    bar,
    where: placeOf(bar),
    left: bar.lane * lane.value,
    width: Math.max(5, lane.value - 2),
  })),
);
</script>

<template>
  <div class="column" role="group" aria-label="Waiting: what rests, chills and is kept">
    <StripBars
      :placed="placed"
      :y="y"
      hands="left"
      :chosen="chosen"
      :moves="moves"
      @choose="(step) => emit('choose', step)"
    />
  </div>
</template>

<style scoped>
.column {
  position: relative;
}
</style>
