<script setup lang="ts">
import FieldForm from '@/fields/FieldForm.vue'
import { ElInput, ElRadio, ElRadioGroup } from 'element-plus'
import { size, type TakenFile } from './useTakenFile'

/** The file of a new job as it was understood: its pages, its size, how it is taken, what was left out. */
defineProps<{ taken: TakenFile }>()
</script>

<template>
  <section v-if="taken.look && taken.pagePictures.length > 0" class="pages" data-test="pages">
    <p :class="{ asks: taken.needsPage }">{{ taken.look.says }} {{ taken.needsPage ? $t('Choose the one that is to be made.') : $t('Page {page} is taken.', { page: taken.taking.page }) }}</p>
    <div role="radiogroup" aria-label="Page">
      <button v-for="(png, index) in taken.pagePictures" :key="index" type="button" role="radio" :aria-checked="String(taken.taking.page) === String(index + 1)" :class="{ on: String(taken.taking.page) === String(index + 1) }" :data-test="`page-${index + 1}`" @click="taken.choose('page', String(index + 1))"><img :src="png" :alt="$t('Page {index}', { index: index + 1 })"><span class="numbers">{{ index + 1 }}</span></button>
    </div>
    <label v-if="taken.look.pages > taken.pagePictures.length" class="more">or page <ElInput :model-value="String(taken.taking.page ?? '')" placeholder="number" @change="taken.choose('page', $event)" /> of {{ taken.look.pages }}</label>
  </section>
  <section v-if="taken.look && !taken.needsPage" class="look" data-test="look">
    <div class="sheet"><img :src="taken.picture" alt="The drawing as it was understood"></div>
    <div class="facts">
      <p v-if="!taken.look.statesSize" class="asks" data-test="asks"><strong>The file states no size.</strong> Type the finished width; its own numbers would come to {{ size(...taken.look.page) }}.</p>
      <fieldset v-if="taken.partly" class="of">
        <legend>The finished width is that of</legend>
        <ElRadioGroup :model-value="taken.of" @change="taken.measure($event === 'art' ? 'art' : 'page')" class="plain-pick">
          <ElRadio value="page">the page<span class="numbers quiet">{{ taken.look.statesSize ? size(...taken.look.page) : $t('as large as you say') }}</span></ElRadio>
          <ElRadio v-if="taken.look.box" value="art" data-test="of-art">the art alone<span class="numbers quiet">{{ taken.look.statesSize ? size(taken.look.box[2], taken.look.box[3]) : $t('the box of all that is drawn') }}</span></ElRadio>
        </ElRadioGroup>
      </fieldset>
      <p v-if="taken.look.outside" class="asks">Some of the art lies outside the page of the file.</p>
      <fieldset v-if="taken.look.fields.some((field) => field.name !== 'page')" class="taking" data-test="taking">
        <legend>How its lines are taken</legend>
        <FieldForm :fields="taken.look.fields" :values="taken.values" :only="(field) => field.name !== 'page' && (field.name !== 'width' || taken.values.lines === 'drawn')" @keep="taken.choose" />
        <p class="quiet numbers">{{ taken.look.says }}<template v-for="field in taken.look.fields.filter((one) => one.help !== '' && ['gap', 'asleep'].includes(one.name))" :key="field.name">; {{ field.name === 'gap' ? $t('{usual} mm is proposed: ', { usual: Number(field.usual) }) : $t('not drawn: ') }}{{ field.help }}</template>.</p>
      </fieldset>
      <details v-if="taken.look.leftOut.length > 0"><summary>{{ $t('{n, plural, one {# remark} other {# remarks} } on what was read', { n: taken.look.leftOut.length }) }}</summary><ul><li v-for="(one, index) in taken.look.leftOut.slice(0, 30)" :key="index">{{ one }}</li></ul></details>
    </div>
  </section>
  <p v-else-if="taken.looking" class="quiet" role="status">Reading the file…</p>
</template>

<style scoped>
fieldset { border: 0; padding: 0; margin: 0; }
legend { margin-bottom: 9px; padding: 0; }
.look { display: grid; grid-template-columns: 220px 1fr; gap: 20px; align-items: start; border: 1px solid var(--line); border-radius: 4px; background: var(--card); padding: 14px; }
.sheet { background: var(--tracing); border-radius: 3px; padding: 8px; }
.sheet img { display: block; width: 100%; max-height: 180px; object-fit: contain; background: var(--sheet); outline: 1px solid var(--line-strong); }
.facts { display: flex; flex-direction: column; gap: 10px; line-height: 1.3; }
.facts label { display: flex; align-items: baseline; gap: 8px; }
.of legend, .taking legend { font: 500 17px var(--text-face); }
.of .quiet { font-size: 15px; }
.taking { max-width: 420px; }
.taking p { font-size: 15px; margin: 6px 0 0; }
.pages { border: 1px solid var(--line); border-radius: 4px; background: var(--card); padding: 14px; }
.pages p { margin: 0 0 10px; }
.pages [role='radiogroup'] { display: flex; flex-wrap: wrap; gap: 10px; max-height: 330px; overflow-y: auto; padding: 2px; }
.pages button { border: 1px solid var(--line-strong); border-radius: 4px; background: var(--tracing); padding: 7px; cursor: pointer; display: flex; flex-direction: column; align-items: center; gap: 3px; font: 15px var(--text-face); color: var(--ink); }
.pages button.on { border-color: var(--green); box-shadow: inset 0 0 0 1px var(--green); background: var(--green-pale); }
.pages img { max-width: 130px; max-height: 130px; background: #fff; outline: 1px solid var(--line-strong); }
.more { display: flex; align-items: center; gap: 8px; margin-top: 10px; }
.more .el-input { width: 90px; }
.facts ul { margin: 6px 0 0; padding-left: 18px; font-size: 15px; max-height: 130px; overflow-y: auto; }
.asks { color: var(--coral-deep); }
</style>
