<script setup lang="ts">
import { AVOIDABLE, companyOf, type Guest } from '../../../core/allergens';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const guests = computed(() => companyOf(store.dinner!));
const set = (list: readonly Guest[]) =>
  store.change([{ path: 'company', value: list.length > 0 ? list : undefined }]);
const setGuest = (at: number, change: Partial<Guest>) =>
  set(guests.value.map((guest, k) => (k === at ? { ...guest, ...change } : guest)));
</script>

<template>
  <section class="card guests" aria-labelledby="guests-title">
    <h2 id="guests-title">Who avoids what</h2>
    <ul>
      <li v-for="(guest, k) in guests" :key="k" class="row">
        <NameInput
          class="name"
          :model-value="guest.name"
          maxlength="40"
          :aria-label="`Guest ${k + 1}`"
          @update:model-value="(name) => setGuest(k, { name })"
        />
        <el-select
          :model-value="[...guest.avoids]"
          class="avoids"
          multiple
          :aria-label="`${guest.name} avoids`"
          placeholder="avoids nothing"
          @change="(avoids: string[]) => setGuest(k, { avoids })"
        >
          <el-option v-for="a in AVOIDABLE" :key="a.id" :value="a.id" :label="a.name" />
        </el-select>
        <el-button :aria-label="`Without ${guest.name}`" @click="set(guests.filter((_, x) => x !== k))"
          >×</el-button
        >
      </li>
    </ul>
    <el-button @click="set([...guests, { name: `Guest ${guests.length + 1}`, avoids: [] }])">
      A guest who avoids something
    </el-button>
  </section>
</template>

<style scoped>
.guests {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}

ul {
  display: grid;
  gap: 0.5rem;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

.name {
  width: 7rem;
}

.avoids {
  flex: 1;
  min-width: 8rem;
}
</style>
