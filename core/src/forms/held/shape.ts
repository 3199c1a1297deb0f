/** Whether an outline is drawn rather than chosen by its name. */
export const isDrawn = (params: object): boolean => (params as { shape?: string }).shape === 'drawn';

/** Whether an outline of a name is sized by its width and height. */
export const isSized = (params: object): boolean => !isDrawn(params);
