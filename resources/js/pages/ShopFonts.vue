<script setup lang="ts">
import { useMe } from '@/stores/me'
import { api, words } from '@/api/client'
import { ElUpload, type UploadFile } from 'element-plus'
import { computed, onMounted, ref } from 'vue'

const me = useMe()
interface ShopFont { id: number; family: string; style: string }

const props = defineProps<{ open?: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const shipped = ref<string[]>([])
const added = ref<ShopFont[]>([])
const problem = ref('')
const said = computed(() => [...shipped.value, ...new Set(added.value.map((one) => one.family))].join(', '))

async function load() {
  try {
    const all = await api.get<{ shipped: string[]; added: ShopFont[] }>('fonts')
    shipped.value = all.shipped
    added.value = all.added
    problem.value = ''
  } catch (refused) {
    problem.value = words(refused)
  }
}
onMounted(load)

async function take(picked: UploadFile) {
  if (!picked.raw) return
  const form = new FormData()
  form.set('file', picked.raw)
  try {
    await api.post('fonts', form)
    await load()
    emit('changed')
  } catch (refused) {
    problem.value = words(refused)
  }
}
async function remove(font: ShopFont) {
  try {
    await api.delete(`fonts/${font.id}`)
    await load()
    emit('changed')
  } catch (refused) {
    problem.value = words(refused)
  }
}
</script>

<template>
  <details class="fonts" :open="props.open">
    <summary>Fonts for text in the drawing <span class="quiet">at hand: {{ said }}</span></summary>
    <ul v-if="added.length > 0">
      <li v-for="font in added" :key="font.id" data-test="font">{{ font.family }} <span class="quiet">{{ font.style }}</span> <button v-if="me.may.draw" type="button" :aria-label="$t('Take away {family} {style}', { family: font.family, style: font.style })" @click="remove(font)">Take away</button></li>
    </ul>
    <ElUpload v-if="me.may.draw" drag multiple :auto-upload="false" :show-file-list="false" accept=".ttf,.otf,.woff" :on-change="take" data-test="fonts">
      <p>Drag fonts here <span class="quiet">TrueType, OpenType or WOFF. Add them before the drawing that needs them.</span></p>
    </ElUpload>
    <p v-if="problem" class="trouble" role="alert" data-test="font-problem">{{ problem }}</p>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 500; }
summary .quiet { font-weight: 400; font-size: 15px; margin-left: 8px; }
ul { list-style: none; margin: 10px 0; padding: 0; display: flex; flex-direction: column; gap: 4px; }
button { border: 0; background: none; font: 15px var(--text-face); color: var(--ink-soft); text-decoration: underline; cursor: pointer; }
p { margin: 0; }
.fonts :deep(.el-upload-dragger) { padding: 14px; margin-top: 8px; }
</style>
