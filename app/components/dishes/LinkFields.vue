<script setup lang="ts">
import type { NamedStep, StepFile } from '../../composables/useStepFields';

/** What a step comes after, and what it happens inside. */
const props = defineProps<{
  step: StepFile;
  others: readonly NamedStep[];
  set: (change: Partial<StepFile>) => void;
}>();

const links = computed(() =>
  (props.step.after ?? []).map((link) =>
    typeof link === 'string' ? { step: link, least: 0, most: undefined } : { least: 0, ...link },
  ),
);
type Link = { step: string; least: number; most?: number | null | undefined };
const setLinks = (list: readonly Link[]) =>
  props.set({
    after: list.map(({ step, least, most }) =>
      least === 0 && most === undefined ? step : { step, least, ...(most !== undefined && { most }) },
    ),
  });
const setLink = (at: number, change: Partial<Link>) =>
  setLinks(links.value.map((link, k) => (k === at ? { ...link, ...change } : link)));
const unlinked = computed(() => props.others.find((o) => !links.value.some((l) => l.step === o.name)));

const within = computed(() => props.step.within);
const isFromEnd = computed(() => within.value?.before !== undefined);
function setWithin(change: { step?: string; minutes?: number; fromEnd?: boolean; slack?: number }): void {
  const old = within.value;
  const step = change.step ?? old?.step;
  if (!step) return props.set({ within: undefined, if: undefined });
  const fromEnd = change.fromEnd ?? isFromEnd.value;
  const minutes = change.minutes ?? old?.before ?? old?.at ?? 0;
  const slack = change.slack ?? old?.slack;
  props.set({
    within: {
      step,
      ...(fromEnd ? { before: minutes } : { at: minutes }),
      ...(slack !== undefined && { slack }),
    },
  });
}
const NONE = '';
</script>

<template>
  <fieldset class="fieldset">
    <legend>After what</legend>
    <div v-for="(link, k) in links" :key="k" class="row">
      <el-select
        :model-value="link.step"
        aria-label="Comes after"
        @change="(v: string) => setLink(k, { step: v })"
      >
        <el-option v-for="o in others" :key="o.name" :value="o.name" :label="o.does" />
      </el-select>
      <FieldNumber
        label="at least, min"
        :model-value="link.least"
        @update:model-value="(n) => setLink(k, { least: n ?? 0 })"
      />
      <LimitChoice
        :model-value="link.most"
        name="How long may pass"
        minutes="at most, min"
        @update:model-value="(most) => setLink(k, { most })"
      />
      <el-button aria-label="Take out this link" @click="setLinks(links.filter((_, x) => x !== k))"
        >×</el-button
      >
    </div>
    <el-button v-if="unlinked" @click="setLinks([...links, { step: unlinked.name, least: 0 }])">
      After one more step
    </el-button>
  </fieldset>
  <fieldset v-if="step.attention === 'hands'" class="fieldset">
    <legend>Inside another step</legend>
    <el-select
      :model-value="within?.step ?? NONE"
      aria-label="Happens inside"
      @change="(v: string) => (v ? setWithin({ step: v }) : set({ within: undefined, if: undefined }))"
    >
      <el-option :value="NONE" label="by itself" />
      <el-option v-for="o in others" :key="o.name" :value="o.name" :label="o.does" />
    </el-select>
    <template v-if="within">
      <FieldNumber
        label="minutes"
        :model-value="within.before ?? within.at ?? 0"
        @update:model-value="(n) => setWithin({ minutes: n ?? 0 })"
      />
      <el-checkbox :model-value="isFromEnd" @change="(v) => setWithin({ fromEnd: v === true })">
        before its end
      </el-checkbox>
      <FieldNumber
        label="give or take"
        :model-value="within.slack ?? 2"
        @update:model-value="(n) => setWithin({ slack: n ?? 2 })"
      />
      <el-input
        :model-value="step.if ?? ''"
        placeholder="Only if ..."
        aria-label="Only if"
        @input="(v: string) => set({ if: v || undefined })"
      />
    </template>
  </fieldset>
</template>
