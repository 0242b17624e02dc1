<script setup lang="ts">
import { ElMessage } from 'element-plus';
import type { BackupEffect } from '../../../core/compose';
import { download } from '../../composables/useFiles';
import { useBackup, type Preview } from '../../stores/backup';

const backup = useBackup();
const input = useTemplateRef<HTMLInputElement>('input');
const isReplacing = ref(false);
const text = ref('');
const name = ref('');
const preview = shallowRef<Preview | null>(null);
const problems = ref<string[]>([]);

async function takeOut(): Promise<void> {
  const day = new Date().toISOString().slice(0, 10);
  download(`zeitlauf-${day}.backup.json`, await backup.makeText(), 'application/json');
}

async function look(): Promise<void> {
  if (!text.value) return;
  const result = await backup.preview(text.value, isReplacing.value);
  preview.value = Array.isArray(result) ? null : result;
  problems.value = Array.isArray(result) ? result : [];
}
watch(isReplacing, look);

async function picked(event: Event): Promise<void> {
  const target = event.target as HTMLInputElement;
  const file = target.files?.[0];
  target.value = '';
  if (!file) return;
  name.value = file.name;
  text.value = await file.text();
  await look();
}

function forget(): void {
  text.value = '';
  preview.value = null;
  problems.value = [];
}

async function takeIn(): Promise<void> {
  if (!preview.value) return;
  try {
    await backup.takeIn(preview.value.backup, isReplacing.value);
    ElMessage.success('The backup is taken in.');
    forget();
  } catch (error) {
    ElMessage.error(
      `Nothing was changed: ${error instanceof Error ? error.message : 'the browser refused'}.`,
    );
  }
}

const lines = (what: string, effect: BackupEffect) => [
  ...(effect.added.length ? [`New ${what}: ${effect.added.join(', ')}`] : []),
  ...(effect.changed.length ? [`Changed ${what}: ${effect.changed.join(', ')}`] : []),
  ...(effect.removed.length ? [`Gone ${what}: ${effect.removed.join(', ')}`] : []),
  ...(effect.same ? [`As they are: ${effect.same} ${what}`] : []),
];
</script>

<template>
  <section class="card box" aria-labelledby="backup-title">
    <h2 id="backup-title">Backup</h2>
    <p class="soft">
      All dinners, the card file and the kitchen in one file. Nothing leaves this browser by itself.
    </p>
    <div class="acts">
      <el-button type="primary" @click="takeOut">Save everything</el-button>
      <el-button @click="input?.click()">Take a backup in ...</el-button>
      <input
        ref="input"
        type="file"
        accept=".json,application/json"
        hidden
        data-testid="backup-file"
        @change="picked"
      />
    </div>
    <div v-if="problems.length" role="alert">
      <p>{{ name }} is not a backup that can be read. Nothing was changed.</p>
      <ul>
        <li v-for="problem in problems.slice(0, 6)" :key="problem">{{ problem }}</li>
      </ul>
    </div>
    <div v-if="preview" class="preview">
      <h3>What {{ name }} would change</h3>
      <el-checkbox v-model="isReplacing">Replace everything: what is not in the file goes</el-checkbox>
      <ul aria-label="What would change">
        <li
          v-for="line in [...lines('dinners', preview.dinners), ...lines('dishes', preview.cards)]"
          :key="line"
        >
          {{ line }}
        </li>
      </ul>
      <div class="acts">
        <el-button type="primary" @click="takeIn">{{ isReplacing ? 'Replace' : 'Take in' }}</el-button>
        <el-button @click="forget">Leave it</el-button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.box,
.preview {
  display: grid;
  gap: 0.75rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.acts :deep(.el-button + .el-button) {
  margin-left: 0;
}

ul {
  margin: 0;
}
</style>
