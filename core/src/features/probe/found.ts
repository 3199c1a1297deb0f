/** What was found behind a spot before it was drilled, and what to do about it; common practice, no source. */
export const found = {
  clear: { label: 'nothing: free to drill', blocks: false, does: '' },
  glued: {
    label: 'it is glued here',
    blocks: true,
    does: 'Glue is cut with a thin blade from the edge, not drilled through.',
  },
  screwed: {
    label: 'a screw or its boss',
    blocks: true,
    does: 'A drill that meets a screw jumps: move the hole.',
  },
  sprung: {
    label: 'a spring or a catch',
    blocks: true,
    does: 'A spring that is let go flies: hold it, take it out first.',
  },
  pressed: {
    label: 'a part that is pressed in',
    blocks: true,
    does: 'Pulled out straight with pliers, a cloth between.',
  },
  wired: {
    label: 'a board or wires',
    blocks: true,
    does: 'Cells out, board out, wires photographed before the drill comes near.',
  },
  metal: { label: 'metal', blocks: true, does: 'Another drill, slow, with oil; or move the hole.' },
} as const;

export type Found = keyof typeof found;
