<script setup lang="ts">
import { useDinner } from '../../stores/dinner';

/** A button that asks for a course of the open dinner. */
const props = defineProps<{ isFirst?: boolean }>();
const emit = defineEmits<{ choose: [course: string] }>();
const store = useDinner();
</script>

<template>
  <el-dropdown trigger="click" @command="(course: string) => emit('choose', course)">
    <el-button :type="props.isFirst ? 'primary' : 'default'"><slot /></el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item v-for="c in store.dinner!.courses" :key="c.id" :command="c.id">
          {{ c.name }}
        </el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>
