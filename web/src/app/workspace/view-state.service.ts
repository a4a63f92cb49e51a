import { Injectable, computed, inject, signal } from '@angular/core';
import type { Calculated } from '@hashira/core';
import { commonScales, type DeformationScale } from '../stage/stage-scales';
import type { DiagramKind, StageLayers, StageScales } from '../stage/scene';
import { DesignWorkspace } from './design-workspace.service';

const none: never[] = [];

/** What all stages of a design show: one load case, one diagram, one scale. */
@Injectable()
export class ViewState {
  private readonly workspace = inject(DesignWorkspace);
  private readonly chosenResult = signal<string | undefined>(undefined);

  readonly diagram = signal<DiagramKind>('M');
  readonly deformed = signal(false);
  readonly loads = signal(true);
  readonly reactions = signal(true);
  readonly deformation = signal<DeformationScale>({ kind: 'automatic' });
  /** The deformed shape swings between both sides. */
  readonly moving = signal(false);

  // The same arrays while parameters are dragged, so that nothing that lists them is rendered anew
  private readonly loadCases = computed(() => this.workspace.state()?.design.loadCases ?? none);
  private readonly combinations = computed(() => this.workspace.state()?.design.combinations ?? none);

  /** Load cases and combinations to choose from. */
  readonly resultOptions = computed(() => [
    { label: 'Load cases', items: this.loadCases().map((c) => ({ id: c.id, label: `${c.id}  ${c.title}` })) },
    {
      label: 'Combinations',
      items: this.combinations().map((c) => ({ id: c.id, label: `${c.id}  ${c.title ?? c.state}` })),
    },
  ]);

  /** Id of the load case or combination that is shown; the first combination until one is chosen. */
  readonly resultId = computed(() => {
    const ids = [...this.combinations(), ...this.loadCases()].map((r) => r.id);
    const chosen = this.chosenResult();
    return chosen !== undefined && ids.includes(chosen) ? chosen : (ids[0] ?? '');
  });

  /** Alternatives that could be calculated. */
  readonly calculated = computed((): Calculated[] =>
    [...this.workspace.results().alternatives.values()].flatMap((a) => (a.ok ? [a.value] : [])),
  );

  readonly scales = computed((): StageScales =>
    commonScales(this.calculated(), this.resultId(), this.diagram(), this.deformation()),
  );

  readonly layers = computed((): StageLayers => ({
    diagram: this.diagram(),
    deformed: this.deformed(),
    loads: this.loads(),
    reactions: this.reactions(),
    dimensions: true,
  }));

  showResult(id: string): void {
    this.chosenResult.set(id);
  }
}
