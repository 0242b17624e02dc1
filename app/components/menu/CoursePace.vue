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

/** The pause stays in order: least, ideal, most. */
function setPause(field: 'least' | 'ideal' | 'most', value: number | undefined | null): void {
  const pause = { ...course.value.pause, [field]: value ?? 0 };
  if (field === 'least') pause.most = Math.max(pause.most, pause.least);
  if (field === 'most') pause.least = Math.min(pause.least, pause.most);
  pause.ideal = Math.min(pause.most, Math.max(pause.least, pause.ideal));
  if (field === 'ideal') {
    pause.least = Math.min(pause.least, value ?? 0);
    pause.most = Math.max(pause.most, value ?? 0);
    pause.ideal = value ?? 0;
  }
  void store.change([{ path: `${path.value}.pause`, value: pause }]);
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
      <label :for="`eating-${course.id}`">Minutes to eat</label>
      <el-input-number
        :id="`eating-${course.id}`"
        :model-value="course.eating"
        :min="1"
        :max="240"
        @change="(n) => set('eating', n)"
      />
      <template v-if="props.course > 0">
        <label :for="`ideal-${course.id}`">Pause before it</label>
        <el-input-number
          :id="`ideal-${course.id}`"
          :model-value="course.pause.ideal"
          :min="0"
          :max="240"
          @change="(n) => setPause('ideal', n)"
        />
        <label :for="`least-${course.id}`">at least</label>
        <el-input-number
          :id="`least-${course.id}`"
          :model-value="course.pause.least"
          :min="0"
          :max="240"
          @change="(n) => setPause('least', n)"
        />
        <label :for="`most-${course.id}`">at most</label>
        <el-input-number
          :id="`most-${course.id}`"
          :model-value="course.pause.most"
          :min="0"
          :max="240"
          @change="(n) => setPause('most', n)"
        />
      </template>
      <label :for="`base-${course.id}`">Plating, minutes</label>
      <el-input-number
        :id="`base-${course.id}`"
        :model-value="course.plating.base"
        :min="0"
        :max="60"
        :step="0.5"
        @change="(n) => set('plating.base', n)"
      />
      <label :for="`head-${course.id}`">and for each guest</label>
      <el-input-number
        :id="`head-${course.id}`"
        :model-value="course.plating.perGuest"
        :min="0"
        :max="10"
        :step="0.25"
        @change="(n) => set('plating.perGuest', n)"
      />
      <template v-if="props.course < dinner.courses.length - 1">
        <label :for="`clear-${course.id}`">Clearing, minutes</label>
        <el-input-number
          :id="`clear-${course.id}`"
          :model-value="course.clearing"
          :min="0"
          :max="60"
          @change="(n) => set('clearing', n)"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.pace {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
}

.when {
  flex: 1;
  min-width: 12rem;
}

.fields {
  display: grid;
  grid-template-columns: auto auto;
  gap: 0.5rem 1rem;
  align-items: center;
  width: 100%;
  justify-content: start;
}
</style>
