import { aboutLines, chafing, insideLines } from '@fomrik/core/fit';
import type { PartReport } from '@fomrik/core/parts';
import { byId, counted, trimNumber } from '@fomrik/core/units';
import { Said } from '../../parts/Said';
import { useLength } from '../../parts/useLength';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { CarriedFit } from './CarriedFit';
import { BackLoad } from './BackLoad';
import { EarLoad } from './EarLoad';
import { FrameFit } from './FrameFit';
import { HeadBalance } from './HeadBalance';
import { ShoulderLoad } from './ShoulderLoad';

/** How the part sits, what moves, in which order everything is put on, and every strap. */
export function FitTab({ made }: { made: PartReport }) {
  const carried = useReport((s) => s.report!.carried.find((c) => c.partIds.includes(made.id)));
  const root = useReport((s) => byId(s.report!.parts, carried?.rootId));
  const update = useBuild((s) => s.update);
  const frame = useReport((s) => s.report!.frames.find((f) => f.partId === made.id));
  const field = root?.stickField;
  return (
    <>
      {frame && <FrameFit frame={frame} />}
      {carried ? (
        <CarriedFit
          carried={carried}
          {...(field && {
            onStick: (rodId: string) =>
              update((d) => {
                const part = byId(d.parts, carried.rootId);
                if (part) part.params[field] = rodId;
              }),
          })}
        />
      ) : (
        <WornFit made={made} />
      )}
    </>
  );
}

function WornFit({ made }: { made: PartReport }) {
  const length = useLength();
  const fitting = useReport((s) => s.report!.fitting);
  const about = useReport((s) => s.report!.about);
  const { wear } = made;
  const head = useReport((s) => s.report!.onHead.find((h) => h.partIds.includes(made.id)));
  const back = useReport((s) => s.report!.onBack.find((b) => b.partIds.includes(made.id)));
  const inside = useReport((s) => s.report!.insideHead.find((h) => h.partIds.includes(made.id)));
  const ear = useReport((s) => s.report!.onEar.find((e) => e.partIds.includes(made.id)));
  const shoulders = useReport((s) => s.report!.onShoulders);
  const limb = useReport((s) => s.report!.onLimbs.find((l) => l.partId === made.id));
  const sag = wear?.sags[0];
  const straps = fitting.straps.filter((s) => s.partId === made.id);
  const chafes = chafing(fitting.movements).filter((c) => c.partId === made.id);
  const piece = (id: string): string => byId(made.pieces, id)?.name ?? id;
  return (
    <div className="grid grid-cols-[1fr_1.15fr_1.1fr] gap-x-5 text-[13px]">
      <section aria-label="How it sits">
        <h2 className="head">How it sits</h2>
        {!wear && <p className="text-soft">Not worn: it stands by itself.</p>}
        {wear && (
          <p>
            Nearest the body: <strong>{length(wear.leastGapMm, 0)}</strong> at {piece(wear.leastAt.pieceId)}
            {wear.leastGapMm < 0 && ' (presses)'}; on average {length(wear.meanGapMm, 0)}.
          </p>
        )}
        {sag && (
          <p>
            Least supported edge: {piece(sag.pieceId)}, {sag.edgeName}, gives{' '}
            <strong>{length(sag.sagMm)}</strong> under its own weight over {length(sag.lengthMm, 0)}.
          </p>
        )}
        {wear && (
          <p>
            {wear.pads.length === 0
              ? 'No pads: it lies close, or is not padded.'
              : `${counted(wear.pads.length, 'pad')}, ${wear.pads.map((p) => `${p.thicknessMm} mm on ${piece(p.pieceId)}`).join(', ')}; dotted squares on the pieces.`}
          </p>
        )}
        {made.clearances.map((r) => (
          <p key={r.what}>
            Opening {length(r.openingMm, 0)}; {r.what} needs {length(r.needMm, 0)}:{' '}
            <strong>
              {r.openingMm >= r.needMm ? 'passes' : `${length(r.needMm - r.openingMm, 0)} short`}
            </strong>
            .
          </p>
        ))}
        {head && <HeadBalance head={head} />}
        {inside && (
          <ul>
            {insideLines(inside).map((line) => (
              <li key={line} className="border-t border-hair">
                <Said words={line} />
              </li>
            ))}
          </ul>
        )}
        {ear && <EarLoad ear={ear} />}
        {back && <BackLoad back={back} />}
        {shoulders?.partIds.includes(made.id) && <ShoulderLoad load={shoulders} partId={made.id} />}
        {limb && (
          <p>
            {counted(limb.straps, 'strap')} hold {trimNumber(limb.massG, 0)} g by friction: drawn with{' '}
            <strong>{trimNumber(limb.pullN)} N</strong> each it stays up walking, and presses with{' '}
            {trimNumber(limb.kPa)} kPa.
          </p>
        )}
        <h2 className="head mt-1">Straps of this part</h2>
        {straps.length === 0 ? (
          <p className="text-soft">None.</p>
        ) : (
          <ul>
            {straps.map((s) => (
              <li key={s.where} className="border-t border-hair">
                {s.count} × <strong>{length(s.lengthMm, 0)}</strong> {s.where}
                {s.overlapMm > 0 && `, ${length(s.overlapMm, 0)} of it overlap`}
              </li>
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Moving">
        <h2 className="head">Moving, with everything on</h2>
        {fitting.movements.length === 0 && <p className="text-soft">No part is near a joint yet.</p>}
        <table className="w-full">
          <tbody>
            {fitting.movements.map((m) => (
              <tr key={m.joint} className="border-t border-hair align-top">
                <th scope="row" className="pr-2 text-left font-medium">
                  {m.label}
                </th>
                <td className="whitespace-nowrap pr-2">
                  {m.angleDeg >= m.mostDeg ? 'freely' : `${trimNumber(m.angleDeg, 0)}°`}
                  {m.angleDeg < m.wantedDeg && <strong> (wants {m.wantedDeg}°)</strong>}
                </td>
                <td className="text-soft">
                  {m.stoppedBy ? `until ${m.stoppedBy.map((s) => s.name).join(' meets ')}` : m.for}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {chafes.length > 0 && (
          <ul aria-label="Chafing">
            {chafes.map((c) => (
              <li key={c.label} className="border-t border-hair">
                Chafes: {c.label} {trimNumber(c.angleDeg, 0)}°, then its edge comes to {c.skin}. Round it
                over, pad it or cut it back.
              </li>
            ))}
          </ul>
        )}
        <p className="mt-1 text-[12px] text-soft">
          From the slices in the plane of each movement. Real joints shift: try it on in paper, with a helper
          near.
        </p>
      </section>
      <section aria-label="Putting on">
        <h2 className="head">Order of dressing</h2>
        <ol className="list-decimal pl-5">
          {fitting.dressing.map((d) => (
            <li key={d.partId} className={d.partId === made.id ? 'font-medium' : ''}>
              {d.name}: {d.how}
              {d.openingMm !== undefined &&
                ` (${length(d.openingMm, 0)} for ${length(d.needMm!, 0)}${d.passes ? '' : ', does not pass'})`}
              {d.helper && ', helper'}
            </li>
          ))}
        </ol>
        {about && (
          <>
            <h2 className="head mt-1">Getting about</h2>
            <ul>
              {aboutLines(about).map((line) => (
                <li key={line} className="border-t border-hair">
                  <Said words={line} />
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-1 text-[12px] text-soft">
          Foam covers about {trimNumber(fitting.covered * 100, 0)} % of the body. Drink, rest, take it off at
          dizziness.
        </p>
      </section>
    </div>
  );
}
