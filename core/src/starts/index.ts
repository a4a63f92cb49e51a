import arch from '../../starts/arch.json' with { type: 'json' };
import beam from '../../starts/beam.json' with { type: 'json' };
import bracedBay from '../../starts/braced-bay.json' with { type: 'json' };
import hall from '../../starts/hall.json' with { type: 'json' };
import machineFrame from '../../starts/machine-frame.json' with { type: 'json' };
import portal from '../../starts/portal.json' with { type: 'json' };
import spokedRoof from '../../starts/spoked-roof.json' with { type: 'json' };
import storeyFrame from '../../starts/storey-frame.json' with { type: 'json' };
import truss from '../../starts/truss.json' with { type: 'json' };
import type { Design } from '../document/types.js';

/** A starting point: a complete design of one kind, with numbers from the first moment on. */
export interface StartingPoint {
  readonly kind: string;
  readonly title: string;
  /** What it is and what its alternatives compare, in one sentence. */
  readonly about: string;
  /** A member that lies on the bench when the design is opened first. */
  readonly benched?: string;
  /** A fresh design. */
  readonly design: () => Design;
}

/** What a new design can begin from: the documents in `core/starts`, in the order of their cards. */
export const startingPoints: readonly StartingPoint[] = [
  beam,
  arch,
  portal,
  bracedBay,
  truss,
  storeyFrame,
  spokedRoof,
  machineFrame,
  hall,
].map(({ design, ...head }) => ({ ...head, design: () => structuredClone(design) as unknown as Design }));
