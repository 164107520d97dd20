<script setup lang="ts">
import type { Mold, Pattern } from '@zero-pour/contracts';
import {
  formatQuantity,
  judgeBlock,
  judgeFrame,
  judgeRelease,
  KEY_SHAPES,
  type Judgement,
} from '@zero-pour/core';
import { partOf, undercutsJob } from '@zero-pour/jobs';
import { computed, watch } from 'vue';
import JudgementList from '../components/JudgementList.vue';
import PickRow from '../components/PickRow.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import { useJob } from '../jobs';
import { PartView } from '../pattern';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import CutLineOver from './CutLineOver.vue';
import MoldHalves from './MoldHalves.vue';
import { PULLS, pullName } from './pulls';
import { useMoldBlock } from './useMoldBlock';
import { useUndercutColours } from './useUndercutColours';

/** How a mold opens: its pull, what it would catch, and the two halves with cavity, keys and ways. */
const props = defineProps<{ mold: Mold; pattern: Pattern | undefined }>();
const emit = defineEmits<{ change: [fields: Partial<Mold>] }>();
const units = useUnits();
const shop = useShop();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);

const scale = computed(() => props.mold.scalePercent / 100);
const { state, ask, stop } = useJob(undercutsJob, { waitMs: 200 });
const read = computed(() => (state.value.status === 'done' ? state.value.output : undefined));
/** `pull`: null for the best; what the mold is told in the same press comes back as its own only later. */
function find(pull = props.mold.pull): void {
  if (props.pattern) ask({ part: partOf(props.pattern), scale: scale.value, pull });
}
/** The pull that was found is the mold’s once none was chosen. */
watch(read, (now) => now && !props.mold.pull && emit('change', { pull: now.asked.pull }));
watch(
  () => [props.mold.pull?.join(), props.mold.scalePercent, props.pattern?.id],
  () => read.value && find(),
);
/** Rubber and silicone are cut open, round their master in a frame; a printed mold comes in halves. */
const line = computed(() => (packed.value ? read.value?.asked.line : undefined));
const judgements = computed<Judgement[]>(() =>
  read.value
    ? [
        ...judgeRelease(read.value.asked, props.mold.kind, read.value.best),
        ...(line.value ? judgeFrame(line.value.sizeMm, props.mold.frame) : []),
      ]
    : [],
);
const { colours, takeShape } = useUndercutColours(
  () => props.pattern,
  () => (read.value ? read.value.asked.pull : undefined),
);

const form = (fields: Partial<Mold['form']>): void =>
  emit('change', { form: { ...props.mold.form, ...fields }, halves: null });
const FIELDS = ['wallMm', 'keyPercent', 'clearanceMm', 'neckMm', 'nozzleMm'] as const;
const block = useMoldBlock(
  () => props.mold,
  () => props.pattern,
);
/** Rubber and silicone are not printed: a printed mold of the same part is one of flexible resin. */
const packed = computed(() => props.mold.kind === 'rubber' || props.mold.kind === 'silicone');
/** The halves as they were made: whether they let go, by what they caught themselves, and whether they go on a plate. */
const halvesJudged = computed<Judgement[]>(() => {
  const made = block.made.value;
  if (!made) return [];
  const { undercuts, cellMm } = made;
  const trappedMm3 = undercuts.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
  const kind = packed.value ? 'flexible resin' : props.mold.kind;
  const printers = shop.lists.printer.filter(({ retired }) => !retired);
  return [...judgeRelease({ undercuts, trappedMm3, cellMm }, kind, null), ...judgeBlock(made, printers)];
});
async function keepHalves(): Promise<void> {
  const halves = await block.keep();
  if (halves) emit('change', { halves });
}
</script>

