import { type Pack, packs, rods } from '@fomrik/core/materials';
import {
  boreForPack,
  boreOf,
  holeLine,
  inside,
  mitreWrap,
  type PipeForPack,
  pipesForPack,
  plugMm,
  saddleWrap,
  sleeveMm,
} from '@fomrik/core/pipe';
import { byId, counted, trimNumber, lastOf, firstOf } from '@fomrik/core/units';
import { useState } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField, NumberField } from '../../parts/Field';
import { saveFile } from './saveFile';

const tubes = rods.filter((r) => r.shape === 'tube');

const holeFields = [
  { key: 'startMm', label: 'First hole at', range: [0, 3000] },
  { key: 'endMm', label: 'Last hole by', range: [0, 3000] },
  { key: 'pitchMm', label: 'Spacing', range: [2, 1000] },
  { key: 'diameterMm', label: 'Across each', range: [1, 60] },
] as const;

/** A wrap as a drawing at actual size: straight above, cut along the curve below, its tips at the pipe’s end. */
function wrapSvg(line: readonly { x: number; y: number }[], words: string): string {
  const high = Math.max(...line.map((p) => p.y)) + 35;
  const wide = lastOf(line).x;
  const points = [
    { x: 0, y: high - 5 },
    ...line.map((p) => ({ x: p.x, y: p.y + 5 })),
    { x: wide, y: high - 5 },
  ];
  const path = points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(2)} ${(high - p.y).toFixed(2)}`)
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${wide.toFixed(2)}mm" height="${high.toFixed(2)}mm" viewBox="0 0 ${wide.toFixed(2)} ${high.toFixed(2)}"><path d="${path}Z" fill="none" stroke="black" stroke-width="0.4"/><text x="${(wide / 2).toFixed(1)}" y="13" font-size="4" text-anchor="middle">${words}</text></svg>`;
}

/** A strip to lay along a pipe, a cross and a circle at every hole, its left end at the pipe's. */
function holesSvg(spots: readonly number[], diameterMm: number, words: string): string {
  const long = (spots.at(-1) ?? 0) + diameterMm + 10;
  const high = Math.max(24, diameterMm + 16);
  const marks = spots
    .map(
      (x) =>
        `<circle cx="${x}" cy="${high / 2}" r="${diameterMm / 2}"/><path d="M${x - 3} ${high / 2}h6M${x} ${high / 2 - 3}v6"/>`,
    )
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${long}mm" height="${high}mm" viewBox="0 0 ${long} ${high}"><g fill="none" stroke="black" stroke-width="0.3"><path d="M0 0H${long}V${high}H0Z"/>${marks}</g><text x="2" y="${high - 2}" font-size="3.5">${words}</text></svg>`;
}

