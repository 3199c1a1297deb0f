import type { Dimension } from '@fomrik/core/dimensions';
import { byId, itemAt } from '@fomrik/core/units';
import { drawnPieces, type PartReport } from '@fomrik/core/parts';
import { quantityText } from '@fomrik/core/pattern';
import { bevelWords, type Piece } from '@fomrik/core/panel';
import { boundsOf } from '@fomrik/core/geometry';
import { type EdgeRef, selectEdge } from '../store/selection';
import { useShownEdge, useView } from '../store/view';
import type { HandDart } from '@fomrik/core/document';
import { DartGrips } from './DartGrips';
import { layOut } from './layOut';
import type { FeatureGrips } from './featureHandles';
import { FlatGrips } from './FlatGrips';
import { FlatDimension } from './FlatDimension';
import { PieceDrawing } from './PieceDrawing';
import { useLength } from './useLength';
import { useSaid } from './Said';
import { slideEnd } from './slideEnd';
import { useShownDimension } from './useDimensions';
import { useEdits } from './usePart';
import { setAt, slid } from './valueHandles';

/** Width of a letter over its height, on average. */
const LETTER = 0.55;
/** A letter of the condensed face that captions are set in, of its size. */
const NARROW = 0.46;

function pointAt(pointed: EdgeRef | undefined): void {
  useView.setState({ pointed });
}

/** The flat pieces of a part side by side; point at an edge and its mate lights up. */
export function FlatPieces({
  made,
  onDarts,
  dimensions,
  gap = false,
  grips,
}: {
  made: PartReport;
  /** Darts of a piece moved by hand; a mirrored piece passes them on to the one it mirrors. */
  onDarts?: (pieceId: string, darts: HandDart[], done: boolean) => void;
  /** Dimensions that can be drawn on the pieces. */
  dimensions: readonly Dimension[];
  /** What details on the pieces are moved with. */
  grips?: Pick<FeatureGrips, 'part' | 'drag' | 'change' | 'end'>;
  /** With lines of equal gap to the body, whatever the bench shows. */
  gap?: boolean;
}) {
  const edge = useShownEdge();
  const showStretch = useView((v) => v.stretchOpen);
  const gapOpen = useView((v) => v.gapOpen);
  const showGap = gap || gapOpen;
  const length = useLength();
  const said = useSaid();
  const pieces = drawnPieces(made);
  const boxes = pieces.map((p) => boundsOf(p.outline));
  const sizes = boxes.map((b) => ({ w: b.maxX - b.minX, h: b.maxY - b.minY }));
  const fontOf = (of: { w: number; h: number }): number => Math.max(of.w * 0.7, of.h) / 32;
  // Laid out once for the size of the words, then again with room for them.
  const words = fontOf(layOut(sizes)) * LETTER;
  const roomy = sizes.map((s, i) => ({
    ...s,
    w: s.h > s.w ? s.w : Math.max(s.w, words * itemAt(pieces, i).name.length),
  }));
  const { laid: places, w, h } = layOut(roomy);
  const laid = places.map((p, i) => ({
    ...p,
    x: p.x + (p.w - itemAt(sizes, i).w) / 2,
    w: itemAt(sizes, i).w,
  }));
  const font = fontOf({ w, h });
  const worst = pieces
    .filter((p) => p.stretch)
    .reduce<Piece | undefined>((a, b) => (!a || b.stretch!.worst > a.stretch!.worst ? b : a), undefined);
  const note = edge && byId(pieces, edge.pieceId)?.note;
  const chosen = edge && byId(pieces, edge.pieceId)?.edges.find((e) => e.id === edge.edgeId);
  return (
    <figure className="flex h-full min-h-0 flex-col">
      <svg
        viewBox={`0 0 ${w} ${h}`}
        className="min-h-0 w-full flex-1"
        role="group"
        aria-label="Flat pieces, outer face up"
        onPointerLeave={() => pointAt(undefined)}
      >
        {laid.map(({ index, x, y, w: width, h: height }) => {
          const piece = itemAt(pieces, index);
          const foam = said(piece.foamName);
          return (
            <g key={piece.id}>
              <PieceDrawing
                piece={piece}
                x={x}
                y={y}
                heightMm={height}
                edge={edge}
                onEdge={pointAt}
                onSelect={selectEdge}
                showStretch={showStretch && !showGap}
                gap={showGap ? made.wear?.standOff.find((g) => g.pieceId === piece.id) : undefined}
              />
              {grips && (
                <FlatGrips
                  {...grips}
                  made={made}
                  pieceId={piece.id}
                  x={x}
                  y={y}
                  heightMm={height}
                  pxMm={Math.max(w / 420, h / 380)}
                />
              )}
              {onDarts && piece.role === 'shell' && !piece.mirrors && (
                <DartGrips piece={piece} x={x} y={y} heightMm={height} onDarts={onDarts} />
              )}
              {height > width && font * LETTER * piece.name.length > width + 8 ? (
                <text
                  transform={`translate(${x + width / 2 + font / 3} ${y + height / 2}) rotate(-90)`}
                  fontSize={Math.min(font, width * 0.6, height / (LETTER * piece.name.length))}
                  textAnchor="middle"
                  fill="white"
                  className="pointer-events-none"
                >
                  {piece.name}
                </text>
              ) : (
                <text
                  x={x + width / 2}
                  y={y + height + font + 6}
                  fontSize={font}
                  textAnchor="middle"
                  fill="var(--color-ink)"
                >
                  {longest([piece.name, quantityText(piece), foam], (width + 8) / (font * NARROW))}
                </text>
              )}
            </g>
          );
        })}
        <OnTheFlat
          made={made}
          dimensions={dimensions}
          spots={laid.map((l) => ({ ...l, pieceId: itemAt(pieces, l.index).id }))}
          pxMm={Math.max(w / 420, h / 380)}
        />
      </svg>
      <figcaption className="order-first min-h-6 px-2 pt-1 text-[12.5px]" aria-live="polite">
        {chosen ? (
          <>
            <strong>{chosen.name}</strong> {length(chosen.lengthMm)}
            {chosen.letter &&
              ` · meets ${chosen.joint === 'seam' ? 'its mate' : 'across the gap'} at ${chosen.letter}`}{' '}
            ·{' '}
            {chosen.easeMm !== undefined &&
              `ease ${chosen.easeMm > 0 ? '+' : ''}${chosen.easeMm.toFixed(1)} mm, spread between notches · `}
            {chosen.attached && `${chosen.attached.words} · `}
            {note && `${note} `}
            {chosen.bevelDeg === 0
              ? 'cut square'
              : `bevel ${bevelWords(chosen)}${chosen.bevelMm === undefined ? '' : `, ${length(chosen.bevelMm)} wide`}`}
          </>
        ) : (
          <span className="text-soft">
            {worst
              ? `Flat, outer face up. ${worstWords(worst)}`
              : pieces.length === 0
                ? 'No sheet is cut for it; lengths of a stick are under Cut.'
                : 'Flat, outer face up. Point at an edge.'}
          </span>
        )}
      </figcaption>
    </figure>
  );
}

