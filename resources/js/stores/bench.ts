import { defineStore } from 'pinia'
import { useFindings } from './bench/findings'
import { useSelection } from './bench/selection'
import { useSession } from './bench/session'
import { useView } from './bench/view'

export { sifted } from './bench/findings'
export { patched } from './bench/session'
export type { Side, View } from './bench/view'

/** The bench: the job that is open, what is looked at, what is chosen, what was found; each in a file of its own beside this one. */
export const useBench = defineStore('bench', () => {
  const session = useSession()

  return { ...session, ...useView(session), ...useSelection(session), ...useFindings(session) }
})
