import { CreateDesigns1763800000000 } from './1763800000000-create-designs.js';

/** Every migration, oldest first. */
export const migrations = [CreateDesigns1763800000000];
