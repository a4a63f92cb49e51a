import { Injectable, computed, inject } from '@angular/core';
import { addPoint, movePoint, pointHandles, removePoint, type PointHandle } from '@hashira/core';
import type { HandleMove, StageHandle } from '../stage/interaction/point-handles.component';
import { DesignWorkspace } from '../state/design-workspace.service';
import { StepPreview } from '../state/preview.service';
import { ViewState } from '../state/view-state.service';

/** Points of the step that is open in the recipe, as they are dragged, added and removed on the stage. */
@Injectable()
export class StepPoints {
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly preview = inject(StepPreview);

  readonly handles = computed((): (StageHandle & PointHandle)[] => {
    const step = this.view.step();
    const design = this.workspace.edited();
    if (step === undefined || !design || this.preview.scene()) return [];
    return pointHandles(design, this.workspace.selectedAlternative(design), step).map((handle) => ({
      ...handle,
      key: `${handle.step} ${handle.list} ${handle.index}`,
      label: `Point ${handle.index + 1}`,
    }));
  });

  move({ handle, by }: HandleMove): void {
    const point = this.pointOf(handle);
    if (point) this.workspace.apply((design) => movePoint(design, point, by), `point ${handle.key}`);
  }

  add(handle: StageHandle): void {
    const point = this.pointOf(handle);
    if (point) this.workspace.apply((design) => addPoint(design, point));
  }

  remove(handle: StageHandle): void {
    const point = this.pointOf(handle);
    if (point) this.workspace.apply((design) => removePoint(design, point));
  }

  private pointOf({ key }: StageHandle): PointHandle | undefined {
    return this.handles().find((one) => one.key === key);
  }
}
