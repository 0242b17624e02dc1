<script setup lang="ts">
import { useTheme, type Theme } from '../../composables/useTheme';
import { ring } from '../../composables/useBell';
import { usePreferences } from '../../stores/preferences';

/** Light, calendar and sounds. */
const preferences = usePreferences();
const theme = useTheme();
const THEMES: { value: Theme; label: string }[] = [
  { value: 'auto', label: 'As the device' },
  { value: 'light', label: 'Daylight' },
  { value: 'dark', label: 'Candle' },
];
const WEEKS = [
  { value: 1, label: 'Monday' },
  { value: 0, label: 'Sunday' },
  { value: 6, label: 'Saturday' },
] as const;

async function setSounds(sounds: boolean): Promise<void> {
  await preferences.set({ sounds });
  if (sounds) ring();
}
</script>

<template>
  <section class="card habits" aria-labelledby="habits-title">
    <h2 id="habits-title">Light, calendar, sounds</h2>
    <ChoiceOf v-model="theme.chosen.value" label="Light" :choices="THEMES" />
    <ChoiceOf
      label="The week begins on"
      :choices="WEEKS"
      :model-value="preferences.weekStart"
      @update:model-value="(weekStart) => preferences.set({ weekStart })"
    />
    <el-checkbox :model-value="preferences.sounds" @change="(v) => setSounds(v === true)">
      A bell while cooking, when something is ready to come out
    </el-checkbox>
  </section>
</template>

<style scoped>
.habits {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}
</style>
