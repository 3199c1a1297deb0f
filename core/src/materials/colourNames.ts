import { converter, differenceEuclidean, nearest } from 'culori';

/** Plain names of colours, each by a typical one of it. No maker's paints. */
const named: Readonly<Record<string, string>> = {
  white: '#f7f7f4',
  cream: '#efe6cb',
  'light grey': '#c6cbca',
  grey: '#8d9496',
  'dark grey': '#555c5f',
  charcoal: '#33393b',
  black: '#121314',
  'slate blue': '#51657a',
  'steel blue': '#6f8ba3',
  'pale blue': '#b5cfe0',
  'sky blue': '#5fa3d4',
  blue: '#2258a8',
  'navy blue': '#1c2b52',
  teal: '#1a7a7f',
  turquoise: '#3cbcb5',
  'sea green': '#3a8d6b',
  green: '#2f8236',
  'dark green': '#1f4a2c',
  'olive green': '#6a6b32',
  'light green': '#a5cd8d',
  yellow: '#f2d22e',
  'golden yellow': '#e0a323',
  gold: '#b8923f',
  brass: '#a88b4d',
  orange: '#e5751f',
  'rust brown': '#8b4323',
  copper: '#b56a44',
  tan: '#c49a6c',
  brown: '#6a4527',
  'dark brown': '#3b2718',
  pink: '#e79fb4',
  red: '#bf2026',
  'dark red': '#701a1e',
  magenta: '#b03080',
  violet: '#6a3f96',
  lilac: '#b9a3d3',
  silver: '#a9afb3',
  bronze: '#7d6539',
};

const nearestName = nearest(Object.keys(named), differenceEuclidean('oklab'), (name: string) => named[name]!);
const toLab = converter('oklab');

const known = new Map<string, string>();

/** The plain name of a colour by what it is nearest to as it is seen. */
export function colourName(hex: string): string {
  const name = known.get(hex) ?? nearestName(hex, 1)[0] ?? hex;
  known.set(hex, name);
  return name;
}

/** How light a colour looks, 0 black to 1 white. */
export const lightness = (hex: string): number => toLab(hex)?.l ?? 0;
