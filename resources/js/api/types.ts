import type { Work, WorkState } from './works'
import type { FieldType } from './catalogue'

export type Unit = 'mm' | 'cm' | 'in' | 'pt' | 'px'

/** Lengths are mm and areas mm² throughout, as the server sends them. */
export interface Job {
  id: number
  title: string
  customer: string
  due: string | null
  process: string
  processLabel: string
  /** In which its files usually leave. */
  format: string
  /** Whether each colour is a sheet of its own material. */
  sheetsByColour: boolean
  width: number
  height: number
  limits: { line: number; gap: number; island: number; hole: number; colours: number; bedWidth: number; bedHeight: number; letter: number }
  /** What of the shop its ticket names, by kind, and whether the shop has it otherwise now. */
  stock: Record<string, { id: number; name: string; changed: boolean }>
  /** Those of the others that were typed, by name. */
  moreLimits: Record<string, number>
  /** The preset that its line came from. */
  preset: { name: string; version: number; changed: boolean } | null
  ownLimits: { line: number | null; gap: number | null }
  demo: boolean
  unit: Unit
  sourceName: string
  /** Where the page of the customer's file lies on the bench: left, top, width, height; null where there is none. */
  file: [number, number, number, number] | null
  version: number
  updated: string
}

export interface ListedJob extends Pick<Job, 'id' | 'title' | 'customer' | 'due' | 'process' | 'processLabel' | 'width' | 'height' | 'demo' | 'version'> {
  created: string
  updated: string
  state: 'new' | WorkState
  stale: boolean
  ready: boolean
  findings: number
  sheets: number
}

/** One page of the jobs that somebody looks for. */
export interface JobPage {
  jobs: ListedJob[]
  found: number
  all: number
  page: number
}

export interface Choices {
  processes: { value: string; label: string; says: string; line: number; gap: number }[]
  /** Every kind of step, in the order in which they are proposed. */
  steps: AboutStep[]
  findings: AboutFinding[]
  /** Limits of a ticket besides line and gap. */
  limits: Field[]
  shapes: { kind: string; label: string; fields: Field[] }[]
  repeat: Field[]
  profiles: Record<string, { label: string; stops: [number, number][] }>
  /** Of files that are taken. */
  endings: string[]
  families: { family: string; character: string; bold: boolean; italic: boolean }[]
}

export type FieldValue = number | string | boolean

export interface AboutStep { kind: string; label: string; says: string; rank: number; looks: boolean; fields: Field[] }

/** What cures a kind of finding: a step, with values; made on the art itself by the same step. */
/** What a remedy comes to: places of those that it is about, and what is found anew. */
export interface Foretold { cures: number; leaves: number; makes: { kind: string; label: string; count: number }[] }
export interface Remedy { step: string; label: string; values: Record<string, FieldValue>; source: boolean; places: boolean; onArt: boolean }

export interface AboutFinding { kind: string; label: string; says: string; limit: string; remedies: Remedy[] }

/** A step of the line by which a job is prepared. */
export interface LineStep { id: string; kind: string; label: string; on: boolean; values: Record<string, FieldValue>; says: string | null }

/** A place that was brought to its limit, or was not, and why. */
export interface Deed { kind: string; at: [number, number] | null; measured: number | null; how: string }

export interface Preset { name: string; version: number; note: string; for: string[]; ships: boolean; steps: { kind: string; label: string; on: boolean }[] }

export interface BatchRow { file: string; state: 'waiting' | 'done' | 'failed'; width_mm?: number; height_mm?: number; sheets?: number; findings?: number; serious?: number; verdict?: string; ready?: boolean; error?: string }

export interface Batch { id: number; title: string; work: Work | null; process: string; processLabel: string; preset: string; width: string; files: number; notTaken: string[]; made: string; rows?: BatchRow[]; done?: number }

export interface Palette {
  colours: { hex: string; area: number; share: number; name: string }[]
  /** Colours that are flat nowhere. */
  blended: { hex: string; of: 'gradient' | 'see-through'; area: number }[]
  near: { from: string; to: string; distance: number; cost: number }[]
  /** What becomes what when they are cut down, the last step first. */
  down: { from: string; to: string; distance: number; cost: number }[]
}

/** One value that can be typed, as the core describes it. */
export interface Field {
  name: string
  label: string
  type: FieldType
  usual: FieldValue
  least: number
  most: number
  options: Record<string, string>
  help: string
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
  side: 'centre' | 'inside' | 'outside'
  /** Whether a tool follows it once: it paints nothing. */
  cut?: boolean
  stops: [number, number][] | null
  /** Least and greatest width on the art: two unlike ones where it was stretched with its piece. */
  widths: [number, number]
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
  /** What it is called in lists: its name, else what it is and its colour. */
  called: string
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
  /** Outline of a stroke that a browser cannot draw. */
  outline?: string
  clip?: { d: string; rule: 'nonzero' | 'evenodd' }
  layer: string
  groups: string[]
  hidden: boolean
  locked: boolean
  turn: number
  blend: string
  /** What of it is still adjustable: shape and its kind, text, linked, corners, mirror, repeat. */
  live: string[] | null
}

export interface Layer {
  id: string
  name: string
  hidden: boolean
  locked: boolean
}

export interface Guide {
  id: string
  upright: boolean
  at: number
}

export interface ReferencePicture {
  file: string
  name: string
  x: number
  y: number
  width: number
  height: number
  strength: number
  hidden: boolean
  locked: boolean
}

export interface Frame {
  width: number
  height: number
  layers: Layer[]
  groups: Record<string, string>
  guides: Guide[]
  reference: ReferencePicture | null
  line: LineStep[]
}

