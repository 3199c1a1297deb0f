import type { Check } from '../../document';
import { boundsOf } from '../../geometry';
import { type Join, type Panel, platePanel } from '../../panel';
import { letterAt, trimNumber, firstOf } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { drawnCheck } from '../held/checks';
import { rectangle } from '../held/outlines';
import { atLayer, begunOutline, type DrawnEdge, edgesOfOutline, withEdge } from './edges';
import { fields, type TapedParams, type TapedPoint } from './fields';

/** Between pieces that stand side by side, mm. */
const GAP_MM = 25;
/** Edges that differ by more are reported; a seam takes up less. */
const AGREE_MM = 0.5;
/** More than this is not eased in but drawn wrong, share of the edge. */
const EASED = 0.03;
/** Points that a piece must have. */
const LEAST_POINTS = 3;

/** A piece by its number, with what is drawn of it and what it measures in foam. */
interface TapedPiece {
  number: number;
  name: string;
  points: TapedPoint[];
  outline: ReturnType<typeof begunOutline>['outline'];
  crosses: boolean;
  edges: DrawnEdge[];
}

/** How far the layer of the foam that keeps its length lies out from where the pattern was taken. */
function outMm({ params, foam }: FormInput<TapedParams>): number {
  const neutral = foam.neutralFraction.value * foam.thicknessMm.value;
  return params.over === 'thing' ? neutral : params.over === 'outside' ? neutral - foam.thicknessMm.value : 0;
}

function piecesOf(input: FormInput<TapedParams>): TapedPiece[] {
  const { params } = input;
  return params.pieces.flatMap((piece, i): TapedPiece[] => {
    const points = params.outline.filter((p) => p.piece === i + 1);
    if (points.length < LEAST_POINTS) return [];
    const { outline, crosses } = begunOutline(atLayer(points, piece, outMm(input)));
    return [
      {
        number: i + 1,
        name: `piece ${letterAt(i)}`,
        points,
        outline,
        crosses,
        edges: edgesOfOutline(outline),
      },
    ];
  });
}

