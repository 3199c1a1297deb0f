import { dist2 } from '../geometry';
import { congruence, type Congruence, type Mark, type Piece } from '../panel';
import { letterAt, getFrom, firstOf } from '../units';

interface Follower {
  lead: Piece;
  how: Congruence;
}

/** Marks of a template and its copies this near are one, mm. */
const NEAR_MM = 1;
/** More letters than this at one notch cannot be told apart by hand. */
const MOST_LETTERS = 3;

/** Which pieces are cut by the outline of another. */
function followersOf(pieces: readonly Piece[]): Map<string, Follower> {
  const leads: Piece[] = [];
  const found = new Map<string, Follower>();
  for (const piece of pieces) {
    let how: Congruence | undefined;
    const lead = leads.find((l) => (how = congruence(l, piece)));
    if (lead) found.set(piece.id, { lead, how: how! });
    else leads.push(piece);
  }
  return found;
}

/** Letters of seams between the same edges of the same templates are one: any of the copies goes with any. */
function lettersOf(pieces: readonly Piece[], followers: ReadonlyMap<string, Follower>): Map<string, string> {
  const edgeKey = (pieceId: string, edgeId: string): string => {
    const own = followers.get(pieceId);
    return own ? `${own.lead.id}/${own.how.edges.get(edgeId)}` : `${pieceId}/${edgeId}`;
  };
  const byKey = new Map<string, string>();
  const letters = new Map<string, string>();
  for (const piece of pieces)
    for (const { id, letter, mate } of piece.edges) {
      if (letter === undefined || letters.has(letter)) continue;
      const key = [edgeKey(piece.id, id), ...(mate ? [edgeKey(mate.pieceId, mate.edgeId)] : [])]
        .sort()
        .join(' ');
      if (!byKey.has(key)) byKey.set(key, letterAt(byKey.size));
      letters.set(letter, getFrom(byKey, key));
    }
  return letters;
}

/** A notch's words with its letter by another name; the number behind it stays. */
const renamed = (mark: Mark, letters: ReadonlyMap<string, string>): Mark => {
  const [, letter, number] = /^([A-Z]+)(\d*)$/.exec(mark.text ?? '') ?? [];
  const name = mark.kind === 'notch' && letter !== undefined ? letters.get(letter) : undefined;
  return name === undefined ? mark : { ...mark, text: `${name}${number}` };
};

/** What stands at a notch of a template for all that are cut by it. */
function notchFor(mark: Mark, copies: readonly { piece: Piece; how: Congruence }[]): Mark {
  if (mark.kind !== 'notch') return mark;
  const others = copies.flatMap(({ piece, how }) => {
    const there = piece.marks.find(
      (m) => m.kind === 'notch' && dist2(how.move(firstOf(m.points)), firstOf(mark.points)) < NEAR_MM,
    );
    return there?.text ?? [];
  });
  const all = [...new Set([mark.text ?? '', ...others])];
  if (all.length === 1) return mark;
  return { ...mark, printed: all.length > MOST_LETTERS ? `${all[0]}…` : all.join('/') };
}

/**
 * Congruent pieces of a part are cut by one template: the first of them, that the others name. Seams that are alike get
 * one letter.
 */
export function withTemplates(pieces: readonly Piece[]): Piece[] {
  const followers = followersOf(pieces);
  if (followers.size === 0) return [...pieces];
  const shell = pieces.filter((p) => p.role === 'shell');
  const letters = lettersOf(shell, followers);
  const lettered = pieces.map((piece): Piece =>
    piece.role !== 'shell'
      ? piece
      : {
          ...piece,
          edges: piece.edges.map((e) => ({
            ...e,
            ...(e.letter && { letter: letters.get(e.letter) ?? e.letter }),
          })),
          marks: piece.marks.map((m) => renamed(m, letters)),
        },
  );
  return lettered.map((piece): Piece => {
    const own = followers.get(piece.id);
    if (own) return { ...piece, like: { pieceId: own.lead.id, flipped: own.how.flipped } };
    const copies = lettered.flatMap((p) => {
      const f = followers.get(p.id);
      return f?.lead.id === piece.id ? [{ piece: p, how: f.how }] : [];
    });
    return copies.length === 0 ? piece : { ...piece, marks: piece.marks.map((m) => notchFor(m, copies)) };
  });
}

/** One template for pieces that are cut alike, with how many of them are cut in all, and how many turned over. */
export function templatesOf(pieces: readonly Piece[]): Piece[] {
  return pieces
    .filter((p) => !p.like)
    .map((lead): Piece => {
      const copies = pieces.filter((p) => p.like?.pieceId === lead.id);
      if (copies.length === 0) return lead;
      const turnedOver = (p: Piece): number => (p.like!.flipped ? p.quantity - p.flipped : p.flipped);
      return {
        ...lead,
        name: `${lead.name} and ${copies.length} alike`,
        quantity: copies.reduce((sum, p) => sum + p.quantity, lead.quantity),
        flipped: copies.reduce((sum, p) => sum + turnedOver(p), lead.flipped),
        each: copies.reduce((sum, p) => sum + (p.each ?? 1), lead.each ?? 1),
      };
    });
}
