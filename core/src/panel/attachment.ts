/** How a side is fastened to the face of another piece. */
export interface Attachment {
  by: 'glue' | 'strap' | 'rivet' | 'hold';
  words: string;
  /** What it lies on, where that is another panel of the same part. */
  meets?: Meets;
}

/**
 * Panels that an edge or a lapped face lies on. `under`: its outer face on their inner ones; `over`: its inner face on
 * their outer ones; `on`: it stands on their outer faces; `edge`: edge against edge.
 */
export interface Meets {
  on: string[];
  way: 'under' | 'over' | 'on' | 'edge';
  /** Held apart on purpose, by pads. */
  apartMm?: number;
}
