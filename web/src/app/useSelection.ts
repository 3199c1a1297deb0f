import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { useShallow } from 'zustand/react/shallow';
import { useView } from '../store/view';

/**
 * Keeps what is selected in the address, so that a reload, a bookmark and the back button find it again. What the address
 * names when a build is opened is selected; from then on the address follows.
 */
export function useSelection(open: boolean): void {
  const [params, setParams] = useSearchParams();
  const read = useRef(false);
  const selected = useView(useShallow(({ partId, circuitId }) => ({ part: partId, circuit: circuitId })));
  useEffect(() => {
    if (read.current) return;
    read.current = true;
    const [part, circuit] = [params.get('part'), params.get('circuit')];
    useView.setState({ ...(part && { partId: part }), ...(circuit && { circuitId: circuit }) });
  }, [params]);
  useEffect(() => {
    if (!open) return;
    const same = Object.entries(selected).every(([key, id]) => (params.get(key) ?? '') === id);
    if (same) return;
    setParams(
      (before) => {
        for (const [key, id] of Object.entries(selected)) {
          if (id) before.set(key, id);
          else before.delete(key);
        }
        return before;
      },
      { replace: true },
    );
  }, [open, selected, params, setParams]);
}

/** One up from what is selected: from an edge to its part, from a line being drawn to none. */
export function selectUp(): void {
  const { edge, drawing, seam } = useView.getState();
  if (drawing || seam) useView.setState({ drawing: undefined, seam: undefined });
  else if (edge) useView.setState({ edge: undefined, lastEdge: undefined });
}
