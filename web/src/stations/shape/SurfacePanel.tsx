import { type ScanUnit, scanUnits } from '@fomrik/core/body';
import type { BuildDoc, Part, Row } from '@fomrik/core/document';
import { encloses, type FormKind, otherHalf, type SkinParams } from '@fomrik/core/forms';
import type { PartReport } from '@fomrik/core/parts';
import type { Mending, UpAxis } from '@fomrik/core/skin';
import { byId, counted, type Result, trimNumber } from '@fomrik/core/units';
import { proxy } from 'comlink';
import type { Draft } from 'immer';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { addLike } from '../../app/partActions';
import { ChoiceField } from '../../parts/ChoiceField';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { useView } from '../../store/view';
import type { MadeUp, SurfaceRead, SurfaceTaken } from '../../workers/surface.worker';
import { MadeUpScans } from './MadeUpScans';
import { startSurface, type SurfaceClient } from '../../workers/surfaceClient';
import { newId } from '../../store/newId';

const MAX_BYTES = 200e6;
const MOST_MESHES = 12;
/** Room asked where a surface is sized to a head: padding lies there, mm. */
const ROOM_MM = 6;

type Params = SkinParams & { stretchPct: number };

const axes: { value: UpAxis; label: string }[] = [
  { value: 'z', label: 'z' },
  { value: 'y', label: 'y' },
  { value: 'x', label: 'x' },
];

/** Ways a surface may face before it is sized, and how far it is turned to look ahead. */
const faces = [
  { label: 'Straight ahead', turnDeg: 0 },
  { label: 'To the wearer’s left', turnDeg: -90 },
  { label: 'Backwards', turnDeg: 180 },
  { label: 'To the wearer’s right', turnDeg: 90 },
] as const;

/** Surfaces that a part is skinned over, here or in a version. */
const usedMeshes = (doc: Pick<BuildDoc, 'parts' | 'versions'>): Set<unknown> =>
  new Set(
    [
      ...doc.parts.map((p) => p.params),
      ...(doc.versions ?? []).flatMap((v) => Object.values(v.parts).map((o) => o.params ?? {})),
    ].map((p) => p.mesh),
  );

/** What was found and mended, in one sentence. */
function mendingWords(m: Mending, deviationMm: number): string {
  const reported = [
    [m.welded, 'corners welded'],
    [m.dropped, 'doubled or empty faces dropped'],
    [m.turned, 'faces turned'],
    [m.split, 'faces parted where more than two met'],
    [m.bits, 'loose bits left out'],
    [m.closed, 'small holes closed'],
    [m.openings, m.openings === 1 ? 'opening stays' : 'openings stay'],
  ] as const;
  const words = reported.flatMap(([n, what]) => (n > 0 ? [`${n} ${what}`] : []));
  return `${words.length > 0 ? words.join(', ') : 'Nothing to mend'}; ${m.shells} ${m.shells === 1 ? 'shell' : 'shells'}. ${
    deviationMm > 0 ? `Simplified: within ${trimNumber(deviationMm, 1)} mm of the file.` : 'Kept as it is.'
  }`;
}

