import { redo, undo } from '../store/build';
import { pinNow } from '../store/notes';
import { useSelected } from '../store/selection';
import { copySelected, pasteCopied, removeSelected } from '../inspector/clipboard';
import { fillBench, lookOn, toggle, toggleDrawer, useView } from '../store/view';
import { mirrorPart, stepPart } from './partActions';
import { stations } from './stations';
import { escape } from './useSelection';

/** A key, how it is written in the list, and what it does; those that only work at a field or a card do nothing here. */
export interface Key {
  shown: string;
  does: string;
  /** How it is pressed, one way or another. */
  press?: readonly string[];
  act?: (goTo: (station: string) => void) => void;
}

/** A character that some keyboards have on their shift level. */
const anyLevel = (character: string): string[] => [character, `shift+${character}`];

/** Left to the browser while words on the page are marked. */
const unlessText = (act: () => void) => (): void => {
  if (window.getSelection()?.isCollapsed !== false) act();
  else document.execCommand('copy');
};

/** Every key and what it does: the list on screen and the handler are both made from it. */
export const keys: readonly Key[] = [
  { shown: `1 – ${stations.length}`, does: 'go to a station' },
  ...stations.map(({ key }, i): Key => ({
    shown: '',
    does: '',
    press: anyLevel(String(i + 1)),
    act: (goTo) => goTo(key),
  })),
  { shown: '[', does: 'previous part', press: ['['], act: () => stepPart(-1) },
  { shown: ']', does: 'next part', press: [']'], act: () => stepPart(1) },
  {
    shown: 'F',
    does: 'fill the bench with the pane used last, and back',
    press: ['f'],
    act: () => fillBench(),
  },
  {
    shown: 'V',
    does: 'next view of the solid: turned, front, side, back, top',
    press: ['v'],
    act: lookOn,
  },
  { shown: 'T', does: 'thickness trial', press: ['t'], act: () => toggleDrawer('shape', 'trial') },
  { shown: 'P', does: 'pin the present state', press: ['p'], act: () => void pinNow() },
  { shown: 'Shift P', does: 'compare with a pin', press: ['shift+p'], act: () => toggle('compareOpen') },
  {
    shown: 'M',
    does: 'mirror the part: one side or a pair',
    press: ['m'],
    act: () => mirrorPart(useSelected.getState().partId),
  },
  {
    shown: 'U',
    does: 'millimetres or inches',
    press: ['u'],
    act: () => useView.setState(({ unit }) => ({ unit: unit === 'mm' ? 'in' : 'mm' })),
  },
  { shown: 'L', does: 'legend of lines', press: ['l'], act: () => toggle('legendOpen') },
  { shown: 'S', does: 'stretch map on the pieces', press: ['s'], act: () => toggle('stretchOpen') },
  { shown: 'G', does: 'gap between shell and body, and pads', press: ['g'], act: () => toggle('gapOpen') },
  { shown: 'E', does: 'what is seen through a helmet', press: ['e'], act: () => toggle('sightOpen') },
  { shown: 'O', does: 'openings and what must pass', press: ['o'], act: () => toggle('ringsOpen') },
  { shown: 'C', does: 'the solid in its colours', press: ['c'], act: () => toggle('finishOpen') },
  { shown: 'B', does: 'flat pieces fold into the solid', press: ['b'], act: () => toggle('foldOpen') },
  { shown: 'W', does: 'everything worn, on the figure', press: ['w'], act: () => toggle('figureOpen') },
  {
    shown: 'D',
    does: 'in the dark; under Make: the step is done',
    press: ['d'],
    act: () => toggle('darkOpen'),
  },
  {
    shown: 'N',
    does: 'snap to middles, edges and neighbours, or not',
    press: ['n'],
    act: () => toggle('snaps'),
  },
  {
    shown: 'I',
    does: 'the inspector, where it is a drawer',
    press: ['i'],
    act: () => toggle('inspectorOpen'),
  },
  {
    shown: 'Esc',
    does: 'one up: from a detail or an edge to its part, from a full pane to all',
    press: ['escape'],
    act: escape,
  },
  { shown: '/', does: 'find anything', press: anyLevel('/'), act: () => toggle('findOpen') },
  { shown: '?', does: 'this list', press: anyLevel('?'), act: () => toggle('keysOpen') },
  { shown: 'Ctrl Z', does: 'undo', press: ['mod+z'], act: undo },
  { shown: 'Shift Ctrl Z', does: 'redo', press: ['mod+shift+z'], act: redo },
  {
    shown: 'Ctrl C',
    does: 'copy the selected details or parts',
    press: ['mod+c'],
    act: unlessText(copySelected),
  },
  { shown: 'Ctrl V', does: 'paste them, here or in another build', press: ['mod+v'], act: pasteCopied },
  { shown: 'Del', does: 'remove the selected details', press: ['delete'], act: removeSelected },
  { shown: 'Enter', does: 'on a finding: apply its first remedy' },
  { shown: '↑ ↓', does: 'in a number: nudge by 1; Shift 10, Alt 0.1' },
];