<template>
  <section class="stage-block">
    <h2>How it opens</h2>
    <p v-if="!pattern" class="mute">Choose the pattern that is molded.</p>
    <template v-else>
      <PickRow
        label="Pull"
        :things="PULLS"
        :picked="pullName(mold.pull)"
        @pick="(key) => emit('change', { pull: PULLS.find((one) => one.key === key)!.pull, halves: null })"
      >
        <v-btn size="small" @click="(emit('change', { pull: null, halves: null }), find(null))"
          >Find the best pull</v-btn
        >
        <v-btn v-if="mold.pull && !read" size="small" @click="find()">Read the undercuts</v-btn>
        <button v-if="state.status === 'working'" type="button" class="text-button" @click="stop">
          Stop
        </button>
      </PickRow>
      <v-progress-linear
        v-if="state.status === 'working'"
        :model-value="100 * state.share"
        aria-label="Reading undercuts"
      />
      <p v-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
      <PartView
        v-slot="{ scene, tick, width, height }"
        :pattern="pattern"
        :colours="colours"
        class="view"
        @shape="takeShape"
      >
        <CutLineOver v-if="line" :line="line" :scene="scene" :tick="tick" :width="width" :height="height" />
      </PartView>
      <p v-if="line" class="mt-2">
        <b>The cut</b> follows the dashed line: {{ mm(line.lengthMm) }} round the part<template
          v-if="line.loops.length > 1"
          >, {{ line.loops.length === 2 ? 'one loop' : `${line.loops.length - 1} loops` }} of it through
          {{ line.loops.length === 2 ? 'a hole' : 'holes' }}</template
        >, {{ line.risesMm < 0.3 ? 'at one height' : `climbing ${mm(line.risesMm)}` }}. Locks at the four
        corners first, then in from the sprue.
      </p>
      <p v-if="read" class="mute">
        Opens along {{ read.asked.pull.map((v) => v.toFixed(2)).join(', ') }} of the file. What is caught is
        coloured, the deeper the darker.
      </p>
      <p v-else-if="state.status !== 'working'" class="mute">
        Not read yet: nothing is said of what would be caught.
      </p>
      <JudgementList :judgements="judgements" />
      <ul v-if="read && read.asked.undercuts.length > 0" class="caught">
        <li v-for="(one, n) in read.asked.undercuts.slice(0, 6)" :key="n">
          <template v-if="one.kind === 'core'">A hollow that needs a core</template>
          <template v-else
            >{{ mm(one.depthMm) }} deep of {{ mm(one.widthMm) }}:
            {{ one.strainPercent.toFixed(1) }} %</template
          >
          <span class="mute num"> at {{ one.at.map((v) => v.toFixed(1)).join(', ') }} of the file</span>
        </li>
      </ul>
      <h3 class="mt-4">
        {{ packed ? 'A printed mold of it instead' : 'Its two halves' }}
      </h3>
      <div class="form-grid">
        <QuantityField
          v-for="field in FIELDS"
          :key="field"
          v-bind="said('mold', 'form', field)"
          required
          :model-value="mold.form[field]"
          @update:model-value="(v) => v !== undefined && form({ [field]: v })"
        />
        <v-select
          label="Keys"
          :items="[...KEY_SHAPES]"
          :model-value="mold.form.keyShape"
          @update:model-value="(keyShape) => form({ keyShape })"
        />
        <v-checkbox
          label="Vents"
          hide-details
          :model-value="mold.form.vents"
          @update:model-value="(vents) => form({ vents: vents === true })"
        />
      </div>
      <div class="acts mt-2">
        <v-btn
          :disabled="!mold.pull || block.working.value"
          :loading="block.working.value"
          @click="block.make()"
          >Make the halves</v-btn
        >
        <button v-if="block.working.value" type="button" class="text-button" @click="block.stop()">
          Stop
        </button>
        <span v-if="!mold.pull" class="mute">Find a pull first.</span>
      </div>
      <p v-if="block.sentence.value" role="alert" class="mt-2">{{ block.sentence.value }}</p>
      <template v-if="block.made.value">
        <MoldHalves :made="block.made.value" class="mt-3" />
        <p v-if="block.isOld.value" role="status" class="tone watch">
          <b>These halves are of what was set before.</b> Make them anew.
        </p>
        <JudgementList :judgements="halvesJudged" class="mt-2" />
        <div class="acts mt-2">
          <v-btn :disabled="block.isOld.value" @click="block.save('lower')">Save the lower half</v-btn>
          <v-btn :disabled="block.isOld.value" @click="block.save('upper')">Save the upper half</v-btn>
          <v-btn :disabled="block.isOld.value" @click="keepHalves">Keep both as patterns</v-btn>
        </div>
      </template>
      <p v-if="mold.halves" class="mute mt-2">
        Both halves are kept among the patterns: way up, supports and layers are read there, and they are
        saved as STL or 3MF.
      </p>
    </template>
  </section>
</template>

<style scoped>
.view {
  height: 340px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}
.caught {
  margin: 8px 0 0;
  padding-left: 18px;
}
h3 {
  font-size: 15px;
  font-weight: 650;
  margin-bottom: 6px;
}
</style>
