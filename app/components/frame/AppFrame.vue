<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { ElMessage, ElMessageBox } from 'element-plus';
import { isTyping } from '../../composables/isTyping';
import { useTheme } from '../../composables/useTheme';
import { useCards } from '../../stores/cards';
import { useDinner } from '../../stores/dinner';
import { useStorageTrouble } from '../../stores/trouble';
import { useFiles } from '../../composables/useFiles';

const store = useDinner();
const files = useFiles();
const trouble = useStorageTrouble();
const route = useRoute();
const { isDark, toggleDark } = useTheme();
const cards = useCards();
/** What undo and redo are about: the dish of the card file that is being changed, else the dinner. */
const undoing = computed(() => (cards.editing ? cards : store));
const isHelpOpen = ref(false);
const isShelfOpen = ref(false);
const isBeginOpen = ref(false);
const isDropping = ref(false);
/** Where the screen is narrow what is seldom needed is behind a button. */
const isMoreOpen = ref(false);

const VIEWS = [
  { path: '/evening', name: 'Evening', key: 'e' },
  { path: '/cook', name: 'Cook', key: 'c' },
  { path: '/menu', name: 'Menu', key: 'm' },
  { path: '/dishes', name: 'Dishes', key: 'f' },
  { path: '/gather', name: 'Gather', key: 'g' },
  { path: '/kitchen', name: 'Kitchen', key: 'k' },
];

/** While cooking, undo is about what was done, and stands there. */
const canUndo = computed(() => !['/cook', '/print'].includes(route.path));
const isUndoable = computed(() => undoing.value.past.length + undoing.value.future.length > 0);

watch(
  () => route.path,
  () => (isMoreOpen.value = false),
);

watch(
  () => store.changedElsewhere,
  () => ElMessage('This dinner was changed in another window; this one follows.'),
);

useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event)) return;
  if (canUndo.value && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
    event.preventDefault();
    void (event.shiftKey ? undoing.value.redo() : undoing.value.undo());
  }
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  const view = VIEWS.find((v) => v.key === event.key);
  if (event.key === '?') isHelpOpen.value = true;
  else if (event.key === 't') toggleDark();
  else if (event.key === 'd') isShelfOpen.value = true;
  else if (event.key === 'p') void navigateTo('/print');
  else if (view) void navigateTo(view.path);
});

async function open(file: File | undefined): Promise<void> {
  if (!file || (await files.openFile(file))) return;
  await ElMessageBox.alert(
    h('div', [
      h('p', `${file.name} is not a dinner that can be read. What was open is still open.`),
      h(
        'ul',
        store.problems.slice(0, 8).map((problem) => h('li', problem)),
      ),
      store.problems.length > 8 ? h('p', `And ${store.problems.length - 8} more.`) : null,
    ]),
    'This file cannot be opened',
    { confirmButtonText: 'Close' },
  ).catch(() => undefined);
}

async function drop(event: DragEvent): Promise<void> {
  isDropping.value = false;
  await open(event.dataTransfer?.files[0]);
}
</script>

