<script setup lang="ts">
import { ElMessage } from 'element-plus';
import { offerBringBack } from '../../composables/useBringBack';
import { useDinner } from '../../stores/dinner';
import { useShelf } from '../../stores/shelf';

const isOpen = defineModel<boolean>({ required: true });
const emit = defineEmits<{ begin: [] }>();
const shelf = useShelf();
const store = useDinner();
const showsArchived = ref(false);
const shown = computed(() => shelf.dinners.filter((d) => showsArchived.value || !d.isArchived));
const archivedCount = computed(() => shelf.dinners.filter((d) => d.isArchived).length);
const day = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'long',
  year: 'numeric',
  timeZone: 'UTC',
});
const dayOf = (wall: string) => (wall ? day.format(Date.parse(`${wall.slice(0, 10)}T00:00Z`)) : '');

watch(isOpen, (open) => open && shelf.refresh());

async function open(id: string): Promise<void> {
  if (await store.open(id)) isOpen.value = false;
  else ElMessage.error('This dinner cannot be read. It is kept as it is.');
}

async function remove(id: string, title: string): Promise<void> {
  offerBringBack(`${title} is deleted.`, await shelf.remove(id));
}
</script>

<template>
  <el-dialog v-model="isOpen" title="Dinners" width="min(46rem, 94vw)">
    <el-button type="primary" @click="((isOpen = false), emit('begin'))">Begin a dinner</el-button>
    <ul>
      <li v-for="dinner in shown" :key="dinner.id">
        <div class="what">
          <strong>{{ dinner.title }}</strong>
          <span class="soft">
            {{ dayOf(dinner.sitDown) }}, {{ dinner.guests }} at table<template v-if="dinner.id === store.id"
              >, open</template
            ><template v-if="dinner.isArchived">, put away</template>
          </span>
        </div>
        <div class="acts">
          <el-button
            :disabled="dinner.id === store.id"
            :aria-label="`Open ${dinner.title}`"
            @click="open(dinner.id)"
          >
            Open
          </el-button>
          <el-button :aria-label="`Duplicate ${dinner.title}`" @click="shelf.duplicate(dinner.id)"
            >Duplicate</el-button
          >
          <el-button
            :aria-label="`${dinner.isArchived ? 'Take out' : 'Put away'} ${dinner.title}`"
            @click="shelf.archive(dinner.id, !dinner.isArchived)"
          >
            {{ dinner.isArchived ? 'Take out' : 'Put away' }}
          </el-button>
          <el-button
            :disabled="shelf.dinners.length < 2"
            :aria-label="`Delete ${dinner.title}`"
            @click="remove(dinner.id, dinner.title)"
          >
            Delete
          </el-button>
        </div>
      </li>
    </ul>
    <el-checkbox v-if="archivedCount > 0" v-model="showsArchived">
      Show what is put away ({{ archivedCount }})
    </el-checkbox>
  </el-dialog>
</template>

<style scoped>
ul {
  display: grid;
  gap: 0.5rem;
  margin: 1rem 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.5rem 1rem;
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--line);
}

.what {
  display: grid;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
}

.acts :deep(.el-button + .el-button) {
  margin-left: 0;
}
</style>
