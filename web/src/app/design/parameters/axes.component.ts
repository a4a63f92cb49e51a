import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { addAxis, axisFields, removeAxis, setAxis } from '@hashira/core';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ActionDirective } from '../../ui/action.directive';

/** Grid lines: a first position, then spacings; steps read them by `axis("B")`. */
@Component({
  selector: 'app-axes',
  imports: [ActionDirective, FieldsComponent],
  template: `
    <h3>Grid lines</h3>
    @for (row of rows(); track $index) {
      <details>
        <summary>{{ row.words }}</summary>
        <app-fields
          [fields]="fields"
          [record]="row.axis"
          [key]="'axis-' + $index"
          (changed)="set($index, $event)"
        />
        <button appAction (click)="remove($index)">remove these lines</button>
      </details>
    }
    <button appAction (click)="add()">+ grid lines</button>
  `,
  styles: `
    h3 {
      margin: 8px 0 2px;
      font-size: var(--size-small);
      color: var(--ink-soft);
    }
    summary {
      min-height: 24px;
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AxesComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly fields = axisFields;
  private readonly design = computed(() => this.workspace.state()!.design);
  protected readonly rows = computed(() =>
    this.design().axes.map((axis) => ({
      words: `along ${axis.along}: ${axis.at.join(', ')}`,
      axis,
    })),
  );

  protected set(index: number, { name, value }: RecordChange): void {
    this.workspace.apply((design) => setAxis(design, index, { [name]: value }));
  }

  protected remove(index: number): void {
    this.workspace.apply((design) => removeAxis(design, index));
  }

  /** Along the first axis of the space that has none: letters along x, then numbers. */
  protected add(): void {
    const { space, axes } = this.design();
    const all = space === 'plane' ? (['x', 'z'] as const) : (['x', 'y', 'z'] as const);
    const along = all.find((one) => !axes.some((set) => set.along === one));
    const names = along === 'x' ? 'A' : '1';
    this.workspace.apply((design) => addAxis(design, { along: along ?? 'x', at: ['0 m', '6 m'], names }));
  }
}
