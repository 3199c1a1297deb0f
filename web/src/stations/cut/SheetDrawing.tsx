import { useCatalogue } from '../../store/catalogue';
import type { PartReport } from '@fomrik/core/parts';
import { type HandMove, laidOutline, type Sheet } from '@fomrik/core/cut';
import { faceNote } from '@fomrik/core/files/faceNote';
import { roomiest } from '@fomrik/core/pattern';
import { regionArea, signedArea } from '@fomrik/core/geometry';
import { byId, counted, trimNumber, findIn } from '@fomrik/core/units';
import { useReport } from '../../store/report';
import { selectPart } from '../../store/selection';
import { useState } from 'react';
import { MovablePiece } from './MovablePiece';
import { Replay, takeMotion } from './Replay';
import { saveFile } from './saveFile';
import { useHandMoves } from './useHandMoves';

/** One sheet of foam with its pieces laid on it. */
export function SheetDrawing({
  sheet,
  parts,
  number,
}: {
  sheet: Sheet;
  parts: readonly PartReport[];
  number: number;
}) {
  const catalogue = useCatalogue();
  const foam = byId(catalogue.foams, sheet.foamId)?.name ?? sheet.foamId;
  const pieces = sheet.laid.flatMap((laid) => {
    const piece = byId(parts, laid.partId)?.pieces.find((p) => p.id === laid.pieceId);
    return piece
      ? [
          {
            laid,
            piece,
            part: findIn(parts, (p) => p.id === laid.partId).name,
            outline: laidOutline(piece.outline, laid),
          },
        ]
      : [];
  });
  const used =
    pieces.reduce((sum, p) => sum + Math.abs(signedArea(p.outline)), 0) /
    (sheet.offcut
      ? regionArea([sheet.offcut.outline, ...(sheet.offcut.holes ?? [])])
      : sheet.widthMm * sheet.heightMm);
  const take = async (kind: 'svg' | 'dxf'): Promise<void> => {
    const { report, doc } = useReport.getState();
    if (!report || !doc) return;
    const { sheetFile } = await import('@fomrik/core/files/sheetFile');
    const type = kind === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf';
    saveFile(sheetFile(report, number - 1, kind, doc.name), `sheet-${number}.${kind}`, type, doc.name);
  };
  const [replayed, setReplayed] = useState(false);
  const [chosen, setChosen] = useState<number>();
  const hand = useHandMoves(sheet);
  const choices: [string, Partial<HandMove>][] = [
    ['Turn 15°', { turnRad: Math.PI / 12 }],
    ['Turn 90°', { turnRad: Math.PI / 2 }],
    ...hand.sheets.flatMap((_, k): [string, Partial<HandMove>][] =>
      k === hand.at ? [] : [[`To sheet ${number - hand.at + k}`, { toSheet: k }]],
    ),
    ['To a fresh sheet', { toSheet: hand.sheets.length }],
  ];
  const held = chosen === undefined ? undefined : pieces[chosen];
  const y = (v: number): number => sheet.heightMm - v;
  return (
    <figure>
      {replayed ? (
        <Replay sheet={sheet} index={number - 1} />
      ) : (
        <svg
          viewBox={`-4 -4 ${sheet.widthMm + 8} ${sheet.heightMm + 8}`}
          className="w-full"
          role="group"
          aria-label={`Sheet ${number}: ${counted(pieces.length, 'piece')}, ${(used * 100).toFixed(0)} % used`}
        >
          {sheet.offcut ? (
            <path
              d={[sheet.offcut.outline, ...(sheet.offcut.holes ?? [])]
                .map((ring) => `M${ring.map((p) => `${p.x} ${y(p.y)}`).join('L')}Z`)
                .join('')}
              fillRule="evenodd"
              fill="var(--color-foam)"
            />
          ) : (
            <rect width={sheet.widthMm} height={sheet.heightMm} fill="var(--color-foam)" />
          )}
          {pieces.map(({ outline, laid, part, piece }, i) => {
            const { at, clearMm } = roomiest({ outline, holes: [], marks: [] });
            const fontSize = Math.min(34, Math.max(13, clearMm * 1.3));
            return (
              <g key={i}>
                <MovablePiece
                  points={outline.map((p) => ({ x: p.x, y: y(p.y) }))}
                  name={`${i + 1} ${part}: ${piece.name}`}
                  chosen={chosen === i}
                  locked={laid.locked ?? false}
                  onChoose={() => {
                    setChosen(i);
                    selectPart(laid.partId);
                  }}
                  onMove={(how) => hand.move(sheet.laid.indexOf(laid), how)}
                />
                <text
                  x={at.x}
                  y={y(at.y) + fontSize * 0.36}
                  fontSize={fontSize}
                  textAnchor="middle"
                  fill="white"
                  pointerEvents="none"
                >
                  {i + 1}
                </text>
              </g>
            );
          })}
        </svg>
      )}
      <figcaption className="text-[12.5px]">
        {number}. {sheet.nominalMm} mm {foam}, {sheet.offcut ? 'offcut ' : ''}
        {trimNumber(sheet.widthMm, 0)} × {trimNumber(sheet.heightMm, 0)} mm
        {sheet.offcut?.place ? `, ${sheet.offcut.place}` : ''} · {(used * 100).toFixed(0)} % used{' '}
        {(['svg', 'dxf'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="ml-2 text-teal underline"
            onClick={() => void take(kind)}
          >
            {kind.toUpperCase()}
            <span className="sr-only"> of sheet {number}</span>
          </button>
        ))}
        <button
          type="button"
          className="ml-2 text-teal underline"
          onClick={() => void takeMotion(number - 1)}
        >
          Motion list
          <span className="sr-only"> of sheet {number}</span>
        </button>
        <button
          type="button"
          className="ml-2 text-teal underline"
          aria-pressed={replayed}
          onClick={() => setReplayed(!replayed)}
        >
          {replayed ? 'The sheet' : 'Replay'}
          <span className="sr-only"> {replayed ? number : `of sheet ${number}`}</span>
        </button>
        {held && !replayed && (
          <span role="group" aria-label="Piece in hand" className="my-1 flex flex-wrap items-center gap-1.5">
            <strong>
              {chosen! + 1} {held.part}: {held.piece.name}
            </strong>
            {choices.map(([words, how]) => (
              <button
                key={words}
                type="button"
                className="btn min-h-7 px-2"
                disabled={hand.busy}
                onClick={() => {
                  hand.move(sheet.laid.indexOf(held.laid), how);
                  if (how.toSheet !== undefined) setChosen(undefined);
                }}
              >
                {words}
              </button>
            ))}
            <button
              type="button"
              className="btn min-h-7 px-2"
              aria-pressed={held.laid.locked ?? false}
              disabled={hand.busy}
              onClick={() => hand.lock(sheet.laid.indexOf(held.laid))}
            >
              {held.laid.locked ? 'Locked here' : 'Lock here'}
            </button>
          </span>
        )}
        <ol className="columns-2 gap-x-4 text-[12px] text-soft">
          {pieces.map(({ laid, piece, part }, i) => (
            <li key={i} className="truncate">
              {i + 1} {part}: {piece.name}
              {faceNote(laid)}
              {laid.locked ? ', locked' : ''}
            </li>
          ))}
        </ol>
      </figcaption>
    </figure>
  );
}
