/** Lengths are mm and areas mm² throughout, as the server sends them. */
export interface Job {
  id: number
  title: string
  process: string
  processLabel: string
  width: number
  height: number
  limits: { line: number; gap: number }
  ownLimits: { line: number | null; gap: number | null }
  demo: boolean
  sourceName: string
  version: number
  updated: string
}

export interface ListedJob extends Job {
  state: 'new' | PreparationStatus
  stale: boolean
  findings: number
  sheets: number
}

export interface Choices {
  processes: { value: string; label: string; says: string; line: number; gap: number }[]
  steps: { key: string; label: string; usual: boolean }[]
  combine: { kind: string; label: string; says: string; least: number }[]
}

export interface StrokePaint {
  colour: string
  opacity: number
  width: number
  cap: 'butt' | 'round' | 'square'
  join: 'miter' | 'round' | 'bevel'
  miter: number
  dashes: string
  offset: number
}

export interface GradientPaint {
  kind: 'linear' | 'radial'
  axis: number[]
  spread: 'pad' | 'reflect' | 'repeat'
  transform: string
  stops: { at: number; colour: string; opacity: number }[]
}

export interface PicturePaint {
  href: string | null
  width: number
  height: number
  fit: string
  transform: string
}

export interface Piece {
  id: string
  name: string
  d: string
  fill: string | null
  paint: string | null
  fillOpacity: number
  rule: 'nonzero' | 'evenodd'
  nodes: number
  box: [number, number, number, number] | null
  fillGradient?: GradientPaint
  strokeGradient?: GradientPaint
  picture?: PicturePaint
  stroke?: StrokePaint
  transform?: string
}

export interface Art {
  width: number
  height: number
  pieces: Piece[]
}

export interface Finding {
  kind: string
  severity: 'serious' | 'warning' | 'note'
  message: string
  at?: [number, number]
  width_mm?: number
  gap_mm?: number
  limit_mm?: number
  length_mm?: number
  piece?: string
  /** Outline of the thin stretch, mm. */
  ribbon?: [number, number][]
}

export interface LookDifference {
  area_mm2: number
  percent: number
}

export interface StepReport {
  step: string
  label: string
  pieces: { before: number; after: number }
  nodes: { before: number; after: number }
  strokes: { before: number; after: number }
  look_difference: LookDifference
  cached: boolean
}

export interface Sheet {
  file: string
  colour: string
  opacity: number
  key: string
  paint: 'flat' | 'gradient' | 'picture'
  width_mm: number
  height_mm: number
  pieces: number
  nodes: number
  cut_length_mm: number
  area_mm2: number
}

export type PreparationStatus = 'waiting' | 'running' | 'done' | 'stopped' | 'failed'

export interface Preparation {
  id: number
  status: PreparationStatus
  steps: string[]
  done: number
  of: number
  doing: string
  error: string | null
  stale: boolean
  result: null | {
    steps: StepReport[]
    sheets: Sheet[]
    findings: Finding[]
    look_difference: LookDifference
    limits: { line_mm: number; gap_mm: number }
  }
}

export interface JobState {
  job: Job
  art: Art
  notices: Finding[]
  history: { label: string; canUndo: boolean; canRedo: boolean }
  preparation: Preparation | null
}