/** The dimension that is drawn, where it is one of a piece. */
function OnTheFlat({
  made,
  dimensions,
  spots,
  pxMm,
}: {
  made: PartReport;
  dimensions: readonly Dimension[];
  spots: readonly { pieceId: string; x: number; y: number; w: number; h: number }[];
  pxMm: number;
}) {
  const dimension = useShownDimension(made.id, dimensions);
  const { drag } = useEdits(made.id);
  const spot = spots.find((s) => s.pieceId === dimension?.flat?.pieceId);
  if (!dimension || !spot) return null;
  return (
    <FlatDimension
      dimension={dimension}
      place={(p) => ({ x: p.x + spot.x, y: spot.h - p.y + spot.y })}
      middle={{ x: spot.x + spot.w / 2, y: spot.y + spot.h / 2 }}
      pxMm={pxMm}
      onSlide={(value) => drag((p) => setAt(p, dimension, () => slid(dimension, dimensions, value)))}
      onEnd={slideEnd}
    />
  );
}

/** As many of some words, one after the other, as fit in so many letters; the first at least. */
const longest = (words: readonly string[], letters: number): string =>
  words.slice(1).reduce((said, word) => {
    const more = `${said} · ${word}`;
    return more.length <= letters ? more : said;
  }, words[0] ?? '');

/** How far a piece must give to lie on its form; paper does not give, and foam as far as it is warm. */
function worstWords({ name, stretch, template, thicknessMm }: Piece): string {
  const { worst, worstWhere, refoldMm, faceMostly } = stretch!;
  const where = `${worstWhere}, ${(worst * 100).toFixed(0)} %`;
  if (template) return `Worst: ${name}, ${where}: there a paper template creases; snip it, or add a seam.`;
  const does =
    worst > 0.12 ? 'more than hot foam gives, a dart or a seam' : worst > 0.05 ? 'heat and hold' : 'cold';
  const face =
    faceMostly > worst
      ? ` With its bend, a face of the ${thicknessMm} mm foam stretches ${(faceMostly * 100).toFixed(0)} %.`
      : '';
  return `Worst: ${name}, ${where}: ${does}. Refolds within ${refoldMm.toFixed(1)} mm.${face}`;
}
