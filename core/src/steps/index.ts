import { arch } from './make/arch.js';
import { bracedBay } from './make/braced-bay.js';
import { line } from './make/line.js';
import { machineFrame } from './make/machine-frame.js';
import { portal } from './make/portal.js';
import { ring } from './make/ring.js';
import { storeyFrame } from './make/storey-frame.js';
import { truss } from './make/truss.js';
import { brace } from './edit/brace.js';
import { connect } from './edit/connect.js';
import { copy } from './edit/copy.js';
import { divide } from './edit/divide.js';
import { floor } from './edit/floor.js';
import { haunch } from './edit/haunch.js';
import { join } from './edit/join.js';
import { mirror } from './edit/mirror.js';
import { move } from './edit/move.js';
import { remove } from './edit/remove.js';
import { setOut } from './edit/set-out.js';
import { taper } from './edit/taper.js';
import { trim } from './edit/trim.js';
import type { StepKind } from './step.js';

/** Every kind of step, in the order in which they are offered. A new kind is one file and one line here. */
export const stepKinds: readonly StepKind[] = [
  portal,
  arch,
  bracedBay,
  truss,
  storeyFrame,
  ring,
  machineFrame,
  line,
  copy,
  mirror,
  move,
  divide,
  haunch,
  taper,
  remove,
  connect,
  brace,
  join,
  floor,
  setOut,
  trim,
] as readonly StepKind[];

const byName = new Map(stepKinds.map((kind) => [`${kind.verb} ${kind.kind}`, kind]));

/** The kind of a step as written. */
export function kindOf(step: { readonly make?: string; readonly edit?: string }): StepKind | undefined {
  return byName.get(step.make !== undefined ? `make ${step.make}` : `edit ${step.edit ?? ''}`);
}

export type { StepKind } from './step.js';
