import type { RootState } from '@react-three/fiber';

/** Shaders that ship are known to be sound: to ask each whether it compiled would hold the page up until it has. */
export const withoutChecks = ({ gl }: RootState): void => {
  gl.debug.checkShaderErrors = false;
};
