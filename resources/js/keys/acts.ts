import { t } from '@/words/words'
/** One thing that is done by a key: what it is called, its usual key, and where it does something. */
export interface KeyAct {
  name: string
  label: string
  usual: string
  /** Said when it is pressed where it does nothing. */
  elsewhere?: string
  /** Whether the job is another after it: only those who draw may. */
  changes?: boolean
  /** It can be changed to no other key: every program has it. */
  fixed?: boolean
}

const drawing = t('That key works in Draw and Shape.')

/** Every key of the bench but those of the tools, in the order in which they are listed. What changes or removes, or takes long, wants a key that is held. */
export const keyActs: KeyAct[] = [
  { name: 'prepare', changes: true, label: t('prepare'), usual: 'Ctrl Enter' },
  { name: 'next-finding', label: t('next finding'), usual: 'N' },
  { name: 'finding-before', label: t('the finding before'), usual: 'B' },
  { name: 'wipe', label: t('wipe before | after'), usual: 'W' },
  { name: 'source', label: t('back to the bench'), usual: 'S' },
  { name: 'file', label: t('show the file as it came in'), usual: 'O' },
  { name: 'bare', label: t('bare lines: edges, nodes, where each begins and its way'), usual: 'E' },
  { name: 'play', label: t('play the cut of a sheet, as its machine will go'), usual: 'X', elsewhere: t('That key works on a sheet that is shown in Send.') },
  { name: 'zoom-in', label: t('zoom in'), usual: '+' },
  { name: 'zoom-out', label: t('zoom out'), usual: '-' },
  { name: 'fit', label: t('fit the art'), usual: '0' },
  { name: 'look', label: t('look at what is chosen, close'), usual: 'Z' },
  { name: 'choose-all', label: t('choose all pieces'), usual: 'Ctrl A', fixed: true },
  { name: 'undo', changes: true, label: t('undo'), usual: 'Ctrl Z', fixed: true },
  { name: 'redo', changes: true, label: t('redo'), usual: 'Ctrl Shift Z', fixed: true },
  { name: 'remove', changes: true, label: t('remove what is chosen'), usual: 'Delete', fixed: true },
  { name: 'versions', label: t('versions of this job'), usual: 'V' },
  { name: 'keys', label: t('this list'), usual: '?' },
  { name: 'menu', label: t('what can be done with what is chosen'), usual: 'Shift F10', fixed: true, elsewhere: drawing },
  { name: 'copy', label: t('copy'), usual: 'Ctrl C', fixed: true, elsewhere: drawing },
  { name: 'cut', changes: true, label: t('cut'), usual: 'Ctrl X', fixed: true, elsewhere: drawing },
  { name: 'paste', changes: true, label: t('paste'), usual: 'Ctrl V', fixed: true, elsewhere: drawing },
  { name: 'paste-in-place', changes: true, label: t('paste in place'), usual: 'Ctrl Shift V', elsewhere: drawing },
  { name: 'duplicate', changes: true, label: t('duplicate'), usual: 'Ctrl D', elsewhere: drawing },
  { name: 'group', changes: true, label: t('group'), usual: 'Ctrl G', elsewhere: drawing },
  { name: 'ungroup', changes: true, label: t('ungroup'), usual: 'Ctrl Shift G', elsewhere: drawing },
  { name: 'forward', changes: true, label: t('one up in the order'), usual: 'U', elsewhere: drawing },
  { name: 'back', changes: true, label: t('one down in the order'), usual: 'J', elsewhere: drawing },
  { name: 'repeat', changes: true, label: t('the last transform once more, on a copy'), usual: 'Alt R', elsewhere: drawing },
  { name: 'repeat-shape', changes: true, label: t('the last operation of Shape once more'), usual: 'Alt .', elsewhere: t('That key works in Shape.') },
  { name: 'reference', changes: true, label: t('reference picture hidden or shown'), usual: 'G', elsewhere: drawing },
  { name: 'snapping', label: t('snapping on or off'), usual: 'I', elsewhere: drawing },
  { name: 'step-back', label: t('choose the piece or node before'), usual: '[', elsewhere: drawing },
  { name: 'step-on', label: t('choose the piece or node after'), usual: ']', elsewhere: drawing },
]
