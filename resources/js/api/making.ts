import type { Field, FieldValue, JobState } from './types'
import type { Work } from './works'

export interface StockItem { id: number; kind: string; name: string; values: Record<string, FieldValue> }
/** `brief`: fields that tell one from another; `for`: processes whose tickets name one. */
export interface StockKind { label: string; one: string; says: string; fields: Field[]; brief: string[]; for: string[] }
export interface Stock { kinds: Record<string, StockKind>; items: StockItem[] }

/** A sheet, plate or page as it leaves. */
export interface LaidOut {
  name: string
  title: string
  material: string
  width_mm: number
  height_mm: number
  art_width_mm: number
  art_height_mm: number
  length_mm: number
  used: number | null
  says: string[]
  /** What would surprise at the machine. */
  warns: string[]
  layers: { role: string; name: string; colour: string; lines: number; length_mm: number; area_mm2: number; parts: number; overprints: boolean }[]
}
export interface FileFormat { key: string; label: string; extension: string; says: string; several: boolean; fields: Field[] }
/** What a search for a closer way came to so far, by sheet. */
export interface Nested { progress: Record<string, { length: number; tried: number }> }
export interface Making { fields: Field[]; values: Record<string, FieldValue>; materials: Record<string, number>; layouts: LaidOut[]; formats: FileFormat[]; nested: boolean; along: Along[]; others: Other[]; stale: boolean; history: JobState['history'] }
/** A group of findings at another size, with the worst of them and where that is on the bench. */
export interface SizeGroup { kind: string; sheet: string | null; severity: string; count: number; least_mm: number | null; message: string; at: [number, number] | null }
export interface SizeRow { typed: string; width?: number; height?: number; sheets?: number; verdict?: { ready: boolean; sentence: string; open: string[] }; groups?: SizeGroup[]; error?: string }
export interface Sizes { version: number; rows: SizeRow[] }
/** Another job that is laid with it, and how often. */
export interface Along { job: number; copies: number }
export interface Other { id: number; title: string; ready: boolean }
/** What a machine has done of a sheet so far, as the sheet lies: packed places in mm. */
export interface DoneSoFar { done: number; of: number; ways: number[][] }
export interface Moves { seconds: number; cut_mm: number; air_mm: number; moves: { layer: number; from: number; to: number; points: number[] }[] }
export interface Copies { sheet: string; width: number; height: number; designs: string[]; copies: { design: number; sheet: number; x: number; y: number; turn: number; kept: boolean; matrix: number[] }[] }
export interface Sending { id: number; machine: string; kind: string; file: string; title: string; number: number; work: Work; length: number; log: { at: string; what: string }[]; version: number }
export interface Machine extends StockItem {
  format: string
  /** Whether it makes what the process of the job wants. */
  fits: boolean
}
