import { api } from '@/api/client'
import type { Me } from '@/api/types'
import { t } from '@/words/words'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** Until it is known: what one person alone may, so that nothing comes and goes on their page. */
const ALONE: Me = { asks: false, person: null, may: { draw: true, produce: true, stock: true, settings: true, people: false, account: false }, scopes: [] }

/** What a role is called. */
export const roles = { owner: t('Owner'), artist: t('Artist'), operator: t('Operator') }
/** What a program with a token may. */
export const scopes = { look: t('Look, and change nothing'), jobs: t('All that an artist does'), machines: t('Lay out and send') }

/** Who works at this page, and what they may do. */
export const useMe = defineStore('me', () => {
  const me = shallowRef<Me>(ALONE)
  const known = shallowRef(false)
  async function load() {
    me.value = await api.get<Me>('me')
    known.value = true
  }
  function take(next: Me) {
    me.value = next
    known.value = true
  }
  /** The name under which something is done, where it is known. */
  const name = computed(() => me.value.person?.name ?? '')
  async function signOut() {
    await api.post('sign-out')
    // What was read as somebody is not shown to nobody.
    location.assign('/sign-in')
  }
  return { me, may: computed(() => me.value.may), asks: computed(() => me.value.asks), name, known, load, take, signOut }
})
