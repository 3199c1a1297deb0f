import type { Dimension } from '@fomrik/core/dimensions';
import { OrbitControls } from '@react-three/drei';
import { Canvas, type RootState } from '@react-three/fiber';
import { type ComponentProps, memo, useLayoutEffect, useMemo, useRef } from 'react';
import type { Group, Mesh as SceneMesh } from 'three';
import { useSelected } from '../store/selection';
import { useShownEdge } from '../store/view';
import { DimensionLayer } from './DimensionLayer';
import { Eye } from './Eye';
import { EyeBar } from './EyeBar';
import { facing, framing, scenes, spotsOf, towards, wayOf } from './solidFrame';
import { Grip, type Handle, type Stage } from './SolidGrip';
import { type SceneProps, SolidScene } from './SolidScene';
import { TakePicture } from './TakePicture';
import { withoutChecks } from './withoutChecks';

interface SolidViewProps extends Omit<SceneProps, 'edge' | 'stage'> {
  handles: Handle[];
  /** Dimensions that can be drawn on it. */
  dimensions?: readonly Dimension[];
}

interface PicturedProps extends SceneProps {
  target: [number, number, number];
  reach: number;
  along: ComponentProps<typeof Eye>['along'];
}

/** The scene and who looks at it; drawn anew when either is another, not when a grip or a dimension is. */
const Pictured = memo(function Pictured({ target, reach, along, ...shown }: PicturedProps) {
  const { made, folding, stage } = shown;
  return (
    <Canvas
      frameloop="demand"
      dpr={[1, 2]}
      camera={{ fov: 34, near: 4, far: 12000 }}
      onCreated={(created) => {
        stage.root.current = created;
        withoutChecks(created);
      }}
    >
      <Eye
        of={folding ? `${made.id} folding` : made.id}
        target={target}
        reach={reach}
        facing={facing(made.zone)}
        along={along}
      />
      <SolidScene {...shown} />
      <OrbitControls makeDefault zoomToCursor minDistance={60} maxDistance={9000} />
    </Canvas>
  );
});

const nothing: readonly Dimension[] = [];

/** The part in its foam on the limb; turn it by dragging, take handles to change it. */
export function SolidView({ handles, dimensions = nothing, ...shown }: SolidViewProps) {
  const edge = useShownEdge();
  const { made, beside, folding, dark = false } = shown;
  const { place, unplace } = useMemo(() => scenes(made), [made]);
  const pieces = folding?.pieces;
  const { target, reach } = useMemo(() => {
    if (pieces) return framing(spotsOf(pieces));
    // What carries the rest is shown with it; what is mounted fills the view itself.
    const whole = made.mount.to === 'part' ? [] : (beside?.points ?? []);
    return framing([...made.solid.mesh.points, ...made.extras.points, ...whole].map(place));
  }, [made, beside, place, pieces]);
  const selected = useSelected((s) => s.edge);
  const along = useMemo(() => wayOf(made, selected, place), [made, selected, place]);
  const root = useRef<RootState>(null);
  const shell = useRef<SceneMesh>(null);
  const wearer = useRef<Group>(null);
  const held = useRef<ReadonlyMap<string, Handle>>(new Map());
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const redraw = useRef<() => void>(() => undefined);
  const stage = useMemo(
    (): Stage => ({ place, unplace, root, shell, wearer, handles: held, buttons, redraw }),
    [place, unplace],
  );
  useLayoutEffect(() => {
    held.current = new Map(handles.map((h) => [h.id, h]));
    root.current?.get().invalidate();
  }, [handles]);
  return (
    <div
      role="group"
      aria-label="Solid view"
      className={`relative h-full w-full overflow-hidden ${dark ? 'bg-[#070a09]' : ''}`}
    >
      <Pictured {...shown} edge={edge} stage={stage} target={target} reach={reach} along={along} />
      <EyeBar dark={dark} />
      <div className="absolute bottom-1 right-1">
        <TakePicture partId={made.id} dark={dark} out={() => towards(root.current)} />
      </div>
      <DimensionLayer
        partId={made.id}
        dimensions={dimensions}
        stage={stage}
        middle={target}
        redraw={redraw}
      />
      {handles.map(({ id, label, look }) => (
        <Grip key={id} id={id} label={label} look={look} stage={stage} />
      ))}
    </div>
  );
}
