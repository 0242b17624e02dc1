<script setup lang="ts">
import { leadDays, type Lead } from '../../../core/gather';
import { leadsToCalendar } from '../../../core/write';
import { download, fileName } from '../../composables/useFiles';
import { useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useGather } from '../../stores/gather';

/** What has to be bought, thawed, begun or set by when; a list for each day. */
const store = useDinner();
const gather = useGather();
const times = useTimes();
const KINDS: Record<Lead['kind'], string> = {
  buy: 'Buy',
  thaw: 'Thaw',
  start: 'Begin',
  wait: 'Begin',
};
const days = computed(() => leadDays(store.evening!.dinner, store.evening!.plan));
const deadline = ({ kind, by }: Lead) =>
  `${KINDS[kind]} by ${times.clock(by)}${kind === 'wait' ? ', it takes long' : ''}.`;
const nameOf = (lead: Lead) => `${lead.kind} ${lead.step ?? `${lead.dish}: ${lead.text}`}`;
function save(): void {
  const { dinner, plan } = store.evening!;
  download(fileName(dinner.title, '-ahead.ics'), leadsToCalendar(dinner, plan, Date.now()), 'text/calendar');
}
</script>

<template>
  <section aria-labelledby="ahead-title" class="ahead">
    <div class="row">
      <h2 id="ahead-title">Ahead of time</h2>
      <el-button class="no-print" @click="save">As a calendar file</el-button>
    </div>
    <section v-for="day in days" :key="day.day" class="card" :aria-label="times.day(day.leads[0]!.by)">
      <h3>{{ times.day(day.leads[0]!.by) }}</h3>
      <ul>
        <li
          v-for="lead in day.leads"
          :key="nameOf(lead)"
          :class="{ done: gather.gathered.done[nameOf(lead)] }"
        >
          <el-checkbox
            :model-value="gather.gathered.done[nameOf(lead)] ?? false"
            @change="(v) => gather.flag('done', nameOf(lead), v === true)"
          >
            <span class="what">
              <strong>{{ deadline(lead) }}</strong>
              {{ lead.text }}
              <span class="soft">{{ lead.dish }}</span>
            </span>
          </el-checkbox>
        </li>
      </ul>
    </section>
  </section>
</template>

<style scoped>
.ahead {
  display: grid;
  gap: 0.75rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li :deep(.el-checkbox) {
  height: auto;
  align-items: start;
}

li :deep(.el-checkbox__input) {
  padding-top: 0.85rem;
}

.what {
  display: inline-block;
  padding: 0.6rem 0;
  white-space: normal;
  line-height: 1.4;
}

.done .what {
  text-decoration: line-through;
}
</style>