/** What fits what, and paper wraps to saw by. */
export function PipeBench() {
  const [rodId, setRod] = useState('pvc-1in');
  const [cut, setCut] = useState<'mitre' | 'saddle' | 'holes'>('mitre');
  const [angle, setAngle] = useState(22.5);
  const [onto, setOnto] = useState('pvc-2in');
  const [foam, setFoam] = useState(5);
  const [holes, setHoles] = useState({ startMm: 40, endMm: 240, pitchMm: 40, diameterMm: 8 });
  const rod = byId(tubes, rodId) ?? firstOf(tubes);
  const outside = rod.acrossMm.value;
  const bore = boreOf(rod);
  const main = byId(tubes, onto) ?? rod;
  const wrap =
    cut === 'mitre'
      ? mitreWrap(outside, angle)
      : cut === 'saddle'
        ? saddleWrap({ outsideMm: outside, boreMm: bore }, main.acrossMm.value, 90)
        : undefined;
  const spots = holeLine(holes.startMm, holes.endMm, holes.pitchMm);
  const fits = inside(rod, rods).slice(0, 5);
  const held = packs.filter((p) => boreForPack(p) <= bore);
  const high = wrap ? Math.max(...wrap.line.map((p) => p.y)) : 0;
  const words = {
    mitre: `mitre ${trimNumber(angle, 1)} deg on ${rod.name}`,
    saddle: `saddle of ${rod.name} on ${main.name}`,
    holes: `${counted(spots.length, 'hole')} ${trimNumber(holes.diameterMm, 1)} mm along ${rod.name}`,
  }[cut];
  const drawing =
    cut === 'holes' ? holesSvg(spots, holes.diameterMm, words) : wrap && wrapSvg(wrap.line, words);
  return (
    <section aria-label="Pipe" className="leaf p-3">
      <h2 className="head">Pipe: what fits, and wraps to saw by</h2>
      <div className="mt-1 grid grid-cols-6 gap-3 max-[1100px]:grid-cols-3">
        <ChoiceField
          label="Pipe"
          value={rod.id}
          choices={tubes.map((r) => ({ value: r.id, label: r.name }))}
          onChange={setRod}
        />
        <LengthField label="Foam round it" valueMm={foam} range={[1, 50]} onChange={setFoam} />
        <ChoiceField
          label="Cut"
          value={cut}
          choices={[
            { value: 'mitre', label: 'mitre' },
            { value: 'saddle', label: 'saddle on a pipe' },
            { value: 'holes', label: 'a line of holes' },
          ]}
          onChange={setCut}
        />
        {cut === 'mitre' ? (
          <NumberField
            label="Off square"
            value={angle}
            range={[0.5, 70]}
            suffix="°"
            onChange={setAngle}
            help="Half of the turn two mitred pipes make together."
          />
        ) : cut === 'saddle' ? (
          <ChoiceField
            label="On"
            value={onto}
            choices={tubes.map((r) => ({ value: r.id, label: r.name }))}
            onChange={setOnto}
          />
        ) : (
          holeFields.map(({ key, label, range }) => (
            <LengthField
              key={key}
              label={label}
              valueMm={holes[key]}
              range={range}
              onChange={(mm) => setHoles({ ...holes, [key]: mm })}
            />
          ))
        )}
        <div className="flex items-center">
          <button
            type="button"
            className="btn"
            disabled={!drawing}
            onClick={() => drawing && saveFile(drawing, 'pipe-template.svg', 'image/svg+xml', rod.name)}
          >
            Template as SVG
          </button>
        </div>
      </div>
      <div className="mt-1 grid grid-cols-[1fr_1.2fr] gap-x-6 text-[13px] max-[1000px]:grid-cols-1">
        <div>
          <p>
            Outside <strong>{trimNumber(outside, 1)} mm</strong>, bore{' '}
            <strong>{trimNumber(bore, 1)} mm</strong> (
            {rod.acrossMm.provenance === 'standard'
              ? 'ASTM D1785, Schedule 40'
              : 'from memory; measure yours'}
            ). Drill foam {trimNumber(outside - 1, 1)} mm for a snug hole; a plug is{' '}
            {trimNumber(plugMm(bore), 1)} mm across.
          </p>
          <p>
            A sleeve of {trimNumber(foam, 1)} mm foam is cut {trimNumber(sleeveMm(outside, foam, 0.5), 1)} mm
            long to close, and makes it {trimNumber(outside + 2 * foam, 1)} mm across.
          </p>
          <p>
            Goes in it:{' '}
            {fits.length === 0
              ? 'nothing known'
              : fits
                  .map(
                    (f) =>
                      `${f.rod.name} (${trimNumber(f.playMm, 1)} mm play${f.how === 'packed out' ? ', packed out' : ''})`,
                  )
                  .join('; ')}
            .
          </p>
          <p>
            Packs that fit lengthwise:{' '}
            {held.length === 0
              ? 'none; the narrowest pipe for each is reported under the pack'
              : held.map((p) => p.name).join('; ')}
            .
          </p>
        </div>
        {wrap ? (
          <svg
            viewBox={`-2 -${high + 26} ${wrap.girthMm + 4} ${high + 30}`}
            className="max-h-40 w-full"
            role="img"
            aria-label={`Wrap for a ${words}, ${trimNumber(wrap.girthMm, 1)} mm round, ${trimNumber(high, 1)} mm high`}
          >
            <polygon
              points={[
                `0,${-high - 22}`,
                ...wrap.line.map((p) => `${p.x},${-p.y}`),
                `${wrap.girthMm},${-high - 22}`,
              ].join(' ')}
              fill="white"
              stroke="var(--color-ink)"
              strokeWidth={0.6}
            />
          </svg>
        ) : cut === 'holes' ? (
          <p>
            {spots.length} holes at {spots.map((mm) => trimNumber(mm, 1)).join(', ')} mm from the end. Pilot
            hole first, then up to size.
          </p>
        ) : (
          <p className="text-soft">
            {rod.name} is wider than {main.name}: it cannot sit on it.
          </p>
        )}
      </div>
      <PacksInPipes packs={packs} />
      <p className="mt-1 text-[12px] text-soft">
        For a square cut wrap a straight strip and line up its overlap. Pilot hole before any large one; scuff
        for paint and glue; mask and extraction when sawing.
      </p>
    </section>
  );
}

/** The narrowest pipe for every pack, with the ones to either side. */
function PacksInPipes({ packs }: { packs: readonly Pack[] }) {
  if (packs.length === 0) return null;
  const words = ({ rod, spareMm }: PipeForPack): string =>
    `${rod.name} (${trimNumber(Math.abs(spareMm), 1)} mm ${spareMm < 0 ? 'too narrow' : 'to spare'})`;
  return (
    <table className="mt-2 w-full text-[13px]">
      <thead className="text-left text-[12px] text-soft">
        <tr>
          {['Pack, lengthwise', 'the next narrower', 'the narrowest that takes it', 'the next wider'].map(
            (h) => (
              <th key={h} className="pr-3 font-medium">
                {h}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>
        {packs.map((pack) => {
          const found = pipesForPack(pack, rods);
          const at = found.findIndex((f) => f.spareMm >= 0);
          const [under, own, over] = [
            found[at < 0 ? 0 : at - 1],
            found[at],
            at < 0 ? undefined : found[at + 1],
          ];
          return (
            <tr key={pack.id} className="border-t border-hair">
              <th scope="row" className="pr-3 text-left font-medium">
                {pack.name}
              </th>
              <td className="pr-3 text-soft">{under ? words(under) : 'none'}</td>
              <td className="pr-3 font-medium">{own ? words(own) : 'none that is known'}</td>
              <td className="text-soft">{over ? words(over) : 'none'}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
