/** Every key and what it does; the list on screen and the handler read the same words. */
export const keyList: [string, string][] = [
  ['1 – 7', 'go to a station'],
  ['[  ]', 'previous and next part'],
  ['T', 'thickness trial'],
  ['P', 'pin the present state'],
  ['Shift P', 'compare with a pin'],
  ['M', 'mirror the part: one side or a pair'],
  ['U', 'millimetres or inches'],
  ['L', 'legend of lines'],
  ['S', 'stretch map on the pieces'],
  ['/', 'find anything'],
  ['?', 'this list'],
  ['Ctrl Z', 'undo'],
  ['Shift Ctrl Z', 'redo'],
  ['Enter', 'on a finding: apply its first cure'],
  ['↑ ↓', 'in a number: nudge by 1; Shift 10, Alt 0.1'],
];
