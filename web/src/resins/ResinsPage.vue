<script setup lang="ts">
import type { Printer, Resin } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import CautionLine from '../components/CautionLine.vue';
import { TEMPLATES, itemFrom } from '../shop/bookItems';
import ItemForm from '../shop/ItemForm.vue';
import ItemMenu from '../shop/ItemMenu.vue';
import { useItemEdit } from '../shop/useItemEdit';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { newProfile } from './newProfile';
import ProfileForm from './ProfileForm.vue';
import ProtocolTable from './ProtocolTable.vue';

const props = defineProps<{ id?: string }>();
const shop = useShop();
const router = useRouter();
const notices = useNotices();

const stored = computed(() => shop.lists.resin.find((r) => r.id === props.id) ?? shop.lists.resin[0]);
const {
  item: resin,
  unsaved,
  change,
} = useItemEdit(
  () => 'resin' as const,
  () => stored.value,
);
const profiles = computed(() => shop.lists.profile.filter((p) => p.resinId === resin.value?.id));
const printerName = (id: string): string => shop.lists.printer.find((p) => p.id === id)?.name ?? '';

async function run(work: () => Promise<unknown>): Promise<void> {
  await work().catch((error: unknown) => notices.wrong(error));
}
const addResin = (template: (typeof TEMPLATES.resin)[number]): Promise<void> =>
  run(async () => {
    const kept = await shop.keepItem('resin', itemFrom<'resin'>(template, shop.lists.resin));
    await router.push(`/resins/${kept.id}`);
  });
const addProfile = (of: Resin, printer: Printer): Promise<void> =>
  run(() => shop.keepItem('profile', newProfile(of, printer, 'standard', shop.lists.profile)));
const removeProfile = (id: string): Promise<void> => run(() => shop.removeItem('profile', id));
const removeResin = (of: Resin): Promise<void> =>
  run(async () => {
    await shop.removeItem('resin', of.id);
    await router.push('/resins');
    notices.tell(`${of.name} is taken out.`, {
      label: 'Undo',
      run: () => void run(() => shop.keepItem('resin', of)),
    });
  });
</script>

<template>
  <div class="page resins">
    <ItemMenu
      :items="shop.lists.resin"
      :shown="resin?.id"
      title="Resins of the shop"
      :to="(item) => `/resins/${item.id}`"
    >
      <template #line="{ item }"
        >{{ (item as Resin).family
        }}<template v-if="!(item as Resin).forBurnout">, not for burnout</template></template
      >
      <v-menu>
        <template #activator="{ props: activator }"
          ><v-btn v-bind="activator" size="small">Add a resin</v-btn></template
        >
        <v-list>
          <v-list-item
            v-for="template in TEMPLATES.resin"
            :key="template.family"
            :title="template.family"
            @click="addResin(template)"
          />
        </v-list>
      </v-menu>
    </ItemMenu>
    <section v-if="resin">
      <div class="page-head">
        <h1>{{ resin.name }}</h1>
        <span class="mute">{{ resin.family }}{{ resin.forBurnout ? '' : ' · not for burnout' }}</span>
        <span class="spacer" />
        <span class="mute" role="status">{{ unsaved ? 'keeping …' : 'kept' }}</span>
        <button type="button" class="text-button" @click="removeResin(resin)">Take out of the shop</button>
      </div>
      <ItemForm kind="resin" :item="resin" @change="change" />
      <section class="stage-block">
        <h2>Profiles: seconds and layers, by printer and class</h2>
        <details v-for="profile in profiles" :key="profile.id" class="profile">
          <summary>
            <span class="name">{{ printerName(profile.printerId) }} · {{ profile.castClass }}</span>
            <span class="num">{{ profile.layerMm }} mm</span>
            <span class="num"
              ><b>{{ profile.exposureS }} s</b></span
            >
            <span class="num">base {{ profile.baseExposureS }} s × {{ profile.baseLayers }}</span>
            <span :class="profile.tested ? 'tested' : 'untested'"
              >{{ profile.tested ? 'tested' : 'untested' }}: {{ profile.provenance || 'nothing noted' }}</span
            >
          </summary>
          <ProfileForm :profile="profile" />
          <button type="button" class="text-button mt-2" @click="removeProfile(profile.id)">
            Take this profile out
          </button>
        </details>
        <p v-if="profiles.length === 0" class="mute">None yet: pick the printer it runs on.</p>
        <div class="add">
          <v-btn
            v-for="printer in shop.lists.printer"
            :key="printer.id"
            size="small"
            @click="addProfile(resin, printer)"
            >New for {{ printer.name }}</v-btn
          >
          <router-link v-if="shop.lists.printer.length === 0" to="/shop/printer"
            >Add a printer first</router-link
          >
        </div>
      </section>
      <section class="stage-block">
        <h2>Cleaning protocol</h2>
        <ProtocolTable
          :steps="resin.protocol"
          @change="(protocol) => resin && change({ ...resin, protocol })"
        />
      </section>
      <CautionLine of="resin" />
    </section>
    <section v-else>
      <h1>No resin yet</h1>
      <p class="mute mt-2">
        Add one by its family: the figures are usual ones, to be overwritten from its maker's sheet.
      </p>
    </section>
  </div>
</template>

<style scoped>
.resins {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  gap: 26px;
}
.profile {
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
summary {
  display: grid;
  grid-template-columns: 210px 90px 70px 150px minmax(0, 1fr);
  gap: 10px;
  padding: 7px 0;
  cursor: pointer;
  align-items: baseline;
}
summary .name {
  text-decoration: underline;
  text-decoration-color: var(--line2);
  text-underline-offset: 4px;
}
.profile[open] summary {
  margin-bottom: 10px;
}
.tested {
  color: #24623f;
}
.untested {
  color: #855300;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
@media (max-width: 1000px) {
  .resins {
    grid-template-columns: minmax(0, 1fr);
  }
  summary {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
