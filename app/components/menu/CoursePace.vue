<script setup lang="ts">
import { platingMinutes } from '../../../core/dinner';
import { useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';

const props = defineProps<{ course: number }>();
const store = useDinner();
const times = useTimes();
const isOpen = ref(false);
const dinner = computed(() => store.dinner!);
const course = computed(() => dinner.value.courses[props.course]!);
const served = computed(() => store.evening?.plan.courses.find((c) => c.id === course.value.id));
const path = computed(() => `courses[${props.course}]`);
const set = (field: string, value: number | undefined | null) =>
  store.change([{ path: `${path.value}.${field}`, value: value ?? 0 }]);

const PAUSES = [
  { field: 'ideal', label: 'Pause before it' },
  { field: 'least', label: 'at least' },
  { field: 'most', label: 'at most' },
] as const;

/** The pause stays in order, least, ideal, most: what is set pushes the others. */
function setPause(field: (typeof PAUSES)[number]['field'], value: number): void {
  const now = course.value.pause;
  const least = field === 'least' ? value : Math.min(now.least, value);
  const most = field === 'most' ? value : Math.max(now.most, value);
  const ideal = Math.min(most, Math.max(least, field === 'ideal' ? value : now.ideal));
  void store.change([{ path: `${path.value}.pause`, value: { ...now, least, ideal, most } }]);
}
</script>

<template>
  <div class="pace">
    <p class="soft when">
      <template v-if="served">On the table at {{ times.clock(served.serve) }}. </template>
      {{ course.eating }} min to eat, {{ platingMinutes(dinner, props.course) }} min to plate<template
        v-if="served && served.wait !== null"
        >, {{ served.wait }} min after the course before</template
      >.
    </p>
    <el-button
      size="small"
      :aria-expanded="isOpen"
      :aria-label="`Pace of ${course.name}`"
      @click="isOpen = !isOpen"
    >
      Pace
    </el-button>
    <div v-if="isOpen" class="fields">
      <FieldNumber
        label="Minutes to eat"
        :min="1"
        :max="240"
        :model-value="course.eating"
        @update:model-value="(n) => set('eating', n)"
      />
      <template v-if="props.course > 0">
        <FieldNumber
          v-for="pause in PAUSES"
          :key="pause.field"
          :label="pause.label"
          :max="240"
          :model-value="course.pause[pause.field]"
          @update:model-value="(n) => setPause(pause.field, n ?? 0)"
        />
      </template>
      <FieldNumber
        label="Plating, minutes"
        :max="60"
        :step="0.5"
        :model-value="course.plating.base"
        @update:model-value="(n) => set('plating.base', n)"
      />
      <FieldNumber
        label="and for each guest"
        :max="10"
        :step="0.25"
        :model-value="course.plating.perGuest"
        @update:model-value="(n) => set('plating.perGuest', n)"
      />
      <FieldNumber
        v-if="props.course < dinner.courses.length - 1"
        label="Clearing, minutes"
        :max="60"
        :model-value="course.clearing"
        @update:model-value="(n) => set('clearing', n)"
      />
    </div>
  </div>
</template>

<style scoped>
.pace {
  display: flex;
  padding-top: 0.25rem;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
}

.when {
  flex: 1;
  min-width: 12rem;
}

.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  width: 100%;
}
</style>
