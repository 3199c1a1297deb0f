import { knownLength, type NumberField, type Part, standingIn } from '../document';
import { disagreement, measuredOn, type Picture } from '../picture';
import { printMm, trimNumber } from '../units';
import type { Finding } from '../document';
import type { BuildRule } from './rule';

/** A drawing traced from a picture is no better than this share; worse is reported. From memory. */
const COARSE = 0.03;
/** A sheet and a known length may differ by this before one of them is doubted. From memory. */
const APART = 0.03;

const about = (
  picture: Picture,
  rest: Omit<Finding, 'id' | 'station' | 'remedies'>,
  what: string,
): Finding => ({
  id: `picture:${what}:${picture.id}`,
  station: 'brief',
  remedies: [],
  ...rest,
});

/** Pictures that lie beneath a drawing: to scale, and finely enough. */
export const picturesScaled: BuildRule = ({ doc, report }) =>
  (doc.pictures ?? []).flatMap((picture): Finding[] => {
    const over = doc.parts.filter((p) => p.beneath?.picture === picture.id).map((p) => p.name);
    if (over.length === 0) return [];
    const { widthPx: w, heightPx: h } = picture;
    const half = measuredOn(picture, knownLength(picture, report.body), [w / 4, h / 2], [(w * 3) / 4, h / 2]);
    const names = over.join(', ');
    if (!half)
      return [
        about(
          picture,
          {
            severity: 'mind',
            title: `“${picture.name}” lies beneath ${names}, and nothing says how large it is.`,
            why: 'Mark a length you know on it, or a sheet of known size; until then it is not drawn.',
            provenance: 'practice',
            excess: 1,
          },
          'unscaled',
        ),
      ];
    const share = half.likelyMm / half.lengthMm;
    return share <= COARSE
      ? []
      : [
          about(
            picture,
            {
              severity: 'note',
              title: `“${picture.name}” beneath ${names} is good to ± ${printMm(half.likelyMm, 0)} in ${printMm(half.lengthMm, 0)}.`,
              why: 'Longer known lengths, sheets nearer the camera and measures taken with the tape make it surer.',
              provenance: 'memory',
              excess: share,
            },
            'coarse',
          ),
        ];
  });

/** A sheet that squares a picture up and a length known on it that contradict each other. */
export const picturesAgree: BuildRule = ({ doc, report }) =>
  (doc.pictures ?? []).flatMap((picture): Finding[] => {
    const apart = disagreement(picture, knownLength(picture, report.body));
    return apart === undefined || Math.abs(apart) <= APART
      ? []
      : [
          about(
            picture,
            {
              severity: 'mind',
              title: `“${picture.name}”: by the sheet the known length is ${trimNumber(Math.abs(apart) * 100, 0)} % ${apart > 0 ? 'longer' : 'shorter'} than it is said to be; the known length counts.`,
              why: 'A sheet and a length that do not lie in one plane are seen at different scales.',
              provenance: 'practice',
              excess: Math.abs(apart),
            },
            'apart',
          ),
        ];
  });

/** Marks of a figure may be off the wearer's proportions by this share of their height before it is reported. From memory. */
const UNLIKE = 0.02;

/** A figure in a picture that is not built as the wearer is. */
export const picturesFigure: BuildRule = ({ doc, report }) =>
  (doc.pictures ?? []).flatMap((picture): Finding[] => {
    const standing = standingIn(picture, report.body);
    const tall = report.body.stature.valueMm;
    const worst = standing?.offMm.reduce((a, b) => (b.mm > a.mm ? b : a));
    if (!worst || worst.mm <= UNLIKE * tall) return [];
    return [
      about(
        picture,
        {
          severity: 'note',
          title: `The figure in “${picture.name}” is not built as the wearer: its ${worst.name} ${worst.name.endsWith('s') ? 'are' : 'is'} ${printMm(worst.mm, 0)} off.`,
          why: 'Heroes are drawn with small heads and long legs, and a camera held low does the same. Lines near the marks that agree are surer.',
          provenance: 'memory',
          excess: worst.mm / tall,
        },
        'figure',
      ),
    ];
  });

/** A line is good enough for a part to this, mm, or to {@link COARSE} of it where that is more. From memory. */
const NEEDED_MM = 2;
/** Views that differ by more than so many standard deviations disagree. */
const SIGMAS = 2;

