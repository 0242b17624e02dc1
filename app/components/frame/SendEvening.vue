<script setup lang="ts">
import { ElMessage } from 'element-plus';
import { useCooks } from '../../composables/useCooks';
import { download, fileName } from '../../composables/useFiles';
import { packEvening } from '../../composables/usePost';
import { useDinner } from '../../stores/dinner';

/** The evening, small enough for a message, for the one who helps. */
const isOpen = defineModel<boolean>({ required: true });
const store = useDinner();
const cooks = useCooks();
const cook = ref<string>('');
const packed = ref('');

watch(
  () => [isOpen.value, cook.value, store.plan] as const,
  async ([open]) => {
    if (!open) return;
    packed.value = await packEvening({ file: store.file, plan: store.plan, cook: cook.value || null });
  },
);
const link = computed(() => `${window.location.origin}/#evening=${encodeURIComponent(packed.value)}`);
const size = computed(() => (packed.value.length / 1000).toFixed(1));
const named = computed(() => {
  const title = store.dinner?.title ?? 'dinner';
  return fileName(cook.value ? `${title} for ${cooks.name(cook.value)}` : title, '.evening');
});

async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(link.value);
    ElMessage('The link is copied.');
  } catch {
    ElMessage({ message: 'The browser does not let it be copied. Save it as a file.', type: 'warning' });
  }
}
const save = () => download(named.value, packed.value, 'text/plain');
</script>

<template>
  <el-dialog v-model="isOpen" title="Send the evening" width="min(30rem, 92vw)">
    <div class="send">
      <p>
        The dinner and its plan in one small file ({{ size }} thousand letters). Whoever opens it in Zeitlauf
        has this very evening, and need not plan it.
      </p>
      <el-select v-model="cook" aria-label="For whom">
        <el-option value="" label="For everyone" />
        <el-option
          v-for="c in store.dinner?.cooks ?? []"
          :key="c.id"
          :value="c.id"
          :label="`For ${c.name}`"
        />
      </el-select>
      <div class="row">
        <el-button type="primary" @click="save">Save the small file</el-button>
        <el-button @click="copy">Copy as a link</el-button>
      </div>
      <p class="soft">The link works where this address can be reached; what it holds stays in the link.</p>
    </div>
  </el-dialog>
</template>

<style scoped>
.send {
  display: grid;
  gap: 0.75rem;
}
</style>
