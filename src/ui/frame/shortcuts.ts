/** Every key the application answers to, for the list and the footer. */
export const SHORTCUTS: readonly { readonly keys: string; readonly what: string; readonly where: string }[] = [
  { keys: 'Ctrl K', what: 'find anything, do anything', where: 'anywhere' },
  { keys: 'G, then a letter', what: 'go to a station: S L B C A W P M K U O G', where: 'anywhere' },
  { keys: 'Ctrl Z', what: 'take back the last edit', where: 'anywhere' },
  { keys: 'Ctrl Y, Ctrl Shift Z', what: 'put it back', where: 'anywhere' },
  { keys: '?', what: 'this list', where: 'anywhere' },
  { keys: 'arrows, Home, End, Page', what: 'move; with Shift, choose a block', where: 'sheet' },
  { keys: 'type, Enter, F2', what: 'edit the cell', where: 'sheet' },
  { keys: 'Enter, Tab', what: 'take the entry, go down or right', where: 'sheet' },
  { keys: 'Esc', what: 'give up the entry', where: 'sheet' },
  { keys: 'Space', what: 'yes or no', where: 'sheet' },
  { keys: 'Ctrl C, Ctrl V', what: 'copy a block out, paste one in', where: 'sheet' },
  { keys: 'Ctrl D', what: 'duplicate the row', where: 'sheet' },
  { keys: 'Delete', what: 'clear the cells; with Ctrl, remove the rows', where: 'sheet' },
  { keys: 'arrows', what: 'move the place by 10 cm; with Shift, 1 m', where: 'boat drawing' },
  { keys: 'Alt ↑, Alt ↓', what: 'move the tap to the circuit above or below', where: 'taps on Wiring' },
  { keys: 'Alt ←, Alt →', what: 'tap it earlier or later along the run', where: 'taps on Wiring' },
];
