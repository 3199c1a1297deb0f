import type { Check, Part } from '../document';
import type { Piece } from '../panel';
import { sheetOf, type Context } from './context';
import { bendChecks, unsoldChecks } from './checks/foam';
import { crossingChecks } from './checks/crossing';
import { clashChecks } from './checks/inside';
import { stretchChecks } from './checks/stretch';
import { lidSwingChecks } from './checks/lidSwing';
import { probedChecks } from './checks/probed';
import { wayOutChecks } from './checks/wayOut';
import { foldBackChecks } from './checks/foldBack';
import { cutAwayChecks, cutAways } from './cutAway';
import { wholeChecks } from './drilling';
import { lidChecks } from './lids';
import type { MadePart, Noticed, Origin, Shell } from './madePart';
import { pressChecks, slackChecks } from './checks/wear';

/** Several features may notice the same; the worst of them speaks. */
const worstOf = (checks: readonly Check[]): Check[] =>
  checks.filter(
    (c, i) =>
      !checks.some((o, k) => o.id === c.id && (o.excess > c.excess || (o.excess === c.excess && k < i))),
  );

/** A part as far as it is made when it is looked over. */
export interface LookedOver
  extends
    Shell,
    Pick<MadePart, 'foam' | 'lining' | 'rooms' | 'bodies' | 'ways' | 'wear' | 'featured' | 'templates'> {
  /** Pieces of the shell, those of them that are cut, and all flat pieces. */
  shell: Piece[];
  cut: Piece[];
  flat: Piece[];
}

/** Everything that is found wrong with a part, and where it comes from. */
export function noticedIn(part: Part, context: Context, made: LookedOver, coarse: boolean): Noticed[] {
  const { model, laid, featured, wear, rooms, bodies, ways, templates, shell, cut, flat } = made;
  const sheet = sheetOf(context);
  const used = [
    made.foam,
    ...(made.lining ? [made.lining] : []),
    ...laid.filter((l) => !l.panel.existing).map((l) => l.foam),
    ...featured.pieces.map((p) => sheet(p)),
  ];
  /** A printer bends nothing, and nothing of it is bought as sheet. */
  const inSheetChecks = [...unsoldChecks(part, context, used), ...bendChecks(part, context, made.bending)];
  const from = (origin: Origin, checks: readonly Check[]): Noticed[] =>
    checks.map((check) => ({ check, from: origin }));
  return [
    ...from('model', model.checks),
    ...from('part', [
      ...(part.printed ? [] : inSheetChecks),
      ...(wear
        ? [...pressChecks(wear, shell), ...(part.printed ? [] : slackChecks(wear, cut, part, context.kinds))]
        : []),
      ...made.touching,
      ...foldBackChecks(flat),
      ...(coarse ? [] : crossingChecks(flat)),
      ...clashChecks(part, bodies, rooms, laid),
      ...worstOf(featured.checks),
      ...wholeChecks(laid, templates),
      ...probedChecks([...flat, ...templates], featured.probed),
      ...lidChecks(laid, templates, featured.items),
      ...lidSwingChecks(laid, model.sticks, bodies),
      ...cutAwayChecks(cutAways(rooms, featured.items)),
    ]),
    ...from('flat', part.printed ? [] : stretchChecks(cut, part, context)),
    ...from('ways', ways ? wayOutChecks(part, ways, bodies, laid, context.kinds, featured.checks) : []),
  ];
}
