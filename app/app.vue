<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { DEMOS } from './composables/useFiles';
import { useClock } from './stores/clock';
import { useCards } from './stores/cards';
import { useDinner } from './stores/dinner';
import { usePreferences } from './stores/preferences';
import { useSession } from './stores/session';

const dinner = useDinner();
const session = useSession();
const clock = useClock();
const cards = useCards();
const preferences = usePreferences();
const isReady = ref(false);

onMounted(async () => {
  await clock.restore();
  if (!(await dinner.restore())) await dinner.openText(DEMOS[0]!.text);
  await session.restore();
  await Promise.all([cards.restore(), preferences.restore()]);
  isReady.value = true;
});
useIntervalFn(() => clock.tick(), 250);
</script>

<template>
  <VitePwaManifest />
  <AppFrame v-if="isReady">
    <NuxtPage />
  </AppFrame>
  <p v-else class="loading" role="status">Laying the table ...</p>
</template>

<style scoped>
.loading {
  padding: 4rem;
  text-align: center;
}
</style>