<template>
  <div
    class="frame"
    :class="{ dropping: isDropping }"
    @dragover.prevent="isDropping = true"
    @dragleave.self="isDropping = false"
    @drop.prevent="drop"
  >
    <a class="skip" href="#content">Skip to the view</a>
    <header class="head no-print">
      <div class="title">
        <span class="brand">Zeitlauf</span>
        <h1 :title="store.dinner?.title">{{ store.dinner?.title }}</h1>
      </div>
      <nav aria-label="Views">
        <NuxtLink
          v-for="view in VIEWS"
          :key="view.path"
          :to="view.path"
          class="view"
          :aria-current="route.path === view.path ? 'page' : undefined"
        >
          {{ view.name }}
        </NuxtLink>
      </nav>
      <div class="acts">
        <div v-if="canUndo" class="tools" :class="{ idle: !isUndoable }">
          <el-button :disabled="undoing.past.length === 0" @click="undoing.undo()">Undo</el-button>
          <el-button :disabled="undoing.future.length === 0" @click="undoing.redo()">Redo</el-button>
        </div>
        <el-button
          class="more"
          :aria-expanded="isMoreOpen"
          aria-controls="seldom"
          @click="isMoreOpen = !isMoreOpen"
          >More</el-button
        >
        <div id="seldom" class="tools seldom" :class="{ open: isMoreOpen }">
          <el-button @click="isShelfOpen = true">Dinners</el-button>
          <FileMenu @open="open" />
          <el-button :aria-pressed="isDark" @click="toggleDark()">
            {{ isDark ? 'Daylight' : 'Candle' }}
          </el-button>
          <el-button aria-label="Keyboard shortcuts" @click="isHelpOpen = true">?</el-button>
        </div>
      </div>
    </header>
    <div v-if="trouble.text" class="trouble no-print" role="alert">
      {{ trouble.text }} Save the dinner as a file, so that it is not lost.
      <el-button @click="files.saveDinner()">Save the dinner</el-button>
    </div>
    <EveningRibbon v-if="store.evening" class="no-print" />
    <main id="content" tabindex="-1">
      <slot />
    </main>
    <ShortcutHelp v-model="isHelpOpen" />
    <DinnerShelf v-model="isShelfOpen" @begin="isBeginOpen = true" />
    <BeginDinner v-model="isBeginOpen" />
  </div>
</template>

<style scoped>
.frame {
  min-height: 100vh;
}

.dropping {
  outline: 4px dashed var(--accent);
  outline-offset: -8px;
}

.skip {
  position: absolute;
  left: -999px;
}

.skip:focus {
  left: 0.5rem;
  top: 0.5rem;
  z-index: 20;
  padding: 0.5rem 1rem;
  background: var(--card);
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1rem;
  padding: 0.6rem 1.25rem;
}

.title {
  display: flex;
  align-items: baseline;
  gap: 0.75rem;
}

.brand {
  font: 600 1rem var(--serif);
  color: var(--accent);
}

h1 {
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 1.35rem;
}

nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0;
  flex: 1;
}

.view {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 0.7rem;
  border-radius: 10px;
  color: var(--ink);
  text-decoration: none;
  font-weight: 600;
}

.view[aria-current='page'] {
  background: var(--accent);
  color: var(--accent-ink);
}

.trouble {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  padding: 0.4rem 1.25rem;
  background: var(--seat);
  color: var(--warn);
  font-weight: 600;
}

.acts,
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}

.more {
  display: none;
  padding-inline: 0.7rem;
}

.tools :deep(.el-button) {
  padding-inline: 0.7rem;
}

.tools :deep(.el-button + .el-button) {
  margin-left: 0;
}

main {
  outline: none;
}

@media (min-width: 961px) {
  .head,
  nav,
  .acts,
  .tools {
    flex-wrap: nowrap;
  }

  .title {
    min-width: 0;
  }

  h1 {
    white-space: nowrap;
  }

  nav {
    flex: 1 0 auto;
  }
}

@media (min-width: 961px) and (max-width: 1149px) {
  .brand {
    display: none;
  }

  .head {
    gap: 0.6rem;
  }

  .view {
    padding: 0 0.45rem;
  }

  .tools :deep(.el-button) {
    padding-inline: 0.45rem;
  }
}

@media (max-width: 960px) {
  .head {
    gap: 0.25rem 0.4rem;
    padding: 0.4rem 0.6rem;
  }

  .title {
    flex: 1 1 0;
    min-width: 0;
    padding-left: 0.3rem;
  }

  .acts {
    display: contents;
  }

  .brand,
  .idle,
  .seldom:not(.open) {
    display: none;
  }

  h1 {
    white-space: nowrap;
  }

  nav {
    flex-basis: 100%;
    order: 1;
  }

  .more {
    display: inline-flex;
  }

  .seldom {
    flex-basis: 100%;
  }
}

@media (max-width: 600px) {
  .view {
    padding: 0 0.4rem;
    font-size: 0.95rem;
  }

  .tools {
    gap: 0.25rem;
  }
}
</style>
