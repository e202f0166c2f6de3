export type { Along, Copies, DoneSoFar, FileFormat, LaidOut, Machine, Making, Moves, Sending, Stock, StockItem, StockKind } from './types'

/** What a search for a closer way came to so far, by sheet. */
export interface Nested { progress: Record<string, { length: number; tried: number }> }
/** A group of findings at another size, with the worst of them and where that is on the bench. */
export interface SizeGroup { kind: string; sheet: string | null; severity: string; count: number; least_mm: number | null; message: string; at: [number, number] | null }
export interface SizeRow { typed: string; width?: number; height?: number; sheets?: number; verdict?: { ready: boolean; sentence: string; open: string[] }; groups?: SizeGroup[]; error?: string }
export interface Sizes { version: number; rows: SizeRow[] }
