import { api } from '@/api/client'
import type { Changes, Finding } from '@/api/types'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** A part of the bench: left, top, right, bottom in mm. */
type Region = [number, number, number, number]

/** ms for which further changes are waited for before what was drawn is checked. */
const REST = 250
/** More pieces at once are no matter of drawing: the line finds what is wrong with them. */
const MOST = 400

/** Those findings of before that a newer check says nothing about: they lie elsewhere, on pieces that are still there. */
export function kept(findings: Finding[], region: Region | null, changed: Set<string>, gone: Set<string>): Finding[] {
  return findings.filter((one) => {
    if (one.piece !== undefined && (gone.has(one.piece) || changed.has(one.piece))) return false
    return !one.at || !region || ![one.at, ...(one.ribbon ?? []).flat()].some(([x, y]) => x >= region[0] && x <= region[2] && y >= region[1] && y <= region[3])
  })
}

/** What is found while something is drawn: only around what was changed, checked on the server when the hand rests. */
export const useDrawn = defineStore('drawn', () => {
  const findings = shallowRef<Finding[]>([])
  const checking = ref(false)
  const at = ref(-1)
  let waiting = new Set<string>()
  let gone = new Set<string>()
  let timer = 0
  let asked: AbortController | null = null

  function forget() {
    window.clearTimeout(timer)
    asked?.abort()
    findings.value = []
    waiting = new Set()
    gone = new Set()
    at.value = -1
  }
  function changed(job: number, changes: Changes) {
    for (const id of changes.gone) gone.add(id)
    for (const piece of changes.pieces) {
      waiting.add(piece.id)
      gone.delete(piece.id)
    }
    for (const id of changes.gone) waiting.delete(id)
    window.clearTimeout(timer)
    timer = window.setTimeout(() => check(job), REST)
  }
  async function check(job: number) {
    asked?.abort()
    const pieces = [...waiting]
    const dropped = gone
    if (pieces.length > MOST || pieces.length === 0) {
      findings.value = kept(findings.value, null, new Set(pieces), dropped)
      waiting = new Set()
      gone = new Set()
      return
    }
    asked = new AbortController()
    checking.value = true
    try {
      const answer = await api.post<{ region: Region | null; findings: Finding[] }>(`jobs/${job}/previews`, { what: 'checks', lane: 'checks', pieces }, asked.signal)
      findings.value = [...kept(findings.value, answer.region, new Set(pieces), dropped), ...answer.findings]
      for (const id of pieces) waiting.delete(id)
      gone = new Set()
      at.value = -1
    } catch {
      // Given up for a newer one, or too much: what was not checked is checked with the next change.
    } finally {
      checking.value = false
    }
  }
  /** The next of them, round and round. */
  function next(): Finding | null {
    at.value = findings.value.length === 0 ? -1 : (at.value + 1) % findings.value.length
    return findings.value[at.value] ?? null
  }

  return { findings, checking, at, changed, forget, next }
})