interface GivenNow {
  picture: Picture;
  lengthMm: number;
  likelyMm: number;
  part: Part;
  index: number;
  field: NumberField;
}

/** Lines that were given to a part, as the pictures have them now: they change with the wearer. */
function givenNow({ doc, report, context }: Parameters<BuildRule>[0]): GivenNow[] {
  return (doc.pictures ?? []).flatMap((picture) =>
    (picture.lines ?? []).flatMap((line): GivenNow[] => {
      const index = doc.parts.findIndex((p) => p.id === line.part);
      const part = doc.parts[index];
      const field = part && context.kinds.forms.get(part.form)?.fields.find((f) => f.key === line.field);
      const found = measuredOn(picture, knownLength(picture, report.body), line.from, line.to);
      if (!part || field?.type !== 'length' || !found) return [];
      return [{ picture, ...found, part, index, field }];
    }),
  );
}

const rounded = (mm: number): number => Math.round(mm * 10) / 10;

/** Lines given to parts: whether the part still has them, whether they are fine enough, and whether two views agree. */
export const picturesGiven: BuildRule = (input) => {
  const given = givenNow(input);
  const apart = given.flatMap((a, i) =>
    given.slice(i + 1).flatMap((b): Finding[] => {
      const same = a.part.id === b.part.id && a.field.key === b.field.key;
      const off = Math.abs(a.lengthMm - b.lengthMm);
      if (!same || off <= SIGMAS * Math.hypot(a.likelyMm, b.likelyMm)) return [];
      return [
        about(
          b.picture,
          {
            severity: 'mind',
            title: `${a.part.name}, ${a.field.label.toLowerCase()}: “${a.picture.name}” says ${printMm(a.lengthMm, 0)} ± ${printMm(a.likelyMm, 0)}, “${b.picture.name}” ${printMm(b.lengthMm, 0)} ± ${printMm(b.likelyMm, 0)}.`,
            why: 'Two views of one thing differ by more than their marks allow: one of them is not in the plane of its scale, or of another size.',
            provenance: 'standard',
            excess: off,
            partId: a.part.id,
          },
          `views-${a.part.id}-${a.field.key}-${a.picture.id}`,
        ),
      ];
    }),
  );
  // Of several lines for one length the surest speaks.
  const surest = given.filter((a) =>
    given.every(
      (b) =>
        b === a ||
        b.part !== a.part ||
        b.field !== a.field ||
        a.likelyMm < b.likelyMm ||
        (a.likelyMm === b.likelyMm && given.indexOf(a) < given.indexOf(b)),
    ),
  );
  return [
    ...apart,
    ...surest.flatMap(({ picture, lengthMm, likelyMm, part, index, field }): Finding[] => {
      const has = Number(part.params[field.key]);
      const [least, most] = field.range;
      const wanted = Math.min(most, Math.max(least, rounded(lengthMm)));
      const key = `${part.id}-${field.key}`;
      const coarse = likelyMm > Math.max(NEEDED_MM, COARSE * lengthMm);
      return [
        ...(Math.abs(has - wanted) > 0.5
          ? [
              {
                ...about(
                  picture,
                  {
                    severity: 'note' as const,
                    title: `${part.name}, ${field.label.toLowerCase()} is ${printMm(has, 0)}; “${picture.name}” says ${printMm(lengthMm, 0)} ± ${printMm(likelyMm, 0)} for this wearer.`,
                    why: 'The line was given to it; the picture’s scale, or the wearer it follows, has changed since, or the value was.',
                    provenance: 'measured' as const,
                    excess: Math.abs(has - wanted),
                    partId: part.id,
                  },
                  `line-${key}`,
                ),
                remedies: [
                  {
                    label: `As on the picture: ${printMm(wanted, 1)}`,
                    changes: [{ path: ['parts', index, 'params', field.key], value: wanted }],
                  },
                ],
              },
            ]
          : []),
        ...(coarse
          ? [
              about(
                picture,
                {
                  severity: 'note',
                  title: `${part.name}, ${field.label.toLowerCase()} is known from “${picture.name}” to ± ${printMm(likelyMm, 0)} only.`,
                  why: 'Worse than the part needs: mark a longer known length, nearer to the line, or measure the thing.',
                  provenance: 'memory',
                  excess: likelyMm,
                  partId: part.id,
                },
                `coarse-${key}`,
              ),
            ]
          : []),
      ];
    }),
  ];
};
