<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core';
import { DEMOS } from './composables/useFiles';
import { useClock } from './stores/clock';
import { useCards } from './stores/cards';
import { useDinner } from './stores/dinner';
import { useDrafts } from './stores/drafts';
import { usePreferences } from './stores/preferences';
import { useStorageTrouble } from './stores/trouble';
import { useSession } from './stores/session';

const dinner = useDinner();
const session = useSession();
const clock = useClock();
const cards = useCards();
const drafts = useDrafts();
const preferences = usePreferences();
const trouble = useStorageTrouble();
const isReady = ref(false);

onMounted(async () => {
  try {
    await clock.restore();
    if (!(await dinner.restore())) await dinner.openText(DEMOS[0]!.text);
    await session.restore();
    await Promise.all([cards.restore(), drafts.restore(), preferences.restore()]);
  } catch (error) {
    trouble.tell(error);
    if (!dinner.dinner) dinner.openUnkept(DEMOS[0]!.text);
  }
  isReady.value = true;
});
// What is kept in passing fails without anybody waiting for it.
useEventListener('unhandledrejection', (event: PromiseRejectionEvent) => {
  if (trouble.tell(event.reason)) event.preventDefault();
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
