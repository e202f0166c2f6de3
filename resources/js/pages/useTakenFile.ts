import { number } from '@/words/words'
import { api, words } from '@/api/client'
import type { Field, FieldValue } from '@/api/types'
import type { UploadFile } from 'element-plus'
import { isPicture, isWholeJob } from '@/arriving/arrived'
import { computed, reactive, ref, shallowRef } from 'vue'

/** What a file would be laid on the bench as. */
export interface Look {
  statesSize: boolean
  page: [number, number]
  box: [number, number, number, number] | null
  outside: boolean
  leftOut: string[]
  picture: string
  /** What can be chosen of how it is taken. */
  fields: Field[]
  says: string
  pages: number
  pagePictures: string[]
}
export const size = (width: number, height: number) => `${number(width, 2)} × ${number(height, 2)} mm`

/** A file that a job is to begin with: what is read of it, and in which way it is taken where there are several. */
export function useTakenFile() {
  const file = ref<File | null>(null)
  /** Files that came along: each becomes a job of its own, made the same way. */
  const others = shallowRef<File[]>([])
  /** A picture that was given as art: it can lie under an empty bench. */
  const reference = ref<File | null>(null)
  /** A job that another shop, or this one, saved whole: it has a ticket of its own. */
  const whole = ref<File | null>(null)
  const problem = ref('')
  /** What the file says of its size, and where its art lies; null until it was read. */
  const look = ref<Look | null>(null)
  const looking = ref(false)
  const of = ref<'page' | 'art'>('page')
  const picture = computed(() => (look.value ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(look.value.picture)}` : ''))

  /** How a file that can be taken in several ways is to be taken; what was not chosen is as the file proposes. */
  const taking = ref<Record<string, FieldValue>>({})
  const values = computed(() => ({ ...Object.fromEntries((look.value?.fields ?? []).map((field) => [field.name, field.usual])), ...taking.value }))
  const pagePictures = ref<string[]>([])
  const needsPage = computed(() => (look.value?.pages ?? 1) > 1 && taking.value.page === undefined)

  /** One or several, as they were let go or chosen together. */
  async function takeAll(files: File[]) {
    whole.value = files.find(isWholeJob) ?? null
    const drawings = files.filter((each) => !isPicture(each) && !isWholeJob(each))
    reference.value = files.find(isPicture) ?? null
    others.value = drawings.slice(1)
    if (drawings.length > 0) return first(drawings[0]!)
    file.value = null
    look.value = null
    problem.value = ''
    return undefined
  }
  // Of several that are chosen together the zone tells one after the other.
  let together: File[] = []
  function take(picked: UploadFile) {
    if (!picked.raw) return
    together.push(picked.raw)
    // Known at once: whoever starts in the same moment starts with it.
    if (!isPicture(picked.raw) && !isWholeJob(picked.raw) && together.length === 1) file.value = picked.raw
    if (together.length === 1) {
      setTimeout(() => {
        void takeAll(together)
        together = []
      })
    }
  }
  async function first(one: File) {
    file.value = one
    taking.value = {}
    pagePictures.value = []
    await lookAt()
  }
  async function choose(name: string, value: FieldValue) {
    taking.value = { ...taking.value, [name]: value }
    await lookAt(true)
  }
  function tell(form: FormData) {
    for (const [name, value] of Object.entries(taking.value)) form.set(`taking[${name}]`, value === true ? 'yes' : value === false ? 'no' : String(value))
  }
  let asked = 0
  /** What was seen last stays until the answer is there, where only the way of taking it is another. */
  async function lookAt(again = false) {
    problem.value = ''
    if (!again) look.value = null
    if (!file.value) return
    const mine = ++asked
    const form = new FormData()
    form.set('file', file.value)
    tell(form)
    looking.value = true
    try {
      const seen = await api.post<Look>('look', form)
      if (mine !== asked) return
      look.value = seen
      if (seen.pagePictures.length > 0) pagePictures.value = seen.pagePictures
      if (!again) of.value = seen.outside ? 'art' : 'page'
    } catch (refused) {
      if (mine === asked) problem.value = words(refused)
    } finally {
      if (mine === asked) looking.value = false
    }
  }
  function measure(what: 'page' | 'art') {
    of.value = what
  }
  /** Whether page and art are two things: a file without a page has that of its art. */
  const partly = computed(() => !!look.value?.box && [0, 1].some((i) => Math.abs(look.value!.page[i]! - look.value!.box![i + 2]!) > 0.01))

  return reactive({ file, problem, look, looking, of, picture, taking, values, pagePictures, needsPage, partly, others, reference, whole, take, takeAll, choose, measure, tell, lookAt })
}
export type TakenFile = ReturnType<typeof useTakenFile>
