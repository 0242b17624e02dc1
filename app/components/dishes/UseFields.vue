<script setup lang="ts">
import type { WayOrStep } from '../../composables/useStepFields';
import { useDinner } from '../../stores/dinner';

type UseFile = NonNullable<WayOrStep['uses']>[number];
/** The heat and the tools of a step, or of a way. */
const props = defineProps<{ step: WayOrStep; set: (change: Partial<WayOrStep>) => void }>();
const store = useDinner();

const uses = computed(() => props.step.uses ?? []);
const setUses = (list: readonly UseFile[]) => {
  const names = new Set(list.map((u) => ('ring' in u ? 'ring' : 'tool' in u ? (u.tool as string) : '')));
  const keepsIn = (props.step.keepsIn ?? []).filter((name) => names.has(name));
  props.set({
    uses: list.length > 0 ? [...list] : undefined,
    keepsIn: keepsIn.length > 0 ? keepsIn : undefined,
  });
};
const setUse = (at: number, change: object) =>
  setUses(uses.value.map((use, k) => (k === at ? ({ ...use, ...change } as UseFile) : use)));
const keepable = computed(() =>
  uses.value.flatMap((u) => ('ring' in u ? ['ring'] : 'tool' in u ? [u.tool as string] : [])),
);
const tools = computed(() => Object.keys(store.dinner!.kitchen.tools));
/** The kitchen's tools, and the one that stands there. */
const toolNames = (own: string) => [...new Set([own, ...tools.value])];
const giveOf = (use: UseFile): [number, number] => {
  const give = ('give' in use ? use.give : 0) as number | [number, number] | undefined;
  return typeof give === 'number' || give === undefined ? [give ?? 0, give ?? 0] : give;
};
const setGive = (at: number, side: 0 | 1, value: number) => {
  const give = giveOf(uses.value[at]!);
  give[side] = value;
  setUse(at, { give: give[0] === give[1] ? give[0] : give });
};
const SHELVES = ['any', 'top', 'middle', 'low'].map((value) => ({ value, label: value }));
</script>

<template>
  <fieldset class="fieldset">
    <legend>What it uses</legend>
    <div v-for="(use, k) in uses" :key="k" class="row">
      <template v-if="'oven' in use">
        <HeatField
          :celsius="use.oven as number"
          @update:celsius="(celsius) => setUse(k, { oven: celsius })"
        />
        <FieldNumber
          label="bears colder by"
          :max="200"
          :model-value="giveOf(use)[0]"
          @update:model-value="(n) => setGive(k, 0, n ?? 0)"
        />
        <FieldNumber
          label="hotter by"
          :max="200"
          :model-value="giveOf(use)[1]"
          @update:model-value="(n) => setGive(k, 1, n ?? 0)"
        />
        <FieldNumber
          label="shelves"
          :min="0.5"
          :step="0.5"
          :model-value="(use.shelves as number) ?? 1"
          @update:model-value="(n) => setUse(k, { shelves: n ?? 1 })"
        />
        <el-select
          :model-value="use.shelf ?? 'any'"
          aria-label="Which shelf"
          @change="(v: string) => setUse(k, { shelf: v })"
        >
          <el-option v-for="s in SHELVES" :key="s.value" :value="s.value" :label="s.label" />
        </el-select>
      </template>
      <FieldNumber
        v-else-if="'ring' in use"
        label="Rings"
        :min="1"
        :model-value="use.ring as number"
        @update:model-value="(n) => setUse(k, { ring: n ?? 1 })"
      />
      <template v-else>
        <el-select
          :model-value="use.tool as string"
          aria-label="Tool"
          filterable
          allow-create
          default-first-option
          @change="(v: string) => v && setUse(k, { tool: v })"
        >
          <el-option v-for="name in toolNames(use.tool as string)" :key="name" :value="name" :label="name" />
        </el-select>
        <FieldNumber
          label="how many"
          :min="1"
          :model-value="(use.count as number) ?? 1"
          @update:model-value="(n) => setUse(k, { count: n ?? 1 })"
        />
      </template>
      <el-button aria-label="Take out this use" @click="setUses(uses.filter((_, x) => x !== k))">×</el-button>
    </div>
    <div class="row">
      <el-button v-if="!uses.some((u) => 'oven' in u)" @click="setUses([...uses, { oven: 180 }])"
        >The oven</el-button
      >
      <el-button v-if="!uses.some((u) => 'ring' in u)" @click="setUses([...uses, { ring: 1 }])"
        >A ring</el-button
      >
      <el-button @click="setUses([...uses, { tool: tools[0] ?? 'pan' }])">A tool</el-button>
    </div>
    <el-checkbox-group
      v-if="keepable.length"
      :model-value="step.keepsIn ?? []"
      aria-label="Stays taken afterwards"
      @change="(v) => set({ keepsIn: v.length ? (v as string[]) : undefined })"
    >
      <el-checkbox v-for="name in keepable" :key="name" :value="name"
        >{{ name }} stays taken afterwards</el-checkbox
      >
    </el-checkbox-group>
  </fieldset>
</template>
