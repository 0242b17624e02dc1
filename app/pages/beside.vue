<script setup lang="ts">
import { variantsFor } from '../../core/reasons';
import { useDinner } from '../stores/dinner';
import { useVariant } from '../stores/variant';

const store = useDinner();
const variant = useVariant();

const offers = computed(() => {
  const base = variant.evening ?? store.evening;
  return base ? variantsFor(base.dinner, base.plan) : [];
});
const chosen = ref<string | null>(null);

function add(text: string): void {
  const offer = offers.value.find((o) => o.text === text);
  chosen.value = null;
  if (offer) void variant.add(offer.change, offer.text);
}
</script>

<template>
  <div class="beside">
    <div class="intro">
      <h2>What if</h2>
      <p v-if="!variant.variant" class="soft">
        Make another evening and see it beside yours. Nothing changes until you take it.
      </p>
      <div class="row">
        <el-select
          :model-value="chosen"
          :placeholder="variant.variant ? 'And also ...' : 'What if ...'"
          aria-label="What if"
          :disabled="variant.isMaking || !store.evening"
          @change="add"
        >
          <el-option v-for="offer in offers" :key="offer.text" :value="offer.text" :label="offer.text" />
        </el-select>
        <span v-if="variant.isMaking" role="status">Planning the other evening ...</span>
        <el-button v-if="variant.isMaking" @click="variant.stop()">Stop</el-button>
      </div>
      <p v-if="variant.failed" class="warn" role="alert">
        No evening was found for: {{ variant.failed }} Try it from the menu; there it is said what stands in
        the way.
      </p>
    </div>
    <BesideEvenings v-if="variant.evening && store.evening" :mine="store.evening" :other="variant.evening" />
    <NuxtLink to="/evening">Back to the evening</NuxtLink>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  gap: 1rem;
  max-width: 84rem;
  margin: 0 auto;
  padding: 1rem 1.25rem 3rem;
}

.intro {
  display: grid;
  gap: 0.5rem;
}

.row .el-select {
  width: min(30rem, 100%);
}

.warn {
  color: var(--warn);
  font-weight: 600;
}

a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
</style>
