import { keepNest, nestKey, type HandMove, type Sheet, type SheetGroup, sheetGroups } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import type { Draft } from 'immer';
import { useState } from 'react';
import { toast } from 'sonner';
import { catalogueNow } from '../../store/catalogue';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { movePiece } from '../../workers/handClient';

/** Moves pieces of one foam by hand: what is kept is a nest like any other, one step of undo each. */
export function useHandMoves(sheet: Sheet): {
  busy: boolean;
  /** The sheets of this foam, and which of them this one is. */
  sheets: readonly Sheet[];
  at: number;
  move: (piece: number, how: Partial<Omit<HandMove, 'sheet' | 'piece'>>) => void;
  /** A piece that is locked stays where it is when the others are nested; pressed again, it is free. */
  lock: (piece: number) => void;
} {
  const [busy, setBusy] = useState(false);
  const all = useReport((s) => s.report!.packed.sheets);
  const sheets = all.filter((s) => s.foamId === sheet.foamId && s.nominalMm === sheet.nominalMm);
  const at = sheets.indexOf(sheet);
  const group = (): SheetGroup | undefined =>
    sheetGroups(useBuild.getState().doc, useReport.getState().report!.parts, catalogueNow()).find(
      (g) => g.size.foamId === sheet.foamId && g.size.nominalMm === sheet.nominalMm,
    );
  const keep = ({ items, size }: SheetGroup, made: readonly Sheet[]): void =>
    useBuild.getState().update((d) => {
      const nest = keepNest(nestKey(items, size, d.cut.spacingMm), made) as Draft<Nest>;
      d.cut.nests = [...(d.cut.nests ?? []).filter((n) => n.key !== nest.key), nest];
    });
  const move = (piece: number, how: Partial<Omit<HandMove, 'sheet' | 'piece'>>): void => {
    const own = group();
    if (!own || busy) return;
    setBusy(true);
    void movePiece(
      own,
      sheets,
      { sheet: at, piece, toSheet: at, byMm: { x: 0, y: 0 }, turnRad: 0, ...how },
      useBuild.getState().doc.cut.spacingMm,
    ).then(
      (made) => {
        setBusy(false);
        if (made) keep(own, made);
        else toast('No clear spot near there: it stays where it is.');
      },
      (error: Error) => {
        setBusy(false);
        toast.error(`It stays where it is: ${error.message} Try again.`);
      },
    );
  };
  const lock = (piece: number): void => {
    const own = group();
    if (!own || busy) return;
    const turned = ({ locked, ...laid }: Sheet['laid'][number]): Sheet['laid'][number] =>
      locked ? laid : { ...laid, locked: true };
    keep(
      own,
      sheets.map((s, i) =>
        i === at ? { ...s, laid: s.laid.map((l, k) => (k === piece ? turned(l) : l)) } : s,
      ),
    );
  };
  return { busy, sheets, at, move, lock };
}
