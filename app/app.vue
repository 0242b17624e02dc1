<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core';
import { ElMessage } from 'element-plus';
import { demoFile, useFiles } from './composables/useFiles';
import { isPacked } from './composables/usePost';
import { useClock } from './stores/clock';
import { useCards } from './stores/cards';
import { useDinner } from './stores/dinner';
import { useDrafts } from './stores/drafts';
import { usePreferences } from './stores/preferences';
import { useStripLook } from './stores/strip';
import { useStorageTrouble } from './stores/trouble';
import { useSession } from './stores/session';
import { useVariant } from './stores/variant';

/** An empty text is a choice with a name ("Everyone"), so that name is shown. */
const NOTHING_CHOSEN = [undefined, null];

const dinner = useDinner();
const session = useSession();
const clock = useClock();
const cards = useCards();
const drafts = useDrafts();
const preferences = usePreferences();
const look = useStripLook();
const trouble = useStorageTrouble();
const variant = useVariant();
const isReady = ref(false);

/** An evening that came as a link stands behind its #; it is taken from there once. */
async function openFromLink(): Promise<void> {
  const sent = /^#evening=(.+)$/.exec(window.location.hash)?.[1];
  if (!sent) return;
  window.history.replaceState(window.history.state, '', window.location.pathname);
  // Its letters are such that a link need not change them, but for the colons.
  const text = sent.replaceAll('%3A', ':');
  if (!isPacked(text) || !(await useFiles().openPacked(text))) {
    ElMessage({ message: 'The link holds no evening, or a part of it is missing.', type: 'warning' });
  }
}

onMounted(async () => {
  try {
    await clock.restore();
    if (!(await dinner.restore())) await dinner.openFile(demoFile(0));
    await session.restore();
    await Promise.all([
      cards.restore(),
      drafts.restore(),
      preferences.restore(),
      look.restore(),
      variant.restore(),
    ]);
  } catch (error) {
    trouble.tell(error);
    if (!dinner.dinner) dinner.openUnkept(demoFile(0));
  }
  await openFromLink();
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
  <el-config-provider :empty-values="NOTHING_CHOSEN">
    <AppFrame v-if="isReady">
      <NuxtPage />
    </AppFrame>
    <p v-else class="loading" role="status">Laying the table ...</p>
  </el-config-provider>
</template>

<style scoped>
.loading {
  padding: 4rem;
  text-align: center;
}
</style>
