<script setup lang="ts">
import { aboutShopSchema } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useAsked } from '../api/useAsked';
import { useSlowNow } from '../state/clock';
import { formatMoment } from '../time/formatMoment';
import { formatBytes } from './safetyWords';

/** In an empty shop: backups that lie where they are kept; one of them is taken in by a press. */
const SHOWN = 3;
defineProps<{ taking: boolean }>();
const emit = defineEmits<{ take: [name: string] }>();
const { told } = useAsked(aboutShopSchema, () => '/about');
const now = useSlowNow();
const kept = computed(() => told.value?.backups.kept.slice(0, SHOWN) ?? []);
</script>

<template>
  <ul v-if="kept.length > 0" class="mt-2">
    <li v-for="one in kept" :key="one.name">
      <v-btn size="small" :disabled="taking" @click="emit('take', one.name)">
        Take in the backup of {{ formatMoment(Date.parse(one.at), now) }}
      </v-btn>
      <span class="num mute">{{ formatBytes(one.size) }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 3px 0;
}
</style>
