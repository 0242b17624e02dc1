<script setup lang="ts">
import { freeId, idFrom, withFields } from '../../../core/compose';
import {
  WAY_PARTS,
  type StepFile,
  type WayFile,
  type WayOrStep,
  type WayPart,
} from '../../composables/useStepFields';

/** Other ways to do a step: what each replaces, and what it costs the dish in the cook's judgement. */
const props = defineProps<{ step: StepFile; set: (change: Partial<StepFile>) => void }>();

const ways = computed(() => props.step.ways ?? []);
const setWays = (list: readonly WayFile[]) => props.set({ ways: list.length > 0 ? [...list] : undefined });
const setWay = (at: number, change: Partial<WayFile>) =>
  setWays(ways.value.map((way, k) => (k === at ? withFields(way, change) : way)));

function add(): void {
  const id = freeId(idFrom('another way', 'way'), new Set(ways.value.map((w) => w.id)));
  setWays([...ways.value, { id, label: 'Another way', points: 5 }]);
}

/** The step as it is done this way: what the way does not say, it has from the step. */
function merged(way: WayFile): WayOrStep {
  const { ways: _ways, ...step } = props.step;
  return { ...step, ...way } as WayOrStep;
}
const replaces = (way: WayFile, part: WayPart) => WAY_PARTS[part].some((field) => Object.hasOwn(way, field));
/** A way that replaces a part begins with the step's own, and where the step tells none, with something. */
const BEGIN = { time: {}, uses: { uses: [] }, keeps: { keeps: { most: 60 } } };
function toggle(at: number, part: WayPart, on: boolean): void {
  const own = { ...BEGIN[part], ...props.step } as Record<string, unknown>;
  const fields = WAY_PARTS[part].map((field) => [field, on ? own[field] : undefined]);
  setWay(at, Object.fromEntries(fields) as Partial<WayFile>);
}
/** A way that uses nothing says so. */
const setUses = (at: number, change: Partial<WayOrStep>) =>
  setWay(at, ('uses' in change ? { ...change, uses: change.uses ?? [] } : change) as Partial<WayFile>);
const PARTS: { part: WayPart; label: string }[] = [
  { part: 'time', label: 'takes other time or hands' },
  { part: 'uses', label: 'uses other things' },
  { part: 'keeps', label: 'keeps otherwise' },
];
</script>

<template>
  <fieldset class="fieldset ways">
    <legend>Other ways to do it</legend>
    <section v-for="(way, k) in ways" :key="way.id" class="way" :aria-label="`Way ${k + 1}: ${way.label}`">
      <WayHead
        :way="way"
        :name="`Name of way ${k + 1}`"
        :removal="`Take out way ${k + 1}`"
        @change="(change) => setWay(k, change)"
        @remove="setWays(ways.filter((_, x) => x !== k))"
      />
      <div class="row">
        <el-checkbox
          v-for="p in PARTS"
          :key="p.part"
          :model-value="replaces(way, p.part)"
          @change="(v) => toggle(k, p.part, v === true)"
        >
          {{ p.label }}
        </el-checkbox>
      </div>
      <div v-if="replaces(way, 'time')" class="row">
        <StepMinutes
          :step="merged(way)"
          :name="`Way ${k + 1}`"
          :set="(change) => setWay(k, change as Partial<WayFile>)"
        />
        <TimeFields :step="merged(way)" :set="(change) => setWay(k, change as Partial<WayFile>)" />
      </div>
      <UseFields v-if="replaces(way, 'uses')" :step="merged(way)" :set="(change) => setUses(k, change)" />
      <KeepFields
        v-if="replaces(way, 'keeps')"
        is-way
        :step="merged(way)"
        :set="(change) => setWay(k, change as Partial<WayFile>)"
      />
    </section>
    <el-button @click="add">One more way to do this step</el-button>
  </fieldset>
</template>

<style scoped>
.way {
  display: grid;
  gap: 0.4rem;
  width: 100%;
  padding-bottom: 0.5rem;
  border-bottom: 1px solid var(--line);
}
</style>
