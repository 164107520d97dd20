<script setup lang="ts">
import StandingLine from '../components/StandingLine.vue';
import { SHOP_KINDS, type Printer, type ShopItem, type ShopKind } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useNotices } from '../state/notices';
import { usePrints } from '../state/printStore';
import { useShop } from '../state/shopStore';
import { useThenOpen } from '../state/useThenOpen';
import { AboutPage } from '../about';
import AlloyRanges from './AlloyRanges.vue';
import { itemFrom, TEMPLATES, type Template } from './bookItems';
import { datedLight } from './datedLight';
import { KilnDevice, KilnLogs } from '../kilns';
import { LotsView } from '../metal';
import { FilesPage } from '../files';
import { NetworkPage } from '../network';
import MetalPrices from './MetalPrices.vue';
import HistoryList from './HistoryList.vue';
import ItemForm from './ItemForm.vue';
import OtherwiseThan from './OtherwiseThan.vue';
import LearntLine from './LearntLine.vue';
import ItemMenu from './ItemMenu.vue';
import PowderBag from './PowderBag.vue';
import PrinterEvents from './PrinterEvents.vue';
import ProgrammeSegments from './ProgrammeSegments.vue';
import ShopSettings from './ShopSettings.vue';
import { useItemEdit } from './useItemEdit';

const props = defineProps<{ kind?: string; id?: string }>();
/** Resins and profiles have their own page. */
type Kind = Exclude<ShopKind, 'resin' | 'profile'>;
const TABS: readonly { kind: Kind; name: string; one: string }[] = [
  { kind: 'flask', name: 'Flasks', one: 'a flask' },
  { kind: 'powder', name: 'Powders', one: 'a powder' },
  { kind: 'alloy', name: 'Metals', one: 'a metal' },
  { kind: 'kiln', name: 'Kilns', one: 'a kiln' },
  { kind: 'programme', name: 'Programmes', one: 'a programme' },
  { kind: 'printer', name: 'Printers', one: 'a printer' },
];

const shop = useShop();
const prints = usePrints();
const thenOpen = useThenOpen();
const notices = useNotices();
const isKind = (kind: string | undefined): kind is Kind =>
  SHOP_KINDS.includes(kind as ShopKind) && kind !== 'resin' && kind !== 'profile';
/** Pages of the shop that hold no list of things. */
const OWN = ['settings', 'lots', 'network', 'files', 'about'] as const;
type Own = (typeof OWN)[number];
const isOwn = (kind: string | undefined): kind is Own => OWN.includes(kind as Own);
const kind = computed<Kind | Own>(() => (isKind(props.kind) || isOwn(props.kind) ? props.kind : 'flask'));
const tab = computed(() => TABS.find((t) => t.kind === kind.value));
const list = computed<ShopItem<Kind>[]>(() => (isOwn(kind.value) ? [] : shop.lists[kind.value]));
const stored = computed(() => list.value.find((i) => i.id === props.id) ?? list.value[0]);
const { item, standing, change } = useItemEdit<Kind>(
  () => kind.value as Kind,
  () => stored.value,
);
/** What its prints took a layer. */
const motion = computed(() => {
  const learnt = prints.known.motion.get(item.value?.id ?? '');
  return learnt && { value: learnt.motionS, plusMinus: learnt.plusMinusS, prints: learnt.prints };
});
const templates = computed(() =>
  isOwn(kind.value) ? [] : (TEMPLATES[kind.value] as readonly Template<Kind>[]),
);

async function run(work: () => Promise<unknown>): Promise<void> {
  await work().catch((error: unknown) => notices.wrong(error));
}
const add = (template: Template<Kind>): Promise<boolean> =>
  thenOpen(async () => {
    const ofKind = kind.value as Kind;
    const kept = await shop.keepItem(ofKind, itemFrom<Kind>(template, list.value));
    return `/shop/${ofKind}/${kept.id}`;
  });
/** Another like it, to be changed: what differs is told beside it from then on. */
const again = (of: ShopItem<Kind>): Promise<boolean> => {
  const { id, ...fields } = of;
  // What was measured of one kiln, and its device, are not another's.
  return add({
    ...fields,
    againOfId: id,
    ...(kind.value === 'kiln' ? { measured: null, deviceUrl: null } : {}),
  } as Template<Kind>);
};
const retire = (printer: Printer): Promise<void> =>
  run(() => shop.keepItem('printer', { ...printer, retired: !printer.retired }));
/** What was typed, with what follows from it. */
function changeItem(changed: ShopItem<Kind>): void {
  const before = item.value;
  change(
    kind.value === 'printer' && before
      ? datedLight(before as Printer, changed as Printer, new Date())
      : changed,
  );
}
const remove = (gone: ShopItem<Kind>): Promise<boolean> =>
  thenOpen(async () => {
    const ofKind = kind.value as Kind;
    await shop.removeItem(ofKind, gone.id);
    notices.tell(`${gone.name} is taken out.`, {
      label: 'Undo',
      run: () => void run(() => shop.keepItem(ofKind, gone)),
    });
    return `/shop/${ofKind}`;
  });
