<script setup lang="ts">
import { useNotices } from '../state/notices';
import { useNotKept, type NotKept, type RefusedField, type RefusedThing } from '../state/notKept';
import { usePours } from '../state/pourStore';
import { addressOf, titleOf, typedWords } from '../state/notKeptWords';
import { differences, keepMine, takeTheirs } from '../state/settleThing';

/** What was typed and refused, each with its sentence and the ways on. */
defineProps<{ entries: readonly NotKept[]; links?: boolean }>();
const emit = defineEmits<{ leave: [] }>();
const notKept = useNotKept();
const pours = usePours();
const notices = useNotices();

/** What was typed, and what stands there instead where somebody else changed it. */
const pourWords = ({ change, stored }: RefusedField): string =>
  stored === undefined
    ? typedWords(change.value)
    : `yours ${typedWords(change.value)}, theirs ${typedWords(stored)}`;
async function again({ pourId, change }: RefusedField): Promise<void> {
  try {
    if (!pours.pours.has(pourId)) await pours.load(pourId);
    pours.resend(pourId, change);
  } catch (error) {
    notices.wrong(error);
  }
}
const mine = (entry: RefusedThing): Promise<unknown> => keepMine(entry).catch(notices.wrong);
function letGo(entry: NotKept): void {
  if (entry.of === 'thing') takeTheirs(entry);
  notKept.letGo(entry);
  notices.tell('Let go.', { label: 'Undo', run: () => notKept.add(entry) });
}
</script>

<template>
  <ul class="not-kept" aria-label="Not kept">
    <li v-for="entry in entries" :key="`${addressOf(entry)} ${titleOf(entry)}`">
      <p>
        <b>Not kept: {{ titleOf(entry) }}</b>
        <template v-if="entry.of === 'pour'">
          <span class="num typed">{{ pourWords(entry) }}</span>
        </template>
      </p>
      <p>{{ entry.sentence }}</p>
      <p v-for="difference in entry.of === 'thing' ? differences(entry) : []" :key="difference" class="num">
        {{ difference }}
      </p>
      <p class="ways">
        <router-link v-if="links" :to="addressOf(entry)" @click="emit('leave')">Go there</router-link>
        <button v-if="entry.of === 'pour'" type="button" class="text-button" @click="again(entry)">
          {{ entry.stored === undefined ? 'Send it again' : 'Keep mine' }}
        </button>
        <button
          v-if="entry.of === 'thing' && entry.stored"
          type="button"
          class="text-button"
          @click="mine(entry)"
        >
          Keep mine
        </button>
        <button type="button" class="text-button" @click="letGo(entry)">
          {{ entry.stored !== undefined ? 'Take theirs' : 'Let it go' }}
        </button>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.not-kept {
  list-style: none;
  padding: 0;
  margin: 0 0 12px;
}
li {
  border-left: 4px solid var(--oxide);
  padding: 6px 12px;
  margin-bottom: 8px;
  font-size: 14px;
}
.typed {
  margin-left: 8px;
}
.ways {
  display: flex;
  gap: 4px 16px;
  align-items: center;
}
</style>
