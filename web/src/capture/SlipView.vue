<script setup lang="ts">
import type { Slip } from '@zero-pour/contracts';
import { photoAddress } from '../api/keepPhoto';
import { useSlowNow } from '../state/clock';
import { isOnTheWay } from '../state/unsent';
import { formatMoment } from '../time/formatMoment';

/** A slip as it was noted. */
defineProps<{ slip: Slip }>();
const now = useSlowNow();
</script>

<template>
  <div class="slip">
    <p class="when num">
      {{ formatMoment(Date.parse(slip.at), now)
      }}<template v-if="isOnTheWay(slip.id)">, kept in this browser until Zero Pour answers</template>
    </p>
    <p v-if="slip.text" class="text">{{ slip.text }}</p>
    <div v-if="slip.photos.length > 0" class="photos">
      <a v-for="photo in slip.photos" :key="photo.hash" :href="photoAddress(photo.hash)" target="_blank">
        <img :src="photoAddress(photo.hash)" :alt="photo.name" loading="lazy" />
      </a>
    </div>
  </div>
</template>

<style scoped>
.when {
  font-size: 13px;
  color: var(--mute);
}
.text {
  font-size: 16px;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 6px;
}
img {
  height: 110px;
  max-width: 100%;
  border: 1px solid var(--line2);
}
</style>
