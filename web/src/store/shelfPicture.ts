/** Size of a build's picture on the shelf, pixels: twice that of its place. */
export const SHELF_PX = { width: 176, height: 208 } as const;
