<script setup lang="ts">
import StandingLine from '../../components/StandingLine.vue';
import type { Resin } from '@zero-pour/contracts';
import { computed } from 'vue';
import { usePrints } from '../../state/printStore';
import { MakerProgrammeRecord } from '../../burnout';
import { HistoryList, ItemForm, LearntLine, useItemEdit } from '../../shop';
import CautionLine from '../../components/CautionLine.vue';
import Attachments from './Attachments.vue';
import BlendRows from './BlendRows.vue';
import ProtocolEditor from './ProtocolEditor.vue';
import ReportedRows from './ReportedRows.vue';
import StockRows from './StockRows.vue';

/** Everything that is known of a resin. */
const props = defineProps<{ resin: Resin }>();
const prints = usePrints();
const { item, standing, change } = useItemEdit(
  () => 'resin' as const,
  () => props.resin,
);
/** What its plates took beyond the parts. */
const supports = computed(() => {
  const learnt = prints.known.supports.get(props.resin.id);
  return learnt && { value: learnt.percent, plusMinus: learnt.plusMinusPercent, prints: learnt.plates };
});
const set = (fields: Partial<Resin>): void => {
  if (item.value) change({ ...item.value, ...fields });
};
</script>

<template>
  <div v-if="item">
    <StandingLine class="state" :standing="standing" />
    <StockRows :resin="item" @change="set" />
    <ReportedRows :resin="item" @change="(reported) => set({ reported })" />
    <section class="stage-block">
      <h2>What it is</h2>
      <ItemForm kind="resin" :item="item" @change="change" />
      <LearntLine
        what="Supports, of the part"
        unit="percent"
        :digits="0"
        :learnt="supports"
        :recorded="item.supportsPercent"
      />
    </section>
    <MakerProgrammeRecord
      :programme="item.makerProgramme"
      written-for="Powder"
      @change="(makerProgramme) => set({ makerProgramme })"
    />
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
