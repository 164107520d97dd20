<script setup lang="ts">
import {
  emptyPourDoc,
  knownPartsSchema,
  pieceMeasure,
  type KnownPart,
  type Pattern,
  type PatternChange,
} from '@zero-pour/contracts';
import {
  findDirection,
  formatQuantity,
  NO_ROTATION,
  PATTERN_LIMITS,
  type Finding,
  type FindingContext,
  type Rotation,
} from '@zero-pour/core';
import { resinContext } from '@zero-pour/plan';
import { useLocalStorage } from '@vueuse/core';
import { computed, defineAsyncComponent, shallowRef, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { request } from '../../api/request';
import { newLine } from '../../state/useBriefLines';
import { useNewPour } from '../../state/useNewPour';
import { useNotices } from '../../state/notices';
import { useNamedPatterns } from '../../state/useNamedPatterns';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import type { PartInLayers } from '../layers/partInLayers';
import PatternDrop from '../PatternDrop.vue';
import { useAnalyses } from '../jobs/analysisStore';
import { findingsOf } from '../jobs/findingsOf';
import type { ViewShape } from '../jobs/shapes';
import type { PaintName } from '../view/paint';
import AnalysisProgress from './AnalysisProgress.vue';
import FileFields from './FileFields.vue';
import FileSprues from './FileSprues.vue';
import FindingList from './FindingList.vue';
import JudgedBy from './JudgedBy.vue';
import NearestKnown from './NearestKnown.vue';
import PatternNumbers from './PatternNumbers.vue';
import ThicknessHistogram from './ThicknessHistogram.vue';
import VersionTable from './VersionTable.vue';
import WaysThrough from './WaysThrough.vue';

/** Everything about one part, before a gram of resin is spent. */
const props = defineProps<{ pattern: Pattern }>();
const PatternViewer = defineAsyncComponent(() => import('../view/PatternViewer.vue'));
const LayerPanel = defineAsyncComponent(() => import('../layers/LayerPanel.vue'));

const shop = useShop();
const units = useUnits();
const router = useRouter();
const notices = useNotices();
const newPour = useNewPour();
const analyses = useAnalyses();

const state = computed(() => analyses.of(props.pattern));
const analysis = computed(() => (state.value.status === 'analysed' ? state.value.analysis : undefined));
watch(
  () => props.pattern.id,
  () => {
    chosen.value = undefined;
    rotation.value = NO_ROTATION;
    layersOpen.value = false;
    layers.value = undefined;
    marking.value = false;
  },
);
watch(
  () => `${props.pattern.id} ${props.pattern.sprues?.pieceHash ?? ''}`,
  () => void analyses.ensure(props.pattern),
  { immediate: true },
);

const known = shallowRef<KnownPart[]>([]);
watch(
  analysis,
  async (made) => {
    if (!made) return;
    known.value = (
      await request(knownPartsSchema, 'GET', '/patterns/known').catch(() => ({ parts: [] }))
    ).parts;
  },
  { immediate: true },
);

/** What the part is judged by; the choice stays with the shop's window. */
const resinId = useLocalStorage('zp pattern resin', '');
const chosenAlloyId = useLocalStorage('zp pattern metal', '');
const tiltDeg = shallowRef<number>(0);
const resin = computed(() => shop.lists.resin.find(({ id }) => id === resinId.value));
const alloy = computed(
  () => shop.lists.alloy.find(({ id }) => id === chosenAlloyId.value) ?? shop.lists.alloy[0],
);
const alloyId = computed({
  get: () => alloy.value?.id,
  set: (id) => (chosenAlloyId.value = id ?? ''),
});
const finestMm = computed(() => resin.value?.finestMm ?? PATTERN_LIMITS.finestMm);
const context = computed<FindingContext>(() => ({
  tiltDeg: tiltDeg.value,
  ...resinContext(resin.value),
}));

const paint = shallowRef<PaintName>('thickness');
const chosen = shallowRef<number>();
const rotation = shallowRef<Rotation>(NO_ROTATION);
const layersOpen = shallowRef(false);
const layers = shallowRef<PartInLayers>();
const shape = shallowRef<ViewShape>();
const marking = shallowRef(false);
const sprues = useTemplateRef<InstanceType<typeof FileSprues>>('sprues');

/** Of the part as it is; with the overhang shown, of its way up. */
const findings = computed<Finding[]>(() => {
  const cut = layers.value;
  if (paint.value === 'overhang' && cut) return findDirection(cut.direction, cut.input, cut.steps);
  return findingsOf(props.pattern, state.value, context.value);
});
watch(paint, (now) => {
  chosen.value = undefined;
  if (now === 'overhang') layersOpen.value = true;
});

useNamedPatterns(() => [props.pattern.formerId]);
const formerWhole = computed(() => shop.wholePatterns.find(({ id }) => id === props.pattern.formerId));
const former = computed(() => shop.patterns.find(({ id }) => id === props.pattern.formerId));
const next = computed(() => shop.patterns.find(({ formerId }) => formerId === props.pattern.id));
const version = computed(() => {
  let n = 1;
  for (let p = former.value; p && n < 100; n++) {
    const id: string | null = p.formerId;
    p = shop.patterns.find((other) => other.id === id);
  }
  return n;
});
const size = computed(() =>
  pieceMeasure(props.pattern)
    .sizeMm.map((side) =>
      formatQuantity({ value: side, unit: 'mm', digits: 1 }, units.choice).replace(/ \D+$/, ''),
    )
    .join(' × '),
);
const triangles = computed(() =>
  props.pattern.measure.triangles.toLocaleString('en-GB').replaceAll(',', ' '),
);

async function change(fields: Partial<PatternChange>): Promise<void> {
  const { id, name, note, classOverride, sprues: inFile } = props.pattern;
  const changed = { name, note, classOverride, sprues: inFile, ...fields };
  if (changed.name.trim() === '') return;
  await shop.changePattern(id, changed).catch((error: unknown) => notices.wrong(error));
}
function use(): void {
  const doc = emptyPourDoc();
  void newPour({ ...doc, brief: { ...doc.brief, lines: [newLine(props.pattern.id)] } });
}
</script>

<template>
  <div class="pattern">
    <div class="main">
      <div class="page-head">
        <h1>{{ pattern.name }}</h1>
        <span class="mute">
          version {{ version }} · {{ triangles }} triangles ·
          {{ pattern.measure.closed ? 'closed' : 'open' }} · {{ size }} {{ units.choice.length }}
        </span>
        <span class="spacer" />
        <router-link to="/patterns">All patterns</router-link>
      </div>
      <p v-if="next" class="newer">
        There is a newer version: <router-link :to="`/patterns/${next.id}`">{{ next.fileName }}</router-link>
      </p>
      <AnalysisProgress :state="state" @stop="analyses.cancel(pattern)" @start="analyses.ensure(pattern)" />
      <PatternViewer
        v-model:paint="paint"
        class="viewer"
        :pattern="pattern"
        :findings="findings"
        :chosen="chosen"
        :finest-mm="finestMm"
        :rotation="rotation"
        :asks="marking ? 'Press on the side of the sprue, just off the part.' : ''"
        @choose="(n) => (chosen = n)"
        @press="(at) => void sprues?.press(at)"
        @shape="(loaded) => (shape = loaded)"
      />
      <JudgedBy
        v-model:resin-id="resinId"
        v-model:alloy-id="alloyId"
        v-model:tilt-deg="tiltDeg"
        :pattern="pattern"
        :analysis="analysis"
        @class="(classOverride) => change({ classOverride })"
      />
      <div class="under">
        <ThicknessHistogram
          v-if="analysis"
          :histogram-mm3="analysis.thickness.histogramMm3"
          :finest-mm="finestMm"
          :resin="resin?.name ?? 'a usual resin'"
        />
        <PatternNumbers :pattern="pattern" :analysis="analysis" :alloy="alloy" />
      </div>
    </div>
    <aside class="side">
      <FindingList
        :findings="findings"
        :status="state.status"
        :chosen="chosen"
        @choose="(n) => (chosen = n)"
      />
      <div class="acts">
        <v-btn variant="flat" @click="use">Use in a pour</v-btn>
        <PatternDrop compact :former="pattern" @kept="(kept) => router.push(`/patterns/${kept.id}`)" />
      </div>
    </aside>
    <div class="wide">
      <div class="more">
        <VersionTable v-if="formerWhole" :before="formerWhole" :after="pattern" :context="context" />
        <WaysThrough v-if="analysis" :analysis="analysis" />
        <NearestKnown
          v-if="analysis && analysis.thickness.thinnestMm !== null"
          :pattern="pattern"
          :thinnest-mm="analysis.thickness.thinnestMm"
          :known="known"
        />
        <FileSprues ref="sprues" v-model:marking="marking" :pattern="pattern" />
        <FileFields :pattern="pattern" @change="change" />
      </div>
      <v-btn v-if="!layersOpen" class="open-layers" @click="paint = 'overhang'">Cut it into layers</v-btn>
      <LayerPanel
        v-else
        v-model:rotation="rotation"
        :pattern="pattern"
        :shape="shape"
        @cut="(now) => (layers = now)"
      />
    </div>
  </div>
</template>

<style scoped>
.pattern {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 20px;
}
.viewer {
  height: 550px;
}
.under {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 18px;
  margin-top: 4px;
}
.acts {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin-top: 14px;
}
.wide {
  grid-column: 1 / -1;
}
.more {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 26px;
}
.more > :deep(section) {
  display: grid;
  gap: 9px;
  align-content: start;
}
.newer {
  margin-bottom: 10px;
}
.open-layers {
  margin-top: 20px;
}
@media (max-width: 1100px) {
  .pattern,
  .under {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 600px) {
  .viewer {
    height: 520px;
  }
}
</style>
