<script setup lang="ts">
import { aboutShopSchema, type AboutShop } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import { request, sentenceOf } from '../api/request';
import { useSlowNow } from '../state/clock';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { formatMoment } from '../time/formatMoment';
import BackupsPart from './BackupsPart.vue';
import { formatBytes } from './safetyWords';

/** How the shop is kept safe, how large it is, and what it runs on. */
const shop = useShop();
const notices = useNotices();
const now = useSlowNow();
const about = shallowRef<AboutShop>();
const trouble = shallowRef('');
const doing = shallowRef<'backup' | 'look' | 'set'>();

async function ask(
  method: 'GET' | 'PUT' | 'POST',
  at: string,
  what?: 'backup' | 'look' | 'set',
  body?: unknown,
): Promise<boolean> {
  [trouble.value, doing.value] = ['', what];
  try {
    about.value = await request(aboutShopSchema, method, at, body);
    return true;
  } catch (error) {
    trouble.value = sentenceOf(error);
    // What failed is remembered there too.
    if (method !== 'GET')
      about.value = await request(aboutShopSchema, 'GET', '/about').catch(() => about.value);
    return false;
  } finally {
    doing.value = undefined;
  }
}
void ask('GET', '/about');
async function makeBackup(): Promise<void> {
  if (await ask('POST', '/safekeeping/backup', 'backup', {}))
    notices.tell('A backup was made, opened and read whole.');
}
const set = (isOn: boolean, folder: string | null): Promise<boolean> =>
  ask('PUT', '/safekeeping', 'set', { isOn, folder });

const count = (n: number): string => n.toLocaleString('en-GB');
const sizes = computed(() => {
  if (!about.value) return [];
  const { counts, blobs, database, freeBytes } = about.value;
  return [
    ...Object.entries(counts).map(([name, n]): [string, string] => [name, count(n)]),
    ['files of patterns and photos', `${count(blobs.count)}, ${formatBytes(blobs.bytes)}`],
    ['database', formatBytes(database.bytes)],
    ['free on its disk', formatBytes(freeBytes)],
  ];
});
const machine = computed(() => {
  if (!about.value) return [];
  const { version, migration, database, dataFolder, startedAt, node } = about.value;
  const kilns = shop.lists.kiln.filter(({ deviceUrl }) => deviceUrl).map(({ name }) => name);
  return [
    ['Zero Pour', `${version}, data of step ${migration}`],
    [
      'database',
      `PostgreSQL ${database.version}, ${database.kind === 'embedded' ? 'in the data folder' : 'on a server'}`,
    ],
    ['data folder', dataFolder],
    ['started', formatMoment(Date.parse(startedAt), now.value)],
    ['runs on', `Node.js ${node}`],
    ['kilns that are listened to', kilns.join(', ') || 'none'],
  ];
});
</script>

<template>
  <section class="about">
    <h1>About this shop</h1>
    <p v-if="trouble" class="trouble tone stop" role="alert">{{ trouble }}</p>
    <p v-if="!about && !trouble" class="mute">Looking …</p>
    <template v-if="about">
      <BackupsPart :backups="about.backups" :busy="doing !== undefined" @set="set" @make="makeBackup" />
      <section class="stage-block">
        <h2>What is kept</h2>
        <div v-if="about.looked" role="status">
          <p v-if="about.looked.wrongCount === 0">
            <b>Nothing was wrong</b> when all of it was read,
            {{ formatMoment(Date.parse(about.looked.at), now) }}:
            {{ count(about.looked.documents) }} documents by their rules,
            {{ count(about.looked.files) }} files byte by byte.
          </p>
          <template v-else>
            <p class="tone stop">
              <b>{{ count(about.looked.wrongCount) }} cannot be read any more</b>, found
              {{ formatMoment(Date.parse(about.looked.at), now) }}:
            </p>
            <ul>
              <li v-for="line in about.looked.wrong" :key="line">{{ line }}</li>
            </ul>
            <p>Nothing of it was changed. What a backup still has comes back by docs/operations.md.</p>
          </template>
        </div>
        <p v-else class="mute">
          It was not read through yet since the start; that is done by itself once a day.
        </p>
        <v-btn
          class="mt-3 mb-3"
          :loading="doing === 'look'"
          :disabled="doing !== undefined"
          @click="ask('POST', '/safekeeping/look', 'look', {})"
          >Read it through now</v-btn
        >
        <dl>
          <template v-for="[name, what] in sizes" :key="name">
            <dt>{{ name }}</dt>
            <dd class="num">{{ what }}</dd>
          </template>
        </dl>
      </section>
      <section class="stage-block">
        <h2>What it runs on</h2>
        <dl>
          <template v-for="[name, what] in machine" :key="name">
            <dt>{{ name }}</dt>
            <dd>{{ what }}</dd>
          </template>
          <template v-for="job in about.jobs" :key="job.name">
            <dt>{{ job.name }}, worked out here</dt>
            <dd class="num">
              {{ job.runs }} ×, half within {{ job.medianS.toFixed(1) }} s, longest
              {{ job.longestS.toFixed(1) }} s
            </dd>
          </template>
        </dl>
        <p class="mute mt-2">
          It asks nothing of any other machine but the devices and the price feed that you name.
        </p>
      </section>
    </template>
  </section>
</template>

<style scoped>
.trouble {
  padding-left: 12px;
  border-left: 6px solid var(--tone);
  margin: 8px 0;
}
.about {
  max-width: 900px;
}
dl {
  display: grid;
  grid-template-columns: minmax(150px, 260px) 1fr;
  gap: 4px 18px;
}
dt {
  color: var(--mute);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
@media (max-width: 500px) {
  dl {
    grid-template-columns: 1fr;
  }
  dd {
    margin-bottom: 6px;
  }
}
</style>
