import { Injectable, computed, inject, linkedSignal, signal } from '@angular/core';
import { previewStep, type DrawnScene, type Preview, type Step } from '@hashira/core';
import { DesignWorkspace } from './design-workspace.service';

/** A step that is not accepted yet, as the stage shows it at the end of the selected alternative's recipe. */
@Injectable()
export class StepPreview {
  private readonly workspace = inject(DesignWorkspace);
  readonly step = signal<Step | undefined>(undefined);
  private readonly seen = computed((): Preview => {
    const step = this.step();
    const design = this.workspace.state()?.design;
    return step && design ? previewStep(design, this.workspace.selectedAlternative(design), step) : {};
  });
  /** Its drawing; the last one that could be made, where what is written now makes none. */
  readonly scene = linkedSignal<{ id: string | undefined; seen: Preview }, DrawnScene | undefined>({
    source: () => ({ id: this.step()?.id, seen: this.seen() }),
    computation: ({ id, seen }, before) =>
      seen.scene ?? (id !== undefined && before?.source.id === id ? before.value : undefined),
  });
  /** Why the step would not do, where that is at no field. */
  readonly problem = computed(() => (this.seen().field === undefined ? (this.seen().problem ?? '') : ''));
  /** The same at the field that it is about. */
  readonly fieldProblems = computed((): Readonly<Record<string, string>> => {
    const { field, problem } = this.seen();
    return field === undefined || problem === undefined ? {} : { [field]: problem };
  });
}
