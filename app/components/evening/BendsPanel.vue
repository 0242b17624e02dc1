<script setup lang="ts">
import { bendsOf, type Bend } from '../../../core/reasons';
import { useCooks } from '../../composables/useCooks';
import { useCourses } from '../../composables/useCourses';
import { useQuestion } from '../../composables/useOwnWorker';
import { useSteps } from '../../composables/useSteps';
import { useDinner } from '../../stores/dinner';

/** All that the cook has decided instead of the plan: pins, ways, who, moved courses, courses sat through. */
const emit = defineEmits<{ choose: [step: string] }>();
const store = useDinner();
const cooks = useCooks();
const steps = useSteps();
const courses = useCourses();
const question = useQuestion();
/** What each pin costs: how much cheaper the evening is without it. */
const costs = shallowRef<ReadonlyMap<string, number | null>>(new Map());

const bends = computed(() => bendsOf(store.dinner!));
watch(
  () => [store.plan, store.isPlanning] as const,
  ([plan, isPlanning]) => {
    costs.value = new Map();
    if (!plan?.feasible || isPlanning || store.dinner!.pins.length === 0) return;
    void question.begin(async (remote) => {
      const told = await remote.pins(store.file, plan);
      if (store.plan !== plan) return;
      costs.value = new Map(told.map(({ step, figures }) => [step, figures && plan.cost! - figures.cost]));
    });
  },
  { immediate: true },
);

function wayLabel({ of, detail }: Bend): string {
  const [dishId, stepId] = of.split('/');
  const dish = store.dinner!.dishes.find((d) => d.id === dishId);
  const ways = stepId ? dish?.steps.find((s) => s.id === stepId)?.ways : dish?.ways;
  return ways?.find((w) => w.id === detail)?.label ?? 'the usual way';
}
const dishName = (id: string) => store.dinner!.dishes.find((d) => d.id === id)?.name ?? id;
function words(bend: Bend): string {
  switch (bend.kind) {
    case 'pin':
      return `${steps.does(bend.of)} Pinned to ${bend.detail.slice(11)}.`;
    case 'way':
      return bend.of.includes('/')
        ? `${steps.does(bend.of)} Way: ${wayLabel(bend)}.`
        : `${dishName(bend.of)}: ${wayLabel(bend)}.`;
    case 'who':
      return `${steps.does(bend.of)} By ${cooks.name(bend.detail)}.`;
    case 'course':
      return `${courses.name(bend.of)} comes ${bend.detail} min after the course before it is eaten.`;
    case 'sit':
      return `Nobody leaves the table during ${courses.name(bend.of)}.`;
  }
}
function costOf(bend: Bend): string {
  if (bend.kind !== 'pin') return '';
  const cost = costs.value.get(bend.of);
  if (cost === undefined) return question.isComparing.value ? 'Looking what it costs ...' : '';
  if (cost === null) return 'The evening cannot be without it.';
  return cost > 0.5 ? `It costs ${cost.toFixed(1)}.` : 'It costs nothing.';
}
const quiet = computed(() => store.dinner!.courses.map((course, c) => ({ course, c })));
const setQuiet = (c: number, isQuiet: boolean) =>
  store.bend([{ path: `courses[${c}].sitThrough`, value: isQuiet ? true : undefined }]);
</script>

<template>
  <section class="bends" aria-labelledby="bends-title">
    <h2 id="bends-title">Decided by you</h2>
    <p v-if="bends.length === 0">
      Nothing yet: all stands where the plan puts it. Drag a line of the run sheet or a course, or take a step
      and press Shift with the arrow keys.
    </p>
    <ul class="plain-list">
      <li v-for="bend in bends" :key="`${bend.kind} ${bend.of}`">
        <p>
          {{ words(bend) }} <span class="soft">{{ costOf(bend) }}</span>
        </p>
        <el-button v-if="bend.of.includes('/')" size="small" @click="emit('choose', bend.of)">Show</el-button>
        <el-button size="small" @click="store.bend(bend.letGo)">
          {{ bend.kind === 'pin' ? 'Unpin' : 'Let the plan decide' }}
        </el-button>
      </li>
    </ul>
    <h3>Stay at the table</h3>
    <el-checkbox
      v-for="{ course, c } in quiet"
      :key="course.id"
      :model-value="course.sitThrough === true"
      @change="(on) => setQuiet(c, on === true)"
      >all through {{ course.name }}</el-checkbox
    >
  </section>
</template>

<style scoped>
.bends,
ul {
  display: grid;
  gap: 0.4rem;
}

li {
  padding-bottom: 0.4rem;
  border-bottom: 1px solid var(--line);
}

h2 {
  font-size: 1.2rem;
}

h3 {
  font-size: 1rem;
}
</style>
