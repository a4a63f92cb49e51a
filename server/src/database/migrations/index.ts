import { CreateDesigns1763800000000 } from './1763800000000-create-designs.js';
import { KeepRevisions1764200000000 } from './1764200000000-keep-revisions.js';
import { KeepPreviews1764500000000 } from './1764500000000-keep-previews.js';
import { TellChanges1764600000000 } from './1764600000000-tell-changes.js';

/** Every migration, oldest first. */
export const migrations = [
  CreateDesigns1763800000000,
  KeepRevisions1764200000000,
  KeepPreviews1764500000000,
  TellChanges1764600000000,
];
