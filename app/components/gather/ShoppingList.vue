<script setup lang="ts">
import { ElMessage } from 'element-plus';
import { listAsCsv, listAsMarkdown, listAsText, shoppingList, totalOf } from '../../../core/gather';
import { download, fileName } from '../../composables/useFiles';
import { useDinner } from '../../stores/dinner';
import { useGather } from '../../stores/gather';
import { usePreferences } from '../../stores/preferences';

/** What is to be bought, by shelf; ticked off by touch. */
const store = useDinner();
const gather = useGather();
const preferences = usePreferences();
const withPrices = ref(Object.keys(gather.gathered.prices).length > 0);

const all = computed(() => shoppingList(store.dinner!, preferences.system));
const isWanted = (line: { key: string; isStaple: boolean }) => gather.gathered.withStaples || !line.isStaple;
const shelves = computed(() =>
  all.value.map((s) => ({ ...s, lines: s.lines.filter(isWanted) })).filter((s) => s.lines.length > 0),
);
/** Without what is at home: what goes out to the shop. */
const toBuy = computed(() => ({
  title: store.dinner!.title,
  prices: gather.gathered.prices,
  shelves: shelves.value
    .map((s) => ({ ...s, lines: s.lines.filter((l) => !gather.gathered.atHome[l.key]) }))
    .filter((s) => s.lines.length > 0),
}));
const left = computed(
  () => toBuy.value.shelves.flatMap((s) => s.lines).filter((l) => !gather.gathered.ticked[l.key]).length,
);
const cost = computed(() => totalOf(toBuy.value));
const money = new Intl.NumberFormat('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 });

function setPrice(key: string, price: number | null | undefined): void {
  const { [key]: _old, ...others } = gather.gathered.prices;
  void gather.set({ prices: price === null || price === undefined ? others : { ...others, [key]: price } });
}

const named = (rest: string) => fileName(store.dinner!.title, rest);
const OUT = {
  text: () => download(named('-shopping.txt'), listAsText(toBuy.value), 'text/plain'),
  csv: () => download(named('-shopping.csv'), listAsCsv(toBuy.value), 'text/csv'),
  markdown: () => download(named('-shopping.md'), listAsMarkdown(toBuy.value), 'text/markdown'),
  print: () => window.print(),
};
const canShare = computed(() => 'share' in navigator);
async function share(): Promise<void> {
  try {
    await navigator.share({ title: `${store.dinner!.title}, shopping`, text: listAsText(toBuy.value) });
  } catch (error) {
    if ((error as DOMException).name !== 'AbortError') ElMessage.error('This device did not take the list.');
  }
}
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(listAsText(toBuy.value));
  ElMessage.success('The list is copied.');
}
</script>

<template>
  <section aria-labelledby="shopping-title" class="shopping">
    <div class="row">
      <h2 id="shopping-title">Shopping</h2>
      <p role="status">{{ left }} still to buy</p>
      <div class="acts no-print">
        <el-dropdown trigger="click" @command="(k: keyof typeof OUT) => OUT[k]()">
          <el-button>Take the list away</el-button>
          <template #dropdown>
            <el-dropdown-menu>
              <el-dropdown-item command="text">As text</el-dropdown-item>
              <el-dropdown-item command="csv">As a table (CSV)</el-dropdown-item>
              <el-dropdown-item command="markdown">As Markdown</el-dropdown-item>
              <el-dropdown-item command="print">Print</el-dropdown-item>
            </el-dropdown-menu>
          </template>
        </el-dropdown>
        <el-button v-if="canShare" @click="share">Share</el-button>
        <el-button v-else @click="copy">Copy</el-button>
        <el-checkbox
          :model-value="gather.gathered.withStaples"
          @change="(v) => gather.set({ withStaples: v === true })"
          >with salt, pepper, oil and water</el-checkbox
        >
        <el-checkbox v-model="withPrices">with prices</el-checkbox>
      </div>
    </div>
    <p v-if="withPrices && cost.priced" role="status">
      {{ money.format(cost.total) }} in all, {{ money.format(cost.total / store.dinner!.guests) }} by
      head<template v-if="cost.priced < cost.lines"
        >; {{ cost.lines - cost.priced }} things have no price yet</template
      >.
    </p>
    <div class="shelves">
      <section v-for="shelf in shelves" :key="shelf.shelf" class="card" :aria-label="shelf.shelf">
        <h3>{{ shelf.shelf }}</h3>
        <ul>
          <li
            v-for="line in shelf.lines"
            :key="line.key"
            :class="{ bought: gather.gathered.ticked[line.key], home: gather.gathered.atHome[line.key] }"
          >
            <el-checkbox
              :model-value="gather.gathered.ticked[line.key] ?? false"
              :disabled="gather.gathered.atHome[line.key]"
              @change="(v) => gather.flag('ticked', line.key, v === true)"
            >
              <span class="thing"
                ><strong>{{ line.amount }}</strong> {{ line.item }}</span
              >
            </el-checkbox>
            <span class="for soft">{{
              line.wanted.map((w) => (line.wanted.length > 1 ? `${w.dish} (${w.amount})` : w.dish)).join(', ')
            }}</span>
            <el-input-number
              v-if="withPrices"
              class="price no-print"
              :model-value="gather.gathered.prices[line.key]"
              :min="0"
              :precision="2"
              :controls="false"
              placeholder="price"
              :aria-label="`Price of ${line.item}`"
              @change="(n: number | null | undefined) => setPrice(line.key, n)"
            />
            <el-button
              class="no-print"
              :aria-pressed="gather.gathered.atHome[line.key] ?? false"
              :aria-label="`${line.item} is at home`"
              @click="gather.flag('atHome', line.key, !gather.gathered.atHome[line.key])"
              >at home</el-button
            >
          </li>
        </ul>
      </section>
    </div>
    <p v-if="shelves.length === 0" class="soft">No dish of this dinner lists what it needs.</p>
    <p class="soft">Check packets for allergens.</p>
  </section>
</template>

<style scoped>
.shopping {
  display: grid;
  gap: 0.75rem;
}

.acts {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 0.4rem 0.75rem;
  align-items: center;
}

.shelves {
  columns: 3 21rem;
  column-gap: 1rem;
}

.card {
  margin-bottom: 1rem;
  break-inside: avoid;
}

h3::first-letter {
  text-transform: uppercase;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.5rem;
  align-items: center;
  padding-block: 0.3rem;
  border-bottom: 1px solid var(--line);
}

li:last-child {
  border-bottom: none;
}

.for {
  grid-column: 1;
  grid-row: 2;
  padding-left: 1.5rem;
  font-size: 0.9rem;
}

li > :deep(.el-button) {
  grid-column: 2;
  grid-row: 1;
}

.price {
  grid-column: 2;
  grid-row: 2;
  width: 6rem;
}

.bought .thing,
.home .thing {
  text-decoration: line-through;
}

li :deep(.el-button[aria-pressed='true']) {
  background: var(--accent);
  color: var(--accent-ink);
}

.thing {
  white-space: normal;
}
</style>
