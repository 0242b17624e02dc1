<script setup lang="ts">
import type { StripLayout } from '../../../core/strip';
import type { StripColumns } from '../../composables/useStrip';
import { STRIP_DRAG, type Movable } from '../../composables/useStripDrag';
import { useCourses } from '../../composables/useCourses';
import { useTimes } from '../../composables/useTimes';

/** A course's line across everything; it can be moved. */
const props = defineProps<{
  course: StripLayout['courses'][number];
  columns: StripColumns;
  top: number;
  /** Pixels to the left of the hands. */
  before: number;
}>();
const courses = useCourses();
const times = useTimes();
const drag = inject(STRIP_DRAG)!;

const movable = computed((): Movable => {
  const { id, name, serve } = props.course;
  return { kind: 'course', id, name, start: serve, drawnAt: serve };
});
</script>

<template>
  <div
    class="course"
    :class="{ narrow: columns.isNarrow, compact: columns.isCompact }"
    :style="{ top: `${top}px`, '--colour': courses.colour(course.id), '--before': `${before}px` }"
  >
    <button
      class="line"
      :aria-label="`${course.name} ${times.clock(course.serve)}, at the table until ${times.clock(course.up)}. Shift and arrows move it.`"
      @pointerdown="(event) => drag.down(event, movable, true)"
      @keydown="(event) => drag.key(event, movable)"
    >
      <strong>{{ course.name }} {{ times.clock(course.serve) }}</strong>
      <span v-if="!columns.isCompact">at the table until {{ times.clock(course.up) }}</span>
    </button>
  </div>
</template>

<style scoped>
.course {
  position: absolute;
  inset-inline: 0;
  z-index: 3;
  border-top: 3px solid var(--colour);
  pointer-events: none;
}

.line {
  margin-left: calc(var(--before) + 50px);
  padding: 0 0.5rem;
  border: 0;
  background: none;
  color: var(--colour);
  font-size: 1.05rem;
  line-height: 32px;
  text-align: left;
  cursor: ns-resize;
  pointer-events: auto;
  touch-action: none;
  user-select: none;
}

.compact .line {
  margin-left: calc(var(--before) + 20px);
  font-size: 0.85rem;
  line-height: 20px;
}

.narrow .line {
  margin-left: calc(var(--before) + 4px);
  line-height: 1.3;
}

.line span {
  margin-left: 0.75rem;
  color: var(--soft);
  font-size: 0.9rem;
}

.narrow .line span {
  display: block;
  margin-left: 0;
}
</style>
