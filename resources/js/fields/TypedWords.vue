<script setup lang="ts">
import { ElInput } from 'element-plus'
import { nextTick, onMounted, ref, watch } from 'vue'

/** Words that are typed. What came from the server meanwhile never takes their place: only what is sent does. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{ value: string; rows?: number; /** The field has the keys from the moment it is there. */ atOnce?: boolean }>()
const emit = defineEmits<{ keep: [words: string]; left: [words: string] }>()
const field = ref<InstanceType<typeof ElInput>>()
const typed = ref(props.value)
const typing = ref(false)
/** It has the keys: what is chosen in it, or typed next, belongs to what stands there now. */
const held = ref(false)
watch(() => props.value, (next) => {
  if (!typing.value && !held.value) typed.value = next
})
function type(words: string) {
  typed.value = words
  typing.value = true
}
function keep() {
  typing.value = false
  kept = typed.value
  emit('keep', typed.value)
}
/** What was sent last, until it has come back. */
let kept: string | null = null
function left() {
  held.value = false
  emit('left', typed.value)
  // What arrived while it had the keys and nothing was typed is shown now.
  if (!typing.value && kept === null) typed.value = props.value
  kept = null
}
/** Enter is done with one line; in several it begins the next. */
function enter(event: Event) {
  if (!props.rows) (event.target as HTMLElement).blur()
}
/** What was typed and not sent is taken back. */
function escape(event: Event) {
  typing.value = false
  typed.value = props.value
  nextTick(() => (event.target as HTMLElement).blur())
}
onMounted(async () => {
  if (!props.atOnce) return
  await nextTick()
  field.value?.focus()
  field.value?.select()
})
</script>

<template>
  <ElInput
    ref="field"
    class="typed-words"
    size="small"
    :model-value="typed"
    :type="rows ? 'textarea' : 'text'"
    :rows="rows"
    spellcheck="false"
    v-bind="$attrs"
    @update:model-value="type"
    @change="keep"
    @focus="held = true"
    @blur="left"
    @keydown.stop
    @keydown.enter="enter"
    @keydown.escape="escape"
  />
</template>
