import { Injectable, computed, inject } from '@angular/core';
import type { Design } from '@hashira/core';
import { ComparisonView } from '../state/comparison-view.service';
import { DesignWorkspace } from '../state/design-workspace.service';

/** The open design as it is compared: its differences are to what the reader chose, else to its own reference. */
@Injectable()
export class ComparedDesign {
  private readonly workspace = inject(DesignWorkspace);
  private readonly comparison = inject(ComparisonView);

  readonly now = computed((): Design => {
    const { design } = this.workspace.state()!;
    const chosen = this.comparison.against();
    const isThere = design.alternatives.some(({ id }) => id === chosen);
    return isThere && chosen !== undefined && chosen !== design.reference
      ? { ...design, reference: chosen }
      : design;
  });
}
