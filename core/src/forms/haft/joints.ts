/** How two lengths of a stick hold together. */
export type StickJoint = 'coupler' | 'sleeve' | 'plug' | 'keyhole' | 'magnets';

/** What each joint is, how it is made, and what it costs; from memory. */
export const jointWords: Record<StickJoint, { what: string; how: string; price: number }> = {
  coupler: {
    what: 'coupler',
    how: 'Glue the coupler to the lower length only; the upper one is held by a screw that can be taken out.',
    price: 1.5,
  },
  sleeve: {
    what: 'sleeve',
    how: 'Two widths of the next smaller pipe into either end, glued into the lower one; wind tape round it until it is snug.',
    price: 1.5,
  },
  plug: {
    what: 'plug and screw',
    how: 'Turn or laminate a plug two widths long into either end, glue it into the lower one, and drill for one countersunk screw through the upper wall; it must not foul what slides inside.',
    price: 1,
  },
  keyhole: {
    what: 'keyhole strip with screw',
    how: 'Set the strip in the upper length and a screw head in the plug of the lower; push together, then a quarter turn locks it.',
    price: 2.5,
  },
  magnets: {
    what: 'plug with magnets',
    how: 'Glue a plug into the lower length and magnets into both faces, poles tried first; a shallow lip keeps them in line.',
    price: 3,
  },
};
