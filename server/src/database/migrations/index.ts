import { CreateDesigns1763800000000 } from './1763800000000-create-designs.js';
import { KeepRevisions1764200000000 } from './1764200000000-keep-revisions.js';

/** Every migration, oldest first. */
export const migrations = [CreateDesigns1763800000000, KeepRevisions1764200000000];
