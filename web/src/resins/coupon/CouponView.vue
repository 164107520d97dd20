<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { couponFileJob, couponJob, type CouponShape } from '@zero-pour/jobs';
import {
  COUPON_EXTRAS,
  COUPON_LIMITS,
  couponClass,
  formatQuantity,
  layCoupon,
  printTime,
  TUNED_CLASSES,
  usualCoupon,
  type CouponClass,
  type CouponExtra,
  type CouponSpec,
  type TunedClass,
} from '@zero-pour/core';
import { beginningOf, motionOf } from '@zero-pour/plan';
import { useLocalStorage } from '@vueuse/core';
import { computed, shallowRef, watch } from 'vue';
import NoteField from '../../components/NoteField.vue';
import NumberList from '../../components/NumberList.vue';
import QuantityField from '../../components/QuantityField.vue';
import { runJob, useJob } from '../../jobs';
import { saveFile } from '../../pattern';
import { useNotices } from '../../state/notices';
import { usePrints } from '../../state/printStore';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { useTuneChoice } from '../tune/useTuneChoice';
import { CLASS_NAMES, seconds } from '../tune/words';
import CouponPreview from './CouponPreview.vue';
import CouponSheet from './CouponSheet.vue';

/** The coupon for the next trial: what stands on it, how it looks, its file and its sheet. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const records = useRecords();
const prints = usePrints();
const notices = useNotices();
const units = useUnits();
const { things, of } = useTuneChoice(() => props.resin.id);

const key = computed(() => `${props.resin.id}/${things.value?.printer.id}/${things.value?.layerMm}`);
const kept = useLocalStorage<Record<string, CouponSpec>>('zp-coupon', {}, { shallow: true });
const spec = computed<CouponSpec>(() => {
  const last = records.lists.trial.filter((t) => t.resinId === props.resin.id).at(-1)?.coupon;
  return kept.value[key.value] ?? (last ? { ...last, label: '' } : usualCoupon(''));
});
const change = (fields: Partial<CouponSpec>): void => {
  kept.value = { ...kept.value, [key.value]: { ...spec.value, ...fields } };
};
const rowOf = (castClass: TunedClass): CouponClass | undefined =>
  spec.value.classes.find((c) => c.castClass === castClass);
/** Classes stay in their order; at least one row or one extra is left. */
function toggleClass(castClass: TunedClass): void {
  const without = spec.value.classes.filter((c) => c.castClass !== castClass);
  const next = rowOf(castClass) ? without : [...without, couponClass(castClass)];
  if (next.length + spec.value.extras.length === 0) return;
  change({
    classes: next.sort((a, b) => TUNED_CLASSES.indexOf(a.castClass) - TUNED_CLASSES.indexOf(b.castClass)),
  });
}
const setRow = (castClass: TunedClass, fields: Partial<CouponClass>): void =>
  change({ classes: spec.value.classes.map((c) => (c.castClass === castClass ? { ...c, ...fields } : c)) });
function toggleExtra(extra: CouponExtra): void {
  const on = spec.value.extras.includes(extra);
  const next = on ? spec.value.extras.filter((e) => e !== extra) : [...spec.value.extras, extra];
  if (next.length + spec.value.classes.length > 0) change({ extras: next });
}

/** What to print it at: the profile's, else the first figure that somebody told; nothing where nobody has. */
const beginning = computed(
  () =>
    things.value &&
    beginningOf(shop.lists, records.lists, things.value, of.value === 'base' ? undefined : of.value),
);
const exposureS = computed(() =>
  beginning.value && beginning.value.from !== null ? beginning.value.exposureS : undefined,
);
/** Engraved: what is typed, else the exposure. */
const engraved = computed<CouponSpec>(() => ({
  ...spec.value,
  label: spec.value.label || (exposureS.value ? `${seconds(exposureS.value)} S` : ''),
}));
const layout = computed(() => layCoupon(engraved.value));

/** The last one stands until the next is built. */
const shape = shallowRef<CouponShape>();
const { state: built, ask: build } = useJob(couponJob, { waitMs: 200, urgent: true });
watch(engraved, (wanted) => build({ spec: wanted }), { immediate: true });
watch(built, (now) => {
  if (now.status === 'done') shape.value = now.output;
  else if (now.status === 'failed') notices.wrong(new Error(now.sentence));
});

const busy = shallowRef(false);
async function save(to: 'stl' | '3mf'): Promise<void> {
  busy.value = true;
  try {
    const wanted = engraved.value;
    const { output } = await runJob(couponFileJob, { spec: wanted, to });
    change({});
    const name = [props.resin.name, things.value?.printer.name, wanted.label].filter(Boolean).join(' ');
    saveFile(new Blob([output]), `coupon ${name}.${to}`);
  } catch (error) {
    notices.wrong(error);
  } finally {
    busy.value = false;
  }
}
const printSheet = (): void => window.print();

