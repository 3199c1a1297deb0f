import { GiveLine } from './GiveLine';
import { knownLength } from '@fomrik/core/document';
import { disagreement, measuredOn, type Picture, type Spot, type View, views } from '@fomrik/core/picture';
import { formOf, freeName, standardKinds } from '@fomrik/core/parts';
import { byId, trimNumber, itemAt } from '@fomrik/core/units';
import { X } from 'lucide-react';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { ChoiceField } from '../parts/ChoiceField';
import { WordsField } from '../parts/Field';
import { api } from '../store/api';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { SizeFields } from './SizeFields';
import { StandingFigure } from './StandingFigure';

interface PictureMarksProps {
  picture: Picture;
  /** One change of it, a step of undo. */
  onChange: (to: Picture) => void;
  onDrag: (to: Picture) => void;
  onDragEnd: () => void;
  onRemove: () => void;
}

interface Mark {
  label: string;
  at: Spot;
  to: (at: Spot) => Picture;
}

const viewWords: Record<View, string> = {
  front: 'the front',
  side: 'the side',
  back: 'the back',
  detail: 'near, a detail',
};

const corners = ['top left', 'top right', 'bottom right', 'bottom left'];

/** A picture with what is marked on it: a sheet that squares it up, a known length, and a line to measure. */
export function PictureMarks({ picture, onChange, onDrag, onDragEnd, onRemove }: PictureMarksProps) {
  const body = useReport((s) => s.report!.body);
  const parts = useBuild((s) => s.doc.parts);
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<number | undefined>(undefined);
  const { widthPx: w, heightPx: h, sheet, known } = picture;
  const [line, setLine] = useState<[Spot, Spot]>([
    [w * 0.3, h * 0.85],
    [w * 0.7, h * 0.85],
  ]);
  const size = Math.max(w, h);
  const length = knownLength(picture, body);
  const found = measuredOn(picture, length, ...line);
  const apart = disagreement(picture, length);
  const ends = length?.ends ?? known;
  const marks: Mark[] = [
    ...(sheet
      ? sheet.corners.map((at, i) => ({
          label: `Sheet, ${corners[i]}`,
          at,
          to: (to: Spot): Picture => ({
            ...picture,
            sheet: {
              ...sheet,
              corners: sheet.corners.map((c, k) => (k === i ? to : c)) as typeof sheet.corners,
            },
          }),
        }))
      : []),
    ...(known
      ? [
          {
            label: known.figure ? 'Crown of the head' : 'Known length, one end',
            at: known.from,
            to: (from: Spot) => ({ ...picture, known: { ...known, from } }),
          },
          {
            label: known.figure ? 'Floor' : 'Known length, other end',
            at: known.to,
            to: (to: Spot) => ({ ...picture, known: { ...known, to } }),
          },
          ...(known.figure ?? []).map(({ name, at }, i) => ({
            label: `Their ${name}`,
            at,
            to: (to: Spot): Picture => ({
              ...picture,
              known: {
                ...known,
                figure: known.figure!.map((m, k) => (k === i ? { ...m, at: to } : m)),
              },
            }),
          })),
        ]
      : []),
  ];
  const all = [...marks.map((m) => m.at), ...line];
  const put = (i: number, at: Spot, drag: boolean): void => {
    const inside: Spot = [Math.min(w, Math.max(0, at[0])), Math.min(h, Math.max(0, at[1]))];
    const mark = marks[i];
    if (mark) (drag ? onDrag : onChange)(mark.to(inside));
    else setLine(i === marks.length ? [inside, line[1]] : [line[0], inside]);
  };
  const onMove = (e: PointerEvent): void => {
    if (held.current === undefined) return;
    const box = svg.current!.getBoundingClientRect();
    const scale = Math.max(w / box.width, h / box.height);
    const [left, top] = [box.left + (box.width - w / scale) / 2, box.top + (box.height - h / scale) / 2];
    put(held.current, [(e.clientX - left) * scale, (e.clientY - top) * scale], true);
  };
  const drop = (): void => {
    if (held.current === undefined) return;
    if (held.current < marks.length) onDragEnd();
    held.current = undefined;
  };
  const onKey = (e: KeyboardEvent, i: number): void => {
    const by = e.shiftKey ? 10 : e.altKey ? 0.2 : 1;
    const step: Record<string, Spot> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const move = step[e.key];
    if (!move) return;
    e.preventDefault();
    put(i, [itemAt(all, i)[0] + move[0], itemAt(all, i)[1] + move[1]], false);
  };
  const lines = (picture.lines ?? []).map((one) => {
    const part = byId(parts, one.part);
    const field = part && formOf(standardKinds, part.form).fields.find((f) => f.key === one.field);
    const now = measuredOn(picture, length, one.from, one.to);
    const size = now ? `${trimNumber(now.lengthMm, 0)} ± ${trimNumber(now.likelyMm, 0)} mm` : 'no scale yet';
    return {
      line: one,
      words: `${part?.name ?? 'a part that is gone'}, ${field?.label.toLowerCase() ?? one.field}: ${size}`,
    };
  });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_17rem] gap-3 max-[1000px]:grid-cols-1">
      <svg
        ref={svg}
        viewBox={`0 0 ${w} ${h}`}
        className="h-96 w-full touch-none bg-leaf"
        role="group"
        aria-label={`${picture.name}, marked`}
        onPointerMove={onMove}
        onPointerUp={drop}
        onPointerCancel={drop}
      >
        <image href={api.pictureUrl(picture.content)} width={w} height={h} />
        {sheet && (
          <polygon
            points={sheet.corners.map((c) => c.join(',')).join(' ')}
            fill="none"
            stroke="var(--color-teal)"
            strokeWidth={size / 400}
          />
        )}
        {known?.measure === 'stature' && ends && (
          <StandingFigure body={body} crown={ends.from} floor={ends.to} size={size} />
        )}
        {ends && <Ruled from={ends.from} to={ends.to} size={size} dash="" />}
        {(known?.figure ?? []).map(({ name, at }) => (
          <text
            key={name}
            x={at[0] + size / 38}
            y={at[1] + size / 100}
            fontSize={size / 40}
            fill="var(--color-ink)"
            stroke="white"
            strokeWidth={size / 300}
            paintOrder="stroke"
          >
            their {name}
          </text>
        ))}
        <Ruled from={line[0]} to={line[1]} size={size} dash={`${size / 80} ${size / 160}`} />
        {all.map((at, i) => (
          <g
            key={i}
            role="button"
            tabIndex={0}
            aria-label={`${marks[i]?.label ?? `Measured line, ${i === marks.length ? 'one' : 'other'} end`}: ${trimNumber(at[0], 1)} across, ${trimNumber(at[1], 1)} down`}
            className="cursor-move outline-none focus-visible:[&>circle]:stroke-[var(--color-stop)]"
            onKeyDown={(e) => onKey(e, i)}
            onPointerDown={(e) => {
              (e.target as Element).setPointerCapture(e.pointerId);
              held.current = i;
            }}
          >
            <circle
              cx={at[0]}
              cy={at[1]}
              r={size / 45}
              fill="white"
              fillOpacity={0.15}
              stroke="var(--color-teal)"
              strokeWidth={size / 500}
            />
            <path
              d={`M${at[0] - size / 90} ${at[1]}h${size / 45}M${at[0]} ${at[1] - size / 90}v${size / 45}`}
              stroke="var(--color-teal)"
              strokeWidth={size / 800}
            />
          </g>
        ))}
      </svg>
      <div className="flex flex-col gap-2 text-[13px]">
        <WordsField
          label="Picture"
          value={picture.name}
          onChange={(name) => onChange({ ...picture, name })}
        />
        <ChoiceField
          label="Seen from"
          value={picture.view ?? 'none'}
          choices={[
            { value: 'none', label: 'not said' },
            ...views.map((v) => ({ value: v, label: viewWords[v] })),
          ]}
          onChange={(value) => {
            const seen = { ...picture };
            delete seen.view;
            onChange(value === 'none' ? seen : { ...seen, view: value as View });
          }}
        />
        <SizeFields picture={picture} onChange={onChange} />
        <p role="status">
          {found
            ? `The dashed line is ${trimNumber(found.lengthMm, 0)} ± ${trimNumber(found.likelyMm, 1)} mm.`
            : 'Nothing says its size yet: mark a sheet or a known length.'}
          {apart !== undefined &&
            Math.abs(apart) > 0.02 &&
            ` The sheet and the known length disagree by ${trimNumber(Math.abs(apart) * 100, 0)} %: they may not lie in one plane.`}
        </p>
        {found && (
          <GiveLine
            {...found}
            keep={(d, part, field) => {
              const own = d.pictures?.find((p) => p.id === picture.id);
              if (!own) return;
              const others = (own.lines ?? []).filter((l) => l.part !== part || l.field !== field);
              const id = freeName(
                others.map((l) => l.id),
                'line',
              );
              own.lines = [...others, { id, from: line[0], to: line[1], part, field }];
            }}
          />
        )}
        {lines.length > 0 && (
          <ul aria-label="Lengths applied to parts" className="grid gap-1 border-t border-hair pt-1">
            {lines.map(({ line: one, words }) => (
              <li key={one.id} className="flex items-center justify-between gap-1">
                <button
                  type="button"
                  className="text-left text-teal underline"
                  title="Show it as the measured line"
                  onClick={() => setLine([one.from, one.to])}
                >
                  {words}
                </button>
                <button
                  type="button"
                  className="btn btn-icon"
                  aria-label={`Remove the length: ${words}`}
                  onClick={() =>
                    onChange({ ...picture, lines: (picture.lines ?? []).filter((l) => l.id !== one.id) })
                  }
                >
                  <X size={14} aria-hidden />
                </button>
              </li>
            ))}
          </ul>
        )}
        <p className="text-[12px] text-soft">
          Holds for what lies in the plane of the sheet or the line; what stands nearer the camera looks
          larger. Arrows move the focused mark (Shift 10, Alt 0.2).
        </p>
        <button type="button" className="btn self-start" onClick={onRemove}>
          Remove the picture
        </button>
      </div>
    </div>
  );
}

const Ruled = ({ from, to, size, dash }: { from: Spot; to: Spot; size: number; dash: string }) => (
  <line
    x1={from[0]}
    y1={from[1]}
    x2={to[0]}
    y2={to[1]}
    stroke="var(--color-teal)"
    strokeWidth={size / 400}
    strokeDasharray={dash}
  />
);
