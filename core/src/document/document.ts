import { measures, seenMarks, wearerRule } from '../body';
import { foamStockRule, ownFoamRule } from '../materials';
import { pictureRule } from '../picture';
import { also, byKey, id, list, name, object, oneOf, optional, text, type ValueOf, words } from '../rule';
import { briefRule } from './brief';
import { circuitRule } from './circuit';
import { cutPlanRule } from './cutPlan';
import { keptMeshRule } from './keptMesh';
import type { Known } from './known';
import { makePlanRule } from './makePlan';
import { versionRule, versionsFit } from './otherwise';
import { chosenBy, paramsRule } from './parts/params';
import { partRule, partsHang } from './parts/part';

/** The schema this code reads and writes; older ones are lifted to it when they are read. */
export const schemaVersion = 2;

/** A small solid that is printed, by its kind's fields. */
const printedPartRule = ({ printed }: Known) =>
  object({
    id,
    kind: oneOf(...printed.map((k) => k.kind)),
    params: chosenBy(
      'kind',
      printed.map((k) => [k.kind, paramsRule(k.fields)] as const),
    ),
  });
export type PrintedPart = ValueOf<ReturnType<typeof printedPartRule>>;

/** Why a finding may stay, and what it said then. */
const setAsideRule = object({ title: words(500), reason: text(500) });
export type SetAside = ValueOf<typeof setAsideRule>;

/** The decisions of one build, and nothing derived from them; `known` is what it may be made of. */
export const buildRule = (known: Known) =>
  also(
    object({
      schema: oneOf(schemaVersion),
      name,
      brief: briefRule,
      wearer: wearerRule,
      stock: list(foamStockRule, { most: 200 }),
      parts: also(list(partRule(known), { most: 200, unique: 'id' }), partsHang),
      circuits: list(circuitRule, { most: 100, unique: 'id' }),
      cut: cutPlanRule,
      make: makePlanRule,
      /** What it is made after. */
      pictures: optional(
        list(
          pictureRule(
            measures.map((m) => m.key),
            seenMarks,
          ),
          { most: 40, unique: 'id' },
        ),
      ),
      /** Small parts for a printer. */
      printed: optional(list(printedPartRule(known), { most: 60, unique: 'id' })),
      /** Sheets that no catalogue has. */
      foams: optional(list(ownFoamRule, { most: 40, unique: 'id' })),
      /** Surfaces that parts are skinned over. */
      meshes: optional(list(keptMeshRule, { most: 12, unique: 'id' })),
      /** The same build otherwise: hero and stunt, lit and unlit, another size. */
      versions: optional(list(versionRule(known), { most: 20, unique: 'id' })),
      /** What was brought into today's ranges when it was opened, in words, until it is dismissed. */
      broughtIn: optional(list(words(300), { most: 400 })),
      /** Findings that are understood, by their ids; one whose words have changed since counts again. */
      setAside: optional(byKey(words(200), setAsideRule)),
    }),
    versionsFit(known),
  );
export type BuildDoc = ValueOf<ReturnType<typeof buildRule>>;