const mm = (value: number, digits = 1): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);
const numbers = computed<[string, string][]>(() => {
  const { sizeMm, volumeMm3, features } = layout.value;
  const ml = volumeMm3 / 1000;
  const profile = beginning.value?.profile;
  const rows: [string, string][] = [
    ['Size', sizeMm.map((v) => mm(v)).join(' × ')],
    [
      'Resin',
      `${ml.toFixed(2)} ml, ${formatQuantity({ value: ml * props.resin.densityGPerMl, unit: 'g', digits: 2 }, units.choice)}`,
    ],
    ['Features', String(features.reduce((sum, f) => sum + f.count, 0))],
  ];
  if (shape.value)
    rows.push([
      'Built',
      `${shape.value.triangles.length / 3} triangles, ${(shape.value.volumeMm3 / 1000).toFixed(2)} ml`,
    ]);
  if (profile && things.value) {
    const { seconds: s } = printTime(sizeMm[2], {
      ...profile,
      layerMm: things.value.layerMm,
      motionS: motionOf(prints.known, things.value.printer, profile).value,
    });
    rows.push(['Prints in', formatQuantity({ value: s / 60, unit: 'min' }, units.choice)]);
  }
  return rows;
});
</script>

<template>
  <div class="coupon no-print">
    <div class="left">
      <CouponPreview :shape="shape" :layout="layout" />
      <div class="save">
        <v-btn variant="flat" :loading="busy" @click="save('stl')">Save as STL</v-btn>
        <v-btn :loading="busy" @click="save('3mf')">Save as 3MF</v-btn>
        <v-btn @click="printSheet">Print its sheet</v-btn>
        <span class="mute"
          >in mm; its sizes are kept with the next counts of this resin on
          {{ things?.printer.name ?? 'this printer' }}</span
        >
      </div>
    </div>
    <div class="right">
      <NumberList :rows="numbers" />
      <section class="stage-block">
        <h2>Rows to count</h2>
        <div v-for="castClass in TUNED_CLASSES" :key="castClass" class="row">
          <v-checkbox
            :label="CLASS_NAMES[castClass]"
            :model-value="rowOf(castClass) !== undefined"
            @update:model-value="toggleClass(castClass)"
          />
          <template v-if="rowOf(castClass)">
            <QuantityField
              label="Size"
              unit="mm"
              :digits="3"
              required
              :min="COUPON_LIMITS.featureMm[0]"
              :max="COUPON_LIMITS.featureMm[1]"
              :model-value="rowOf(castClass)!.featureMm"
              @update:model-value="(featureMm) => featureMm !== undefined && setRow(castClass, { featureMm })"
            />
            <QuantityField
              label="Struts"
              unit="count"
              required
              :min="1"
              :max="COUPON_LIMITS.features[1]"
              :model-value="rowOf(castClass)!.struts"
              @update:model-value="(n) => n !== undefined && setRow(castClass, { struts: Math.round(n) })"
            />
            <QuantityField
              label="Slots"
              unit="count"
              required
              :min="1"
              :max="COUPON_LIMITS.features[1]"
              :model-value="rowOf(castClass)!.slots"
              @update:model-value="(n) => n !== undefined && setRow(castClass, { slots: Math.round(n) })"
            />
          </template>
        </div>
      </section>
      <section class="stage-block">
        <h2>Beside them</h2>
        <div class="extras">
          <v-checkbox
            v-for="extra in COUPON_EXTRAS"
            :key="extra"
            :label="extra"
            :model-value="spec.extras.includes(extra)"
            @update:model-value="toggleExtra(extra)"
          />
        </div>
        <div class="form-grid mt-2">
          <QuantityField
            label="Raft"
            unit="mm"
            :digits="2"
            required
            :min="COUPON_LIMITS.raftMm[0]"
            :max="COUPON_LIMITS.raftMm[1]"
            :model-value="spec.raftMm"
            @update:model-value="(raftMm) => raftMm !== undefined && change({ raftMm })"
          />
          <NoteField
            label="Engraved"
            :max="COUPON_LIMITS.labelLength"
            :model-value="spec.label"
            @update:model-value="(label) => change({ label: label ?? '' })"
          />
        </div>
      </section>
    </div>
  </div>
  <CouponSheet
    :title="`Coupons: ${resin.name}${things ? `, ${things.printer.name}, ${mm(things.layerMm, 3)} layers` : ''}`"
    :spec="engraved"
    :layout="layout"
    :next="exposureS ? `the first at ${seconds(exposureS)} s, the next as Tune says` : 'as Tune says'"
  />
</template>

<style scoped>
.coupon {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 440px;
  gap: 22px;
  align-items: start;
}
.save {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 12px;
  font-size: 14px;
}
.row {
  display: grid;
  grid-template-columns: 120px 1fr 84px 84px;
  gap: 8px;
  align-items: center;
  min-height: 54px;
}
.extras {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
@media (max-width: 1000px) {
  .coupon {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
