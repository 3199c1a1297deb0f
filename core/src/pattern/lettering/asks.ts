import { bevelMarkWords, edgeRun, type Mark, type Piece, type PieceEdge } from '../../panel';
import { centroid, lerp2, type Vec2 } from '../../geometry';
import { counted, trimNumber, itemAt, firstOf } from '../../units';
import { inwardsAt } from '../marks';

/** Something to be written on a piece. */
export interface Ask {
  text: string;
  /** What it names: words stand near it, and a line leads to it where they cannot. Anywhere on the piece when absent. */
  near?: Vec2;
  /** Which way from there the piece has room. */
  inwards?: Vec2;
  /** Wanted height, mm. */
  heightMm: number;
}

const letters = (piece: Piece): Ask[] =>
  piece.marks.flatMap((mark): Ask[] => {
    const text = mark.printed ?? mark.text ?? '';
    const [near] = mark.points;
    if (mark.kind !== 'notch' || text === '' || !near) return [];
    return [{ text, near, inwards: inwardsAt(piece, near), heightMm: 4 }];
  });

/** Spots with the same words: each named where it is while they are few, all at once when they are many. */
function gathered(
  all: readonly { text: string; near: Vec2; inwards?: Vec2 }[],
  heightMm: number,
  most: number,
  together: (count: number, text: string) => string,
): Ask[] {
  const groups = new Map<string, (typeof all)[number][]>();
  for (const one of all) groups.set(one.text, [...(groups.get(one.text) ?? []), one]);
  return [...groups].flatMap(([text, same]): Ask[] =>
    same.length > most
      ? [{ text: together(same.length, text), heightMm }]
      : same.map(({ near, inwards }) => ({ text, near, ...(inwards && { inwards }), heightMm })),
  );
}

function bevels(piece: Piece): Ask[] {
  const edges = piece.edges.filter((e) => e.bevelDeg !== 0);
  const words = new Set(edges.map(bevelMarkWords));
  const rings = [
    ...new Set(
      piece.marks.flatMap((m) =>
        m.kind === 'bevel' && m.bevel?.ring && edges.length === 0
          ? [
              m.bevel.rounded
                ? `round over to the line on the ${m.bevel.face}`
                : `bevel to the line on the ${m.bevel.face}, ${trimNumber(m.bevel.deg, 0)}° off square`,
            ]
          : [],
      ),
    ),
  ].map((text): Ask => ({ text, heightMm: 2.5 }));
  const middle = (edge: PieceEdge): Pick<Ask, 'near' | 'inwards'> => {
    const run = edgeRun(piece.outline, edge);
    const k = Math.max(1, Math.floor(run.length / 2));
    const near = lerp2(itemAt(run, k - 1), itemAt(run, k), 0.5);
    return { near, inwards: inwardsAt(piece, near) };
  };
  if (words.size === 1 && edges.length > 2) {
    const every =
      edges.length === piece.edges.length ? 'all edges' : `${counted(edges.length, 'edge')} with a wedge`;
    return [...rings, { text: `${every}: ${firstOf([...words])}`, heightMm: 2.5 }];
  }
  return [
    ...rings,
    ...edges.map((edge): Ask => ({ text: bevelMarkWords(edge), ...middle(edge), heightMm: 2.5 })),
  ];
}

const holes = (piece: Piece): Ask[] =>
  gathered(
    piece.holes.map((h) => ({ text: `Ø${trimNumber(h.diameterMm)}`, near: h.centre })),
    3,
    6,
    (count, text) => `${count} × ${text}`,
  );

const midOf = ({ points }: Mark): Vec2 =>
  points.length === 2 ? lerp2(firstOf(points), itemAt(points, 1), 0.5) : centroid(points);

function lines(piece: Piece): Ask[] {
  const worded = piece.marks.flatMap((mark) => {
    const text = mark.kind === 'notch' ? undefined : (mark.printed ?? mark.text);
    return text ? [{ text, near: midOf(mark) }] : [];
  });
  return gathered(worded, 3, 2, (count, text) => `${count} × ${text}`);
}

/** Everything that is written on a piece besides its own label, what must stand at its place first. */
export const asksOf = (piece: Piece): Ask[] => [
  ...letters(piece),
  ...holes(piece),
  ...bevels(piece),
  ...lines(piece),
];
