<script setup lang="ts">
import type { Bar } from '../../../core/strip';
import { useCourses } from '../../composables/useCourses';

/** A bar where it is drawn beside the hands; pixels. */
export interface PlacedBar {
  readonly bar: Bar;
  readonly where: string;
  readonly left: number;
  readonly width: number;
}

/** Bars beside the hands, and where they would be while something is moved. */
const props = defineProps<{
  placed: readonly PlacedBar[];
  y: (minute: number) => number;
  /** The side on which the hands are, and with them the ends of the threads. */
  hands: 'left' | 'right';
  chosen: string | null;
  moves: ReadonlyMap<string, number>;
}>();
const emit = defineEmits<{ choose: [step: string] }>();
const courses = useCourses();

/** What waits has no place of its own: it begins where its step ends. */
const ghosts = computed(() =>
  props.placed
    .filter(({ bar }) => bar.texture !== 'waiting' && props.moves.has(bar.step))
    .map((place) => ({ ...place, to: props.moves.get(place.bar.step)! })),
);
</script>

<template>
  <svg class="threads" aria-hidden="true" width="100%" height="100%">
    <template v-for="{ bar, left, width } in placed" :key="bar.key">
      <line
        v-for="m in bar.threads"
        :key="m"
        :x1="hands === 'left' ? 0 : left + width"
        :x2="hands === 'left' ? left : '100%'"
        :y1="y(m)"
        :y2="y(m)"
      />
    </template>
  </svg>
  <StripBar
    v-for="{ bar, left, width, where } in placed"
    :key="bar.key"
    :bar="bar"
    :left="left"
    :width="width"
    :y="y"
    :place="where"
    :is-chosen="bar.step === chosen"
    @choose="emit('choose', bar.step)"
  />
  <div class="over" aria-hidden="true">
    <span
      v-for="{ bar, to, left, width } in ghosts"
      :key="bar.key"
      class="ghost"
      :style="{
        top: `${y(to)}px`,
        height: `${Math.max(4, y(to + bar.to - bar.from) - y(to))}px`,
        left: `${left}px`,
        width: `${width}px`,
        '--colour': courses.colour(bar.course),
      }"
    />
  </div>
</template>

<style scoped>
/* A layer of its own: what changes while something is moved makes nothing else be drawn again. */
.over {
  position: absolute;
  inset: 0;
  z-index: 2;
  pointer-events: none;
  will-change: transform;
}

.ghost {
  position: absolute;
  border: 2px dashed var(--colour);
  border-radius: 5px;
}
</style>
