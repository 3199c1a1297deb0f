import { bareScheme, type BuildDoc, type Part } from '@fomrik/core/document';
import { freeName, newBuild, newPart, standardKinds } from '@fomrik/core/parts';
import { startIn, startLightsIn } from '@fomrik/core/report';
import type { Doing, Recipe } from './recipe';

const wearer = { name: 'Orla Tidemark', underLayerMm: 2, measures: [] };
const BEGUN = '2027-01-04';

const partNamed = (doc: BuildDoc, name: string): Part => {
  const part = doc.parts.find((p) => p.name === name);
  if (!part) throw new Error(`no part is called ${name}`);
  return part;
};

/** Names taken in a build, and one that is not. */
function free(doc: BuildDoc): (base: string) => string {
  const taken = doc.parts
    .flatMap((p) => [p.id, ...p.features.map((f) => f.id)])
    .concat(doc.circuits.map((c) => c.id));
  return (base) => {
    const name = freeName(taken, base);
    taken.push(name);
    return name;
  };
}

const withPart = (doc: BuildDoc, part: Part): BuildDoc => ({
  ...doc,
  parts: doc.parts.map((p) => (p.id === part.id ? part : p)),
});

function done(doc: BuildDoc, what: Doing): BuildDoc {
  if ('add' in what) {
    const begun = newPart(
      freeName(
        doc.parts.map((p) => p.id),
        what.add,
      ),
      doc.wearer,
      what.add,
    );
    const part: Part = {
      ...begun,
      name: what.as,
      params: { ...begun.params, ...what.set },
      ...(what.side && begun.mount.to === 'wearer' && { mount: { ...begun.mount, side: what.side } }),
      ...(what.foam && { stack: what.foam.map(([foamId, nominalMm]) => ({ foamId, nominalMm })) }),
      ...(what.on && {
        mount: {
          to: 'part' as const,
          part: partNamed(doc, what.on.part).id,
          anchor: what.on.anchor,
          alongMm: 0,
          turnDeg: 0,
          ...what.on.rest,
        },
      }),
    };
    return { ...doc, parts: [...doc.parts, part] };
  }
  if ('detail' in what) {
    const part = partNamed(doc, what.of);
    const kind = standardKinds.features.get(what.detail)!;
    const started = startIn(doc, {
      partId: part.id,
      kind: what.detail,
      id: free(doc)(`${part.id}.${what.detail}`),
      pointed: { panel: '', edge: '', at: { x: 0.5, y: 0.5 } },
    });
    if (!started.ok) throw new Error(`${kind.label} on ${what.of}: ${started.message}`);
    const feature = { ...started.value, params: { ...started.value.params, ...what.set } };
    return withPart(doc, { ...part, features: [...part.features, feature] });
  }
  if ('paint' in what)
    return withPart(doc, {
      ...partNamed(doc, what.paint),
      scheme: { ...bareScheme, base: { colour: what.colour, surface: what.surface } },
    });
  const part = partNamed(doc, what.light);
  const lit = startLightsIn(doc, part.id, free(doc), {
    ...(what.with && { light: what.with }),
    ...(what.hours && { hours: what.hours }),
  });
  if (!lit.ok) throw new Error(`light on ${what.light}: ${lit.message}`);
  const inHosts = lit.value.elsewhere.reduce((build, { partId, features }) => {
    const host = build.parts.find((p) => p.id === partId)!;
    return withPart(build, { ...host, features: [...host.features, ...features] });
  }, doc);
  return {
    ...withPart(inHosts, {
      ...part,
      params: lit.value.params,
      features: [
        ...part.features,
        ...lit.value.features.map((f) =>
          what.set && f.kind === what.with ? { ...f, params: { ...f.params, ...what.set } } : f,
        ),
      ],
    }),
    circuits: [...doc.circuits, lit.value.circuit],
    ...(what.hours && { brief: { ...doc.brief, lightHours: what.hours } }),
  };
}

/** The build a recipe comes to. */
export const applied = ({ name, about, doing }: Recipe): BuildDoc => {
  const bare = newBuild(name, BEGUN, wearer);
  return doing.reduce(done, { ...bare, brief: { ...bare.brief, notes: about } });
};