/** Pieces stand side by side, as they would lie on the table. */
function standing(pieces: readonly TapedPiece[]): Panel[] {
  let left = 0;
  return pieces.map(({ number, name, outline }) => {
    const b = boundsOf(outline);
    const panel = platePanel({
      id: `piece-${number}`,
      name,
      origin: { x: -(left - b.minX), y: 0, z: -b.minY },
      across: { x: -1, y: 0, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      outline,
      cuts: [],
    });
    left += b.maxX - b.minX + GAP_MM;
    return panel;
  });
}

interface Met {
  seam: number;
  a: TapedPiece;
  b: TapedPiece;
  aEdge: DrawnEdge;
  bEdge: DrawnEdge;
}

/** Seams whose both edges are there, and that are not one edge against itself. */
function metOf(params: TapedParams, pieces: readonly TapedPiece[]): Met[] {
  const used = new Set<string>();
  return params.seams.flatMap((seam, i): Met[] => {
    const [a, b] = [pieces.find((p) => p.number === seam.a), pieces.find((p) => p.number === seam.b)];
    const [aEdge, bEdge] = [a?.edges[seam.aEdge - 1], b?.edges[seam.bEdge - 1]];
    const ends = [`${seam.a}/${seam.aEdge}`, `${seam.b}/${seam.bEdge}`];
    if (!a || !b || !aEdge || !bEdge || ends[0] === ends[1] || ends.some((e) => used.has(e))) return [];
    ends.forEach((e) => used.add(e));
    return [{ seam: i + 1, a, b, aEdge, bEdge }];
  });
}

/** Both drawings with the two edges made alike, as the whole list of points. */
function evened(input: FormInput<TapedParams>, { a, b, aEdge, bEdge }: Met): TapedParams['outline'] {
  const meanMm = (aEdge.lengthMm + bEdge.lengthMm) / 2;
  const to = (points: readonly TapedPoint[], { number, lengthMm }: DrawnEdge): TapedPoint[] => {
    const drawn = edgesOfOutline(begunOutline(points).outline)[number - 1];
    return drawn ? withEdge(points, number, (drawn.lengthMm * meanMm) / lengthMm) : [...points];
  };
  const changed = new Map<number, TapedPoint[]>();
  changed.set(a.number, to(a.points, aEdge));
  changed.set(b.number, to(changed.get(b.number) ?? b.points, bEdge));
  const next = new Map([...changed].map(([k, points]) => [k, [...points]]));
  return input.params.outline.map((p) => next.get(p.piece)?.shift() ?? p);
}

function checksOf(
  input: FormInput<TapedParams>,
  pieces: readonly TapedPiece[],
  met: readonly Met[],
): Check[] {
  const { params } = input;
  const lost = params.seams.flatMap((_, i) => (met.some((m) => m.seam === i + 1) ? [] : [i + 1]));
  return [
    ...drawnCheck(pieces.some((p) => p.crosses)),
    ...params.pieces.flatMap((_, i): Check[] =>
      pieces.some((p) => p.number === i + 1)
        ? []
        : [
            {
              id: `undrawn-${i + 1}`,
              severity: 'mind',
              station: 'shape',
              title: `piece ${letterAt(i)} is not drawn yet.`,
              why: 'It needs three points at least: trace it, read it from a file, or draw it.',
              provenance: 'standard',
              excess: 1,
              remedies: [],
            },
          ],
    ),
    ...met.flatMap((m): Check[] => {
      const apart = m.aEdge.lengthMm - m.bEdge.lengthMm;
      if (Math.abs(apart) <= AGREE_MM) return [];
      const share = Math.abs(apart) / Math.max(m.aEdge.lengthMm, m.bEdge.lengthMm);
      return [
        {
          id: `apart-${m.seam}`,
          severity: share > EASED ? 'mind' : 'note',
          station: 'shape',
          title: `${m.a.name}, edge ${m.aEdge.number} is ${trimNumber(Math.abs(apart))} mm ${apart > 0 ? 'longer' : 'shorter'} than ${m.b.name}, edge ${m.bEdge.number}.`,
          why:
            share > EASED
              ? 'They are glued to each other: look at the film again, or even them out.'
              : 'Foam eases in so much between notches; or even them out.',
          provenance: 'measured',
          excess: Math.abs(apart),
          remedies: [
            {
              label: 'Even them out',
              changes: [{ path: ['params', 'outline'], value: evened(input, m).map((p) => ({ ...p })) }],
            },
          ],
        },
      ];
    }),
    ...lost.map((n): Check => ({
      id: `seam-lost-${n}`,
      severity: 'mind',
      station: 'shape',
      title: `seam ${n} names an edge that is not there, or one that is glued already.`,
      why: 'Edges run from corner to corner and are numbered in the drawing.',
      provenance: 'standard',
      excess: 1,
      remedies: [],
    })),
  ];
}

function design(input: FormInput<TapedParams>): Design {
  const drawn = piecesOf(input);
  const pieces: TapedPiece[] =
    drawn.length > 0
      ? drawn
      : [
          // Nothing is drawn yet: a square stands in, and is reported.
          (({ outline, crosses }) => ({
            number: 1,
            name: 'piece A',
            points: [],
            outline,
            crosses,
            edges: edgesOfOutline(outline),
          }))({ outline: rectangle({ x: 0, y: 50 }, 100, 100), crosses: false }),
        ];
  const met = metOf(input.params, pieces);
  return {
    panels: standing(pieces),
    joins: met.map(({ a, b, aEdge, bEdge }): Join => ({
      a: [`piece-${a.number}`, `edge-${aEdge.number}`],
      b: [`piece-${b.number}`, `edge-${bEdge.number}`],
      kind: 'seam',
    })),
    roomMm: 0,
    figures: [
      { key: 'pieces', label: 'pieces', value: pieces.length, unit: '', decimals: 0 },
      { key: 'grows', label: 'layer from the film', value: outMm(input), unit: 'mm', decimals: 1 },
    ],
    checks: checksOf(input, drawn, met),
  };
}

const square = (piece: number, x: number, w: number, h: number): TapedPoint[] =>
  [
    [x, 0],
    [x + w, 0],
    [x + w, h],
    [x, h],
  ].map(([xMm, yMm]) => ({ piece, xMm: xMm!, yMm: yMm!, node: 'corner' }));

/** A pattern taken with film and tape, traced from a photograph or read from a file. */
export const taped = defineForm<TapedParams>({
  kind: 'taped',
  label: 'Taped pattern',
  summary:
    'Pieces traced from film and tape or read from a file: edges are named and matched, and foam thickness is allowed for.',
  zones: [],
  fields,
  developable: true,
  defaults: () => ({
    over: 'thing',
    pieces: [
      { bendsDeg: 90, bendsUpDeg: 0 },
      { bendsDeg: 90, bendsUpDeg: 0 },
    ],
    outline: [...square(1, -130, 120, 160), ...square(2, 10, 120, 160)],
    seams: [{ a: 1, aEdge: 2, b: 2, bEdge: 4 }],
  }),
  design,
  silhouette: ({ outline }) => {
    const first = outline.filter((p) => p.piece === firstOf(outline).piece);
    return first.length < LEAST_POINTS ? rectangle({ x: 0, y: 50 }, 100, 100) : begunOutline(first).outline;
  },
});
