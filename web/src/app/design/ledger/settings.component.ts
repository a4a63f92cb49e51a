import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { setSetting, settingsFields } from '@hashira/core';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';

/** What every alternative is calculated and checked by: order, imperfections, design code and its partial factors. */
@Component({
  selector: 'app-settings',
  imports: [FieldsComponent],
  template: `
    <details>
      <summary>how it is calculated</summary>
      <app-fields [fields]="fields()" [record]="design()" key="settings" (changed)="set($event)" />
      <p class="soft">What is left empty takes the value that its code recommends.</p>
    </details>
  `,
  styles: `
    details {
      margin-top: 8px;
    }
    summary {
      min-height: 24px;
      cursor: pointer;
      color: var(--indigo);
    }
    p {
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly fields = computed(() => settingsFields(this.design()));

  protected set({ name, value }: RecordChange): void {
    this.workspace.apply((design) => setSetting(design, name, value));
  }
}
