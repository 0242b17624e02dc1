<script setup lang="ts">
import type { HeatUnit, System } from '../../../core/amounts';
import { useHeat } from '../../composables/useHeat';
import { usePreferences } from '../../stores/preferences';

const preferences = usePreferences();
const heat = useHeat();
const SYSTEMS: { value: System; label: string }[] = [
  { value: 'metric', label: 'Grams and millilitres' },
  { value: 'us', label: 'Cups and ounces' },
];
const HEATS: { value: HeatUnit; label: string }[] = [
  { value: 'C', label: '°C' },
  { value: 'F', label: '°F' },
  { value: 'gas', label: 'Gas mark' },
];
</script>

<template>
  <section class="card units" aria-labelledby="units-title">
    <h2 id="units-title">Units</h2>
    <span id="system-label">Amounts</span>
    <el-radio-group
      :model-value="preferences.system"
      aria-labelledby="system-label"
      @change="(system) => preferences.set({ system: system as System })"
    >
      <el-radio-button v-for="s in SYSTEMS" :key="s.value" :value="s.value" :label="s.label" />
    </el-radio-group>
    <span id="heat-label">Oven</span>
    <el-radio-group
      :model-value="preferences.heat"
      aria-labelledby="heat-label"
      @change="(heat) => preferences.set({ heat: heat as HeatUnit })"
    >
      <el-radio-button v-for="h in HEATS" :key="h.value" :value="h.value" :label="h.label" />
    </el-radio-group>
    <p class="soft">
      Temperatures of dishes are for an oven {{ heat.hasFan.value ? 'with' : 'without' }} a fan, as yours is:
      what is written as 180 °C is set to {{ heat.both(180) }}.
    </p>
  </section>
</template>

<style scoped>
.units {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}
</style>
