<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import CautionLine from '../../components/CautionLine.vue';
import HistoryList from '../../shop/HistoryList.vue';
import ItemForm from '../../shop/ItemForm.vue';
import { useItemEdit } from '../../shop/useItemEdit';
import Attachments from './Attachments.vue';
import BlendRows from './BlendRows.vue';
import ProtocolEditor from './ProtocolEditor.vue';
import ReportedRows from './ReportedRows.vue';
import StockRows from './StockRows.vue';

/** Everything that is known of a resin. */
const props = defineProps<{ resin: Resin }>();
const { item, unsaved, change } = useItemEdit(
  () => 'resin' as const,
  () => props.resin,
);
const set = (fields: Partial<Resin>): void => {
  if (item.value) change({ ...item.value, ...fields });
};
</script>

<template>
  <div v-if="item">
    <p class="mute state" role="status">{{ unsaved ? 'keeping …' : 'kept' }}</p>
    <StockRows :resin="item" @change="set" />
    <ReportedRows :resin="item" @change="(reported) => set({ reported })" />
    <section class="stage-block">
      <h2>What it is</h2>
      <ItemForm kind="resin" :item="item" @change="change" />
    </section>
    <BlendRows :resin="item" @change="(blendOf) => set({ blendOf })" />
    <ProtocolEditor :resin="item" @change="set" />
    <Attachments :attachments="item.attachments" @change="(attachments) => set({ attachments })" />
    <HistoryList kind="resin" :item="item" />
    <CautionLine of="resin" />
  </div>
</template>

<style scoped>
.state {
  text-align: right;
  margin-bottom: -14px;
}
</style>
