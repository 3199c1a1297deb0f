import { Component, lazy, Suspense, type ComponentProps, type ReactNode } from 'react';
import type { FigureView } from './FigureView';
import type { SolidView } from './SolidView';

const Figure = lazy(() => import('./FigureView').then((m) => ({ default: m.FigureView })));
const View = lazy(() => import('./SolidView').then((m) => ({ default: m.SolidView })));

/** Without WebGL the rest of the bench still works. */
class NoSolid extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }
  override render(): ReactNode {
    return this.state.failed ? (
      <p className="p-4 text-soft">This browser cannot draw the solid (no WebGL). Everything else works.</p>
    ) : (
      this.props.children
    );
  }
}

/** The solid view, fetched when it is first looked at. */
export function LazySolid(props: ComponentProps<typeof SolidView>) {
  return (
    <NoSolid>
      <Suspense fallback={<p className="p-4 text-soft">Loading the solid…</p>}>
        <View {...props} />
      </Suspense>
    </NoSolid>
  );
}

/** The whole figure, fetched when it is first looked at. */
export function LazyFigure(props: ComponentProps<typeof FigureView>) {
  return (
    <NoSolid>
      <Suspense fallback={<p className="p-4 text-soft">Loading the figure…</p>}>
        <Figure {...props} />
      </Suspense>
    </NoSolid>
  );
}
