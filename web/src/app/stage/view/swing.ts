/** Duration of one swing of the moving picture, from one side to the other and back, ms. */
export const swingPeriod = 1800;
/** Steps by which a swing that is held goes on or back. */
export const swingSteps = 24;

/** Share of a swing that has passed at a time, ms: the same on all stages, so that they move in step. */
export const swingAt = (time: number): number => (time / swingPeriod) % 1;

/** Where the picture stands at a fraction of a swing: from −1 to 1. */
export const phaseOf = (fraction: number): number => Math.sin(2 * Math.PI * fraction);
