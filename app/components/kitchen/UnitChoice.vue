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
    <ChoiceOf
      label="Amounts"
      :choices="SYSTEMS"
      :model-value="preferences.system"
      @update:model-value="(system) => preferences.set({ system })"
    />
    <ChoiceOf
      label="Oven"
      :choices="HEATS"
      :model-value="preferences.heat"
      @update:model-value="(heat) => preferences.set({ heat })"
    />
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
