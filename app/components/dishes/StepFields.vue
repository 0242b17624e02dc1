<script setup lang="ts">
import type { CardFile } from '../../../core/compose';

type StepFile = CardFile['dish']['steps'][number];
const props = defineProps<{
  step: StepFile;
  /** Steps of the card that this one may name: name as in `after`, and what they do. */
  others: readonly { name: string; does: string }[];
  set: (change: Partial<StepFile>) => void;
}>();

const SCALES = [
  { value: 'fixed', label: 'However many eat' },
  { value: 'portions', label: 'Grows with the portions' },
  { value: 'half', label: 'Grows by a share' },
  { value: 'batch', label: 'Goes in batches' },
];
const scaleKind = computed(() => {
  const { scale = 'fixed' } = props.step;
  if (typeof scale === 'number') return 'half';
  return typeof scale === 'string' ? scale : 'batch';
});
function setScale(kind: string): void {
  if (kind === 'half') props.set({ scale: 0.5 });
  else if (kind === 'batch') props.set({ scale: { batch: 4 } });
  else props.set({ scale: kind === 'fixed' ? undefined : 'portions' });
}

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
  <div class="fields">
    <fieldset class="fieldset">
      <legend>Time and hands</legend>
      <el-select :model-value="scaleKind" aria-label="How the time grows" @change="setScale">
        <el-option v-for="s in SCALES" :key="s.value" :value="s.value" :label="s.label" />
      </el-select>
      <FieldNumber
        v-if="typeof step.scale === 'number'"
        label="share"
        :max="1"
        :step="0.1"
        :model-value="step.scale"
        @update:model-value="(n) => set({ scale: n ?? 0 })"
      />
      <FieldNumber
        v-if="scaleKind === 'batch'"
        label="portions a batch"
        :min="1"
        :model-value="(step.scale as { batch: number }).batch"
        @update:model-value="(n) => set({ scale: { batch: n ?? 1 } })"
      />
      <template v-if="step.attention === 'hands'">
        <FieldNumber
          label="Cooks"
          :min="1"
          :max="6"
          :model-value="step.hands ?? 1"
          @update:model-value="(n) => set({ hands: n ?? 1 })"
        />
        <el-checkbox
          :model-value="step.pausable ?? false"
          @change="(v) => set({ pausable: v === true || undefined })"
        >
          may be done in pieces
        </el-checkbox>
      </template>
      <template v-else>
        <FieldNumber
          label="Minutes to put in"
          :model-value="step.touch?.in ?? 0"
          @update:model-value="(n) => set({ touch: { ...step.touch, in: n ?? 0 } })"
        />
        <FieldNumber
          label="to take out"
          :model-value="step.touch?.out ?? 0"
          @update:model-value="(n) => set({ touch: { ...step.touch, out: n ?? 0 } })"
        />
      </template>
      <template v-if="step.attention === 'minded' && step.check">
        <FieldNumber
          label="Looked at every"
          :min="1"
          :model-value="step.check.every"
          @update:model-value="(n) => set({ check: { ...step.check!, every: n ?? 1 } })"
        />
        <FieldNumber
          label="for"
          :model-value="step.check.takes ?? 1"
          @update:model-value="(n) => set({ check: { ...step.check!, takes: n ?? 1 } })"
        />
        <FieldNumber
          label="give or take"
          :model-value="step.check.slack ?? 2"
          @update:model-value="(n) => set({ check: { ...step.check!, slack: n ?? 2 } })"
        />
      </template>
      <el-checkbox
        v-if="step.attention !== 'hands' || step.stay"
        :model-value="step.stay ?? false"
        @change="(v) => set({ stay: v === true || undefined })"
      >
        someone has to be in the kitchen
      </el-checkbox>
    </fieldset>
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
        <FieldNumber
          label="at most"
          none="as long as it keeps"
          :usual="10"
          :model-value="link.most"
          @update:model-value="(n) => setLink(k, { most: n ?? undefined })"
        />
        <el-button aria-label="Take out this link" @click="setLinks(links.filter((_, x) => x !== k))"
          >×</el-button
        >
      </div>
      <el-button
        v-if="others.length > links.length"
        @click="
          setLinks([
            ...links,
            { step: others.find((o) => !links.some((l) => l.step === o.name))!.name, least: 0 },
          ])
        "
      >
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
    <UseFields :step="step" :set="set" />
    <KeepFields :step="step" :set="set" />
    <fieldset class="fieldset">
      <legend>Signs, cautions, notes</legend>
      <el-input
        :model-value="step.cue ?? ''"
        placeholder="How one sees, feels or smells that it is done"
        aria-label="Done when"
        @change="(v: string) => set({ cue: v || undefined })"
        @input="(v: string) => set({ cue: v || undefined })"
      />
      <FieldNumber
        label="In the middle, °C"
        none="not measured"
        :usual="63"
        :max="200"
        :model-value="step.probe"
        @update:model-value="(n) => set({ probe: n ?? undefined })"
      />
      <div v-for="(caution, k) in step.cautions ?? []" :key="caution" class="row">
        <span>{{ caution }}</span>
        <el-button
          :aria-label="`Hide: ${caution}`"
          @click="set({ cautions: (step.cautions ?? []).filter((_, x) => x !== k) })"
        >
          Hide
        </el-button>
      </div>
      <el-input
        :model-value="step.note ?? ''"
        placeholder="A note for next time"
        aria-label="Note"
        @input="(v: string) => set({ note: v || undefined })"
      />
    </fieldset>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 0.6rem;
}
</style>
