<script setup lang="ts">
import type { Bar } from '../../../core/strip';
import { useCourses } from '../../composables/useCourses';

/** Where bars beside the hands would be while something is moved; on a layer of its own. */
defineProps<{
  ghosts: readonly {
    readonly bar: Bar;
    readonly to: number;
    readonly left: number;
    readonly width: number;
  }[];
  y: (minute: number) => number;
}>();
const courses = useCourses();
</script>

<template>
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
