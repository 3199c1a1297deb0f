import type { Check } from '../../document';

/** A drawn line that crosses itself is cut along its largest loop. */
export const drawnCheck = (crosses: boolean): Check[] =>
  crosses
    ? [
        {
          id: 'outline-crosses',
          severity: 'stop',
          station: 'shape',
          title: 'the drawn outline crosses itself; only its largest loop is cut.',
          why: 'A piece has one line round it. Move the points apart where the line crosses.',
          provenance: 'standard',
          excess: 1,
          remedies: [],
        },
      ]
    : [];
