import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { inAddress, selectUp, useSelected } from '../store/selection';
import { useView } from '../store/view';

/**
 * Keeps what is selected in the address, so that a reload, a bookmark and the back button find it again. What the address
 * names when a build is opened is selected; from then on the address follows.
 */
export function useSelection(open: boolean): void {
  const [params, setParams] = useSearchParams();
  const read = useRef(false);
  const selected = useSelected();
  useEffect(() => {
    if (read.current) return;
    read.current = true;
    const named = Object.entries(inAddress).map(([key, { read: from }]) => {
      const text = params.get(key);
      return text ? from(text) : {};
    });
    useSelected.setState(Object.assign({}, ...named) as object);
  }, [params]);
  useEffect(() => {
    if (!open) return;
    const written = Object.entries(inAddress).map(([key, { write }]) => [key, write(selected)] as const);
    if (written.every(([key, text]) => (params.get(key) ?? '') === text)) return;
    setParams(
      (before) => {
        for (const [key, text] of written) {
          if (text) before.set(key, text);
          else before.delete(key);
        }
        return before;
      },
      { replace: true },
    );
  }, [open, selected, params, setParams]);
}

/** Escape: what is being drawn is dropped, a pane gives its room back, else one up from what is selected. */
export function escape(): void {
  const { drawing, seam, outlining, fullPane } = useView.getState();
  if (drawing || seam || outlining)
    useView.setState({ drawing: undefined, seam: undefined, outlining: undefined });
  else if (!selectUp() && fullPane !== '') useView.setState({ fullPane: '' });
}
