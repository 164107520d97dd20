<script setup lang="ts">
import { useSpeechRecognition } from '@vueuse/core';
import type { Slip, SlipSubject } from '@zero-pour/contracts';
import { computed, shallowRef, watch } from 'vue';
import { keepPhoto } from '../api/keepPhoto';
import { PHOTO_SIDES, preparePhoto } from '../api/preparePhoto';
import { sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { knownShop } from '../state/shopKeys';
import PickPhotos from './PickPhotos.vue';
import { isSame, useSlipSubjects } from './slipSubjects';

/** What is noted in ten seconds: photos, a line, and which pour it is of, by guess. */
const emit = defineEmits<{ close: [] }>();
const records = useRecords();
const notices = useNotices();
/** More than fit under a thumb are chosen in the inbox. */
const SHOWN = 4;

const openedAt = Date.now();
const likely = useSlipSubjects().poursNow(openedAt).slice(0, SHOWN);
const text = shallowRef('');
const photos = shallowRef<File[]>([]);
const fullSize = shallowRef(false);
const about = shallowRef<SlipSubject | null>(likely[0]?.subject ?? null);
const keeping = shallowRef(false);
const trouble = shallowRef('');
const isEmpty = computed(() => text.value.trim() === '' && photos.value.length === 0);

const speech = useSpeechRecognition({ continuous: false, interimResults: false });
watch(speech.result, (said) => {
  if (speech.isFinal.value && said) text.value = [text.value.trim(), said.trim()].filter(Boolean).join(' ');
});

/** Photos are kept in this browser first: the server may be away. */
async function keep(): Promise<void> {
  if (isEmpty.value || keeping.value) return;
  keeping.value = true;
  trouble.value = '';
  try {
    const side = fullSize.value ? PHOTO_SIDES.full : PHOTO_SIDES.bench;
    const kept = await Promise.all(
      photos.value.map(async (file) => keepPhoto(await preparePhoto(file, side), knownShop())),
    );
    const slip: Slip = {
      id: crypto.randomUUID(),
      at: new Date(openedAt).toISOString(),
      text: text.value.trim(),
      photos: kept,
      about: about.value,
      sortedAt: null,
    };
    void records.add('slip', slip).catch(notices.wrong);
    emit('close');
    notices.tell('Noted. It lies in the inbox.');
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    keeping.value = false;
  }
}
</script>

<template>
  <form class="capture" @submit.prevent="keep" @keydown.ctrl.enter="keep">
    <div class="row">
      <PickPhotos v-model="photos" />
      <v-btn v-if="speech.isSupported.value" size="large" @click="speech.toggle()">
        {{ speech.isListening.value ? 'Listening …' : 'Speak' }}
      </v-btn>
    </div>
    <v-textarea v-model="text" label="A line" rows="2" auto-grow autofocus :maxlength="2000" />
    <div class="about" role="radiogroup" aria-label="What it is about">
      <button
        v-for="{ subject, name } in likely"
        :key="subject.id"
        type="button"
        role="radio"
        :aria-checked="isSame(about, subject)"
        @click="about = subject"
      >
        {{ name }}
      </button>
      <button type="button" role="radio" :aria-checked="about === null" @click="about = null">
        Sort it later
      </button>
    </div>
    <p v-if="likely.length > 0 && isSame(about, likely[0]!.subject)" class="mute">
      {{ likely[0]!.name }} is a guess: it is nearest at hand just now.
    </p>
    <v-checkbox
      v-if="photos.length > 0"
      v-model="fullSize"
      label="Full size: for a flaw that is to be looked into"
    />
    <p v-if="speech.isListening.value" class="mute">
      The browser makes words of it; some send the sound to their maker for that.
    </p>
    <p v-if="trouble" class="tone stop" role="alert">{{ trouble }}</p>
    <div class="row">
      <v-btn type="submit" variant="flat" size="large" :disabled="isEmpty" :loading="keeping">Keep it</v-btn>
      <v-btn size="large" @click="emit('close')">Leave it</v-btn>
    </div>
  </form>
</template>

<style scoped>
.capture {
  display: grid;
  gap: 12px;
  background: var(--sheet);
  border: 1px solid var(--line2);
  padding: 16px;
  overflow-y: auto;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.about {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.about button {
  min-height: 44px;
  max-width: 100%;
  padding: 4px 14px;
  border: 1px solid var(--line2);
  border-radius: 3px;
  background: var(--paper);
  font: inherit;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
}
.about button[aria-checked='true'] {
  background: var(--wax);
  border-color: var(--wax);
  color: var(--paper);
}
.tone {
  color: var(--tone);
}
</style>
