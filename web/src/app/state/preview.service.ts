import { Injectable, computed, inject, signal } from '@angular/core';
import { previewStep, type Step } from '@hashira/core';
import { DesignWorkspace } from './design-workspace.service';

/** A step that is not accepted yet, as the stage shows it at the end of the selected alternative's recipe. */
@Injectable()
export class StepPreview {
  private readonly workspace = inject(DesignWorkspace);
  readonly step = signal<Step | undefined>(undefined);
  private readonly seen = computed(() => {
    const step = this.step();
    const design = this.workspace.state()?.design;
    return step && design ? previewStep(design, this.workspace.selectedAlternative(design), step) : {};
  });
  readonly scene = computed(() => this.seen().scene);
  /** Why the step would not do. */
  readonly problem = computed(() => this.seen().problem ?? '');
}
