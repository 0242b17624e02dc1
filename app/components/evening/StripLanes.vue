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
const ghosts = computed(() =>
  props.moves.size === 0
    ? []
    : props.bars
        .filter((bar) => bar.texture !== 'waiting' && props.moves.has(bar.step))
        .map((bar) => ({
          bar,
          to: props.moves.get(bar.step)!,
          left: bar.lane * lane.value,
          width: Math.max(5, lane.value - 2),
        })),
);
const placeOf = (bar: Bar) =>
  bar.waiting?.how ? KEPT_WHERE[bar.waiting.how as keyof typeof KEPT_WHERE] : '';
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
      :width="Math.max(5, lane - 2)"
      :y="y"
      :place="placeOf(bar)"
      :has-words="columns.hasWords && lane >= 20"
      :is-chosen="bar.step === chosen"
      @choose="emit('choose', bar.step)"
    />
    <StripGhosts :ghosts="ghosts" :y="y" />
  </div>
</template>

<style scoped>
.column {
  position: relative;
}
</style>
