import type { Vec3 } from '@fomrik/core/geometry';
import { type Effect, effectAt } from '@fomrik/core/light';
import type { PartReport } from '@fomrik/core/parts';
import { useFrame, useThree } from '@react-three/fiber';
import { useRef } from 'react';
import type { Group, Mesh as SceneMesh, MeshBasicMaterial } from 'three';

type Place = (p: Vec3) => [number, number, number];

/** What lamps look like in the dark, by their colour; those that stand behind a face shine through what is drawn of it. */
const glows: Record<string, string> = {
  red: '#ff4a3c',
  amber: '#ffb02e',
  green: '#60eb78',
  blue: '#5c96ff',
  white: '#fffaec',
};

/** An effect as it is played on the lamps of a part. */
export interface Played {
  effect: Effect;
  /** Items it is played on, in their order. */
  ids: readonly string[];
}

/** Light round every lamp, as bright as its effect has it at the moment; still for whoever asked for less motion. */
export function Halos({
  items,
  place,
  played = [],
}: {
  items: PartReport['items'];
  place: Place;
  played?: readonly Played[];
}) {
  const group = useRef<Group>(null);
  const begun = useRef(0);
  const { invalidate } = useThree();
  useFrame(({ clock }) => {
    if (played.length === 0 || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    begun.current ||= clock.elapsedTime;
    for (const { effect, ids } of played)
      ids.forEach((id, i) => {
        const share = effectAt(effect, clock.elapsedTime - begun.current, i, ids.length);
        group.current?.children
          .filter((c) => c.name === id)
          .forEach((c) => {
            const { material, userData } = c as SceneMesh & { material: MeshBasicMaterial };
            material.opacity = (userData['full'] as number) * share;
          });
      });
    invalidate();
  });
  return <group ref={group}>{halosOf(items, place)}</group>;
}

function halosOf(items: PartReport['items'], place: Place) {
  return items.flatMap(({ id, at, lamp, steady, fit }) => {
    const lit = lamp ?? (steady && (steady.kind !== 'board' || steady.lit) ? steady : undefined);
    if (!lit) return [];
    const colour = 'colour' in lit ? glows[lit.colour] : glows['white'];
    const r = lamp ? lamp.led.bodyMm * 2 : Math.max(8, Math.min(40, (fit?.lengthMm ?? 16) / 2));
    return [0.5, 1, 1.7].map((k) => (
      <mesh key={`${id}/${k}`} name={id} userData={{ full: 0.42 / k }} position={place(at)} renderOrder={2}>
        <sphereGeometry args={[r * k, 20, 14]} />
        <meshBasicMaterial
          color={colour ?? '#fffaec'}
          transparent
          opacity={0.42 / k}
          depthTest={!!lamp}
          depthWrite={false}
        />
      </mesh>
    ));
  });
}
