import { firstOf } from '../units';
import { resolveBody, type Wearer, type Zone, zoneInfo } from '../body';
import { type BuildDoc, type Mount, type Part, schemaVersion } from '../document';
import { startHabits } from '../materials';
import { formOf, standardKinds, type Kinds } from './kinds';

const addDays = (iso: string, days: number): string =>
  new Date(Date.parse(`${iso}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/**
 * A first part of a form, seeded from the wearer and hung where that is asked and the form can hang, or in its first
 * place; on a host that it can ride on, when there is one.
 */
export function newPart(
  id: string,
  wearer: Wearer,
  form: string,
  kinds: Kinds = standardKinds,
  hostId?: string,
  where?: Zone,
): Part {
  const kind = formOf(kinds, form);
  const zone = kind.zones.find((z) => z === where) ?? kind.zones[0];
  const { rides } = kind;
  const mount: Mount =
    rides && hostId !== undefined
      ? { to: 'part', part: hostId, ...rides }
      : zone === undefined
        ? { to: 'stand' }
        : { to: 'wearer', zone, side: firstOf(zoneInfo(zone).sides) };
  return {
    id,
    name: kind.label,
    form,
    params: kind.defaults(resolveBody(wearer.measures)),
    stack: kind.startStack.map((ply) => ({ ...ply })),
    lining: null,
    mount,
    features: [],
    darts: [],
  };
}

/** An empty build for a wearer, begun today and due in six weeks. */
export const newBuild = (name: string, todayIso: string, wearer: Wearer): BuildDoc => ({
  schema: schemaVersion,
  name,
  brief: {
    startDate: todayIso,
    eventDate: addDays(todayIso, 42),
    hoursPerDay: 2,
    budget: 150,
    currency: 'EUR',
    lightHours: 6,
    luggageMm: 650,
    eventMaxMm: 2000,
    notes: '',
  },
  wearer,
  stock: [],
  parts: [],
  circuits: [],
  cut: { page: 'A4', barMeasuredMm: 100, overlapMm: 10, spacingMm: 5 },
  make: { habits: startHabits, done: {} },
});
