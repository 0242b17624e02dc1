<script setup lang="ts">
import { freeId } from '../../../core/compose';
import type { DinnerFile } from '../../../core/dinner';
import { useKitchen } from '../../stores/kitchen';

const kitchen = useKitchen();

const addOven = () =>
  kitchen.change((k) => ({
    ...k,
    ovens: [
      ...(k.ovens ?? []),
      { id: freeId('oven', new Set((k.ovens ?? []).map((o) => o.id))), name: 'Another oven' },
    ],
  }));
const removeOven = (at: number) =>
  kitchen.change((k) => ({ ...k, ovens: (k.ovens ?? []).filter((_, o) => o !== at) }));
type OvenFile = NonNullable<DinnerFile['kitchen']['ovens']>[number];
const setOven = (at: number, change: Partial<OvenFile>) =>
  kitchen.change((k) => ({
    ...k,
    ovens: (k.ovens ?? []).map((oven, o) => (o === at ? { ...oven, ...change } : oven)),
  }));
const FIELDS = [
  { name: 'shelves', label: 'Shelves', min: 0.5 },
  { name: 'heats', label: 'Heats, °C a minute', min: 1 },
  { name: 'cools', label: 'Cools, °C a minute', min: 0.5 },
] as const;
</script>

<template>
  <section class="card" aria-labelledby="ovens-title">
    <h2 id="ovens-title">Ovens</h2>
    <div
      v-for="(oven, o) in kitchen.kitchen.ovens"
      :key="oven.id"
      class="oven"
      role="group"
      :aria-label="oven.name"
    >
      <label :for="`oven-${o}`">Name</label>
      <NameInput
        :id="`oven-${o}`"
        :model-value="oven.name"
        maxlength="40"
        @update:model-value="(name) => setOven(o, { name })"
      />
      <el-checkbox class="wide" :model-value="oven.fan" @change="(v) => setOven(o, { fan: v === true })">
        It has a fan
      </el-checkbox>
      <div class="row wide">
        <FieldNumber
          v-for="field in FIELDS"
          :key="field.name"
          :label="field.label"
          :min="field.min"
          :max="60"
          :step="0.5"
          :model-value="oven[field.name]"
          @update:model-value="(n) => n && setOven(o, { [field.name]: n })"
        />
      </div>
      <p class="soft wide">
        From cold to 180 °C in {{ Math.ceil(160 / oven.heats) }} minutes.
        <el-button :aria-label="`Without ${oven.name}`" @click="removeOven(o)">Without it</el-button>
      </p>
    </div>
    <el-button @click="addOven">One more oven</el-button>
  </section>
</template>

<style scoped>
.card {
  display: grid;
  gap: 0.75rem;
  justify-items: start;
}

.oven {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0.5rem 1rem;
  align-items: center;
  width: 100%;
  padding-bottom: 0.75rem;
  border-bottom: 1px solid var(--line);
}

.wide {
  grid-column: 1 / -1;
}
</style>
