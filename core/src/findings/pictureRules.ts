import { knownLength } from '../document';
import { disagreement, measuredOn, type Picture } from '../picture';
import { printMm, trimNumber } from '../units';
import type { Finding } from './finding';
import type { BuildRule } from './rule';

/** A drawing traced from a picture is no better than this share; worse is told. From memory. */
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
            sure: 'practice',
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
              sure: 'memory',
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
              sure: 'practice',
              excess: Math.abs(apart),
            },
            'apart',
          ),
        ];
  });
