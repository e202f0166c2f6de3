/** One thing that is done by a key: what it is called, its usual key, and where it does something. */
export interface KeyAct {
  name: string
  label: string
  usual: string
  /** Said when it is pressed where it does nothing. */
  elsewhere?: string
  /** It can be changed to no other key: every program has it. */
  fixed?: boolean
}

const drawing = 'That key works in Draw and Shape.'

/** Every key of the bench but those of the tools, in the order in which they are listed. What changes or removes, or takes long, wants a key that is held. */
export const keyActs: KeyAct[] = [
  { name: 'prepare', label: 'prepare', usual: 'Ctrl Enter' },
  { name: 'next-finding', label: 'next finding', usual: 'N' },
  { name: 'finding-before', label: 'the finding before', usual: 'B' },
  { name: 'wipe', label: 'wipe before | after', usual: 'W' },
  { name: 'source', label: 'back to the bench', usual: 'S' },
  { name: 'file', label: 'show the file as it came in', usual: 'O' },
  { name: 'bare', label: 'bare lines: edges, nodes, where each begins and its way', usual: 'E' },
  { name: 'play', label: 'play the cut of a sheet, as its machine will go', usual: 'X', elsewhere: 'That key works on a sheet that is shown in Send.' },
  { name: 'zoom-in', label: 'zoom in', usual: '+' },
  { name: 'zoom-out', label: 'zoom out', usual: '-' },
  { name: 'fit', label: 'fit the art', usual: '0' },
  { name: 'look', label: 'look at what is chosen, close', usual: 'Z' },
  { name: 'choose-all', label: 'choose all pieces', usual: 'Ctrl A', fixed: true },
  { name: 'undo', label: 'undo', usual: 'Ctrl Z', fixed: true },
  { name: 'redo', label: 'redo', usual: 'Ctrl Shift Z', fixed: true },
  { name: 'remove', label: 'remove what is chosen', usual: 'Delete', fixed: true },
  { name: 'versions', label: 'versions of this job', usual: 'V' },
  { name: 'keys', label: 'this list', usual: '?' },
  { name: 'copy', label: 'copy', usual: 'Ctrl C', fixed: true, elsewhere: drawing },
  { name: 'cut', label: 'cut', usual: 'Ctrl X', fixed: true, elsewhere: drawing },
  { name: 'paste', label: 'paste', usual: 'Ctrl V', fixed: true, elsewhere: drawing },
  { name: 'paste-in-place', label: 'paste in place', usual: 'Ctrl Shift V', elsewhere: drawing },
  { name: 'duplicate', label: 'duplicate', usual: 'Ctrl D', elsewhere: drawing },
  { name: 'group', label: 'group', usual: 'Ctrl G', elsewhere: drawing },
  { name: 'ungroup', label: 'ungroup', usual: 'Ctrl Shift G', elsewhere: drawing },
  { name: 'forward', label: 'one up in the order', usual: 'U', elsewhere: drawing },
  { name: 'back', label: 'one down in the order', usual: 'J', elsewhere: drawing },
  { name: 'repeat', label: 'the last transform once more, on a copy', usual: 'Alt R', elsewhere: drawing },
  { name: 'repeat-shape', label: 'the last operation of Shape once more', usual: 'Alt .', elsewhere: 'That key works in Shape.' },
  { name: 'reference', label: 'reference picture hidden or shown', usual: 'G', elsewhere: drawing },
  { name: 'snapping', label: 'snapping on or off', usual: 'I', elsewhere: drawing },
  { name: 'step-back', label: 'choose the piece or node before', usual: '[', elsewhere: drawing },
  { name: 'step-on', label: 'choose the piece or node after', usual: ']', elsewhere: drawing },
]