</script>

<template>
  <div class="page">
    <nav class="tabs" aria-label="Things of the shop">
      <router-link v-for="t in TABS" :key="t.kind" :to="`/shop/${t.kind}`" :class="{ on: t.kind === kind }">
        {{ t.name }} <span class="num">{{ shop.lists[t.kind].length }}</span>
      </router-link>
      <router-link to="/shop/lots" :class="{ on: kind === 'lots' }">Metal lots</router-link>
      <router-link to="/shop/settings" :class="{ on: kind === 'settings' }"
        >Bench hours, currency</router-link
      >
      <router-link to="/shop/network" :class="{ on: kind === 'network' }">Phones</router-link>
      <router-link to="/shop/files" :class="{ on: kind === 'files' }">Out and in</router-link>
      <router-link to="/shop/about" :class="{ on: kind === 'about' }">About this shop</router-link>
    </nav>
    <NetworkPage v-if="kind === 'network'" />
    <AboutPage v-else-if="kind === 'about'" />
    <FilesPage v-else-if="kind === 'files'" />
    <ShopSettings v-else-if="kind === 'settings'" />
    <LotsView v-else-if="kind === 'lots'" :id="id" />
    <div v-else-if="tab" class="things">
      <ItemMenu
        :items="list"
        :shown="item?.id"
        :title="`${tab.name} of the shop`"
        :to="(other) => `/shop/${kind}/${other.id}`"
      >
        <v-btn v-if="templates.length === 1 && templates[0]" size="small" @click="add(templates[0])"
          >Add {{ tab.one }}</v-btn
        >
        <v-menu v-else max-height="420">
          <template #activator="{ props: activator }"
            ><v-btn v-bind="activator" size="small">Add {{ tab.one }}</v-btn></template
          >
          <v-list :aria-label="`Add ${tab.one} from the book`">
            <v-list-item
              v-for="template in templates"
              :key="template.name"
              :title="template.name"
              @click="add(template)"
            />
          </v-list>
        </v-menu>
      </ItemMenu>
      <section v-if="item">
        <div class="page-head">
          <h1>{{ item.name }}</h1>
          <span class="spacer" />
          <StandingLine :standing="standing" />
          <button
            v-if="kind === 'printer'"
            type="button"
            class="text-button"
            @click="retire(item as Printer)"
          >
            {{ (item as Printer).retired ? 'Use again' : 'Retire' }}
          </button>
          <button type="button" class="text-button" @click="again(item)">Same again, but …</button>
          <button type="button" class="text-button" @click="remove(item)">Take out of the shop</button>
        </div>
        <OtherwiseThan :kind="kind" :item="item" />
        <ItemForm :kind="kind" :item="item" @change="changeItem" />
        <LearntLine
          v-if="kind === 'printer'"
          what="Motion a layer"
          unit="s"
          :digits="1"
          :learnt="motion"
          :recorded="(item as Printer).motionS"
        />
        <PrinterEvents
          v-if="kind === 'printer'"
          :printer="item as Printer"
          @change="(changed) => change(changed)"
        />
        <AlloyRanges
          v-if="kind === 'alloy'"
          :alloy="item as ShopItem<'alloy'>"
          @change="(changed) => change(changed)"
        />
        <MetalPrices v-if="kind === 'alloy'" />
        <ProgrammeSegments
          v-if="kind === 'programme'"
          :programme="item as ShopItem<'programme'>"
          @change="(changed) => change(changed)"
        />
        <PowderBag
          v-if="kind === 'powder'"
          :key="`bag ${item.id}`"
          :powder="item as ShopItem<'powder'>"
          @change="(changed) => change(changed)"
        />
        <KilnDevice
          v-if="kind === 'kiln'"
          :key="`device ${item.id}`"
          :kiln="item as ShopItem<'kiln'>"
          @change="(changed) => change(changed)"
        />
        <KilnLogs
          v-if="kind === 'kiln'"
          :key="`logs ${item.id}`"
          :kiln="item as ShopItem<'kiln'>"
          @change="(changed) => change(changed)"
        />
        <HistoryList :key="item.id" :kind="kind" :item="item" />
      </section>
      <section v-else>
        <h1>{{ tab.name }}: none yet</h1>
        <p class="mute mt-2">
          Add {{ tab.one }} with the button; what the book gives is a start, to be overwritten with what yours
          says.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 4px;
  border-bottom: 1px solid var(--line2);
  margin-bottom: 18px;
}
.tabs a {
  padding: 8px 12px 9px;
  color: var(--ink);
  text-decoration: none;
}
.tabs a .num {
  color: var(--mute);
  font-size: 13px;
}
.tabs a.on {
  font-weight: 650;
  box-shadow: inset 0 -4px 0 var(--wax);
}
.things {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 26px;
}
@media (max-width: 900px) {
  .things {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
