import type { Frame, FrameState } from '../../analysis/index.js';
import { resolveSections, type ResolvedSection } from '../../sections/sections.js';
import type { FrameModel, Load } from '../../model/types.js';
import { bracingSystems, type BracingSystem } from '../en1993/bracing/bracing-systems.js';
import {
  bracingLoads,
  heldForce,
  initialBowOf,
  sagsOf,
  softnessOf,
  stabilisingForce,
  type StabilisingForce,
} from '../en1993/bracing/stabilising-forces.js';
import { hardly, sense, type SenseLoads, type Told } from './senses.js';

/** Bows of what bracing systems hold (5.3.3), state by state. */
export class BracingImperfections {
  private readonly systems: readonly BracingSystem[];
  private readonly sections: ReadonlyMap<string, ResolvedSection>;
  private softness: ReturnType<typeof softnessOf> | undefined;

  constructor(
    private readonly model: FrameModel,
    private readonly frame: Frame,
    private readonly secondOrder: boolean,
  ) {
    this.systems = bracingSystems(model, frame);
    this.sections = resolveSections(model);
  }

  /** The senses in which members sway, or one without, each with the forces of the bracing: in both its senses where neither is nearer. */
  with(
    swaying: readonly SenseLoads[] | undefined,
    state: FrameState,
  ): { senses: readonly SenseLoads[]; told?: Told } {
    const forces = new Map(
      this.systems.map(
        (system) => [system, heldForce(this.model, this.sections, this.frame, system, state)] as const,
      ),
    );
    const active = this.systems.filter((system) => forces.get(system)! > 0);
    if (active.length === 0) return { senses: swaying ?? [] };
    const found = new Map<BracingSystem, StabilisingForce>();
    const loadsOf = (system: BracingSystem, sense: 1 | -1): readonly Load[] => {
      const force = stabilisingForce(
        system,
        state,
        forces.get(system)!,
        sense,
        this.softnessOf(system, sense),
      );
      if (force.q > (found.get(system)?.q ?? 0)) found.set(system, force);
      return bracingLoads(system, this.frame, sense * force.q);
    };
    const senses = (swaying ?? [undefined]).flatMap((one): SenseLoads[] => {
      const given = active.map((system) => bowSense(system, state, one?.direction));
      const variants = given.includes(undefined) ? ([1, -1] as const) : ([1] as const);
      return variants.map((variant) => ({
        direction: one?.direction ?? [0, 0],
        words: [
          one?.words,
          variants.length === 1 ? undefined : bowWords(active[given.indexOf(undefined)]!, variant),
        ]
          .filter((part) => part !== undefined)
          .join(', '),
        loads: [
          ...(one?.loads ?? []),
          ...active.flatMap((system, k) => loadsOf(system, given[k] ?? variant)),
        ],
      }));
    });
    return { senses, told: bracingNote([...found]) };
  }

  private softnessOf(system: BracingSystem, sense: 1 | -1): number[] | undefined {
    if (this.secondOrder) return undefined;
    this.softness ??= softnessOf(this.model, this.frame, this.systems);
    return this.softness(system, sense);
  }
}

/** The sense in which a bow makes things worse: that of the sway along it, else that in which the bracing sags; undefined where neither. */
function bowSense(
  system: BracingSystem,
  state: FrameState,
  [dx, dy]: readonly [number, number] = [0, 0],
): 1 | -1 | undefined {
  const along = dx * system.across[0] + dy * system.across[1];
  if (Math.abs(along) >= 0.5) return along > 0 ? 1 : -1;
  const [there, back] = [Math.max(...sagsOf(system, state, 1)), Math.max(...sagsOf(system, state, -1))];
  const decided = hardly * initialBowOf(system);
  if (Math.abs(there - back) < decided) return undefined;
  return there > back ? 1 : -1;
}

function bowWords({ across }: BracingSystem, sign: 1 | -1): string {
  const [x, y, z] = across.map((value) => sign * value) as [number, number, number];
  const level = Math.hypot(x, y) > Math.abs(z);
  return `bracing ${level ? sense(x, y).words : `towards ${z > 0 ? '+' : '−'}z`}`;
}

function bracingNote(found: readonly (readonly [BracingSystem, StabilisingForce])[]): Told {
  const [system, force] = found.reduce((a, b) => (b[1].q > a[1].q ? b : a));
  const which = found.length === 1 ? 'bracing' : `${found.length} bracing systems, the most loaded of which`;
  const sag = force.sag > 0 ? `, δq = ${(force.sag * 1e3).toFixed(1)} mm` : '';
  return {
    long: `${which} holds ${system.holds} members of ${(force.N / 1e3).toFixed(0)} kN over ${system.span.toFixed(1)} m: qd = ${(force.q / 1e3).toFixed(2)} kN/m (e0 = ${(force.bow * 1e3).toFixed(1)} mm${sag}; EN 1993-1-1 5.3.3).`,
    short: `bracing forces qd = ${(force.q / 1e3).toFixed(2)} kN/m`,
  };
}