/** A surface read, mended and kept; seams proposed for it; and where it is worn, set on the head. */
export function SurfacePanel({
  part,
  made,
  form,
  change,
}: {
  part: Part;
  made: PartReport;
  form: FormKind;
  change: (recipe: (part: Draft<Part>) => void) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const client = useRef<SurfaceClient | undefined>(undefined);
  const update = useBuild((s) => s.update);
  const seam = useView((v) => v.seam);
  const [busy, setBusy] = useState('');
  const [reported, setTold] = useState('');
  const [read, setRead] = useState<{ name: string; found: SurfaceRead } | undefined>();
  const [unit, setUnit] = useState<ScanUnit>('mm');
  const [up, setUp] = useState<UpAxis>('z');
  const [facing, setFacing] = useState(false);
  const leave = (): void => {
    client.current?.end();
    client.current = undefined;
    setBusy('');
    setRead(undefined);
  };
  useEffect(
    () => () => {
      client.current?.end();
      useView.setState({ seam: undefined });
    },
    [],
  );
  const begin = (words: string): SurfaceClient => {
    client.current ??= startSurface();
    setBusy(words);
    setTold('');
    return client.current;
  };
  /** Runs one job in the worker; what it says is lost when it was left meanwhile. */
  const run = async <T,>(words: string, job: (own: SurfaceClient) => Promise<T>): Promise<T | undefined> => {
    const own = begin(words);
    try {
      const found = await job(own);
      return client.current === own ? found : undefined;
    } catch (error) {
      toast.error((error as Error).message);
      return undefined;
    } finally {
      if (client.current === own) setBusy('');
    }
  };
  const open = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > MAX_BYTES) return void toast.error(`${file.name} is larger than 200 MB.`);
    const found = await run<Result<SurfaceRead>>(
      `${file.name}: reading…`,
      async ({ surface }) => await surface.open(file),
    );
    if (!found) return;
    if (!found.ok) {
      leave();
      toast.error(found.message, { duration: 10000 });
      return;
    }
    const longest = Math.max(...found.value.span);
    setUnit(longest < 5 ? 'm' : longest < 60 ? 'cm' : 'mm');
    setUp(/\.(glb|gltf|obj)$/i.test(file.name) ? 'y' : 'z');
    setRead({ name: file.name, found: found.value });
  };
  const simulate = async (kind: MadeUp): Promise<void> => {
    const body = useReport.getState().report?.body;
    if (!body) return;
    const found = await run('Scanning…', ({ surface }) => surface.simulate(kind, body, Date.now() % 1000));
    if (!found) return;
    setUnit('mm');
    setUp('z');
    setRead({ name: `made-up ${kind}`, found });
  };
  const take = async (): Promise<void> => {
    const name =
      read!.name
        .replace(/\.[^.]*$/, '')
        .slice(0, 120)
        .trim() || 'surface';
    const id = newId('mesh');
    const got = await run<Result<SurfaceTaken>>(
      'Mending and simplifying…',
      async ({ surface }) => await surface.take(id, name, scanUnits[unit], up),
    );
    if (!got) return;
    if (!got.ok) return void toast.error(got.message);
    const { kept, mending, deviationMm } = got.value;
    if (usedMeshes(useBuild.getState().doc).size >= MOST_MESHES)
      return void toast.error(
        `Parts of this build are skinned over ${MOST_MESHES} surfaces already; no more are kept.`,
      );
    update((d) => {
      // What no part and no version is skinned over any more gives way; undo brings it back.
      const used = usedMeshes(d);
      d.meshes = [...(d.meshes ?? []).filter((m) => used.has(m.id)), kept];
      const own = byId(d.parts, part.id);
      if (own)
        Object.assign(own.params, {
          mesh: id,
          scalePct: 100,
          aheadMm: 0,
          upMm: 0,
          cuts: [],
          lines: [],
          apart: [],
        });
    });
    setTold(mendingWords(mending, deviationMm));
    leave();
  };
  const meshes = () => useBuild.getState().doc.meshes ?? [];
  const params = part.params as unknown as Params;
  const thicknessMm = made.foam.thicknessMm.value;
  const propose = async (): Promise<void> => {
    const found = await run('Looking for seams…', ({ surface }) =>
      surface.propose(
        params,
        meshes(),
        thicknessMm,
        proxy((now) => setBusy(`Looking for seams: ${counted(now.pieces, 'piece')} so far…`)),
      ),
    );
    if (!found) return;
    change((p) => void (p.params.cuts = found.cuts as unknown as Draft<Row[]>));
    setTold(
      Number.isFinite(found.stretch)
        ? `${counted(found.pieces, 'piece')}; the worst must stretch about ${trimNumber(found.stretch * 100, 0)} % before darts.`
        : `${counted(found.pieces, 'piece')}, and one of them is still no piece that lies flat: allow more.`,
    );
  };
  const keepSeam = (): void => {
    const { body } = useReport.getState().report!;
    const stands = form.surface!(part.params, body);
    const scale = 100 / params.scalePct;
    const line = Math.max(0, ...params.lines.map((l) => l.line)) + 1;
    const tenth = (mm: number): number => Math.round(mm * scale * 10) / 10;
    const rows = seam!.map((p) => ({
      line,
      xMm: tenth(p.x - stands.x),
      yMm: tenth(p.y - stands.y),
      zMm: tenth(p.z - stands.z),
    }));
    useView.setState({ seam: undefined });
    if (line > 20 || params.lines.length + rows.length > 200)
      return void toast.error('At most 20 drawn seams of 200 spots together.');
    change((p) => void (p.params.lines = [...params.lines, ...rows] as unknown as Draft<Row[]>));
  };
  const rest = otherHalf(params);
  const splitOff = (): void => {
    addLike(part, `${part.name}, the rest`, { apart: rest as unknown as Row[] });
    toast('The rest is a part of its own. Undo takes it away again.');
  };
  const seat = async (resized: boolean, turnedBy = 0): Promise<void> => {
    const { doc } = useBuild.getState();
    const { body } = useReport.getState().report!;
    const turnDeg = ((params.turnDeg + turnedBy + 540) % 360) - 180;
    const seated = { ...params, turnDeg };
    const found = await run('Setting it on the head…', ({ surface }) =>
      surface.seat(seated, meshes(), body, thicknessMm, doc.wearer.underLayerMm, ROOM_MM, resized),
    );
    if (!found) return;
    const { leastGapMm, scalePct, aheadMm, upMm, share, offMm } = found;
    if (resized && (leastGapMm < 0 || !encloses(found)))
      return setTold(`No size up to ${scalePct} % takes the head where it stands. Set it on the head first.`);
    change((p) => void Object.assign(p.params, { scalePct, aheadMm, upMm, turnDeg }));
    setTold(
      leastGapMm >= 0
        ? encloses(found)
          ? `The head is inside: ${trimNumber(leastGapMm, 1)} mm at the nearest, ${trimNumber(offMm ?? 0, 0)} mm off most of the face.`
          : `The head is not held: it covers ${trimNumber(100 * share, 0)} % of the face${offMm === undefined ? '' : `, ${trimNumber(offMm, 0)} mm off`}. Size it to the head.`
        : `The head does not fit: ${trimNumber(-leastGapMm, 1)} mm too tight at the nearest. Size it to the head, or widen it.`,
    );
  };
  const [x, y, z] = read?.found.span ?? [0, 0, 0];
  const size = (v: number): string => trimNumber(v * scanUnits[unit], 0);
  return (
    <section aria-label="Surface" className="col-span-full border-t border-hair py-1">
      <div className="flex flex-wrap items-center gap-1.5">
        <button type="button" className="btn" disabled={busy !== ''} onClick={() => input.current?.click()}>
          Read a surface
        </button>
        <MadeUpScans disabled={busy !== ''} onPick={(kind) => void simulate(kind)} />
        <button type="button" className="btn" disabled={busy !== ''} onClick={() => void propose()}>
          Propose seams
        </button>
        {seam ? (
          <>
            <button type="button" className="btn btn-main" disabled={seam.length < 2} onClick={keepSeam}>
              Keep the seam ({counted(seam.length, 'spot')})
            </button>
            <button type="button" className="btn" onClick={() => useView.setState({ seam: undefined })}>
              Leave the seam
            </button>
          </>
        ) : (
          <button
            type="button"
            className="btn"
            disabled={busy !== ''}
            onClick={() => useView.setState({ seam: [], figureOpen: false })}
          >
            Draw a seam
          </button>
        )}
        {rest && (
          <button type="button" className="btn" disabled={busy !== ''} onClick={splitOff}>
            Make the rest a part
          </button>
        )}
        {form.zones.length > 0 && (
          <>
            <button type="button" className="btn" disabled={busy !== ''} onClick={() => void seat(false)}>
              Set it on the head
            </button>
            <button
              type="button"
              className="btn"
              disabled={busy !== ''}
              aria-expanded={facing}
              onClick={() => setFacing(!facing)}
            >
              Size it to the head
            </button>
          </>
        )}
        {facing && busy === '' && (
          <div role="group" aria-label="Which way it faces now" className="leaf w-full p-2">
            <p className="text-[13px]">Which way does it face now? Look at it from the front (V).</p>
            <div className="mt-1 flex flex-wrap gap-1">
              {faces.map(({ label, turnDeg }) => (
                <button
                  key={label}
                  type="button"
                  className="btn min-h-7 px-2"
                  onClick={() => {
                    setFacing(false);
                    void seat(true, turnDeg);
                  }}
                >
                  {label}
                </button>
              ))}
            </div>
          </div>
        )}
        {busy !== '' && (
          <>
            <span role="status" className="text-[13px]">
              {busy}
            </span>
            <button type="button" className="btn" onClick={leave}>
              Cancel
            </button>
          </>
        )}
        {busy === '' && reported !== '' && (
          <span role="status" className="text-[13px]">
            {reported}
          </span>
        )}
      </div>
      <input
        ref={input}
        type="file"
        accept=".obj,.stl,.ply,.glb,.gltf"
        className="sr-only"
        tabIndex={-1}
        aria-label="Surface as OBJ, STL, PLY or glTF"
        onChange={(e) => {
          void open(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {read && busy === '' && (
        <div className="leaf mt-1 flex flex-wrap items-end gap-2 p-2">
          <p className="w-full font-medium">
            {read.name}: {read.found.triangles} triangles, {size(x)} × {size(y)} × {size(z)} mm
          </p>
          <ChoiceField
            label="Its unit"
            value={unit}
            choices={(Object.keys(scanUnits) as ScanUnit[]).map((u) => ({ value: u, label: u }))}
            onChange={setUnit}
          />
          <ChoiceField label="Up is" value={up} choices={axes} onChange={setUp} />
          <button type="button" className="btn btn-main" onClick={() => void take()}>
            Use it
          </button>
          <button type="button" className="btn" onClick={leave}>
            Cancel
          </button>
        </div>
      )}
    </section>
  );
}
