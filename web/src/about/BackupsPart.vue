<script setup lang="ts">
import type { Backups } from '@zero-pour/contracts';
import { computed, shallowRef, watch } from 'vue';
import { useSlowNow } from '../state/clock';
import { formatMoment } from '../time/formatMoment';
import { backupWords, formatBytes, holdsWords } from './safetyWords';

const props = defineProps<{ backups: Backups; busy: boolean }>();
const emit = defineEmits<{ set: [isOn: boolean, folder: string | null]; make: [] }>();
const now = useSlowNow();
const words = computed(() => backupWords(props.backups, now.value));
/** Empty: the one beside the shop. */
const kept = computed(() => (props.backups.isOwnFolder ? '' : props.backups.folder));
const folder = shallowRef('');
// What was typed and refused stays: backups that are told anew are in the same folder as before.
watch(kept, (own) => (folder.value = own), { immediate: true });
const typed = computed(() => folder.value.trim() || null);
const isSame = computed(() => (typed.value ?? '') === kept.value);
</script>

<template>
  <section class="stage-block" aria-label="Backups">
    <h2>Backups</h2>
    <p class="stand" :class="['tone', words.tone]" role="status">
      <b>{{ words.text }}</b> {{ words.then }}
    </p>
    <p v-if="backups.last" class="mute">{{ holdsWords(backups.last) }}</p>
    <p v-if="backups.isOwnFolder" class="own">
      <b>They lie beside the shop itself:</b> a disk that dies, or a machine that is stolen, takes both. Give
      a folder on another disk, or one that goes elsewhere by itself.
    </p>
    <form class="row" @submit.prevent="emit('set', backups.isOn, typed)">
      <v-text-field
        v-model="folder"
        label="Folder for backups, as a whole path"
        :hint="`Left empty: ${backups.isOwnFolder ? backups.folder : 'beside the shop'}`"
        persistent-hint
        autocomplete="off"
      />
      <v-btn type="submit" :disabled="isSame || busy">Keep</v-btn>
    </form>
    <div class="row buttons">
      <v-btn variant="flat" :loading="busy" @click="emit('make')">Make one now</v-btn>
      <v-btn :disabled="busy" @click="emit('set', !backups.isOn, typed)">
        {{ backups.isOn ? 'Turn them off' : 'Turn them on' }}
      </v-btn>
    </div>
    <details v-if="backups.kept.length > 0" class="mt-3">
      <summary>{{ backups.kept.length }} kept in {{ backups.folder }}</summary>
      <p class="mute">All of today, and the last of each of seven days, five weeks and twelve months.</p>
      <ul>
        <li v-for="one in backups.kept" :key="one.name">
          <span class="num">{{ formatMoment(Date.parse(one.at), now) }}</span>
          <span class="num mute">{{ formatBytes(one.size) }}</span>
          <span class="mute">{{ one.name }}</span>
        </li>
      </ul>
    </details>
    <p v-else class="mute mt-3">There is none in {{ backups.folder }}.</p>
  </section>
</template>

<style scoped>
.stand {
  font-size: 17px;
  padding-left: 12px;
  border-left: 6px solid var(--tone);
  margin-bottom: 6px;
}
.tone.fine {
  --tone: var(--verd);
}
.own {
  margin: 8px 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: start;
  margin-top: 10px;
}
.row > .v-input {
  flex: 1 1 320px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
