<script setup lang="ts">
import { celsiusFromSetting, settingOf } from '../../../core/amounts';
import { useHeat } from '../../composables/useHeat';
import { usePreferences } from '../../stores/preferences';

/** An oven temperature, set as this kitchen's oven shows it; kept in °C. */
const celsius = defineModel<number>('celsius', { required: true });
const preferences = usePreferences();
const heat = useHeat();
const LABELS = { C: 'Oven, °C', F: 'Oven, °F', gas: 'Oven, gas mark' };
const isGas = computed(() => preferences.heat === 'gas');
const shown = computed(() => settingOf(celsius.value, preferences.heat, heat.hasFan.value));
const set = (n: number | null | undefined) => {
  if (typeof n === 'number') celsius.value = celsiusFromSetting(n, preferences.heat, heat.hasFan.value);
};
</script>

<template>
  <FieldNumber
    :label="LABELS[preferences.heat]"
    :min="isGas ? 0.25 : 0"
    :max="isGas ? 9 : 1000"
    :step="isGas ? 0.25 : 5"
    :model-value="shown"
    @update:model-value="set"
  />
  <span class="soft">{{ heat.both(celsius) }}</span>
</template>
