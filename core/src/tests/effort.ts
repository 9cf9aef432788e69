/** How many times longer than usual seeded tests run, and how far their seeds lie from the usual ones: `npm run attack`. */
const EFFORT = Number(process.env['OGEE_EFFORT'] ?? 1);
const SEED = Number(process.env['OGEE_SEED'] ?? 0);

export const runs = (usual: number): number => Math.round(usual * EFFORT);

export const seeded = (usual: number): number => usual + SEED;