export interface NodeContour {
  closed: boolean
  /** start point, then six numbers a segment */
  coords: number[]
  kinds: ('corner' | 'smooth' | 'even')[]
}

export interface TextValues {
  text: string
  family: string
  bold: boolean
  italic: boolean
  size: number
  spacing: number
  leading: number
  align: 'start' | 'middle' | 'end'
  inside: boolean
  stand: 'above' | 'on' | 'below'
  slide: number
  distance: number
  onLine: boolean
  follows: string | null
  stops: number[]
}

export interface PieceDetail {
  id: string
  editable: boolean
  contours: NodeContour[]
  /** contour, node, radius, x, y */
  corners: [number, number, number, number, number][]
  shape: null | { kind: string; label: string; fields: Field[]; values: Record<string, FieldValue>; matrix: [number, number, number, number, number, number] }
  text: TextValues | null
  linked: string | null
  mirror: null | { x: number; y: number; angle: number; reach: number }
  repeat: null | Record<string, FieldValue>
  shaped: null | { kind: string; values: Record<string, FieldValue> }
  /** Places on a line with width stops, at equal shares of its length, and the direction there: x, y, dx, dy. */
  rail: [number, number, number, number][]
}

/** What is chosen: its box in the frame that its turn gives, its upright box, and the details of each piece. */
export interface Chosen {
  frame: { left: number; top: number; width: number; height: number; turn: number }
  box: [number, number, number, number]
  /** Width and height of all that is painted, strokes included; null where that is too much to measure. */
  outer: [number, number] | null
  details: PieceDetail[]
}

export interface Changes {
  pieces: Piece[]
  gone: string[]
  order: string[] | null
  frame: Frame | null
}

/** What an edit says of itself. */
export interface About {
  label: string
  says: string
  fields: Field[]
  least: number
  under: string
  key: string
  press: '' | 'at-once' | 'cells' | 'line' | 'turn'
}

/** Something that a tool shows on the art: path data and places in mm. */
export interface Mark {
  kind: 'cell' | 'stretch' | 'gap' | 'sticks-out' | 'crossing' | 'fault' | 'node' | 'frame'
  x: number
  y: number
  says: string
  d: string
  state: string
}

/** What an operation would change, in numbers. */
export interface Outcome {
  before: number
  nodesBefore: number
  after: number
  nodesAfter: number
  leftovers: number
  says: string
}

export interface Snaps {
  points: [number, number, string, string][]
  edges: Record<string, number[][]>
}

export interface VersionList {
  versions: { id: number; number: number; name: string; made: string; current: boolean }[]
  steps: { number: number; label: string; made: string; current: boolean }[]
}

export interface Art extends Frame {
  pieces: Piece[]
}

export interface Finding {
  kind: string
  severity: 'serious' | 'warning' | 'note'
  message: string
  at?: [number, number]
  width_mm?: number
  limit_mm?: number
  length_mm?: number
  piece?: string
  /** Key of the step of preparation that mends it. */
  step?: string
  /** Why somebody can do without what was left out. */
  accepted?: string
  /** Colour of the sheet that it is on, or what else it is made of. */
  sheet?: string
  typical_mm?: number
  /** Too small to be looked at before the others. */
  minor?: boolean
  /** Somebody looked at it. */
  seen?: boolean
  /** Outlines of the thin stretch, mm, whole. */
  ribbon?: [number, number][][]
}

/** Findings of one kind on one sheet. */
export interface FindingGroup {
  kind: string
  sheet: string | null
  severity: Finding['severity']
  /** Numbers of its findings among the notices and then what was found; the narrowest first, the small ones last. */
  findings: number[]
  minor: number
  seen: number
  accepted: number
  least_mm: number | null
  typical_mm: number | null
  length_mm: number | null
}

/** What is true of a prepared job, and what stands between it and the machine. */
export interface Verdict {
  sentence: string
  ready: boolean
  open: string[]
  /** Whether there is nothing that could be ready or not. */
  empty?: boolean
  /** Who let it go though it is not ready, in this state. */
  released?: { by: string; reason: string; at: string | null } | null
}

export interface LookDifference {
  area_mm2: number
  recoloured_mm2?: number
  colour_distance?: number
  seen_mm2: number
  percent: number
}

export interface StepReport {
  id: string
  step: string
  label: string
  pieces: { before: number; after: number }
  nodes: { before: number; after: number }
  strokes: { before: number; after: number }
  slivers: number
  done?: number
  left?: Deed[]
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

export interface Preparation {
  id: number
  status: WorkState
  steps: { id: string; kind: string; on: boolean }[]
  /** How far it is, and how it ended. */
  work: Work
  stale: boolean
  /** Not sent along with edits: they do not change what was made before. */
  verdict?: Verdict | null
  groups?: FindingGroup[]
  result?: null | {
    steps: StepReport[]
    sheets: Sheet[]
    findings: Finding[]
    look_difference: LookDifference
    /** What the line changed of what was drawn, in words. */
    changes?: string[]
    limits: { line_mm: number; gap_mm: number }
  }
}

interface JobWords {
  job: Job
  notices: Finding[]
  groups?: FindingGroup[]
  history: { label: string; canUndo: boolean; canRedo: boolean; nextLabel: string | null; number: number; key: string; laid: string }
  preparation: Preparation | null
}

export interface JobState extends JobWords {
  art: Art
}

/** The answer to a change: of the art only what is otherwise now. */
export interface ChangedState extends JobWords {
  changes: Changes
}

/** How many findings there were before a step and are after it. */
export interface Found {
  before: { findings: number; serious: number }
  after: { findings: number; serious: number }
}
