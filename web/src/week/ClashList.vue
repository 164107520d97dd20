<script setup lang="ts">
import { formatPhrase } from '@zero-pour/core';
import type { ClashWords, WayOut } from '@zero-pour/plan';
import { useUnits } from '../state/unitStore';

/** What does not go together, and every single change that would mend it, each tried. */
defineProps<{ words: ClashWords; today: boolean }>();
const emit = defineEmits<{ take: [way: WayOut] }>();
const units = useUnits();
</script>

<template>
  <div class="tone fix clash" role="status">
    <template v-if="words.hopeless.length > 0">
      <p>
        <b>It cannot be.</b> {{ words.hopeless.join(', ') }}: in the hours that somebody is there it is not
        done within two weeks, whatever gives way. Look at the bench hours, who does what, and how long its
        steps take.
      </p>
    </template>
    <template v-else>
      <p>
        <b>{{ today ? 'Today’s times do not go together.' : 'No plan keeps all of this.' }}</b> Without any
        one of these it would:
      </p>
      <ul>
        <li v-for="(wish, n) in words.wishes" :key="n">{{ formatPhrase(wish, units.choice) }}</li>
      </ul>
      <p v-if="words.ways.length > 0"><b>Any one of these mends it.</b> Each was tried.</p>
      <p v-else>No single change mends it.</p>
      <div v-for="(way, n) in words.ways" :key="n" class="way">
        <v-btn size="small" @click="emit('take', way)">{{ formatPhrase(way.words, units.choice) }}</v-btn>
        <span v-if="way.partly" class="mute">Something else still does not fit then.</span>
      </div>
    </template>
    <p v-if="!words.sure" class="mute">
      Not all of it could be tried to the end: there may be a way that is not here.
    </p>
  </div>
</template>

<style scoped>
.clash {
  margin-top: 12px;
}
.clash ul {
  margin: 4px 0 8px 20px;
}
.way {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-top: 6px;
}
</style>
