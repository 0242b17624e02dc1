<script setup lang="ts">
import { handsOfDish } from '../../../core/reasons';
import { useDinner } from '../../stores/dinner';
import { duration } from '../../composables/useTimes';

const props = defineProps<{
  id: string;
  course: number;
  isFirst: boolean;
  isLast: boolean;
  cost?: string | undefined;
}>();
/** By how many places, and to which course. */
const emit = defineEmits<{ move: [by: number, course: number]; remove: [] }>();
const store = useDinner();
const isOpen = ref(false);
const index = computed(() => store.dinner!.dishes.findIndex((d) => d.id === props.id));
const dish = computed(() => store.dinner!.dishes[index.value]);
const others = computed(() =>
  store.dinner!.courses.map((c, k) => ({ name: c.name, k })).filter(({ k }) => k !== props.course),
);
const hands = computed(() => (store.evening ? handsOfDish(store.evening.plan, props.id) : 0));
const way = computed(() => {
  const chosen = store.evening?.plan.dishes.find((d) => d.dish === props.id)?.way;
  return dish.value?.ways.find((w) => w.id === chosen)?.label;
});
const ANY = '';

function setPortions(n: number | undefined | null): void {
  const value = n === store.dinner!.guests ? undefined : (n ?? undefined);
  void store.change([{ path: `dishes[${index.value}].portions`, value }]);
}

function chooseWay(value: string): void {
  const { [props.id]: _old, ...choices } = store.dinner!.choices;
  void store.change([
    { path: 'choices', value: value === ANY ? choices : { ...choices, [props.id]: value } },
  ]);
}

type Command = 'up' | 'down' | 'remove' | 'change' | number;
function command(what: Command): void {
  if (what === 'remove') emit('remove');
  else if (what === 'change') void navigateTo(`/dishes?change=${props.id}`);
  else if (what === 'up') emit('move', -1, props.course);
  else if (what === 'down') emit('move', 1, props.course);
  else emit('move', 0, what);
}
</script>

<template>
  <div v-if="dish" class="dish">
    <span class="grip" aria-hidden="true" title="Drag">⠿</span>
    <div class="what">
      <strong>{{ dish.name }}</strong>
      <span class="soft">
        {{ store.evening ? `${duration(hands)} of hands` : '…' }}<template v-if="way">. {{ way }}</template
        ><template v-if="cost">. It costs the evening: {{ cost }}.</template>
      </span>
      <div v-if="isOpen" class="more">
        <label :for="`portions-${id}`">Portions</label>
        <el-input-number
          :id="`portions-${id}`"
          :model-value="dish.portions ?? store.dinner!.guests"
          :min="0.5"
          :max="100"
          :step="1"
          @change="setPortions"
        />
        <template v-if="dish.ways.length > 0">
          <label :for="`way-${id}`">Made how</label>
          <el-select
            :id="`way-${id}`"
            :model-value="store.dinner!.choices[id] ?? ANY"
            :aria-label="`How ${dish.name} is made`"
            @change="chooseWay"
          >
            <el-option :value="ANY" label="As suits the evening" />
            <el-option v-for="w in dish.ways" :key="w.id" :value="w.id" :label="w.label" />
          </el-select>
        </template>
      </div>
    </div>
    <el-button
      size="small"
      :aria-expanded="isOpen"
      :aria-label="`Amounts of ${dish.name}`"
      @click="isOpen = !isOpen"
    >
      For {{ dish.portions ?? store.dinner!.guests }}
    </el-button>
    <el-dropdown trigger="click" @command="command">
      <el-button size="small" :aria-label="`Move, change or remove ${dish.name}`">More</el-button>
      <template #dropdown>
        <el-dropdown-menu>
          <el-dropdown-item command="up" :disabled="isFirst">Up</el-dropdown-item>
          <el-dropdown-item command="down" :disabled="isLast">Down</el-dropdown-item>
          <el-dropdown-item command="change">Change the dish</el-dropdown-item>
          <el-dropdown-item v-for="other in others" :key="other.k" :command="other.k">
            To {{ other.name }}
          </el-dropdown-item>
          <el-dropdown-item command="remove" divided>Leave it out</el-dropdown-item>
        </el-dropdown-menu>
      </template>
    </el-dropdown>
  </div>
</template>

<style scoped>
.dish {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) auto auto;
  gap: 0.25rem 0.5rem;
  align-items: start;
}

.grip {
  display: grid;
  place-items: center;
  min-height: 44px;
  color: var(--soft);
  cursor: grab;
}

.what {
  display: grid;
  padding-top: 0.3rem;
}

.more {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding-top: 0.5rem;
}

.more :deep(.el-select) {
  width: 14rem;
}
</style>
