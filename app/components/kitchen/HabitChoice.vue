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
    <span id="theme-label">Light</span>
    <el-radio-group v-model="theme.chosen.value" aria-labelledby="theme-label">
      <el-radio-button v-for="t in THEMES" :key="t.value" :value="t.value" :label="t.label" />
    </el-radio-group>
    <span id="week-label">The week begins on</span>
    <el-radio-group
      :model-value="preferences.weekStart"
      aria-labelledby="week-label"
      @change="(day) => preferences.set({ weekStart: day as 0 | 1 | 6 })"
    >
      <el-radio-button v-for="w in WEEKS" :key="w.value" :value="w.value" :label="w.label" />
    </el-radio-group>
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
