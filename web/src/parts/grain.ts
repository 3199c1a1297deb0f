import type { SurfaceLook } from '@fomrik/core/document';
import type { MeshStandardMaterial } from 'three';

/** Noise over space, 0 to 1: values at whole places by a hash, smoothly between. */
const NOISE = /* glsl */ `
float hashAt(vec3 p) { return fract(sin(dot(p, vec3(12.9898, 78.233, 37.719))) * 43758.5453); }
float noiseAt(vec3 p) {
  vec3 i = floor(p);
  vec3 f = fract(p);
  f = f * f * (3.0 - 2.0 * f);
  return mix(
    mix(mix(hashAt(i), hashAt(i + vec3(1, 0, 0)), f.x), mix(hashAt(i + vec3(0, 1, 0)), hashAt(i + vec3(1, 1, 0)), f.x), f.y),
    mix(mix(hashAt(i + vec3(0, 0, 1)), hashAt(i + vec3(1, 0, 1)), f.x), mix(hashAt(i + vec3(0, 1, 1)), hashAt(i + vec3(1, 1, 1)), f.x), f.y),
    f.z);
}`;

/** How a colour is darkened by the grain at a place of the scene, mm: wood in long fibres, leather in small cells. */
const GRAIN: Partial<Record<SurfaceLook, string>> = {
  wood: `diffuseColor.rgb *= 0.72 + 0.28 * noiseAt(vec3(grainAt.x * 0.35, grainAt.y * 0.02, grainAt.z * 0.35)) + 0.1 * noiseAt(vec3(grainAt.x * 1.4, grainAt.y * 0.06, grainAt.z * 1.4));`,
  leather: `diffuseColor.rgb *= 0.7 + 0.3 * smoothstep(0.25, 0.6, noiseAt(grainAt * 0.55)) + 0.08 * noiseAt(grainAt * 0.09);`,
};

/** Gives a material the grain of its surface, where it has one; made here, from no picture. */
export function withGrain(material: MeshStandardMaterial, surface: SurfaceLook): MeshStandardMaterial {
  const grain = GRAIN[surface];
  if (!grain) return material;
  material.customProgramCacheKey = () => `grain ${surface}`;
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nvarying vec3 grainAt;')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\ngrainAt = position;');
    shader.fragmentShader = shader.fragmentShader
      .replace('#include <common>', `#include <common>\nvarying vec3 grainAt;${NOISE}`)
      .replace('#include <color_fragment>', `#include <color_fragment>\n${grain}`);
  };
  return material;
}
