/** What hangs by more than this share of its reach, or swings slower than this, whips; from memory. */
export const WHIPS = { share: 0.03, hz: 3 };
