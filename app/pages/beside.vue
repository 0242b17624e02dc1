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
          v-if="variant.variant"
          :model-value="chosen"
          placeholder="And also ..."
          aria-label="And also"
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
      <ul v-if="!variant.variant" class="plain-list offers" aria-label="What could be otherwise">
        <li v-for="offer in offers" :key="offer.text">
          <el-button :disabled="variant.isMaking" @click="add(offer.text)">{{ offer.text }}</el-button>
        </li>
      </ul>
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

.offers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(20rem, 100%), 1fr));
  gap: 0.5rem;
}

.offers .el-button {
  justify-content: start;
  width: 100%;
  white-space: normal;
  text-align: left;
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
