<script setup lang="ts">
import { freeId, usualFree } from '../../../core/compose';
import type { DinnerFile } from '../../../core/dinner';
import { toInstant, toWall } from '../../../core/clock';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const dinner = computed(() => store.dinner!);
const set = (path: string, value: unknown) => store.change([{ path, value }]);

type Span = { from: string; to: string };

function setSpan(cook: number, span: number, value: [string, string] | null): void {
  if (value)
    void store.change([
      { path: `cooks[${cook}].free[${span}].from`, value: value[0] },
      { path: `cooks[${cook}].free[${span}].to`, value: value[1] },
    ]);
}

const withoutSpan = (cook: number, span: number) =>
  set(
    `cooks[${cook}].free`,
    dinner.value.cooks[cook]!.free.filter((_, k) => k !== span),
  );

/** One more time: the evening before the earliest. */
function addSpan(cook: number): void {
  const { free } = dinner.value.cooks[cook]!;
  const first = [...free].sort((a, b) => a.from.localeCompare(b.from))[0];
  const { timeZone } = dinner.value;
  const day = toWall(toInstant(first?.from ?? dinner.value.sitDown, timeZone) - 1440, timeZone).slice(0, 10);
  void set(`cooks[${cook}].free`, [{ from: `${day}T18:30`, to: `${day}T21:00` } satisfies Span, ...free]);
}

/** A second pair of hands for the hour before sitting down. */
function addCook(): void {
  const { sitDown, timeZone, cooks } = dinner.value;
  const [day] = usualFree(sitDown, timeZone, false);
  const from = toWall(toInstant(sitDown, timeZone) - 60, timeZone);
  void store.compose((file: DinnerFile) => ({
    ...file,
    cooks: [
      ...file.cooks,
      {
        id: freeId('helper', new Set(cooks.map((c) => c.id))),
        name: 'Helper',
        free: [{ from, to: day!.to }],
      },
    ],
  }));
}

function removeCook(k: number): void {
  const { id } = dinner.value.cooks[k]!;
  void store.compose((file: DinnerFile) => ({
    ...file,
    cooks: file.cooks.filter((_, c) => c !== k),
    dishes: file.dishes.map((dish) => ({
      ...dish,
      steps: dish.steps.map((step) => {
        if (step.who !== id) return step;
        const { who: _who, ...others } = step;
        return others as typeof step;
      }),
    })),
  }));
}
</script>

<template>
  <div class="cooks">
    <section v-for="(cook, k) in dinner.cooks" :key="cook.id" class="cook" :aria-label="`Cook ${k + 1}`">
      <div class="line">
        <label :for="`cook-${k}`">{{ k === 0 ? 'Who cooks' : 'And' }}</label>
        <CookLine :at="k" />
        <el-button v-if="dinner.cooks.length > 1" :aria-label="`Without ${cook.name}`" @click="removeCook(k)">
          Without
        </el-button>
      </div>
      <ul>
        <li v-for="(span, s) in cook.free" :key="`${span.from} ${s}`">
          <el-date-picker
            :model-value="[span.from, span.to]"
            type="datetimerange"
            format="ddd D MMM HH:mm"
            value-format="YYYY-MM-DDTHH:mm"
            range-separator="to"
            :clearable="false"
            :aria-label="`${cook.name} has time, ${s + 1}`"
            @update:model-value="(v: [string, string] | null) => setSpan(k, s, v)"
          />
          <el-button
            v-if="cook.free.length > 1"
            :aria-label="`Take out the time from ${span.from.replace('T', ' ')}`"
            @click="withoutSpan(k, s)"
          >
            ×
          </el-button>
        </li>
      </ul>
      <el-button @click="addSpan(k)">One more time for {{ cook.name }}</el-button>
    </section>
    <el-button @click="addCook">A second pair of hands for an hour</el-button>
  </div>
</template>

<style scoped>
.cooks {
  display: grid;
  grid-column: 1 / -1;
  gap: 0.75rem;
  justify-items: start;
}

.cook {
  display: grid;
  gap: 0.4rem;
  width: 100%;
  justify-items: start;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}

.line label {
  font-weight: 600;
}

ul {
  display: grid;
  gap: 0.4rem;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 0.25rem;
}

li :deep(.el-date-editor) {
  flex: 1;
  min-width: 0;
}
</style>
