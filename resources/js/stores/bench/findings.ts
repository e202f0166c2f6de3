import { api, words } from '@/api/client'
import type { Finding, FindingGroup, JobState } from '@/api/types'
import { computed, reactive } from 'vue'
import type { Session } from './session'

/** Those numbers of findings that pass a sieve. */
export function sifted(numbers: number[], findings: Finding[], sieve: { small: boolean; done: boolean; serious: boolean }): number[] {
  return numbers.filter((number) => {
    const one = findings[number]
    return !!one && (sieve.small || !one.minor) && (sieve.done || (!one.seen && one.accepted === undefined)) && (!sieve.serious || one.severity === 'serious')
  })
}

/** What was found, worked through group by group, and what somebody says of it. */
export function useFindings(session: Session) {
  const { state, job, preparation, result, problem, finding, group } = session
  const sieve = reactive({ small: false, done: false, serious: false })
  const findings = computed<Finding[]>(() => [...(state.value?.notices ?? []), ...(result.value?.findings ?? [])])
  const groups = computed<FindingGroup[]>(() => preparation.value?.groups ?? state.value?.groups ?? [])
  /** What there is to work through in a group: small findings, and those that were seen or accepted, only when they are asked for. */
  const listed = (one: FindingGroup) => {
    const numbers = sifted(one.findings, findings.value, sieve)
    // What is looked at stays, also when it was judged just now.
    return finding.value !== null && one.findings.includes(finding.value) && !numbers.includes(finding.value) ? one.findings.filter((number) => number === finding.value || numbers.includes(number)) : numbers
  }
  /** Numbers of the findings that are shown, group by group. */
  const openFindings = computed(() => groups.value.flatMap(listed))
  /** Somebody can do without what was left out, for a reason; or cannot, after all. */
  async function accept(notice: number, reason: string | null) {
    if (!job.value || !state.value) return
    problem.value = ''
    try {
      const answer = await api.patch<Omit<JobState, 'art'>>(`jobs/${job.value.id}/notices/${notice}`, { accepted: reason })
      state.value = { ...answer, art: state.value.art }
      preparation.value = answer.preparation
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  /** Findings of the last preparation are looked at, accepted with a reason, or open again. */
  async function judge(numbers: number[], say: { accepted?: string; open?: boolean }) {
    const first = state.value?.notices.length ?? 0
    const own = numbers.filter((number) => number >= first).map((number) => number - first)
    if (!job.value || !state.value || !preparation.value || own.length === 0) return
    problem.value = ''
    try {
      const answer = await api.patch<Omit<JobState, 'art'>>(`jobs/${job.value.id}/findings`, { preparation: preparation.value.id, findings: own, ...say })
      state.value = { ...answer, art: state.value.art }
      preparation.value = answer.preparation
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  return { finding, findings, group, groups, sieve, listed, openFindings, accept, judge }
}
