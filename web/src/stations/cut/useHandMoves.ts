import { keepNest, nestKey, type HandMove, type Sheet, sheetGroups } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { catalogue } from '@fomrik/core/materials';
import type { Draft } from 'immer';
import { useState } from 'react';
import { toast } from 'sonner';
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
} {
  const [busy, setBusy] = useState(false);
  const all = useReport((s) => s.report!.packed.sheets);
  const sheets = all.filter((s) => s.foamId === sheet.foamId && s.nominalMm === sheet.nominalMm);
  const at = sheets.indexOf(sheet);
  const move = (piece: number, how: Partial<Omit<HandMove, 'sheet' | 'piece'>>): void => {
    const { doc, update } = useBuild.getState();
    const group = sheetGroups(doc, useReport.getState().report!.parts, catalogue).find(
      (g) => g.size.foamId === sheet.foamId && g.size.nominalMm === sheet.nominalMm,
    );
    if (!group || busy) return;
    setBusy(true);
    void movePiece(
      group,
      sheets,
      { sheet: at, piece, toSheet: at, byMm: { x: 0, y: 0 }, turnRad: 0, ...how },
      doc.cut.spacingMm,
    ).then((made) => {
      setBusy(false);
      if (!made) {
        toast('No clear spot near there: it stays where it is.');
        return;
      }
      const key = nestKey(group.items, group.size, doc.cut.spacingMm);
      update((d) => {
        const nest = keepNest(key, made) as Draft<Nest>;
        d.cut.nests = [...(d.cut.nests ?? []).filter((n) => n.key !== key), nest];
      });
    });
  };
  return { busy, sheets, at, move };
}
