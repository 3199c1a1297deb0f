/** Phrases that are not said on screen, on paper or in lists, and what is said; docs/words.md lists them. */
const banned: readonly RegExp[] = [
  /\b(it|that|this|which|what) (is|are|was) told\b/i,
  /\btold of\b/i,
  /\bleave it\b/i,
  /\b(nothing|something) to mind\b/i,
  /\bmind that\b/i,
  /\bask again\b/i,
  /\bways? it may go\b/i,
  /\bmade as\b/i,
  /\bbe noticed\b/i,
  /\bnothing: only drawn\b/i,
  /\bthe (on|in|at|the)\b|\bat (on|in|at)\b/i,
  /\bundefined\b|\bNaN\b|\[object\b/,
];

/** Things that are counted: after 1 they have no s. */
const counted =
  'pieces|templates|joints|edges|seams|darts|steps|lamps|sheets|parts|copies|holes|pads|straps|layers|grooves|pages|switches|packs|strings|resistors|wires|cuts|sticks|days|hours|minutes|values|findings|stops|builds|points|wearers|measures|rivets|magnets|plates|features|items|bottles|cans|pots|jars';
const one = new RegExp(`(?<![\\d.,/×–-])\\b1 (${counted})\\b`, 'i');

/** Twice the same word; letters of seams and figures are no words. */
const doubled = /\b([a-z]{2,}) \1\b/i;

/** Names of the program's own: two or more words joined by dots, or ids of the demo. */
const raw = /\b[a-z][a-z0-9]*(?:-[a-z0-9]+)*\.[a-z][a-z-]*\d?\b(?!\.(csv|pdf|svg|dxf|ics))|\bdemo-[a-z]/;
const files = /\.(csv|pdf|svg|dxf|ics|zip|json|png|jpe?g|webp|md|fomrik|obj|stl|glb|ply|nc)\b/i;

/** What of a text is not plain English. */
export function wordFaults(text: string): string[] {
  const found = [...banned, one, doubled].flatMap((fault) => fault.exec(text)?.[0] ?? []);
  const id = raw.exec(text)?.[0];
  return [...found, ...(id && !files.test(id) ? [id] : [])].map(
    (what) => `“${what}” in “${text.slice(0, 160)}”`,
  );
}
